package org.jollychain.study;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Fault.Presence;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;

/**
 * How often the diagnosis is right: {@code ./jolly study}. Units are drawn with one hidden fault,
 * the part evenly, its mode by the base rates, its severity evenly by decade; every parameter
 * within its spread, a meter within its specification, 2 % slips of the hand. The truth is solved
 * as it is, not by the lines the diagnosis uses.
 */
public final class FaultStudy {

  private static final double SLIPS = 0.02;
  private static final double GHOST = 0.3;

  private final Run run;
  private final Sheet sheet;
  private final UnitModel nominal;
  private final Diagnosis diagnosis;
  private final List<Hypothesis> singles;
  private final List<Hypothesis> doubles;
  private final List<Probe> live;
  private final List<Probe> isolated;

  /** What is read, and what the diagnosis does not know. */
  enum Run {
    LIVE("Live readings alone"),
    LIVE_AND_ISOLATED("Live and isolated readings"),
    WITH_A_SHUNT("Live and isolated, every unit with a leak that its sheet does not know"),
    WITH_WRONG_RATES("Live and isolated, base rates wrong by a factor of four");

    private final String words;

    Run(String words) {
      this.words = words;
    }
  }

  private FaultStudy(String key, Run run) {
    this.run = run;
    this.sheet = Sheets.read(key);
    this.nominal = new UnitModel(sheet);
    this.diagnosis =
        new Diagnosis(new UnitModel(run == Run.WITH_WRONG_RATES ? withWrongRates(sheet) : sheet));
    List<Hypothesis> all = new Hypotheses(nominal).all(Optional.empty());
    this.singles =
        all.stream()
            .filter(h -> h.faults().size() == 1 && h.kind() == Hypothesis.Kind.FAULTY)
            .filter(h -> h.supplyFault().isEmpty() && h.intermittent().isEmpty())
            .toList();
    this.doubles =
        all.stream().filter(h -> h.manifold() && h.ofParts().count() == h.faults().size()).toList();
    StudyProbes probes = new StudyProbes(nominal);
    this.live = probes.live();
    this.isolated = probes.isolated();
  }

  /**
   * @param arguments units a sheet, then sheets; 300 and all of them where left out
   */
  public static void main(String[] arguments) {
    int units = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 300;
    List<String> keys =
        arguments.length > 1 ? List.of(arguments).subList(1, arguments.length) : Sheets.keys();
    boolean details = Boolean.getBoolean("details");
    String only = System.getProperty("run", "");
    for (Run run : Run.values()) {
      if (!only.isEmpty() && !run.name().equals(only)) {
        continue;
      }
      System.out.printf("%n%s%n", run.words);
      System.out.println(
          "sheet                  units  shows  part   mode  condemned  sure  right-when-sure  doubles>.5  >.1   Brier");
      Score all = new Score();
      List<Score> scores =
          keys.parallelStream().map(key -> new FaultStudy(key, run).score(units, details)).toList();
      for (int i = 0; i < keys.size(); i++) {
        System.out.println(scores.get(i).line(keys.get(i)));
        all.add(scores.get(i));
      }
      System.out.println(all.line("all"));
      System.out.println(all.calibration());
    }
  }

  private Score score(int units, boolean details) {
    Score score = new Score();
    for (int i = 0; score.units < units && i < 20 * units; i++) {
      Random random = new Random(1000L * i + 7);
      Hypothesis truth = single(random);
      score.drawn++;
      if (!shows(truth, List.of())) {
        continue;
      }
      Found found = found(truth, random, i);
      List<Posterior.Entry> beliefs = found.beliefs();
      score.single(truth, found, sheet.parts().size());
      if (details && !score.lastRight) {
        System.out.printf(
            "  %s %d: %s, believed %s%n", sheet.key(), i, words(truth), words(beliefs));
      }
    }
    for (int i = 0; score.pairs < units / 3 && i < 20 * units && !doubles.isEmpty(); i++) {
      Random random = new Random(1000L * i + 13);
      Hypothesis truth = doubles.get(random.nextInt(doubles.size()));
      if (!truth.faults().stream().allMatch(f -> shows(truth, List.of(f)))) {
        continue;
      }
      List<Posterior.Entry> beliefs = found(truth, random, i).beliefs();
      score.pair(truth, beliefs);
      if (details && !score.lastRight) {
        System.out.printf(
            "  pair %s %d: %s, believed %s%n", sheet.key(), i, words(truth), words(beliefs));
      }
    }
    return score;
  }

