package org.jollychain.core.network;

/**
 * One unit out of all that the sheet describes: a value for every uncertain parameter, given as a
 * standard normal deviate by name. The nominal unit has 0 everywhere.
 */
@FunctionalInterface
public interface ParameterSample {

  ParameterSample NOMINAL = name -> 0;

  /**
   * @param name the parameter, e.g. {@code contact:high-limit}
   * @return how many standard deviations this unit lies above the middle
   */
  double deviate(String name);

  /** A value with a standard deviation given as a share of it. */
  default double normal(String name, double middle, double shareSd) {
    return middle * Math.max(0.01, 1 + shareSd * deviate(name));
  }

  /** A value whose natural logarithm has this standard deviation. */
  default double logNormal(String name, double median, double logSd) {
    return median * Math.exp(logSd * deviate(name));
  }
}
