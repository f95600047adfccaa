package org.jollychain.core.network;

import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Supply;

/** What a meter is set to. */
public enum MeterFunction {
  VOLTS_AC(Dimension.VOLTS, "AC volts"),
  VOLTS_DC(Dimension.VOLTS, "DC volts"),
  VOLTS_AC_LOZ(Dimension.VOLTS, "AC volts, low impedance"),
  OHMS(Dimension.OHMS, "ohms"),
  CONTINUITY(Dimension.OHMS, "continuity"),
  AMPS_AC(Dimension.AMPERES, "AC clamp amperes"),
  AMPS_DC(Dimension.AMPERES, "DC clamp amperes"),
  CELSIUS(Dimension.CELSIUS, "temperature");

  private final Dimension dimension;
  private final String word;

  MeterFunction(Dimension dimension, String word) {
    this.dimension = dimension;
    this.word = word;
  }

  /** What volts of a supply are read with. */
  public static MeterFunction voltsOf(Supply supply) {
    return supply.dc() ? VOLTS_DC : VOLTS_AC;
  }

  /** What its currents are read with. */
  public static MeterFunction amperesOf(Supply supply) {
    return supply.dc() ? AMPS_DC : AMPS_AC;
  }

  public Dimension dimension() {
    return dimension;
  }

  public String word() {
    return word;
  }

  /**
   * Ohms and the buzzer send their own current: only into a circuit that is isolated and proved
   * dead.
   */
  public boolean needsDeadCircuit() {
    return this == OHMS || this == CONTINUITY;
  }

  /** Where the supply is on: whether one works on what is live with it. */
  public boolean touchesLive() {
    return dimension == Dimension.VOLTS || dimension == Dimension.AMPERES;
  }

  /** A clamp goes around a wire; every other function touches two points. */
  public boolean clamps() {
    return dimension == Dimension.AMPERES;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
