package org.jollychain.core.sequencing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * States of which one is true, each a group of its own, and tests that are never wrong: a test is
 * positive in a set of states. Tests are named by their index.
 *
 * @param positive the states in which each test is positive
 * @param price of each
 * @param own the own test of each state, where the work ends with it; empty where it ends once the
 *     state is known
 */
record PerfectTests(List<Set<Integer>> positive, double[] price, List<Integer> own)
    implements SequencingProblem<Integer, Boolean> {

  private static final int MOST_TESTS = 60;

  @Override
  public OutcomeTable outcomes(Integer test) {
    int states = positive.stream().flatMap(Set::stream).mapToInt(s -> s).max().orElse(0) + 1;
    int[] classOf =
        IntStream.range(0, states).map(s -> positive.get(test).contains(s) ? 1 : 0).toArray();
    return new OutcomeTable(classOf, new double[][] {{1, 0}, {0, 1}});
  }

  @Override
  public Step<Boolean> step(Boolean from, Integer test) {
    return new Step<>(price[test], price[test], from);
  }

  @Override
  public double leastBits(Integer test) {
    return 0.001;
  }

  @Override
  public double endsAt(int group) {
    return own.isEmpty() ? 1 - 1e-9 : 0.9;
  }

  @Override
  public Optional<Integer> confirming(int group, Set<Integer> made) {
    return own.isEmpty()
        ? Optional.empty()
        : Optional.of(own.get(group)).filter(t -> !made.contains(t));
  }

  Position<Integer, Boolean> start(double[] p) {
    int[] states = IntStream.range(0, p.length).toArray();
    List<Integer> tests = IntStream.range(0, positive.size()).boxed().toList();
    return new Position<>(
        this, Distribution.of(p.length, states, states, p), true, tests, Set.of());
  }

  /** What the search costs on average, followed to its end in every state. */
  double expected(double[] p) {
    double cost = 0;
    for (int truth = 0; truth < p.length; truth++) {
      cost += p[truth] * followed(p, truth);
    }
    return cost;
  }

  private double followed(double[] p, int truth) {
    Position<Integer, Boolean> now = start(p);
    double cost = 0;
    for (int n = 0; n < MOST_TESTS; n++) {
      Optional<Integer> end = now.end();
      if (end.isPresent() && own.isEmpty()) {
        return cost;
      }
      int test =
          end.flatMap(now::confirming)
              .orElse(
                  end.isPresent() ? own.get(truth) : TwoStepLookahead.ranked(now).get(0).test());
      cost += price[test];
      boolean found = positive.get(test).contains(truth);
      if (found && !own.isEmpty() && own.get(truth) == test) {
        return cost;
      }
      now = now.after(test, found ? 1 : 0);
    }
    throw new AssertionError("no end after %d tests".formatted(MOST_TESTS));
  }

  /** Tests of single states, then of all up to one, for a chain of which one link is open. */
  static PerfectTests chain(int links, boolean runs) {
    List<Set<Integer>> positive = new ArrayList<>();
    IntStream.range(0, links).forEach(i -> positive.add(Set.of(i)));
    for (int upTo = 1; runs && upTo < links; upTo++) {
      positive.add(Set.copyOf(IntStream.rangeClosed(0, upTo).boxed().toList()));
    }
    double[] even = positive.stream().mapToDouble(t -> 1).toArray();
    return new PerfectTests(positive, even, IntStream.range(0, links).boxed().toList());
  }
}
