package org.jollychain.core.inference;

import org.apache.commons.numbers.gamma.Erfc;

/** The normal distribution. */
public final class Normal {

  /** Beyond so many standard deviations nothing is left that a double could tell from 1. */
  private static final double FAR = 9;

  private Normal() {}

  static double density(double x, double mean, double variance) {
    double d = x - mean;
    return Math.exp(-0.5 * d * d / variance) / Math.sqrt(2 * Math.PI * variance);
  }

  /**
   * The distribution function.
   *
   * @param z standard deviations above the mean
   */
  public static double below(double z) {
    return z < -FAR ? 0 : z > FAR ? 1 : 0.5 * Erfc.value(-z / Math.sqrt(2));
  }
}
