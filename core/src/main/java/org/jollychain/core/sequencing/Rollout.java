package org.jollychain.core.sequencing;

import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.Function;

/**
 * The search played to its end over units drawn from what is believed: what it takes on average.
 *
 * @param tests made on average
 * @param minutes they take on average (min)
 */
public record Rollout(double tests, double minutes) {

  private static final int UNITS = 16;
  private static final int MOST_TESTS = 40;
  private static final long SEED = 11;

  /**
   * @param next what is done at a position; nothing ends the search
   */
  public static <T, P> Rollout of(
      Position<T, P> start, Function<Position<T, P>, Optional<T>> next) {
    double tests = 0;
    double minutes = 0;
    for (int unit = 0; unit < UNITS; unit++) {
      SplittableRandom random = new SplittableRandom(SEED + unit);
      int truth = start.believed().drawn((unit + 0.5) / UNITS);
      Position<T, P> now = start;
      for (int i = 0; i < MOST_TESTS; i++) {
        Optional<T> test = next.apply(now);
        if (test.isEmpty()) {
          break;
        }
        tests++;
        minutes += now.problem().step(now.place(), test.get()).minutes();
        double[] likelihood = now.problem().outcomes(test.get()).in(truth);
        now = now.after(test.get(), drawn(likelihood, random.nextDouble()));
      }
    }
    return new Rollout(tests / UNITS, minutes / UNITS);
  }

  private static int drawn(double[] likelihood, double share) {
    double left = share;
    for (int j = 0; j < likelihood.length; j++) {
      left -= likelihood[j];
      if (left <= 0) {
        return j;
      }
    }
    return likelihood.length - 1;
  }
}
