package org.jollychain.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.sheet.Complaint;

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

  private static final int UNITS = 16;
  private static final int MOST_QUESTIONS = 40;
  private static final long SEED = 11;

  static Forecast of(
      PlanningState state, Order order, FixedSequences sequences, Optional<Complaint> complaint) {
    List<Question> good = TwoStepLookahead.good(state);
    double probes = 0;
    double minutes = 0;
    for (int unit = 0; unit < UNITS; unit++) {
      SplittableRandom random = new SplittableRandom(SEED + unit);
      int truth = state.belief().drawn((unit + 0.5) / UNITS);
      PlanningState now = state;
      for (int i = 0; i < MOST_QUESTIONS; i++) {
        Optional<Question> next = next(now, good, order, sequences, complaint);
        if (next.isEmpty()) {
          break;
        }
        probes++;
        minutes += now.move(next.get()).minutes();
        now = now.after(next.get(), answer(now, next.get(), truth, random.nextDouble()));
      }
    }
    return new Forecast(order, probes / UNITS, minutes / UNITS);
  }

  private static Optional<Question> next(
      PlanningState state,
      List<Question> good,
      Order order,
      FixedSequences sequences,
      Optional<Complaint> complaint) {
    Optional<Integer> strong = state.strong();
    if (strong.isPresent()) {
      return state.confirming(strong.get());
    }
    Optional<Question> school =
        order == Order.BEST_VALUE ? Optional.empty() : sequences.next(order, state, complaint);
    return school.isPresent() ? school : TwoStepLookahead.quickest(state, good);
  }

  /** What a unit of which one hypothesis is true answers. */
  private static int answer(PlanningState state, Question question, int truth, double at) {
    double[] likelihood =
        state
            .outcomeModels()
            .get(question)
            .likelihood()[state.outcomeModels().get(question).classOf()[truth]];
    double left = at;
    for (int j = 0; j < likelihood.length; j++) {
      left -= likelihood[j];
      if (left <= 0) {
        return j;
      }
    }
    return likelihood.length - 1;
  }

  /** The orders side by side. */
  static List<Forecast> all(
      PlanningState state, FixedSequences sequences, Optional<Complaint> complaint) {
    return List.of(
        of(state, Order.BEST_VALUE, sequences, complaint),
        of(state, Order.MOST_FREQUENT_FIRST, sequences, complaint),
        of(state, Order.ALONG_THE_WIRE, sequences, complaint));
  }
}
