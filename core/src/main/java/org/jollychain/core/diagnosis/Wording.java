package org.jollychain.core.diagnosis;

import java.util.Locale;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Sheet;

/** How readings are said. */
final class Wording {

  /** Less AC than this nobody reads (V). */
  private static final double NOTHING_VOLTS = 1e-3;

  private Wording() {}

  /** {@code 237.8 V}, with as many decimals as were typed. */
  static String shown(Reading reading) {
    if (reading.shown() instanceof Shown.Figure figure) {
      Dimension dimension = reading.probe().function().dimension();
      double value = figure.value();
      String prefix = "";
      double scale = 1;
      if (dimension == Dimension.OHMS && Math.abs(value) >= 1000) {
        prefix = Math.abs(value) >= 1e6 ? "M" : "k";
        scale = Math.abs(value) >= 1e6 ? 1e6 : 1e3;
      } else if (figure.resolution() < 0.0009) {
        prefix = "m";
        scale = 1e-3;
      }
      int decimals =
          (int)
              Math.max(0, Math.min(6, -Math.floor(Math.log10(figure.resolution() / scale) + 1e-9)));
      return String.format(
          Locale.ROOT, "%." + decimals + "f %s%s", value / scale, prefix, dimension.symbol());
    }
    if (reading.shown() instanceof Shown.Buzzer buzzer) {
      return buzzer.sounds() ? "beep" : "no beep";
    }
    return reading.shown() instanceof Shown.OverLimit ? "OL" : "--";
  }

  /** {@code across the high limit}, {@code from L1 to L2}. */
  static String place(Sheet sheet, Probe probe) {
    if (probe.part().isPresent()) {
      String way = probe.function().dimension() == Dimension.AMPERES ? "through" : "across";
      return way + " the " + sheet.part(probe.part().get()).title();
    }
    return "from %s to %s".formatted(probe.red(), probe.black());
  }

  /** {@code 237.8 V across the high limit}. */
  static String said(Sheet sheet, Reading reading) {
    return shown(reading) + " " + place(sheet, reading.probe());
  }

  /** What a meter would show for an expected value. */
  static String expected(Meter meter, MeterFunction function, double value) {
    if (function.dimension() == Dimension.OHMS && value > meter.overLimitOhms()) {
      return "OL";
    }
    boolean nothing = function == MeterFunction.VOLTS_AC && Math.abs(value) < NOTHING_VOLTS;
    return function.dimension().format(nothing ? 0 : value);
  }
}
