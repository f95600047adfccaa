package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;

/**
 * How the work grows with the sheet: chains and ladders of so many parts, to the bounds of the
 * format. {@code ./jolly study size}; give it a heap of one gigabyte.
 */
public final class SizeStudy {

  private static final int[] PARTS = {20, 43, 100, 200};
  private static final int READINGS = 20;
  private static final int WARM_ROUNDS = 5;

  private SizeStudy() {}

  public static void main(String[] arguments) {
    System.out.println(
        "| circuit | parts | hypotheses | read and checked | from cold | warm | first plan kept, MB |");
    System.out.println("|---|---|---|---|---|---|---|");
    for (boolean ladder : new boolean[] {false, true}) {
      for (int parts : PARTS) {
        measure(ladder, parts);
      }
    }
  }

  private static void measure(boolean ladder, int parts) {
    String text = ladder ? ladder(parts) : chain(parts);
    long start = System.nanoTime();
    UnitModel unit = SheetValidator.unit(text);
    long read = System.nanoTime();
    Diagnosis diagnosis = new Diagnosis(unit);
    Planner planner = new Planner(diagnosis);
    long cold = System.nanoTime() - start;
    List<Evidence> evidence = evidence(unit.sheet(), parts);
    long asked = System.nanoTime();
    assess(diagnosis, planner, evidence);
    cold += System.nanoTime() - asked;
    int hypotheses = diagnosis.beliefs(List.of(), Optional.empty()).size();
    double warm = Double.POSITIVE_INFINITY;
    for (int i = 0; i < WARM_ROUNDS; i++) {
      long since = System.nanoTime();
      assess(diagnosis, planner, evidence);
      warm = Math.min(warm, millis(since, System.nanoTime()));
    }
    System.gc();
    Runtime machine = Runtime.getRuntime();
    System.out.printf(
        Locale.ROOT,
        "| %s | %d | %d | %.0f ms | %.0f ms | %.0f ms | %d |%n",
        ladder ? "ladder" : "chain",
        parts,
        hypotheses,
        millis(start, read),
        cold / 1e6,
        warm,
        (machine.totalMemory() - machine.freeMemory()) >> 20);
    if (planner.bits(diagnosis.opinion(evidence, Optional.empty())) < 0) {
      throw new IllegalStateException("kept until here");
    }
  }

  private static void assess(Diagnosis diagnosis, Planner planner, List<Evidence> evidence) {
    Diagnosis.Opinion opinion = diagnosis.opinion(evidence, Optional.empty());
    planner.plan(opinion, evidence, Policy.usual(true));
  }

  private static double millis(long from, long to) {
    return (to - from) / 1e6;
  }

  /** Volts and ohms across parts spread over the sheet, one of them open. */
  private static List<Evidence> evidence(Sheet sheet, int parts) {
    List<String> ids = List.copyOf(sheet.parts().keySet());
    String open = ids.get(parts / 4);
    Fault fault =
        new Fault.OfPart(open, FaultMode.OPEN, List.of(Change.open(open)), Fault.Presence.ALWAYS);
    SimulatedUnit unit = new SimulatedUnit(sheet, List.of(fault), 1);
    VirtualMeter meter = new VirtualMeter(Meter.GENERAL, 2);
    List<Probe> probes = new ArrayList<>();
    probes.add(Probe.between(MeterFunction.VOLTS_AC, "L", "N", "call"));
    for (int i = 1; probes.size() < READINGS; i++) {
      String id = ids.get(i * (parts - 1) / READINGS);
      MeterFunction function = i % 2 == 0 ? MeterFunction.OHMS : MeterFunction.VOLTS_AC;
      probes.add(Probe.across(function, sheet.part(id), i % 2 == 0 ? "off" : "call"));
    }
    return Readings.taken(sheet, unit, meter, probes);
  }

  private static final String HEAD =
      """
      format: jolly-chain/sheet/1
      key: large
      title: As large as the format allows
      family: other
      supply:
        system: single-phase
        volts: 230
        hertz: 50
        terminals: {line1: L, neutral: N, earth: PE}
        bonded: neutral
      situations:
        call: {title: On, supply: on}
        off: {title: Isolated, supply: off}
      points:
        L: {title: Line}
        N: {title: Neutral}
        PE: {title: Case}
      """;

  /** Limits one after another, and a heating element. */
  private static String chain(int parts) {
    StringBuilder points = new StringBuilder(HEAD);
    StringBuilder links = new StringBuilder("parts:\n");
    String at = "L";
    for (int i = 1; i < parts; i++) {
      points.append("  P%d: {title: Point %d}%n".formatted(i, i));
      links.append(
          "  limit-%d: {kind: limit, between: [%s, P%d], marking: L200-40F}%n".formatted(i, at, i));
      at = "P" + i;
    }
    links.append(
        "  element: {kind: heating-element, between: [%s, N], watts: 2000, at-volts: 230}%n"
            .formatted(at));
    return points + links.toString() + "paths: {heat: {title: Heat, load: element}}\n";
  }

  /** A limit in each stretch of a rail, and an element from each of its points to neutral. */
  private static String ladder(int parts) {
    StringBuilder points = new StringBuilder(HEAD);
    StringBuilder links = new StringBuilder("parts:\n");
    String at = "L";
    for (int i = 1; i <= parts / 2; i++) {
      points.append("  P%d: {title: Point %d}%n".formatted(i, i));
      links.append(
          "  limit-%d: {kind: limit, between: [%s, P%d], marking: L200-40F}%n".formatted(i, at, i));
      links.append(
          "  element-%d: {kind: heating-element, between: [P%d, N], watts: 60, at-volts: 230}%n"
              .formatted(i, i));
      at = "P" + i;
    }
    if (parts % 2 == 1) {
      links.append(
          "  element-0: {kind: heating-element, between: [%s, N], watts: 60, at-volts: 230}%n"
              .formatted(at));
    }
    return points
        + links.toString()
        + "paths: {heat: {title: Heat, load: element-%d}}\n".formatted(parts / 2);
  }
}
