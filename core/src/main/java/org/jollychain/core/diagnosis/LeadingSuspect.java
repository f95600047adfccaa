package org.jollychain.core.diagnosis;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.fault.SupplyFault;
import org.jollychain.core.inference.Counterfactuals;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.ThermalRating;

/** What leads, and whether a test on itself has confirmed it: nothing is condemned without. */
final class LeadingSuspect {

  private static final Thresholds LIMITS = Thresholds.USUAL;

  /** Probabilities closer than this are as good as the same. */
  private static final double ALIKE = 1e-6;

  /** So long after running nobody knows how hot a limit is; common practice, no source. */
  private static final Duration COOLS_IN = Duration.ofMinutes(15);

  private static final double HEATED_SHARE = 0.3;

  private static final double LIKELIER_THAN_NOT = 0.5;

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
    return new Leading(
        culprit.id(),
        mode(h, culprit),
        h.title(sheet),
        probability,
        confirmed,
        probability < LIMITS.doubted()
            ? List.of()
            : new Alternatives(measurements, posterior).to(culprit));
  }

  /**
   * The culprit with the highest probability, all its ways to fail added up; where two are alike,
   * the one in the most probable hypothesis. "Nothing wrong" leads only if a load was read at work,
   * or if it is likelier than all faults together. Otherwise the likeliest part without a test of
   * its own leads.
   */
  private Culprit mostProbable() {
    Map<Culprit, Double> blamed = new HashMap<>();
    for (Posterior.Entry e : posterior.all()) {
      e.hypothesis().culprits().forEach(c -> blamed.merge(c, e.probability(), Double::sum));
    }
    Culprit leader = posterior.leader().hypothesis().first();
    double atLeast = blamed.get(leader) + ALIKE;
    Culprit most = likeliest(blamed, c -> blamed.get(c) > atLeast).orElse(leader);
    boolean unlikely =
        most instanceof Culprit.NothingWrong
            && blamed.get(most) < LIKELIER_THAN_NOT
            && posterior.evidence().stream().noneMatch(this::heated);
    return unlikely
        ? likeliest(blamed, c -> c.part().filter(this::untested).isPresent()).orElse(most)
        : most;
  }

  private static Optional<Culprit> likeliest(
      Map<Culprit, Double> blamed, Predicate<Culprit> among) {
    return blamed.entrySet().stream()
        .filter(e -> among.test(e.getKey()))
        .max(Map.Entry.comparingByValue())
        .map(Map.Entry::getKey);
  }

  private boolean untested(String part) {
    return verdicts.own().of(sheet.part(part)).isEmpty();
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
    Part part = sheet.part(id);
    if (Inspection.found(Inspection.Finding.BENCH_FAILED, id, posterior.evidence())) {
      return true;
    }
    if (mode == FaultMode.NOT_MADE || mode == FaultMode.TRIPPED || mayHaveTripped(part, mode)) {
      return false;
    }
    if (!verdicts.own().contradicting(part).isEmpty()) {
      return false;
    }
    List<Reading> own =
        verdicts.own().of(part).stream()
            .filter(r -> !mayBeHot(part, mode, r) && byItself(part, r))
            .toList();
    Counterfactuals counterfactuals = new Counterfactuals(posterior);
    return posterior.evidence().stream()
        .filter(Reading.class::isInstance)
        .map(Reading.class::cast)
        .filter(r -> own.contains(r) || mode == FaultMode.CASE_LEAK && toCase(part, r))
        .filter(
            r ->
                r.probe().function().needsDeadCircuit()
                    || mode == FaultMode.DROPPING
                    || part.actsAsSource())
        .anyMatch(
            r ->
                counterfactuals.ratioIfSound(measurements, r, bad(blaming, r))
                    < LIMITS.failedTest());
  }

  /** Ohms that are read through the rest of the circuit are no test of a part. */
  private boolean byItself(Part part, Reading r) {
    return !r.probe().function().needsDeadCircuit()
        || r.shown() instanceof Shown.OverLimit
        || !measurements.unit().bridged(part, r.situation())
        || r.probe().frees(part);
  }

  private List<Change> bad(Hypothesis blaming, Reading r) {
    return blaming
        .intermittent()
        .map(Fault.OfPart::changes)
        .orElseGet(() -> blaming.changesIn(sheet.situation(r.situation())));
  }

  /** One that is reset by hand has tripped, until its button was looked at or pressed. */
  private boolean mayHaveTripped(Part part, FaultMode mode) {
    return part.comesBack(ThermalRating.Reset.MANUAL)
        && mode == FaultMode.OPEN
        && posterior.evidence().stream()
            .noneMatch(
                e ->
                    e instanceof Inspection i
                        && i.part().equals(part.id())
                        && i.finding() != Inspection.Finding.RESET_OUT);
  }

  /** A limit that is open just after running may be hot: it is to cool, and read again. */
  private boolean mayBeHot(Part part, FaultMode mode, Reading r) {
    boolean opened = mode == FaultMode.OPEN || mode == FaultMode.INTERMITTENT;
    return part.comesBack(ThermalRating.Reset.AUTO)
        && opened
        && r.probe().celsius().isEmpty()
        && posterior.evidence().stream()
            .anyMatch(e -> heated(e) && justBefore(e, r) && !cooled(part, e, r));
  }

  /** Whether it was left to cool between the two. */
  private boolean cooled(Part part, Evidence heated, Reading read) {
    return posterior.evidence().stream()
        .anyMatch(
            e ->
                e instanceof Inspection i
                    && i.part().equals(part.id())
                    && i.finding() == Inspection.Finding.COOLED
                    && !before(i, heated)
                    && !before(read, i));
  }

  private static boolean before(Evidence one, Evidence other) {
    return one.at().isPresent()
        && other.at().isPresent()
        && one.at().get().isBefore(other.at().get());
  }

  /** Whether it shows a load carrying current. */
  private boolean heated(Evidence e) {
    return e instanceof Reading r
        && r.probe().function().clamps()
        && r.shown() instanceof Shown.Figure f
        && f.value() > HEATED_SHARE * Math.abs(measurements.line(List.of(), r).mean());
  }

  private static boolean justBefore(Evidence earlier, Reading r) {
    if (earlier.at().isEmpty() || r.at().isEmpty()) {
      return true;
    }
    Duration since = Duration.between(earlier.at().get(), r.at().get());
    return !since.isNegative() && since.compareTo(COOLS_IN) < 0;
  }

  /** From an end of a part to the case. */
  private boolean toCase(Part part, Reading r) {
    String earth = sheet.supply().terminals().getOrDefault("earth", "");
    return part.touches(r.probe().red()) && r.probe().black().equals(earth)
        || part.touches(r.probe().black()) && r.probe().red().equals(earth);
  }
}
