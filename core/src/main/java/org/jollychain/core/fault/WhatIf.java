package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;

/** What would be in a unit if something were wrong with it, beside what is in the sound one. */
public final class WhatIf {

  private static final double DROPPING_OHMS = 5;
  private static final double LEAK_OHMS = 10;
  private static final double HIGH_FACTOR = 2;
  private static final double GHOST_SHARE = 0.1;
  private static final double GHOST_VOLTS = 1;

  /** Beyond so many times the sound unit's current a fuse or breaker does not hold. */
  private static final double SHORT_FACTOR = 5;

  private static final double SHORT_AMPERES = 60;

  private WhatIf() {}

  /**
   * A fault to suppose.
   *
   * @param part its id
   * @param mode in which way
   * @param ohms in series with it where it drops, to the case where it leaks (ohm)
   * @param position of a leak along the part, 0 to 1
   * @param factor of a load that is off its value
   */
  public record Supposed(
      String part,
      FaultMode mode,
      Optional<Double> ohms,
      Optional<Double> position,
      Optional<Double> factor) {

    Change change() {
      return switch (mode) {
        case OPEN, TRIPPED, NOT_MADE, INTERMITTENT -> Change.open(part);
        case DROPPING -> Change.dropping(part, ohms.orElse(DROPPING_OHMS));
        case STUCK -> Change.closed(part);
        case CASE_LEAK -> Change.leak(part, position.orElse(0.5), ohms.orElse(LEAK_OHMS));
        case OFF_VALUE_HIGH -> Change.scaled(part, factor.orElse(HIGH_FACTOR));
        case OFF_VALUE_LOW -> Change.scaled(part, factor.orElse(1 / HIGH_FACTOR));
      };
    }
  }

  /**
   * The whole answer.
   *
   * @param reference the point potentials are given against
   * @param notes what it would mean at the bench
   */
  public record Answer(
      String situation,
      String reference,
      List<PointState> points,
      List<PartState> parts,
      List<Steps> paths,
      List<Readout> readings,
      List<String> notes) {}

  /**
   * A point against the reference.
   *
   * @param sound in the sound unit (V)
   * @param now as supposed (V)
   * @param floating whether it hangs on strays alone, so that a meter shows a ghost
   */
  public record PointState(String point, double sound, double now, boolean floating) {}

  /**
   * A part.
   *
   * @param volts across it (V)
   * @param amperes through it (A)
   * @param watts turned into heat or motion in it (W)
   * @param ohms its impedance (ohm)
   * @param soundAmperes through it in the sound unit (A)
   * @param powerShare power as a share of what it gets when it runs, for loads
   */
  public record PartState(
      String part,
      double volts,
      double amperes,
      double watts,
      double ohms,
      double soundAmperes,
      Optional<Double> powerShare) {}

  /** The staircase of a path: potentials against its return (V). */
  public record Steps(String path, String title, String reference, List<Step> steps) {}

  /** A point of a staircase, and the part that follows it; the last has none. */
  public record Step(String point, double sound, double now, Optional<String> part) {}

  /**
   * A meter's display.
   *
   * @param now as the display shows it
   * @param sound as it would show in the sound unit
   * @param ghost whether what it shows hangs on a floating wire
   */
  public record Readout(
      MeterFunction function, String red, String black, String now, String sound, boolean ghost) {}

  /**
   * @param faults to suppose
   * @param lifted parts with one wire off
   * @param supplyVolts of the supply where not nominal (V)
   * @throws EvidenceException when a probe would be ohms on a live circuit
   */
  public static Answer answer(
      UnitModel unit,
      Meter meter,
      Situation situation,
      List<Supposed> faults,
      List<String> lifted,
      Optional<Double> supplyVolts,
      List<Probe> probes) {
    probes.forEach(p -> refuseOhmsOnLive(p, situation));
    Sheet sheet = unit.sheet();
    List<Change> changes = new ArrayList<>();
    supplyVolts.ifPresent(
        volts -> {
          Complex factor = Complex.of(volts / sheet.supply().volts());
          sheet
              .supply()
              .currentTerminals()
              .forEach(t -> changes.add(Change.source(Supply.conductor(t), factor)));
        });
    faults.forEach(f -> changes.add(f.change()));
    lifted.forEach(part -> changes.add(Change.open(part)));
    Solution sound = unit.in(situation.id());
    Solution now = unit.in(situation.id(), changes);
    String reference = reference(sheet);
    return new Answer(
        situation.id(),
        reference,
        sheet.points().keySet().stream().map(p -> point(p, reference, sound, now)).toList(),
        sheet.parts().values().stream().map(p -> part(p, unit, sound, now)).toList(),
        unit.chains().keySet().stream().map(c -> steps(c, sound, now)).toList(),
        probes.stream().map(p -> readout(unit, meter, situation, changes, p)).toList(),
        notes(sheet, sound, now));
  }

