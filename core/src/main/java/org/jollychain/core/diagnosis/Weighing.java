package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Sheet;

/**
 * Every hypothesis weighed by all the evidence: posterior = prior times likelihood, made to add up
 * to one.
 */
final class Weighing {

  private static final double SEEN_WRONG = 0.02;
  private static final double WEAK_ABOVE = 0.02;

  /** How sharply an eye tells a load that runs from one that runs weakly, and that from none. */
  private static final double RUNS_LOG_SD = 0.12;

  private static final double WEAK_LOG_SD = 0.5;
  private static final double SMALLEST_VOLTS = 1e-3;
  private static final double NEGLIGIBLE = 0.002;
  private static final int MOST_ALTERNATIVES = 12;

  /**
   * A hypothesis after the evidence.
   *
   * @param explained how it explains each reading, by id
   */
  record Weighed(
      Hypothesis hypothesis,
      double probability,
      Track track,
      Map<String, Track.Explained> explained) {}

  private final Sheet sheet;
  private final Meter meter;
  private final Expectations expectations;
  private final List<Evidence> evidence;
  private final List<Weighed> weighed;

  /**
   * @param evidence in canonical order
   */
  Weighing(
      Sheet sheet,
      Meter meter,
      Expectations expectations,
      List<Evidence> evidence,
      List<Hypothesis> hypotheses) {
    this.sheet = sheet;
    this.meter = meter;
    this.expectations = expectations;
    this.evidence = evidence;
    List<Weighed> unscaled = new ArrayList<>();
    double best = Double.NEGATIVE_INFINITY;
    for (Hypothesis h : hypotheses) {
      Weighed w = h.kind() == Hypothesis.Kind.NOT_ON_SHEET ? unknown(h) : absorbAll(h, h.changes());
      unscaled.add(w);
      best = Math.max(best, w.probability());
    }
    double sum = 0;
    for (Weighed w : unscaled) {
      sum += Math.exp(w.probability() - best);
    }
    double all = sum;
    double top = best;
    this.weighed =
        unscaled.stream()
            .map(
                w ->
                    new Weighed(
                        w.hypothesis(),
                        Math.exp(w.probability() - top) / all,
                        w.track(),
                        w.explained()))
            .sorted(Comparator.comparingDouble(Weighed::probability).reversed())
            .toList();
  }

  List<Evidence> evidence() {
    return evidence;
  }

  /** All hypotheses, the most probable first. */
  List<Weighed> all() {
    return weighed;
  }

  Weighed leader() {
    return weighed.get(0);
  }

  double probability(Predicate<Hypothesis> of) {
    return weighed.stream()
        .filter(w -> of.test(w.hypothesis()))
        .mapToDouble(Weighed::probability)
        .sum();
  }

  /**
   * The hypotheses that have a circuit and matter beside the best of them, the most probable first.
   */
  List<Weighed> believable() {
    List<Weighed> onSheet =
        weighed.stream()
            .filter(w -> w.hypothesis().kind() != Hypothesis.Kind.NOT_ON_SHEET)
            .toList();
    double least = NEGLIGIBLE * onSheet.get(0).probability();
    return onSheet.stream().filter(w -> w.probability() >= least).toList();
  }

  /**
   * How much less well the evidence fits if a part is also bad: the mean likelihood ratio over the
   * believable hypotheses that do not touch it. One where nothing bears on it, towards zero where
   * the evidence shows it cannot be so.
   */
  double ratioIfAlso(String part, List<Change> bad) {
    if (evidence.isEmpty()) {
      return 1;
    }
    double with = 0;
    double without = 0;
    for (Weighed w :
        believable().stream()
            .filter(w -> w.hypothesis().modeOf(part).isEmpty())
            .limit(MOST_ALTERNATIVES)
            .toList()) {
      double ratio = Math.exp(withAlso(w, bad).logLikelihood() - w.track().logLikelihood());
      with += w.probability() * Math.min(ratio, 1e3);
      without += w.probability();
    }
    return without == 0 ? 1 : with / without;
  }

  /** The evidence as a hypothesis with further changes sees it. */
  Track withAlso(Weighed base, List<Change> also) {
    List<Change> changes = new ArrayList<>(base.hypothesis().changes());
    changes.addAll(also);
    return absorbAll(base.hypothesis(), changes).track();
  }

  /** Carries the logarithm of prior times likelihood as the probability, to be scaled. */
  private Weighed absorbAll(Hypothesis hypothesis, List<Change> changes) {
    Track track = new Track(meter, sheet.supply().volts());
    Map<String, Track.Explained> explained = new LinkedHashMap<>();
    for (Evidence e : evidence) {
      if (e instanceof Reading reading) {
        explained.put(e.id(), track.absorb(expectations.line(changes, reading.probe()), reading));
      } else if (e instanceof Observation seen) {
        track.absorb((1 - SEEN_WRONG) * share(seen, changes) + SEEN_WRONG / 2);
      }
    }
    return new Weighed(
        hypothesis, Math.log(hypothesis.prior()) + track.logLikelihood(), track, explained);
  }

  /** The probability that a load would be seen to run as it was. */
  private double share(Observation seen, List<Change> changes) {
    double above = sheet.part(seen.part()).load().map(LoadRating::runsAbove).orElse(0.5);
    SoundUnit unit = expectations.unit();
    double power = unit.powerShare(seen.part(), unit.in(seen.situation(), changes));
    double runs = beyond(power, above, RUNS_LOG_SD);
    double moves = Math.max(runs, beyond(power, WEAK_ABOVE, WEAK_LOG_SD));
    return switch (seen.runs()) {
      case YES -> runs;
      case WEAKLY -> moves - runs;
      case NO -> 1 - moves;
    };
  }

  private static double beyond(double power, double threshold, double logSd) {
    return power <= 0 ? 0 : Normal.below(Math.log(power / threshold) / logSd);
  }

  /** Something that is not on the sheet could read anything: half evenly, half evenly by decade. */
  private Weighed unknown(Hypothesis hypothesis) {
    Track track = new Track(meter, sheet.supply().volts());
    double largest = 1.2 * sheet.supply().volts();
    for (Evidence e : evidence) {
      if (e instanceof Reading reading && reading.shown() instanceof Shown.Figure figure) {
        boolean ohms = reading.probe().function().dimension() == MeterFunction.OHMS.dimension();
        double size = Math.max(Math.abs(figure.value()), ohms ? 0.05 : SMALLEST_VOLTS);
        double byDecade = 1 / (size * Math.log(ohms ? 8e8 : largest / SMALLEST_VOLTS));
        track.absorb(
            ohms ? byDecade : 0.5 / largest + 0.5 * Math.min(byDecade, 1 / figure.resolution()));
      } else {
        track.absorb(1.0 / 3);
      }
    }
    return new Weighed(
        hypothesis, Math.log(hypothesis.prior()) + track.logLikelihood(), track, Map.of());
  }
}
