package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;

/**
 * A part that fails its own test has failed, whatever else is wrong: where the best explanations
 * leave a piece of evidence unexplained, every single fault that explains it is added to them.
 */
public final class FurtherFaults {

  /** Share of units with a second, independent fault; common practice, no source. */
  private static final double SECOND = 0.3;

  private static final int MOST_EXPLANATIONS = 3;

  /** Explanations so much less probable than the best get no further fault. */
  private static final double WORTH = 0.02;

  /** So many grades of one culprit are tried. */
  private static final int MOST_GRADES = 3;

  private static final int MOST_FAULTS = 12;

  /** A fault explains what it makes so much likelier (nat). */
  private static final double EXPLAINS_NATS = 1.5;

  private final List<Hypothesis> singles;
  private final double faulty;
  private final HypothesisSpace space;
  private final Posterior posterior;
  private final List<Hypothesis> more = new ArrayList<>();
  private final List<Integer> like = new ArrayList<>();

  private FurtherFaults(MeasurementModel measurements, HypothesisSpace space, Posterior posterior) {
    this.singles = measurements.hypotheses();
    this.faulty =
        singles.stream()
            .filter(h -> h.kind() == Hypothesis.Kind.FAULTY)
            .mapToDouble(Hypothesis::prior)
            .sum();
    this.space = space;
    this.posterior = posterior;
  }

  /**
   * The space with what the evidence calls for; nothing where it is explained, or nothing on the
   * sheet explains it.
   *
   * @param posterior over that space
   */
  public static Optional<HypothesisSpace> of(
      MeasurementModel measurements, HypothesisSpace space, Posterior posterior) {
    FurtherFaults further = new FurtherFaults(measurements, space, posterior);
    double least = WORTH * posterior.believable().get(0).probability();
    posterior.believable().stream()
        .filter(e -> e.probability() >= least)
        .filter(e -> e.hypothesis().kind() == Hypothesis.Kind.FAULTY)
        .filter(e -> e.hypothesis().intermittent().isEmpty())
        .limit(MOST_EXPLANATIONS)
        .forEach(further::extend);
    return further.more.isEmpty()
        ? Optional.empty()
        : Optional.of(space.and(further.more, further.like));
  }

  private void extend(Posterior.Entry entry) {
    Map<Culprit, Integer> grades = new HashMap<>();
    explaining(entry).entrySet().stream()
        .sorted(Map.Entry.<Integer, Double>comparingByValue(Comparator.reverseOrder()))
        .map(e -> singles.get(e.getKey()))
        .filter(single -> grades.merge(single.first(), 1, Integer::sum) <= MOST_GRADES)
        .limit(MOST_FAULTS)
        .forEach(single -> add(entry, single));
  }

  /** The single faults that explain what an explanation leaves open, by how well (nat). */
  private Map<Integer, Double> explaining(Posterior.Entry entry) {
    Set<Culprit> blamed = entry.hypothesis().culprits().collect(Collectors.toSet());
    Map<Integer, Double> explaining = new HashMap<>();
    for (int at = 0; at < posterior.models().size(); at++) {
      Evidence evidence = posterior.evidence().get(at);
      if (posterior.explained(entry, evidence) != ReadingLikelihood.Explained.AS_SLIP) {
        continue;
      }
      EvidenceModel<?> model = posterior.models().get(at);
      double without = alone(model, entry.hypothesis(), entry.index());
      for (int i = 0; i < singles.size(); i++) {
        Hypothesis single = singles.get(i);
        if (mayBeAdded(single) && single.culprits().noneMatch(blamed::contains)) {
          double gain = alone(model, single, i) - without;
          if (gain > EXPLAINS_NATS) {
            explaining.merge(i, Math.log(single.prior()) + gain, Math::max);
          }
        }
      }
    }
    return explaining;
  }

  private static boolean mayBeAdded(Hypothesis single) {
    return single.kind() == Hypothesis.Kind.FAULTY
        && single.faults().size() == 1
        && single.intermittent().isEmpty();
  }

  private void add(Posterior.Entry entry, Hypothesis single) {
    List<Fault> both = new ArrayList<>(entry.hypothesis().faults());
    both.addAll(single.faults());
    double prior = space.all().get(entry.index()).prior() * SECOND * single.prior() / faulty;
    more.add(new Hypothesis(Hypothesis.Kind.FAULTY, List.copyOf(both), prior));
    like.add(entry.index());
  }

  /** The logarithm of the likelihood of one piece of evidence by itself. */
  private <P> double alone(EvidenceModel<P> model, Hypothesis hypothesis, int index) {
    ReadingLikelihood likelihood = posterior.source();
    model.absorb(likelihood, model.expected(hypothesis, index));
    return likelihood.logLikelihood();
  }
}
