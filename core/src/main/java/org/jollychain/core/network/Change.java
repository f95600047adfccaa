package org.jollychain.core.network;

import org.jollychain.core.quantity.Complex;

/**
 * How a branch differs from the sound one: Z becomes {@code factor Z + added}, E becomes {@code
 * emfFactor E}. Always of impedance, never of admittance: opening a contact of 17 mohm through its
 * admittance loses tens of millivolts to rounding.
 *
 * @param branch the part, or {@code supply:} and a terminal
 * @param factor on the sound impedance
 * @param addedOhms on top (ohm)
 * @param emfFactor on the sound source
 * @param logSpread how far its severity is uncertain: standard deviation of its natural logarithm
 */
public record Change(
    String branch, double factor, double addedOhms, Complex emfFactor, double logSpread) {

  public static Change open(String branch) {
    return new Change(branch, 0, Circuit.OPEN_OHMS, Complex.ONE, 0);
  }

  public static Change closed(String branch) {
    return new Change(branch, 0, Circuit.CONTACT_OHMS, Complex.ONE, 0);
  }

  /**
   * @param ohms in series with it (ohm)
   */
  public static Change dropping(String branch, double ohms) {
    return new Change(branch, 1, ohms, Complex.ONE, 0);
  }

  public static Change scaled(String branch, double factor) {
    return new Change(branch, factor, 0, Complex.ONE, 0);
  }

  public static Change source(String branch, Complex emfFactor) {
    return new Change(branch, 1, 0, emfFactor, 0);
  }

  /** The same kind of change, of uncertain severity. */
  public Change spread(double logSd) {
    return new Change(branch, factor, addedOhms, emfFactor, logSd);
  }

  /**
   * The change with its severity drawn.
   *
   * @param deviate how many standard deviations above the middle
   */
  public Change drawn(double deviate) {
    if (logSpread == 0) {
      return this;
    }
    double by = Math.exp(logSpread * deviate);
    if (!emfFactor.equals(Complex.ONE)) {
      return source(branch, emfFactor.times(by));
    }
    return addedOhms > 0
        ? new Change(branch, factor, addedOhms * by, emfFactor, 0)
        : scaled(branch, factor * by);
  }
}
