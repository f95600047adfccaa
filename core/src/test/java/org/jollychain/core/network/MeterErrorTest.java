package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MeterErrorTest {

  /** JCGM 100:2008, 4.3.7, example 1: a = 0.40e-6 gives u = 0.23e-6 (from memory). */
  @Test
  void limits_are_rectangular() {
    MeterError error = new MeterError(new Accuracy(0, 1, 0.40e-6, 10, 1));
    assertThat(error.countsSd(0.40e-6)).isCloseTo(0.23e-6, within(0.002e-6));
  }

  /** JCGM 100:2008, F.2.2.1: a resolution d contributes 0.29 d (from memory). */
  @Test
  void a_display_that_rounds_adds_a_little() {
    assertThat(MeterError.roundingSd(1)).isCloseTo(0.29, within(0.002));
  }

  @Test
  void shared_and_own_gain_are_all_of_it() {
    MeterError error = new MeterError(new Accuracy(0.01, 0, 1e-9, 6000, 1e9));
    double all = Math.hypot(error.sharedGainSd(240), error.ownGainSd(240));
    assertThat(all).isCloseTo(2.4 / Math.sqrt(3), within(1e-12));
    assertThat(error.sd(240)).isCloseTo(all, within(1e-3));
  }

  /** What a meter within its limits shows spreads as is said of it. */
  @ParameterizedTest
  @ValueSource(doubles = {0.5, 12, 118, 238})
  void readings_spread_as_they_are_said_to(double value) {
    MeterError error = MeterError.of(Meter.GENERAL, MeterFunction.VOLTS_AC);
    SplittableRandom random = new SplittableRandom(7);
    int count = 200_000;
    double squares = 0;
    for (int i = 0; i < count; i++) {
      double off = error.shown(value, even(random), even(random), even(random)) - value;
      squares += off * off;
    }
    double digit = error.accuracy().resolutionAt(value);
    double unrounded =
        Math.sqrt(Math.pow(error.sd(value), 2) - Math.pow(MeterError.roundingSd(digit), 2));
    assertThat(Math.sqrt(squares / count) / unrounded).isCloseTo(1, within(0.01));
  }

  private static double even(SplittableRandom random) {
    return 2 * random.nextDouble() - 1;
  }
}
