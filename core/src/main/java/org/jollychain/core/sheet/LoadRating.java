package org.jollychain.core.sheet;

import java.util.Optional;

/**
 * What a load is rated for.
 *
 * @param ohms magnitude of its impedance at its rating (ohm): V^2 times power factor over P
 * @param powerFactor cosine of the angle between volts and amperes, 1 for a resistance
 * @param windingOhms its resistance to direct current, cold (ohm), where it differs from {@code
 *     ohms}
 * @param runsAbove the share of its nominal power above which it is seen to run
 */
public record LoadRating(
    double ohms, double powerFactor, Optional<Double> windingOhms, double runsAbove) {

  /** What an ohmmeter shows of it, cold (ohm). */
  public double coldOhms() {
    return windingOhms.orElse(ohms * powerFactor);
  }

  /** The same with so many times the ohms. */
  public LoadRating scaled(double factor) {
    return new LoadRating(ohms * factor, powerFactor, windingOhms.map(w -> w * factor), runsAbove);
  }
}
