package org.jollychain.core.partcheck;

import java.util.Locale;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;

/** Figures as people say them, and how sure a usual meter is of them. */
final class Figures {

  private static final double ZERO_CELSIUS_KELVIN = 273.15;

  private Figures() {}

  static String celsius(double celsius) {
    return String.format(Locale.ROOT, "%.1f C (%.0f F)", celsius, fahrenheit(celsius));
  }

  static double fahrenheit(double celsius) {
    return celsius * 1.8 + 32;
  }

  static double kelvin(double celsius) {
    return celsius + ZERO_CELSIUS_KELVIN;
  }

  static double celsiusOf(double kelvin) {
    return kelvin - ZERO_CELSIUS_KELVIN;
  }

  static String percent(double share) {
    return String.format(Locale.ROOT, "%.1f %%", 100 * share);
  }

  static String round(Dimension dimension, double si) {
    return dimension.round(si);
  }

  /** Two standard deviations of what a usual meter shows (SI). */
  static double twice(MeterFunction function, double value) {
    return 2 * MeterError.of(Meter.GENERAL, function).sd(value);
  }
}
