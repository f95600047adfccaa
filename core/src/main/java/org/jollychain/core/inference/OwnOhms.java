package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.TradeBand;

/**
 * The ohms of the loads of a unit, cold, by what was read on them: ohms of the part by itself, ohms
 * with the rest of the circuit across it, and {@code R_cold = R_sheet (U / U_sheet) (I_sheet / I)}
 * by the volts and the amperes while it runs, where a kind's hot ohms go with its cold ones. Where
 * ohms that were told to be freed and the amperes disagree, and the same ohms with the wires on
 * agree with them, a wire was on.
 */
final class OwnOhms {

  /** What was read and what was drawn differ by more: one of the two is not what it seems. */
  private static final double DISAGREE = 1.25;

  /** Less is no current of a load (A). */
  private static final double LEAST_AMPERES = 0.01;

  /** A load that gets less of its volts is not running (a share). */
  private static final double LEAST_VOLTS = 0.5;

  /** What goes through a link and a load differs by less, where nothing branches off (a share). */
  private static final double SAME_CURRENT = 0.01;

  /** So many times the part, a way around it is no way around it. */
  private static final double FAR_AROUND = 30;

  private final UnitModel unit;
  private final Sheet sheet;
  private final Function<Part, TradeBand> band;

  /** Ohms of loads as read by themselves. */
  private final Map<String, List<Double>> read = new LinkedHashMap<>();

  /** Ohms of loads that were read with others across them. */
  private final Map<String, Double> among = new LinkedHashMap<>();

  /** Ohms of loads, cold, by the amperes they drew. */
  private final Map<String, Double> drawn = new LinkedHashMap<>();

  /** What loads would have that were read as freed, had their wires been on. */
  private final Map<String, Double> wired = new LinkedHashMap<>();

  /** How many times what is due was read across loads, by load and situation. */
  private final Map<String, Double> volts = new LinkedHashMap<>();

  /**
   * @param unit the sheet's
   * @param sheet as far as the unit's paper tells it
   * @param band of a load that has one
   */
  OwnOhms(UnitModel unit, Sheet sheet, Function<Part, TradeBand> band) {
    this.unit = unit;
    this.sheet = sheet;
    this.band = band;
  }

  /** Takes what was read on the loads. */
  void take(List<? extends Evidence> evidence) {
    List<Reading> figures =
        evidence.stream()
            .filter(Reading.class::isInstance)
            .map(Reading.class::cast)
            .filter(r -> r.shown() instanceof Shown.Figure)
            .toList();
    figures.forEach(this::across);
    figures.forEach(r -> take(r, (Shown.Figure) r.shown()));
    wired.forEach(this::wiresOn);
  }

  /** The first of what a part showed by itself. */
  Optional<Double> byItself(Part part) {
    return Optional.ofNullable(read.get(part.id())).map(all -> all.get(0));
  }

  /** Parts that were only read with the rest of the circuit across them. */
  Set<String> onlyAmong() {
    return among.keySet().stream()
        .filter(p -> !read.containsKey(p))
        .collect(Collectors.toUnmodifiableSet());
  }

  /**
   * What a part has by its own readings: of those that a sound one may show the middle, or the one
   * that fits what it draws.
   */
  Optional<Double> of(Part part) {
    TradeBand sound = band.apply(part);
    Optional<Double> draws = Optional.ofNullable(drawn.get(part.id())).filter(sound::holds);
    List<Double> possible =
        read.getOrDefault(part.id(), List.of()).stream().filter(sound::allows).sorted().toList();
    if (possible.isEmpty()) {
      return draws.or(() -> Optional.ofNullable(among.get(part.id())));
    }
    return draws.isPresent()
        ? possible.stream().min(Comparator.comparingDouble(v -> apart(v, draws.get())))
        : Optional.of(possible.get(possible.size() / 2));
  }

  private void take(Reading r, Shown.Figure f) {
    if (KnownUnit.ofOhms(r)) {
      Part part = sheet.part(r.probe().part().orElseThrow());
      if (part.actsAsLoad() && TradeBand.of(part).isPresent()) {
        double around =
            around(part, r.probe().situation(), r.probe().conditions(sheet, opened(part)));
        boolean byItself = around > FAR_AROUND * f.value() || r.probe().frees(part);
        if (byItself) {
          read.computeIfAbsent(part.id(), p -> new ArrayList<>()).add(f.value());
          double wiresOn = around(part, r.probe().situation(), opened(part));
          if (f.value() < wiresOn) {
            wired.put(part.id(), beside(f.value(), wiresOn));
          }
        } else {
          behind(part, f.value(), around).ifPresent(v -> among.put(part.id(), v));
        }
      }
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
    TradeBand sound = band.apply(part);
    double beside = read < around ? beside(read, around) : 0;
    return sound.holds(read) ? Optional.of(read) : Optional.of(beside).filter(sound::holds);
  }

  /** What is left of a reading where so much lies around (ohm). */
  private static double beside(double read, double around) {
    return read * around / (around - read);
  }

  /**
   * A wire was told to be off, and what the part draws fits far better with the wire on: then the
   * part was read with others across it.
   */
  private void wiresOn(String part, double ifOn) {
    List<Double> own = read.getOrDefault(part, List.of());
    double due = drawn.getOrDefault(part, 0.0);
    boolean possible = band.apply(sheet.part(part)).holds(due);
    if (possible && own.stream().allMatch(v -> apart(v, due) > DISAGREE)) {
      double off = own.stream().mapToDouble(v -> apart(v, due)).min().orElse(1);
      if (Math.log(apart(ifOn, due)) < Math.log(off) / 2) {
        read.remove(part);
        among.put(part, due);
      }
    }
  }

  private static double volts(Solution sound, Part part) {
    return sound.volts(part.from()).minus(sound.volts(part.to())).abs();
  }

  private static boolean measuresVolts(Reading r) {
    return !r.probe().function().needsDeadCircuit() && !r.probe().function().clamps();
  }

  private static double apart(double a, double b) {
    return Math.max(a / b, b / a);
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
    String situation = r.probe().situation();
    double due = unit.in(situation).amperes(load.id()).abs();
    double example = unit.sheet().part(load.id()).load().orElseThrow().coldOhms();
    double share = volts.getOrDefault(load.id() + " " + situation, 1.0);
    drawn.put(load.id(), example * due * share / f.value());
  }

  /** Volts across a load, against what the sheet's has there. */
  private void across(Reading r) {
    if (measuresVolts(r) && r.probe().part().isPresent()) {
      Part part = sheet.part(r.probe().part().get());
      double due = volts(unit.in(r.probe().situation()), part);
      double read = ((Shown.Figure) r.shown()).value();
      if (part.actsAsLoad() && read > due * LEAST_VOLTS && read < due / LEAST_VOLTS) {
        volts.put(part.id() + " " + r.probe().situation(), read / due);
      }
    }
  }

  /** What lies around a part (ohm). */
  private double around(Part part, String situation, List<Change> without) {
    return unit.in(situation, without).ohmsBetween(part.from(), part.to()).re();
  }

  private static List<Change> opened(Part part) {
    return List.of(Change.open(part.id()));
  }
}
