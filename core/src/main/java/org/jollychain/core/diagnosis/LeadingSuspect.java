package org.jollychain.core.diagnosis;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.inference.ReadingLikelihood;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** What leads, and whether a test on itself has confirmed it: nothing is condemned without. */
final class LeadingSuspect {

  private static final double CAP_WHEN_MISFIT = 0.9;
  private static final double CONFIRM_FROM = 0.9;
  private static final double FAILED_TEST = 0.01;

  private final UnitModel unit;
  private final Sheet sheet;
  private final MeasurementModel measurements;
  private final Posterior posterior;
  private final Verdicts verdicts;

  LeadingSuspect(MeasurementModel measurements, Posterior posterior, Verdicts verdicts) {
    this.unit = measurements.unit();
    this.sheet = unit.sheet();
    this.measurements = measurements;
    this.posterior = posterior;
    this.verdicts = verdicts;
  }

  Leading leading(boolean misfit) {
    Hypothesis h = posterior.leader().hypothesis();
    double probability = posterior.probability(other -> sameCall(h, other));
    if (misfit) {
      probability = Math.min(probability, CAP_WHEN_MISFIT);
    }
    String title = verdicts.title(h);
    if (h.kind() == Hypothesis.Kind.SOUND) {
      return new Leading(
          "unit",
          "sound",
          title,
          probability,
          false,
          "Run it through a whole cycle: it must heat, and cycle on its control.");
    }
    if (h.kind() == Hypothesis.Kind.NOT_ON_SHEET) {
      return new Leading(
          "not-on-sheet",
          "unknown",
          title,
          probability,
          false,
          "Compare the wiring with the maker's diagram.");
    }
    if (h.supplyFault().isPresent()) {
      return new Leading(
          "supply",
          h.supplyFault().get().toString(),
          title,
          probability,
          false,
          "Measure at the outlet, then at the breaker, before the unit is opened.");
    }
    Fault.OfPart fault = (Fault.OfPart) h.faults().get(0);
    Part part = sheet.parts().get(fault.part());
    if (part == null || fault.mode() == FaultMode.NOT_MADE) {
      return new Leading(
          fault.part(),
          fault.mode().toString(),
          title,
          probability,
          false,
          "Give the command and see whether the contact closes.");
    }
    boolean confirmed = !misfit && probability >= CONFIRM_FROM && failedOwnTest(part, fault.mode());
    return new Leading(
        part.id(),
        fault.mode().toString(),
        title,
        probability,
        confirmed,
        confirmBy(part, fault.mode()));
  }

  /**
   * Hypotheses that call for the same thing to be done: the first part at fault, however it is at
   * fault.
   */
  private static boolean sameCall(Hypothesis a, Hypothesis b) {
    if (a.kind() != b.kind() || a.kind() != Hypothesis.Kind.FAULTY) {
      return a.kind() == b.kind();
    }
    if (a.supplyFault().isPresent() || b.supplyFault().isPresent()) {
      return a.supplyFault().equals(b.supplyFault());
    }
    return b.modeOf(((Fault.OfPart) a.faults().get(0)).part()).isPresent();
  }

  /** A reading on the suspect itself that a sound one would not have given. */
  private boolean failedOwnTest(Part part, FaultMode mode) {
    Posterior.Entry leader = posterior.leader();
    List<Evidence> evidence = posterior.evidence();
    List<Reading> own = verdicts.readingsOf(part);
    for (int i = 0; i < evidence.size(); i++) {
      if (evidence.get(i) instanceof Reading r
          && (own.contains(r) || mode == FaultMode.CASE_LEAK && toCase(part, r))
          && (r.probe().function().needsDeadCircuit() || mode == FaultMode.DROPPING)) {
        ReadingLikelihood alone = posterior.source();
        ReadingLikelihood.Noise noise = ReadingLikelihood.Noise.of(sheet.supply().volts(), r);
        alone.absorb(measurements.line(List.of(), r), r, noise);
        ReadingLikelihood blamed = posterior.source();
        List<Change> bad =
            leader
                .hypothesis()
                .intermittent()
                .map(Fault.OfPart::changes)
                .orElseGet(() -> leader.hypothesis().changesIn(sheet.situation(r.situation())));
        blamed.absorb(measurements.line(bad, r), r, noise);
        if (alone.logLikelihood() - blamed.logLikelihood() < Math.log(FAILED_TEST)) {
          return true;
        }
      }
    }
    return false;
  }

  /** From an end of a part to the case. */
  private boolean toCase(Part part, Reading r) {
    String earth = sheet.supply().terminals().getOrDefault("earth", "");
    return part.touches(r.probe().red()) && r.probe().black().equals(earth)
        || part.touches(r.probe().black()) && r.probe().red().equals(earth);
  }

  private String confirmBy(Part part, FaultMode mode) {
    if (mode == FaultMode.DROPPING) {
      return "Read the live drop across the %s while the load draws its current, or isolate and re-seat it."
          .formatted(part.title());
    }
    if (mode == FaultMode.CASE_LEAK) {
      return "Isolate, prove dead, lift the wires of the %s and read ohms from it to the case: OL is sound."
          .formatted(part.title());
    }
    if (mode == FaultMode.INTERMITTENT) {
      return "Renew what is burnt or loose in the %s or its terminals, then prove it under load."
          .formatted(part.title());
    }
    Optional<Situation> off =
        sheet.situations().values().stream().filter(s -> !s.supplyOn()).findFirst();
    String lift =
        off.filter(s -> unit.bridged(part, s.id()))
            .map(s -> ", wire off at " + part.from())
            .orElse("");
    return "Isolate, prove dead, and read ohms across the %s%s.".formatted(part.title(), lift);
  }
}
