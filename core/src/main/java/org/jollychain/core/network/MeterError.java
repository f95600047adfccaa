package org.jollychain.core.network;

/**
 * What a meter within its accuracy may show instead of the true value: the limits {@code +-(share
 * of the reading + counts of the last digit)} are taken as rectangular distributions, so that the
 * standard deviation of a limit {@code a} is {@code a / sqrt(3)}, and a display that rounds to a
 * step {@code d} adds {@code d / sqrt(12)} (type B evaluation, JCGM 100:2008, 4.3.7 and F.2.2.1).
 *
 * <p>Most of the error of the gain is the same for all readings of a function, as it is one
 * meter's; what part is each reading's own is common practice, no source.
 *
 * @param accuracy of the function that is used
 */
public record MeterError(Accuracy accuracy) {

  /** Of the gain's variance, what is each reading's own. */
  private static final double OWN = 0.2;

  /** Of the leads and their contact, between one reading of ohms and the next (ohm). */
  public static final double LEAD_OHMS_SD = 0.1;

  /**
   * Leakage through dust and damp, which no sheet knows, bleeds this share of all ghosts to
   * nothing; common practice, no source.
   */
  public static final double GHOSTS_BLED = 0.3;

  public static MeterError of(Meter meter, MeterFunction function) {
    return new MeterError(meter.accuracy(function));
  }

  /** Of the gain, what all readings of the function share (in the unit of the value). */
  public double sharedGainSd(double value) {
    return Math.sqrt((1 - OWN) / 3) * accuracy.share() * value;
  }

  /** Of the gain, what is this reading's own (in the unit of the value). */
  public double ownGainSd(double value) {
    return Math.sqrt(OWN / 3) * accuracy.share() * value;
  }

  /**
   * Of the counts.
   *
   * @param digit the last one displayed, in the unit of the function
   */
  public double countsSd(double digit) {
    return accuracy.counts() * digit / Math.sqrt(3);
  }

  /** Of rounding to a step. */
  public static double roundingSd(double step) {
    return step / Math.sqrt(12);
  }

  /** Of one reading beside others of the same meter. */
  public double ownSd(double value) {
    double digit = accuracy.resolutionAt(value);
    return Math.hypot(ownGainSd(value), Math.hypot(countsSd(digit), roundingSd(digit)));
  }

  /** Of one reading by itself. */
  public double sd(double value) {
    return sd(value, accuracy.resolutionAt(value));
  }

  /**
   * @param digit the last one that was written down
   */
  public double sd(double value, double digit) {
    double gain = Math.hypot(sharedGainSd(value), ownGainSd(value));
    return Math.hypot(gain, Math.hypot(countsSd(digit), roundingSd(digit)));
  }

  /**
   * The value that is shown, before it is rounded.
   *
   * @param gain where within its limits the gain of this meter is, -1 to 1
   * @param gainNow where it is at this reading
   * @param noise where within their limits the counts are
   */
  public double shown(double value, double gain, double gainNow, double noise) {
    double off = accuracy.share() * (Math.sqrt(1 - OWN) * gain + Math.sqrt(OWN) * gainNow);
    return value * (1 + off) + accuracy.counts() * accuracy.resolutionAt(value) * noise;
  }
}
