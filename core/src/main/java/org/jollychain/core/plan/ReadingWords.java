package org.jollychain.core.plan;

import java.util.Locale;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/**
 * An expected reading as a technician says it: one figure and what it is. What counts as near is
 * common practice, no source.
 */
final class ReadingWords {

  /** Shown on a wire that hangs free, where it shows anything. */
  static final String GHOST = "a ghost, some volts";

  private static final double NEAR_NOTHING_SHARE = 0.03;
  private static final double NEAR_FULL_SHARE = 0.08;
  private static final double NEAR_NOTHING_OHMS = 0.6;
  private static final double NO_AMPERES = 0.03;

  private ReadingWords() {}

  /**
   * @param value what the meter is to show, in the unit of the function
   */
  static String of(MeterFunction function, double value, Supply supply) {
    double size = Math.abs(value);
    String figure = function.dimension().round(value);
    if (function.dimension() == Dimension.VOLTS) {
      if (size < NEAR_NOTHING_SHARE * supply.volts()) {
        return "near 0 V";
      }
      if (near(size, supply.volts())) {
        return "full supply, " + figure;
      }
      boolean leg = supply.system() == SupplySystem.SPLIT_PHASE && near(size, supply.volts() / 2);
      return (leg ? "one leg, " : "about ") + figure;
    }
    if (function.needsDeadCircuit() && size < NEAR_NOTHING_OHMS) {
      return "near 0 Ω";
    }
    if (function.needsDeadCircuit() && size > Meter.GENERAL.overLimitOhms()) {
      return "OL";
    }
    return function.clamps() && size < NO_AMPERES ? "no current" : "about " + figure;
  }

  private static boolean near(double volts, double due) {
    return Math.abs(volts - due) < NEAR_FULL_SHARE * due;
  }

  static String percent(double share) {
    return String.format(Locale.ROOT, "%.0f %%", 100 * share);
  }
}
