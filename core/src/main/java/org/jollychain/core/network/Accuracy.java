package org.jollychain.core.network;

/**
 * How well a meter's function measures: within {@code +-(share of the reading + counts of the last
 * digit)}, its display holding so many counts before the range goes up a decade.
 *
 * @param share of the reading, e.g. 0.01
 * @param counts of the last digit
 * @param finest the last digit of the lowest range, in the function's unit
 * @param fullScaleCounts the display's largest count
 * @param overLimit above this the display shows OL, in the function's unit
 */
public record Accuracy(
    double share, double counts, double finest, int fullScaleCounts, double overLimit) {

  /**
   * @return the last digit in the range in which a value is shown, in the function's unit
   */
  public double resolutionAt(double value) {
    double resolution = finest;
    while (Math.abs(value) > resolution * fullScaleCounts && resolution < 1e9) {
      resolution *= 10;
    }
    return resolution;
  }
}
