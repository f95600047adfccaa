package org.jollychain.core.partcheck;

/** Air about the unit: its pressure by altitude (ISO 2533) and its density (ideal gas). */
final class Atmosphere {

  /** At the sea (Pa), ISO 2533. */
  static final double SEA_PASCALS = 101_325;

  private static final double LAPSE = 2.25577e-5;
  private static final double EXPONENT = 5.25588;

  /** Of dry air (J/(kg K)). */
  private static final double GAS_CONSTANT = 287.05;

  private Atmosphere() {}

  /**
   * @param metres above the sea (m)
   * @return pressure (Pa)
   */
  static double pascals(double metres) {
    return SEA_PASCALS * Math.pow(1 - LAPSE * metres, EXPONENT);
  }

  /**
   * @return density of dry air (kg/m3)
   */
  static double density(double pascals, double celsius) {
    return pascals / (GAS_CONSTANT * Figures.kelvin(celsius));
  }
}
