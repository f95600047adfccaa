package org.jollychain.core.plan;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.sequencing.Rollout;
import org.jollychain.core.sequencing.TwoStepLookahead;

/**
 * What is left to the end, on average: the plan played out for units drawn from the belief, each
 * giving the answers its hypothesis expects. The same draws serve every order, so that they can be
 * compared.
 *
 * @param order in which it was played out
 * @param probes questions to the end, the confirming one counted
 * @param minutes of all of them (min)
 */
public record Forecast(Order order, double probes, double minutes) {

  static Forecast of(PlanningState state, Order order, FixedSequences sequences) {
    List<Question> good = TwoStepLookahead.good(state.at());
    Rollout rollout =
        Rollout.of(
            state.at(),
            at ->
                at.end().isPresent()
                    ? at.confirming(at.end().get())
                    : Optional.of(order)
                        .filter(o -> o != Order.BEST_VALUE)
                        .flatMap(o -> sequences.next(o, new PlanningState(state.problem(), at)))
                        .or(() -> TwoStepLookahead.quickest(at, good)));
    return new Forecast(order, rollout.tests(), rollout.minutes());
  }

  /** The orders side by side. */
  static List<Forecast> all(PlanningState state, FixedSequences sequences) {
    return List.of(
        of(state, Order.BEST_VALUE, sequences),
        of(state, Order.MOST_FREQUENT_FIRST, sequences),
        of(state, Order.ALONG_THE_WIRE, sequences));
  }
}
