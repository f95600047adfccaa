package org.jollychain.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class IntermittentModelTest {

  private static final double SWITCHES = 0.25;
  private static final double HEALS = 0.8;

  /** Sums over every way the fault may have come and gone, one by one: two to the power of n. */
  private static double enumerated(
      List<Integer> order,
      List<Double> ifThere,
      List<Double> ifGone,
      boolean[] reseated,
      boolean thereAtTheEnd) {
    int n = order.size();
    double sum = 0;
    for (int way = 0; way < 1 << n; way++) {
      double p = 0.5;
      for (int i = 0; i < n; i++) {
        boolean there = (way >> i & 1) == 1;
        int at = order.get(i);
        p *= Math.exp((there ? ifThere : ifGone).get(at));
        if (i > 0) {
          boolean was = (way >> (i - 1) & 1) == 1;
          double vanishes = reseated[at] ? HEALS : SWITCHES;
          double moves = was ? vanishes : SWITCHES;
          p *= was == there ? 1 - moves : moves;
        }
      }
      if ((way >> (n - 1) & 1) == 1 == thereAtTheEnd) {
        sum += p;
      }
    }
    return Math.log(sum);
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
  void is_the_sum_over_all_ways_it_may_have_been(int seed) {
    Random random = new Random(seed);
    int n = 1 + random.nextInt(9);
    List<Double> ifThere = new ArrayList<>();
    List<Double> ifGone = new ArrayList<>();
    boolean[] reseated = new boolean[n];
    for (int i = 0; i < n; i++) {
      ifThere.add(-8 * random.nextDouble());
      ifGone.add(-8 * random.nextDouble());
      reseated[i] = random.nextInt(4) == 0;
    }
    List<Integer> order = new ArrayList<>(IntStream.range(0, n).boxed().toList());
    Collections.shuffle(order, random);
    IntermittentModel.Ends ends = IntermittentModel.weigh(order, ifThere, ifGone, reseated);
    assertThat(ends.there())
        .as("seed %d", seed)
        .isCloseTo(enumerated(order, ifThere, ifGone, reseated, true), within(1e-9));
    assertThat(ends.gone())
        .as("seed %d", seed)
        .isCloseTo(enumerated(order, ifThere, ifGone, reseated, false), within(1e-9));
  }

  @Test
  void stays_finite_where_readings_are_as_good_as_impossible_either_way() {
    List<Double> hopeless = Collections.nCopies(200, -700.0);
    List<Integer> order = IntStream.range(0, 200).boxed().toList();
    IntermittentModel.Ends ends =
        IntermittentModel.weigh(order, hopeless, hopeless, new boolean[200]);
    assertThat(ends.there()).isFinite();
    assertThat(ends.gone()).isCloseTo(ends.there(), within(1e-6));
  }

  /** A bad contact that reads well once its terminals were put on again is explained by that. */
  @Test
  void re_seating_explains_a_fault_that_is_gone_after_it() {
    List<Integer> order = List.of(0, 1, 2);
    List<Double> ifThere = List.of(0.0, 0.0, -12.0);
    List<Double> ifGone = List.of(-12.0, -12.0, 0.0);
    double untouched = IntermittentModel.weigh(order, ifThere, ifGone, new boolean[3]).gone();
    double reseated =
        IntermittentModel.weigh(order, ifThere, ifGone, new boolean[] {false, false, true}).gone();
    assertThat(Math.exp(reseated - untouched)).isCloseTo(HEALS / SWITCHES, within(0.01));
  }
}
