package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Behaviour;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.SensorCurve;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.unit.TradeBand;
import org.jollychain.core.unit.UnitFact;
import org.jollychain.core.unit.UnitFacts;

/**
 * The unit in front of the technician, as far as it is known. A sheet is an example: what it says
 * of a load's ohms is one value out of the trade's band ({@link TradeBand}). The unit's own paper
 * comes before it, then what was read on the part by itself, where a sound part may have that; like
 * parts share a rating, so that one speaks for the other. What nobody has told or read keeps the
 * width of the band.
 *
 * <p>A sensor that was read without its temperature is judged at the temperature at which it would
 * be right, where it can have been as warm as that: its ohms then say how warm it would be, and not
 * that it is bad.
 *
 * @param values what takes the place of the sheet's, by part
 * @param odd parts that were read outside of the trade's band, though a plate might say so
 * @param unlike like parts that were read unlike
 * @param warmth temperatures nobody told, at which these sensors would be right (C)
 * @param among parts that were only read with the rest of the circuit across them
 */
public record KnownUnit(
    Map<String, Value> values,
    Set<String> odd,
    List<Set<String>> unlike,
    Map<String, Double> warmth,
    Set<String> among) {

  /** One that is just as its sheet says. */
  public static final KnownUnit AS_ON_SHEET =
      new KnownUnit(Map.of(), Set.of(), List.of(), Map.of(), Set.of());

  /** Own readings of one part that differ less are one value (a share). */
  private static final double ALIKE = 0.12;

  /** Of what was read by itself: the meter and the leads (a share). */
  private static final double READ_TOLERANCE = 0.05;

  /** Of what was drawn: the supply, the clamp, what else is in series (a share). */
  private static final double DRAWN_TOLERANCE = 0.15;

  /** Less is no current of a load (A). */
  private static final double LEAST_AMPERES = 0.01;

  /** What goes through a link and a load differs by less, where nothing branches off (a share). */
  private static final double SAME_CURRENT = 0.01;

  /** Of one whose twin was read (a share). */
  private static final double TWIN_TOLERANCE = 0.15;

  /** Wider than this no line through a part is straight (a share). */
  private static final double WIDEST = 0.45;

  /** So many times the part, a way around it is no way around it. */
  private static final double FAR_AROUND = 30;

  /** Nobody told how warm a place is: it is between these, or as warm as a state makes it (C). */
  private static final double COLDEST = -10;

  private static final double WARMEST = 60;

  /** Heat that is left after running, above what any state says (K). */
  private static final double LEFT = 5;

  /** Values are kept in steps of so much of their decade. */
  private static final double STEP = 0.002;

  /**
   * The ohms of a part, cold.
   *
   * @param tolerance half the width of its band, as a share
   */
  public record Value(double ohms, double tolerance) {

    /** The same in small steps, so that units that are as good as one are one. */
    Value rounded() {
      double step = STEP * Math.pow(10, Math.floor(Math.log10(ohms)));
      return new Value(Math.rint(ohms / step) * step, tolerance);
    }
  }

  /**
   * @param unit the sheet's
   * @param facts what its plate, its parts and its paper say
   * @param evidence that stands
   */
  public static KnownUnit of(UnitModel unit, UnitFacts facts, List<? extends Evidence> evidence) {
    return new Finding(unit, facts).of(evidence);
  }

  /** Finds what is known of a unit. */
  private static final class Finding {
    private final UnitModel unit;
    private final Sheet sheet;
    private final UnitFacts facts;
    private final Map<String, Value> values = new LinkedHashMap<>();
    private final Set<String> odd = new LinkedHashSet<>();
    private final List<Set<String>> unlike = new ArrayList<>();
    private final Map<String, Double> warmth = new LinkedHashMap<>();

    /** Ohms of loads as read by themselves. */
    private final Map<String, List<Double>> read = new LinkedHashMap<>();

    /** Ohms of loads that were read with others across them. */
    private final Map<String, Double> among = new LinkedHashMap<>();

    /** Ohms of loads, cold, by the amperes they drew. */
    private final Map<String, Double> drawn = new LinkedHashMap<>();

    Finding(UnitModel unit, UnitFacts facts) {
      this.unit = unit;
      this.sheet = facts.on(unit.sheet());
      this.facts = facts;
    }

    KnownUnit of(List<? extends Evidence> evidence) {
      for (Evidence e : evidence) {
        if (e instanceof Reading r && r.shown() instanceof Shown.Figure f) {
          take(r, f);
        }
      }
      likes().forEach(this::value);
      among.keySet().removeAll(read.keySet());
      return new KnownUnit(
          Map.copyOf(values),
          Set.copyOf(odd),
          List.copyOf(unlike),
          Map.copyOf(warmth),
          Set.copyOf(among.keySet()));
    }

    private void take(Reading r, Shown.Figure f) {
      if (ofOhms(r)) {
        Part part = sheet.part(r.probe().part().orElseThrow());
        if (part.actsAsLoad() && TradeBand.of(part).isPresent()) {
          double around = around(unit, part, r.probe());
          boolean byItself = around > FAR_AROUND * f.value() || r.probe().frees(part);
          if (byItself) {
            read.computeIfAbsent(part.id(), p -> new ArrayList<>()).add(f.value());
          } else {
            behind(part, f.value(), around).ifPresent(v -> among.put(part.id(), v));
          }
        }
        impliedCelsius(sheet, r).ifPresent(c -> warmth.put(part.id(), c));
      } else if (r.probe().function().clamps() && f.value() > 0) {
        r.probe()
            .part()
            .flatMap(p -> alone(p, r.probe().situation()))
            .ifPresent(load -> drew(load, r, f));
      }
    }

    /**
     * What a part may have that was read with the rest of the circuit across it, or was not: nobody
     * told. It is what was read if its wires were off, else what leaves that beside what is around.
     */
    private Optional<Double> behind(Part part, double read, double around) {
      TradeBand band = band(part);
      double beside = read < around ? read * around / (around - read) : 0;
      return band.holds(read) ? Optional.of(read) : Optional.of(beside).filter(band::holds);
    }

    /** The load whose current, and no other, goes through a part in a situation. */
    private Optional<Part> alone(String through, String situation) {
      Solution sound = unit.in(situation);
      double amperes = sound.amperes(through).abs();
      return sheet.parts().values().stream()
          .filter(Part::actsAsLoad)
          .filter(p -> amperes > LEAST_AMPERES)
          .filter(p -> Math.abs(sound.amperes(p.id()).abs() / amperes - 1) < SAME_CURRENT)
          .findFirst();
    }

    private void drew(Part load, Reading r, Shown.Figure f) {
      double due = unit.in(r.probe().situation()).amperes(load.id()).abs();
      double example = unit.sheet().part(load.id()).load().orElseThrow().coldOhms();
      drawn.put(load.id(), example * due / f.value());
    }

    /** Values of parts that are like each other. */
    private void value(List<Part> like) {
      Map<String, Double> own = new LinkedHashMap<>();
      like.forEach(p -> own(p).ifPresent(v -> own.put(p.id(), v)));
      boolean told = like.stream().anyMatch(p -> facts.tells(p.id()));
      if (!told && apart(own.values().stream().mapToDouble(v -> v).toArray())) {
        unlike.add(Set.copyOf(own.keySet()));
      }
      for (Part part : like) {
        Optional.ofNullable(own.get(part.id()))
            .map(v -> read(part, v))
            .or(() -> unread(part, told ? Map.of() : own))
            .ifPresent(v -> values.put(part.id(), v));
      }
    }

    /** What a part has by its own readings: the middle of those that a sound one may show. */
    private Optional<Double> own(Part part) {
      TradeBand band = band(part);
      double[] possible =
          read.getOrDefault(part.id(), List.of()).stream()
              .mapToDouble(v -> v)
              .filter(band::allows)
              .sorted()
              .toArray();
      return possible.length > 0
          ? Optional.of(possible[possible.length / 2])
          : Optional.ofNullable(drawn.get(part.id()))
              .filter(band::holds)
              .or(() -> Optional.ofNullable(among.get(part.id())));
    }

    private TradeBand band(Part part) {
      return Optional.ofNullable(facts.byPart().get(part.id()))
          .filter(UnitFact.Ohms.class::isInstance)
          .map(f -> TradeBand.printed((UnitFact.Ohms) f))
          .orElseGet(() -> TradeBand.of(part).orElseThrow());
    }

    private Value read(Part part, double ohms) {
      if (!band(part).holds(ohms)) {
        odd.add(part.id());
      }
      boolean byItself = read.containsKey(part.id());
      return new Value(ohms, byItself ? READ_TOLERANCE : DRAWN_TOLERANCE).rounded();
    }

    /**
     * Its twin's, or what is printed, or the middle of the band; what was read and cannot be, not.
     */
    private Optional<Value> unread(Part part, Map<String, Double> twins) {
      double example = part.load().orElseThrow().coldOhms();
      if (facts.tells(part.id())) {
        return read.containsKey(part.id())
            ? Optional.of(new Value(band(part).nearest(read.get(part.id()).get(0)), READ_TOLERANCE))
            : Optional.empty();
      }
      if (read.containsKey(part.id())) {
        return Optional.empty();
      }
      return twins.isEmpty()
          ? Optional.of(new Value(example, width(band(part), part)))
          : Optional.of(new Value(twins.values().iterator().next(), TWIN_TOLERANCE).rounded());
    }

    private static double width(TradeBand band, Part part) {
      double wide = Math.min(WIDEST, band.tolerance());
      return Math.max(wide, part.behaviour().tolerance());
    }

    /** The loads that have a band, those of one rating together. */
    private List<List<Part>> likes() {
      record Rating(PartKind kind, long ohms) {}
      Map<Rating, List<Part>> likes =
          unit.sheet().parts().values().stream()
              .filter(p -> TradeBand.of(p).isPresent())
              .collect(
                  Collectors.groupingBy(
                      p ->
                          new Rating(p.kind(), Math.round(100 * p.load().orElseThrow().coldOhms())),
                      LinkedHashMap::new,
                      Collectors.toList()));
      return likes.values().stream()
          .map(like -> like.stream().map(p -> sheet.part(p.id())).toList())
          .toList();
    }
  }

  private static boolean ofOhms(Reading r) {
    return r.probe().function() == MeterFunction.OHMS && r.probe().part().isPresent();
  }

  private static boolean apart(double... own) {
    double most = Arrays.stream(own).max().orElse(1);
    return own.length > 1 && most > (1 + ALIKE) * Arrays.stream(own).min().orElse(1);
  }

  /** What lies around a part where it was read (ohm). */
  private static double around(UnitModel unit, Part part, Probe probe) {
    List<Change> without = probe.conditions(unit.sheet(), List.of(Change.open(part.id())));
    return unit.in(probe.situation(), without).ohmsBetween(part.from(), part.to()).re();
  }

  /**
   * How warm a sensor would be to be right, where nobody told how warm it is: within what it may
   * be.
   */
  private static Optional<Double> impliedCelsius(Sheet sheet, Reading r) {
    Part part = sheet.part(r.probe().part().orElseThrow());
    if (r.probe().celsius().isPresent() || !(r.shown() instanceof Shown.Figure f)) {
      return Optional.empty();
    }
    return part.curve()
        .map(curve -> Math.max(COLDEST, Math.min(warmest(sheet, part), celsius(curve, f.value()))));
  }

  private static double celsius(SensorCurve curve, double ohms) {
    return curve.celsiusAt(Math.max(ohms, 1e-3));
  }

  private static double warmest(Sheet sheet, Part part) {
    return sheet.situations().values().stream()
        .mapToDouble((Situation s) -> s.celsiusAt(part.feels()) + LEFT)
        .reduce(WARMEST, Math::max);
  }

  /** The readings of sensors at the temperatures at which they would be right. */
  public List<Evidence> warmed(Sheet sheet, List<? extends Evidence> evidence) {
    return evidence.stream().map(e -> warmed(sheet, e)).toList();
  }

  private Evidence warmed(Sheet sheet, Evidence e) {
    return e instanceof Reading r && ofOhms(r)
        ? impliedCelsius(sheet, r)
            .<Evidence>map(
                c ->
                    new Reading(
                        r.id(), r.probe().at(c), r.shown(), r.meter(), r.reseated(), r.at()))
            .orElse(r)
        : e;
  }

  /** The same with a part that has other ohms than such a part should, as they are (ohm). */
  public KnownUnit with(String part, double ohms) {
    Map<String, Value> more = new LinkedHashMap<>(values);
    more.put(part, new Value(ohms, READ_TOLERANCE).rounded());
    return new KnownUnit(Map.copyOf(more), odd, unlike, warmth, among);
  }

  /** Parts that were read as few are, or unlike their like, and whose plate nobody looked at. */
  public List<String> plates(Sheet sheet, UnitFacts facts) {
    return sheet.parts().keySet().stream()
        .filter(p -> odd.contains(p) || unlike.stream().anyMatch(like -> like.contains(p)))
        .filter(p -> !facts.looked(p))
        .toList();
  }

  /** The sheet as this unit is. */
  public Sheet on(Sheet sheet) {
    Map<String, Part> parts = new LinkedHashMap<>(sheet.parts());
    values.forEach(
        (id, value) ->
            parts.computeIfPresent(
                id,
                (k, part) -> {
                  LoadRating rating = part.load().orElseThrow();
                  return part.behaving(
                      new Behaviour.Load(
                          rating.scaled(value.ohms() / rating.coldOhms()), value.tolerance()));
                }));
    return sheet.withParts(parts);
  }
}
