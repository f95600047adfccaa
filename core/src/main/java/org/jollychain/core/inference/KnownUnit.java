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
import org.jollychain.core.network.MeterFunction;
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

  /** Of one whose twin was read (a share). */
  private static final double TWIN_TOLERANCE = 0.15;

  /** Wider than this no line through a part is straight (a share). */
  private static final double WIDEST = 0.45;

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
    private final OwnOhms ohms;

    Finding(UnitModel unit, UnitFacts facts) {
      this.unit = unit;
      this.sheet = facts.on(unit.sheet());
      this.facts = facts;
      this.ohms = new OwnOhms(unit, sheet, this::band);
    }

    KnownUnit of(List<? extends Evidence> evidence) {
      for (Evidence e : evidence) {
        if (e instanceof Reading r && ofOhms(r)) {
          impliedCelsius(sheet, r).ifPresent(c -> warmth.put(r.probe().part().orElseThrow(), c));
        }
      }
      ohms.take(evidence);
      likes().forEach(this::value);
      return new KnownUnit(
          Map.copyOf(values),
          Set.copyOf(odd),
          List.copyOf(unlike),
          Map.copyOf(warmth),
          ohms.onlyAmong());
    }

    /** Values of parts that are like each other. */
    private void value(List<Part> like) {
      Map<String, Double> own = new LinkedHashMap<>();
      like.forEach(p -> ohms.of(p).ifPresent(v -> own.put(p.id(), v)));
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

    private TradeBand band(Part part) {
      return Optional.ofNullable(facts.byPart().get(part.id()))
          .filter(UnitFact.Ohms.class::isInstance)
          .map(f -> TradeBand.printed((UnitFact.Ohms) f))
          .orElseGet(() -> TradeBand.of(part).orElseThrow());
    }

    private Value read(Part part, double value) {
      if (!band(part).holds(value)) {
        odd.add(part.id());
      }
      boolean byItself = ohms.byItself(part).isPresent();
      return new Value(value, byItself ? READ_TOLERANCE : DRAWN_TOLERANCE).rounded();
    }

    /**
     * Its twin's, or what is printed, or the middle of the band; what was read and cannot be, not.
     */
    private Optional<Value> unread(Part part, Map<String, Double> twins) {
      double example = part.load().orElseThrow().coldOhms();
      if (facts.tells(part.id())) {
        return ohms.byItself(part).map(o -> new Value(band(part).nearest(o), READ_TOLERANCE));
      }
      if (ohms.byItself(part).isPresent()) {
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

  static boolean ofOhms(Reading r) {
    return r.probe().function() == MeterFunction.OHMS && r.probe().part().isPresent();
  }

  private static boolean apart(double... own) {
    double most = Arrays.stream(own).max().orElse(1);
    return own.length > 1 && most > (1 + ALIKE) * Arrays.stream(own).min().orElse(1);
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
