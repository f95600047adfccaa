package org.jollychain.core.visit;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.plan.TimeCosts;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sequencing.SequencingProblem;

/**
 * The search for a cause as a problem of test sequencing: the causes are the states, each a group
 * of its own, and what is none of them is the last; the checks of the guide are the tests, and one
 * that shows a cause outright is that cause's own test. Where the work stands is whether the power
 * is on.
 */
record CauseProblem(List<Cause> causes, Collection<Check> checks, TimeCosts costs)
    implements SequencingProblem<Check, Boolean> {

  /** That it is none of them is believed later. */
  private static final double NONE_OF_THEM = 0.97;

  private static final double LEAST_BITS = 0.05;

  /** What every check costs beside its minutes, however short it is (min); common practice. */
  private static final double ATTENTION = 3;

  @Override
  public OutcomeTable outcomes(Check check) {
    int[] classOf = new int[causes.size() + 1];
    double[][] likelihood = new double[classOf.length][];
    for (int i = 0; i < classOf.length; i++) {
      classOf[i] = i;
      likelihood[i] =
          i < causes.size() ? check.likelihood(causes.get(i).id()) : check.otherwise().clone();
    }
    return new OutcomeTable(classOf, likelihood);
  }

  @Override
  public Step<Boolean> step(Boolean on, Check check) {
    boolean after = check.power() == Check.Power.ANY ? on : check.power() == Check.Power.ON;
    double switching = after == on ? 0 : after ? costs.energise() : costs.isolate();
    double minutes = check.minutes() + switching;
    return new Step<>(minutes, minutes + ATTENTION, after);
  }

  @Override
  public double leastBits(Check check) {
    return LEAST_BITS;
  }

  @Override
  public double endsAt(int group) {
    if (group == causes.size()) {
      return NONE_OF_THEM;
    }
    return showing(group).isEmpty() ? CauseModel.FOUND : CauseModel.SEEN;
  }

  @Override
  public Optional<Check> confirming(int group, Set<Check> made) {
    return showing(group).filter(c -> !made.contains(c));
  }

  /** The quickest check that may show a cause outright. */
  private Optional<Check> showing(int group) {
    return group == causes.size()
        ? Optional.empty()
        : checks.stream()
            .filter(c -> c.shows().containsValue(causes.get(group).id()))
            .min(Comparator.comparingDouble(Check::minutes));
  }
}