  /** Whether any reading of the set is other in the nominal unit than with some faults alone. */
  private boolean shows(Hypothesis truth, List<Fault> alone) {
    Hypothesis without = new Hypothesis(truth.kind(), alone, 1);
    for (Probe probe : probes()) {
      Solution before = at(without, probe);
      Solution after = at(truth, probe);
      double was = Meter.GENERAL.read(before, probe);
      double now = Meter.GENERAL.read(after, probe);
      double digit = Meter.GENERAL.accuracy(probe.function()).resolutionAt(now);
      boolean beyond =
          probe.function().needsDeadCircuit() && Math.min(was, now) > Meter.GENERAL.overLimitOhms();
      boolean ghost =
          Meter.GENERAL.floating(before, probe) > GHOST
              || Meter.GENERAL.floating(after, probe) > GHOST;
      if (!beyond && !ghost && Math.abs(now - was) > 0.12 * Math.max(was, now) + 10 * digit) {
        return true;
      }
    }
    return false;
  }

  private Solution at(Hypothesis what, Probe probe) {
    List<Change> faults = what.changesIn(sheet.situation(probe.situation()));
    return nominal.in(probe.situation(), probe.conditions(sheet, faults));
  }

  private List<Probe> probes() {
    return run == Run.LIVE ? live : Stream.concat(live.stream(), isolated.stream()).toList();
  }

  private static String words(Hypothesis h) {
    return h.kind() == Hypothesis.Kind.FAULTY
        ? h.faults().stream()
            .map(
                f ->
                    f.failed().isPresent()
                        ? f.culprit().get().id() + " " + f.failed().get() + " " + f.changes().get(0)
                        : f.toString())
            .toList()
            .toString()
            .replaceAll("emfFactor=Complex\\[re=1.0, im=0.0\\], |addedOhms=0.0, |factor=1.0, ", "")
        : h.kind().toString();
  }

  private static String words(List<Posterior.Entry> beliefs) {
    return beliefs.stream()
        .limit(3)
        .map(b -> "%.3f %s".formatted(b.probability(), words(b.hypothesis())))
        .toList()
        .toString();
  }

  /** A part evenly, a mode by its share, a severity evenly by decade. */
  private Hypothesis single(Random random) {
    List<String> parts = singles.stream().map(FaultStudy::partOf).distinct().toList();
    String part = parts.get(random.nextInt(parts.size()));
    List<Hypothesis> ways = singles.stream().filter(h -> partOf(h).equals(part)).toList();
    double at = random.nextDouble() * ways.stream().mapToDouble(Hypothesis::prior).sum();
    Hypothesis way = ways.get(ways.size() - 1);
    for (Hypothesis h : ways) {
      at -= h.prior();
      if (at <= 0) {
        way = h;
        break;
      }
    }
    Fault fault = way.faults().get(0);
    double within = random.nextGaussian();
    List<Change> drawn = fault.changes().stream().map(c -> c.drawn(within)).toList();
    return new Hypothesis(way.kind(), List.of(fault.doing(drawn)), way.prior());
  }