  private static void refuseOhmsOnLive(Probe probe, Situation situation) {
    if (probe.function().needsDeadCircuit() && situation.supplyOn()) {
      throw new EvidenceException(
          "function",
          "never %s on a live circuit: choose a situation with the supply off"
              .formatted(probe.function().word()));
    }
  }

  /** Neutral where there is one, else the return. */
  private static String reference(Sheet sheet) {
    return sheet.supply().terminals().getOrDefault("neutral", sheet.supply().homewardPoint());
  }

  private static PointState point(String point, String reference, Solution sound, Solution now) {
    double volts = size(now, point, reference);
    Complex behind = now.ohmsBetween(point, reference);
    boolean floating = behind.abs() > GHOST_SHARE * Meter.GENERAL.voltsOhms();
    return new PointState(point, size(sound, point, reference), volts, floating);
  }

  private static PartState part(Part part, UnitModel unit, Solution sound, Solution now) {
    return new PartState(
        part.id(),
        size(now, part.from(), part.to()),
        now.amperes(part.id()).abs(),
        now.watts(part.id()),
        now.ohms(part.id()).abs(),
        sound.amperes(part.id()).abs(),
        part.actsAsLoad() ? Optional.of(unit.powerShare(part.id(), now)) : Optional.empty());
  }

  private static Steps steps(Chain chain, Solution sound, Solution now) {
    List<Step> steps = new ArrayList<>();
    for (int i = 0; i < chain.points().size(); i++) {
      String point = chain.points().get(i);
      steps.add(
          new Step(
              point,
              size(sound, point, chain.returnPoint()),
              size(now, point, chain.returnPoint()),
              i < chain.parts().size()
                  ? Optional.of(chain.parts().get(i).id())
                  : Optional.empty()));
    }
    return new Steps(chain.path().id(), chain.path().title(), chain.returnPoint(), steps);
  }

  private static Readout readout(
      UnitModel unit, Meter meter, Situation situation, List<Change> changes, Probe probe) {
    List<Change> asFound = probe.conditions(unit.sheet(), List.of());
    Solution now = unit.in(situation.id(), probe.conditions(unit.sheet(), changes));
    double value = meter.read(now, probe);
    boolean ghost =
        probe.function() == MeterFunction.VOLTS_AC
            && value > GHOST_VOLTS
            && meter.floating(now, probe) > GHOST_SHARE;
    return new Readout(
        probe.function(),
        probe.red(),
        probe.black(),
        meter.display(probe.function(), value),
        meter.display(probe.function(), meter.read(unit.in(situation.id(), asFound), probe)),
        ghost);
  }

  private static List<String> notes(Sheet sheet, Solution sound, Solution now) {
    List<String> notes = new ArrayList<>();
    for (String terminal : sheet.supply().currentTerminals()) {
      String conductor = Supply.conductor(terminal);
      double amperes = now.amperes(conductor).abs();
      double before = sound.amperes(conductor).abs();
      if (amperes > SHORT_FACTOR * before && amperes > SHORT_AMPERES) {
        notes.add(
            "A dead short: %s would flow from %s until a fuse or breaker opens. Unplug, and look for it with ohms."
                .formatted(
                    Dimension.AMPERES.format(amperes), sheet.supply().terminals().get(terminal)));
        break;
      }
    }
    if (sheet.supply().storedCharge()) {
      notes.add(
          "Stored charge: no live probing on this unit. Unplug and discharge by the maker's method.");
    }
    return notes;
  }

  private static double size(Solution s, String point, String reference) {
    return s.volts(point).minus(s.volts(reference)).abs();
  }
}
