package org.jollychain.core.sequencing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Held against what is published of test sequencing, and against exact optima. */
class TwoStepLookaheadTest {

  private static final int CHAINS = 12;

  /**
   * The worked example of K. R. Pattipati and M. G. Alexandridis, "Application of heuristic search
   * and information theory to sequential fault diagnosis", IEEE Trans. SMC 20 (1990): six system
   * states, five tests of unit cost, 2.18 tests on average at the optimum (figures from memory).
   */
  @Test
  void the_published_example_takes_its_published_number_of_tests() {
    double[] p = {.70, .01, .02, .10, .05, .12};
    String[] fails = {"00000", "01001", "00110", "10011", "11000", "11110"};
    List<Set<Integer>> positive = new ArrayList<>();
    for (int t = 0; t < 5; t++) {
      int test = t;
      positive.add(
          Set.copyOf(
              IntStream.range(0, p.length)
                  .filter(s -> fails[s].charAt(test) == '1')
                  .boxed()
                  .toList()));
    }
    PerfectTests problem = new PerfectTests(positive, new double[] {1, 1, 1, 1, 1}, List.of());
    assertThat(optimum(all(p), p, problem, new HashMap<>())).isCloseTo(2.18, within(1e-9));
    assertThat(problem.expected(p)).isBetween(2.18 - 1e-9, 2.18 * 1.03);
  }

  @ParameterizedTest
  @ValueSource(ints = {5, 6, 7, 8})
  void stays_within_three_percent_of_the_exact_optimum(int links) {
    Random random = new Random(links);
    PerfectTests problem = PerfectTests.chain(links, true);
    double ours = 0;
    double least = 0;
    for (int i = 0; i < CHAINS; i++) {
      double[] p = odds(links, random);
      ours += problem.expected(p);
      least += optimum(all(p), p, problem, new HashMap<>());
    }
    assertThat(ours).isGreaterThanOrEqualTo(least - 1e-9);
    System.out.printf("chain of %d links: %.3f of the optimum%n", links, ours / least);
    assertThat(ours / least).isLessThan(1.03);
  }

  /**
   * Tests of single states: cost over probability rises along the optimal order (L. G. Mitten, "An
   * analytic solution to the least cost testing sequence problem", J. Ind. Eng. 11 (1960); R.
   * Butterworth, "Some reliability fault-testing models", Oper. Res. 20 (1972)).
   */
  @RepeatedTest(12)
  void tests_of_single_states_go_by_cost_over_probability(RepetitionInfo repetition) {
    Random random = new Random(repetition.getCurrentRepetition());
    int states = 5;
    double[] p = odds(states, random);
    double[] price =
        IntStream.range(0, states).mapToDouble(i -> 1 + 3 * random.nextDouble()).toArray();
    PerfectTests chain = PerfectTests.chain(states, false);
    List<Integer> order = new ArrayList<>(chain.own());
    order.sort(Comparator.comparingDouble(i -> price[i] / p[i]));
    double published = 0;
    double spent = 0;
    for (int i : order) {
      spent += price[i];
      published += p[i] * spent;
    }
    double ours = new PerfectTests(chain.positive(), price, chain.own()).expected(p);
    assertThat(ours / published).isBetween(1 - 1e-9, 1.05);
  }

  @Test
  void of_one_price_they_go_by_probability() {
    double[] p = {0.12, 0.4, 0.08, 0.25, 0.15};
    assertThat(PerfectTests.chain(5, false).expected(p))
        .isCloseTo(0.4 + 2 * 0.25 + 3 * 0.15 + 4 * 0.12 + 5 * 0.08, within(1e-9));
  }

  /** Even odds over eight: three halvings, and the test of what is left. */
  @Test
  void even_odds_are_halved() {
    double[] p = new double[8];
    Arrays.fill(p, 0.125);
    assertThat(PerfectTests.chain(8, true).expected(p)).isLessThanOrEqualTo(4.0 + 1e-9);
  }

  @Test
  void played_out_it_takes_what_it_takes_in_every_state() {
    double[] p = {0.3, 0.3, 0.2, 0.2};
    PerfectTests problem = PerfectTests.chain(4, true);
    Position<Integer, Boolean> start = problem.start(p);
    Rollout rollout =
        Rollout.of(
            start,
            now ->
                now.end()
                    .map(now::confirming)
                    .orElseGet(() -> TwoStepLookahead.quickest(now, TwoStepLookahead.good(start))));
    // sixteen units drawn by quantiles are not quite those odds
    assertThat(rollout.tests()).isCloseTo(problem.expected(p), within(0.15));
    assertThat(rollout.minutes()).isEqualTo(rollout.tests());
  }

  private static Set<Integer> all(double[] p) {
    return new HashSet<>(IntStream.range(0, p.length).boxed().toList());
  }

  /** The least cost on average from a set of states that are still possible (Bellman). */
  private static double optimum(
      Set<Integer> set, double[] p, PerfectTests problem, Map<Set<Integer>, Double> known) {
    if (problem.own().isEmpty() && set.size() == 1) {
      return 0;
    }
    Double before = known.get(set);
    if (before != null) {
      return before;
    }
    double best = Double.POSITIVE_INFINITY;
    for (int t = 0; t < problem.positive().size(); t++) {
      Set<Integer> yes = new HashSet<>(set);
      yes.retainAll(problem.positive().get(t));
      Set<Integer> no = new HashSet<>(set);
      no.removeAll(yes);
      boolean ends = yes.size() == 1 && problem.own().contains(t);
      if (yes.isEmpty() || no.isEmpty() && !ends) {
        continue;
      }
      double cost = problem.price()[t];
      double share = mass(yes, p) / mass(set, p);
      cost += ends ? 0 : share * optimum(yes, p, problem, known);
      cost += no.isEmpty() ? 0 : (1 - share) * optimum(no, p, problem, known);
      best = Math.min(best, cost);
    }
    known.put(set, best);
    return best;
  }

  private static double mass(Set<Integer> set, double[] p) {
    return set.stream().mapToDouble(i -> p[i]).sum();
  }

  private static double[] odds(int states, Random random) {
    double[] p = new double[states];
    Arrays.setAll(p, i -> Math.exp(1.2 * random.nextGaussian()));
    double sum = Arrays.stream(p).sum();
    Arrays.setAll(p, i -> p[i] / sum);
    return p;
  }
}