  private Found found(Hypothesis truth, Random random, long seed) {
    List<Fault> faults = new ArrayList<>(truth.faults());
    if (run == Run.WITH_A_SHUNT) {
      faults.add(shunt(new Random(7 * seed + 1)));
    }
    SimulatedUnit unit = new SimulatedUnit(sheet, faults, 31 * seed + 5);
    VirtualMeter meter = new VirtualMeter(Meter.GENERAL, 17 * seed + 3);
    List<Evidence> evidence = new ArrayList<>();
    for (Probe probe : probes()) {
      String shown = read(meter, unit, probe, random);
      evidence.add(reading(evidence.size(), probe, shown));
      // nobody believes a strange resistance without touching once more
      if (probe.function().needsDeadCircuit() && strange(shown, soundOhms(probe))) {
        evidence.add(reading(evidence.size(), probe, read(meter, unit, probe, random)));
      }
    }
    for (Situation situation : sheet.situations().values()) {
      if (situation.supplyOn()) {
        for (Part load : sheet.parts().values()) {
          if (load.actsAsLoad() && visible(load)) {
            double share = unit.powerShare(load.id(), situation.id());
            Observation.Runs runs =
                share > load.load().orElseThrow().runsAbove()
                    ? Observation.Runs.YES
                    : share > 0.02 ? Observation.Runs.WEAKLY : Observation.Runs.NO;
            evidence.add(
                new Observation(
                    "o" + evidence.size(), load.id(), situation.id(), runs, Optional.empty()));
          }
        }
      }
    }
    Diagnosis.Opinion opinion = diagnosis.opinion(evidence, Optional.empty());
    return new Found(opinion.beliefs(), opinion.assessment().misfits());
  }

  /** What is believed in the end, and whether it is flagged that the readings misfit it. */
  record Found(List<Posterior.Entry> beliefs, boolean misfit) {}

  private String read(VirtualMeter meter, SimulatedUnit unit, Probe probe, Random random) {
    String shown = meter.read(unit, probe);
    return random.nextDouble() < SLIPS ? slipped(shown, probe.function(), random) : shown;
  }

  private Evidence reading(int number, Probe probe, String shown) {
    return Readings.reading(sheet, number, probe, shown);
  }

  private static boolean strange(String shown, double sound) {
    if (Shown.parse(shown, MeterFunction.OHMS) instanceof Shown.Figure figure) {
      return Math.abs(figure.value() - sound) > 0.5 + 0.15 * sound;
    }
    return sound < Meter.GENERAL.overLimitOhms();
  }

  private double soundOhms(Probe probe) {
    return Meter.GENERAL.read(
        nominal.in(probe.situation(), probe.conditions(sheet, List.of())), probe);
  }

  /** A way to the case where the sheet has none, of some kilo-ohms: dirt, water, a chafed wire. */
  private Fault shunt(Random random) {
    List<String> parts =
        sheet.parts().values().stream().filter(p -> !p.caseLeak()).map(Part::id).toList();
    String part = parts.get(random.nextInt(parts.size()));
    double ohms = 300 * Math.pow(100, random.nextDouble());
    return new Fault.OfPart(
        part, FaultMode.CASE_LEAK, List.of(Change.leak(part, 0, ohms)), Presence.ALWAYS);
  }

  /** The same sheet, every part's weight four times too large or too small. */
  private static Sheet withWrongRates(Sheet s) {
    Random random = new Random(4);
    Map<String, Part> parts = new LinkedHashMap<>();
    s.parts()
        .forEach(
            (id, p) -> {
              double rate = p.baseRate().orElse(2.0) * (random.nextBoolean() ? 4 : 0.25);
              parts.put(id, p.weighing(rate));
            });
    return s.withParts(parts);
  }

  /** What one sees or hears run without a meter. */
  private static boolean visible(Part load) {
    return switch (load.kind()) {
      case MOTOR, LAMP, IGNITER, BOARD_SUPPLY, TIMER_MOTOR -> true;
      default -> false;
    };
  }

  /** A probe that makes no contact, a prefix misread, some other place, leads that touch. */
  private String slipped(String shown, MeterFunction function, Random random) {
    boolean ohms = function.needsDeadCircuit();
    double kind = random.nextDouble();
    if (kind < 0.4) {
      return ohms ? "OL" : "0.0";
    }
    if (kind < 0.7) {
      return ohms && shown.endsWith(" Ω")
          ? shown.replace(" Ω", " kΩ")
          : ohms ? shown.replace(" kΩ", " Ω") : "0.0";
    }
    if (kind < 0.95) {
      double most = function.dimension() == Dimension.AMPERES ? 20 : 1.1 * sheet.supply().volts();
      double anything =
          ohms ? 0.1 * Math.pow(1e6, random.nextDouble()) : most * random.nextDouble();
      return String.format(Locale.ROOT, "%.2f", anything);
    }
    return ohms ? "0.1 Ω" : "0.0";
  }

  private static String partOf(Hypothesis single) {
    return single.first().id();
  }
}
