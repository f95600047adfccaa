package org.jollychain.study.field;

import java.util.Locale;
import java.util.random.RandomGenerator;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.quantity.Complex;

/**
 * A meter out of a van: a gain and a zero of its own, leads that are never twice the same, a hum
 * picked up on volts; four digits or three.
 */
final class FieldMeter {

  private static final double OVER_OHMS = 40e6;
  private static final double INPUT_OHMS = 10e6;
  private static final double LOW_OHMS = 300e3;
  private static final double HELD_AMPERES = 400;

  private final RandomGenerator random;
  private final double gain;
  private final double zero;
  private final double leads;
  private final int digits;

  FieldMeter(RandomGenerator random) {
    this.random = random;
    this.gain = 1 + Drawn.between(random, -0.008, 0.008);
    this.zero = Drawn.between(random, -1, 1);
    this.leads = Drawn.between(random, 0.05, 0.2);
    this.digits = Drawn.chance(random, 0.7) ? 4 : 3;
  }

  /** What it shows, as it is written down. */
  String read(FieldUnit unit, Probe probe) {
    Solution at = unit.at(probe);
    return show(probe.function(), value(unit, at, probe));
  }

  private double value(FieldUnit unit, Solution at, Probe probe) {
    return switch (probe.function()) {
      case VOLTS_AC, VOLTS_AC_LOZ, VOLTS_DC -> {
        double own = probe.function() == MeterFunction.VOLTS_AC_LOZ ? LOW_OHMS : INPUT_OHMS;
        double with = own * unit.bleedOhms() / (own + unit.bleedOhms());
        Complex volts = at.voltsBetween(probe.red(), probe.black(), Complex.of(with));
        yield probe.function() == MeterFunction.VOLTS_DC ? volts.re() : volts.abs();
      }
      case OHMS, CONTINUITY ->
          at.ohmsBetween(probe.red(), probe.black()).re()
              + leads
              + Drawn.between(random, -0.04, 0.08);
      case AMPS_AC -> held(at.amperes(probe.part().orElseThrow()).abs());
      case AMPS_DC -> held(at.amperes(probe.part().orElseThrow()).re());
      case CELSIUS -> 0;
    };
  }

  /** A circuit has its fuse or breaker: beyond what it holds nothing flows for long. */
  private static double held(double amperes) {
    return Math.abs(amperes) > HELD_AMPERES ? 0 : amperes;
  }

  private String show(MeterFunction function, double true_) {
    double value = true_ * gain * (1 + Drawn.between(random, -0.002, 0.002));
    return switch (function) {
      case VOLTS_AC, VOLTS_AC_LOZ ->
          text(Math.abs(value + 0.04 * zero * random.nextDouble()), 0.01) + " V";
      case VOLTS_DC -> text(value + 0.0003 * zero, 0.0001) + " V";
      case AMPS_AC -> text(Math.abs(value * (1 + 0.02 * zero) + 0.03 * zero), 0.01) + " A";
      case AMPS_DC -> text(value * (1 + 0.02 * zero) + 0.03 * zero, 0.01) + " A";
      case CONTINUITY -> value < 35 ? "beep" : "no beep";
      case OHMS ->
          value > OVER_OHMS
              ? "OL"
              : value >= 1e6
                  ? text(value / 1e6, 0.001) + " MΩ"
                  : value >= 1e3
                      ? text(value / 1e3, 0.0001) + " kΩ"
                      : text(Math.max(0, value), 0.1) + " Ω";
      case CELSIUS -> text(value, 0.1) + " C";
    };
  }

  /** So many digits, but no finer than the lowest range shows. */
  private String text(double value, double finest) {
    double size = Math.max(Math.abs(value), 1e-12);
    double step = Math.max(finest, Math.pow(10, Math.floor(Math.log10(size)) + 1 - digits));
    int decimals = (int) Math.max(0, Math.round(-Math.log10(step)));
    return String.format(Locale.ROOT, "%." + decimals + "f", Math.rint(value / step) * step);
  }
}
