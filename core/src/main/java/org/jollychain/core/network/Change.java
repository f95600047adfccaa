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
 */
public record Change(String branch, double factor, double addedOhms, Complex emfFactor) {

  public static Change open(String branch) {
    return new Change(branch, 0, Circuit.OPEN_OHMS, Complex.ONE);
  }

  public static Change closed(String branch) {
    return new Change(branch, 0, Circuit.CONTACT_OHMS, Complex.ONE);
  }

  /**
   * @param ohms in series with it (ohm)
   */
  public static Change dropping(String branch, double ohms) {
    return new Change(branch, 1, ohms, Complex.ONE);
  }

  public static Change scaled(String branch, double factor) {
    return new Change(branch, factor, 0, Complex.ONE);
  }

  public static Change source(String branch, Complex emfFactor) {
    return new Change(branch, 1, 0, emfFactor);
  }
}
