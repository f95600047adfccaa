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

  static Forecast of(Desk desk, Order order, Schools schools, Optional<Complaint> complaint) {
    List<Question> good = BestValue.good(desk);
    double probes = 0;
    double minutes = 0;
    for (int unit = 0; unit < UNITS; unit++) {
      SplittableRandom random = new SplittableRandom(SEED + unit);
      int truth = desk.belief().drawn((unit + 0.5) / UNITS);
      Desk now = desk;
      for (int i = 0; i < MOST_QUESTIONS; i++) {
        Optional<Question> next = next(now, good, order, schools, complaint);
        if (next.isEmpty()) {
          break;
        }
        probes++;
        minutes += now.leg(next.get()).minutes();
        now = now.after(next.get(), answer(now, next.get(), truth, random.nextDouble()));
      }
    }
    return new Forecast(order, probes / UNITS, minutes / UNITS);
  }

  private static Optional<Question> next(
      Desk desk, List<Question> good, Order order, Schools schools, Optional<Complaint> complaint) {
    Optional<Integer> strong = desk.strong();
    if (strong.isPresent()) {
      return desk.confirming(strong.get());
    }
    Optional<Question> school =
        order == Order.BEST_VALUE ? Optional.empty() : schools.next(order, desk, complaint);
    return school.isPresent() ? school : BestValue.quickest(desk, good);
  }

  /** What a unit of which one hypothesis is true answers. */
  private static int answer(Desk desk, Question question, int truth, double at) {
    double[] likelihood =
        desk.outlooks().get(question).likelihood()[desk.outlooks().get(question).classOf()[truth]];
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
  static List<Forecast> all(Desk desk, Schools schools, Optional<Complaint> complaint) {
    return List.of(
        of(desk, Order.BEST_VALUE, schools, complaint),
        of(desk, Order.MOST_FREQUENT_FIRST, schools, complaint),
        of(desk, Order.ALONG_THE_WIRE, schools, complaint));
  }
}
