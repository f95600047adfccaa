package org.jollychain.core.inference;

/** The normal distribution. */
public final class Normal {

  private Normal() {}

  static double logDensity(double x, double mean, double variance) {
    double d = x - mean;
    return -0.5 * (d * d / variance + Math.log(2 * Math.PI * variance));
  }

  /**
   * Distribution function, after Abramowitz and Stegun 7.1.26 (error below 1.5e-7).
   *
   * @param z standard deviations above the mean
   */
  public static double below(double z) {
    double x = Math.abs(z) / Math.sqrt(2);
    double t = 1 / (1 + 0.3275911 * x);
    double poly =
        t
            * (0.254829592
                + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
    double half = 0.5 * poly * Math.exp(-x * x);
    return z > 0 ? 1 - half : half;
  }
}
