package org.jollychain.core.diagnosis;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.fault.SupplyFault;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.inference.ReadingLikelihood;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/** What leads, and whether a test on itself has confirmed it: nothing is condemned without. */
final class LeadingSuspect {

  private static final Thresholds LIMITS = Thresholds.USUAL;

  /** Probabilities closer than this are as good as the same. */
  private static final double ALIKE = 1e-6;

  private final Sheet sheet;
  private final MeasurementModel measurements;
  private final Posterior posterior;
  private final Verdicts verdicts;

  LeadingSuspect(MeasurementModel measurements, Posterior posterior, Verdicts verdicts) {
    this.sheet = measurements.unit().sheet();
    this.measurements = measurements;
    this.posterior = posterior;
    this.verdicts = verdicts;
  }

  Leading leading(boolean misfit) {
    Culprit culprit = mostProbable();
    Hypothesis h = likeliest(culprit);
    double believed = posterior.probability(other -> other.blames(culprit));
    double probability = misfit ? Math.min(believed, LIMITS.shownWhenMisfit()) : believed;
    boolean confirmed =
        !misfit
            && probability >= LIMITS.confirmed()
            && culprit
                .part()
                .flatMap(part -> h.modeOf(part).filter(mode -> failedOwnTest(h, part, mode)))
                .isPresent();
    return new Leading(culprit.id(), mode(h, culprit), h.title(sheet), probability, confirmed);
  }

  /** Whom most of the belief blames, however it is at fault; of two alike the leader's. */
  private Culprit mostProbable() {
    Map<Culprit, Double> blamed = new HashMap<>();
    for (Posterior.Entry e : posterior.all()) {
      e.hypothesis().culprits().forEach(c -> blamed.merge(c, e.probability(), Double::sum));
    }
    Culprit leader = posterior.leader().hypothesis().first();
    return blamed.entrySet().stream()
        .filter(e -> e.getValue() > blamed.get(leader) + ALIKE)
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey)
        .orElse(leader);
  }

  private Hypothesis likeliest(Culprit culprit) {
    return posterior.all().stream()
        .map(Posterior.Entry::hypothesis)
        .filter(h -> h.blames(culprit))
        .findFirst()
        .orElseThrow();
  }

  private static String mode(Hypothesis h, Culprit culprit) {
    return switch (h.kind()) {
      case SOUND -> "sound";
      case NOT_ON_SHEET -> "unknown";
      case FAULTY ->
          h.supplyFault()
              .map(SupplyFault::toString)
              .orElseGet(() -> h.modeOf(culprit).orElseThrow().toString());
    };
  }

  /** A reading on the suspect itself that a sound one would not have given. */
  private boolean failedOwnTest(Hypothesis blaming, String id, FaultMode mode) {
    if (mode == FaultMode.NOT_MADE) {
      return false;
    }
    Part part = sheet.part(id);
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
            blaming
                .intermittent()
                .map(Fault.OfPart::changes)
                .orElseGet(() -> blaming.changesIn(sheet.situation(r.situation())));
        blamed.absorb(measurements.line(bad, r), r, noise);
        if (alone.logLikelihood() - blamed.logLikelihood() < Math.log(LIMITS.failedTest())) {
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
}
