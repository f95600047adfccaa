package org.jollychain.core.inference;

/**
 * An expected reading as a straight line in the uncertain parameters: reading = mean + slopes . z +
 * residual, z standard normal.
 *
 * @param mean in the unit of the function
 * @param slopes by parameter, in the unit per standard deviation
 * @param residualVariance what the line leaves, in the unit squared
 * @param floating how much of a voltage is a ghost, 0 to 1: the share of it that the meter's own
 *     input divides with the impedance it looks into
 */
public record LinearPrediction(
    double mean, Slopes slopes, double residualVariance, double floating) {

  /** The same with more of its own, one standard deviation in the unit of the function. */
  LinearPrediction blurred(double sd) {
    return sd == 0
        ? this
        : new LinearPrediction(mean, slopes, residualVariance + sd * sd, floating);
  }

  /** The same, so much of it a ghost. */
  LinearPrediction floating(double share) {
    return share == floating ? this : new LinearPrediction(mean, slopes, residualVariance, share);
  }

  LinearPrediction(double mean, double[] slopes, double residualVariance, double floating) {
    this(mean, Slopes.of(slopes), residualVariance, floating);
  }

  /** Hypotheses are told apart by their lines for every reading; the mean tells most of them. */
  @Override
  public int hashCode() {
    return Double.hashCode(mean);
  }
}
