package org.jollychain.study.field;

import java.util.List;
import java.util.random.RandomGenerator;

/** Draws the study makes everywhere. */
final class Drawn {

  private Drawn() {}

  static double between(RandomGenerator random, double low, double high) {
    return low + (high - low) * random.nextDouble();
  }

  /** Evenly by decade. */
  static double byDecade(RandomGenerator random, double low, double high) {
    return low * Math.pow(high / low, random.nextDouble());
  }

  static boolean chance(RandomGenerator random, double of) {
    return random.nextDouble() < of;
  }

  static <T> T one(RandomGenerator random, List<T> of) {
    return of.get(random.nextInt(of.size()));
  }
}
