package org.jollychain.core.inference;

import org.hipparchus.special.Erf;

/** The normal distribution. */
public final class Normal {

  /** Beyond so many standard deviations nothing is left that a double could tell from 1. */
  private static final double FAR = 9;

  private Normal() {}

  static double logDensity(double x, double mean, double variance) {
    double d = x - mean;
    return -0.5 * (d * d / variance + Math.log(2 * Math.PI * variance));
  }

  /**
   * The distribution function.
   *
   * @param z standard deviations above the mean
   */
  public static double below(double z) {
    return z < -FAR ? 0 : z > FAR ? 1 : 0.5 * Erf.erfc(-z / Math.sqrt(2));
  }
}
