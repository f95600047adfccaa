package org.jollychain.core.network;

import java.util.Locale;
import java.util.Map;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.quantity.Dimension;

/**
 * A multimeter as a part of the circuit.
 *
 * @param id as cases name it
 * @param name as the shop calls it
 * @param voltsOhms input resistance on volts (ohm)
 * @param voltsFarads input capacitance on volts (F)
 * @param lowImpedanceOhms input resistance of the low-impedance volts function (ohm)
 * @param buzzerOhms below this, continuity sounds (ohm)
 * @param leadOhms what its leads add on ohms (ohm)
 * @param accuracies by function
 */
public record Meter(
    String id,
    String name,
    double voltsOhms,
    double voltsFarads,
    double lowImpedanceOhms,
    double buzzerOhms,
    double leadOhms,
    Map<MeterFunction, Accuracy> accuracies) {

  private static final double VOLTS_FARADS = 100e-12;

  /** A usual field meter of 6000 counts; its figures are common practice, no source. */
  public static final Meter GENERAL =
      of("field", "Field meter, 6000 counts", 6000, 0.01, 0.005, 0.009, 10e6, 300e3, 30, 0.1, 40e6);

  /** A small meter of 2000 counts with a lighter input; common practice, no source. */
  static final Meter POCKET =
      of(
          "pocket",
          "Pocket meter, 2000 counts",
          2000,
          0.012,
          0.008,
          0.012,
          1e6,
          300e3,
          50,
          0.2,
          2e6);

  /** A bench meter of 50 000 counts; common practice, no source. */
  static final Meter BENCH =
      of(
          "bench",
          "Bench meter, 50 000 counts",
          50_000,
          0.002,
          0.0005,
          0.001,
          10e6,
          300e3,
          20,
          0.05,
          100e6);

  /** A voltage tester that loads what it touches on every range; common practice, no source. */
  static final Meter TESTER =
      of(
          "tester",
          "Two-pole tester, low impedance",
          1000,
          0.03,
          0.03,
          0.05,
          200e3,
          7e3,
          30,
          0.2,
          500e3);

  /**
   * A meter by the figures of its maker's sheet; what that leaves open follows from these: last
   * digits from the counts, the clamp and the low-impedance function twice as coarse as AC volts.
   *
   * @param counts of the full display
   * @param voltsAcShare accuracy on AC volts, 0.01 for 1 %
   * @param voltsDcShare accuracy on DC volts
   * @param ohmsShare accuracy on ohms
   * @param overLimitOhms above this, ohms shows OL (ohm)
   */
  public static Meter of(
      String id,
      String name,
      int counts,
      double voltsAcShare,
      double voltsDcShare,
      double ohmsShare,
      double voltsOhms,
      double lowImpedanceOhms,
      double buzzerOhms,
      double leadOhms,
      double overLimitOhms) {
    return new Meter(
        id,
        name,
        voltsOhms,
        VOLTS_FARADS,
        lowImpedanceOhms,
        buzzerOhms,
        leadOhms,
        accuracies(counts, voltsAcShare, voltsDcShare, ohmsShare, overLimitOhms));
  }

  public Accuracy accuracy(MeterFunction function) {
    return accuracies.get(function);
  }

  /** Above this, ohms shows OL (ohm). */
  public double overLimitOhms() {
    return accuracy(MeterFunction.OHMS).overLimit();
  }

  /**
   * What this meter would show at a probe, before noise and rounding.
   *
   * @param solution the circuit as it stands
   * @return volts and amperes as magnitudes (signed for dc), ohms with the leads; 0 for temperature
   */
  public double read(Solution solution, Probe probe) {
    return shown(probe.function(), phasor(solution, probe));
  }

  /** The same as a phasor. */
  public Complex phasor(Solution solution, Probe probe) {
    if (!answers(solution, probe.function())) {
      return Complex.ZERO;
    }
    return switch (probe.function()) {
      case VOLTS_AC, VOLTS_AC_LOZ, VOLTS_DC ->
          solution.voltsBetween(probe.red(), probe.black(), inputOhms(solution, probe.function()));
      case OHMS, CONTINUITY ->
          solution.ohmsBetween(probe.red(), probe.black()).plus(Complex.of(leadOhms));
      case AMPS_AC, AMPS_DC -> solution.amperes(probe.part().orElseThrow());
      case CELSIUS -> Complex.ZERO;
    };
  }

  /** What a function makes of a phasor: a magnitude, or the signed value of direct current. */
  public static double shown(MeterFunction function, Complex value) {
    return switch (function) {
      case VOLTS_AC, VOLTS_AC_LOZ, AMPS_AC -> value.abs();
      default -> value.re();
    };
  }

  /**
   * The display, rounded to its last digit in the range the value falls in: {@code 238.1 V}, {@code
   * 11.82 kΩ}, {@code OL}; {@code beep} or {@code no beep} on continuity.
   *
   * @param value as {@link #read} has it
   */
  public String display(MeterFunction function, double value) {
    Accuracy accuracy = accuracy(function);
    if (function == MeterFunction.CONTINUITY) {
      return value < buzzerOhms ? "beep" : "no beep";
    }
    if (Math.abs(value) > accuracy.overLimit()) {
      return "OL";
    }
    double digit = accuracy.resolutionAt(value);
    double full = digit * accuracy.fullScaleCounts();
    String prefix = "";
    double scale = 1;
    if (function == MeterFunction.OHMS && full > 1e3) {
      prefix = full > 1e6 ? "M" : "k";
      scale = full > 1e6 ? 1e6 : 1e3;
    } else if (function == MeterFunction.VOLTS_DC && full < 1) {
      prefix = "m";
      scale = 1e-3;
    }
    int decimals = (int) Math.max(0, Math.round(-Math.log10(digit / scale)));
    double rounded = Math.rint(value / digit) * digit / scale;
    return String.format(
        Locale.ROOT,
        "%." + decimals + "f %s%s",
        rounded == 0 ? 0.0 : rounded,
        prefix,
        function.dimension().symbol());
  }

  /**
   * How much of a voltage is a ghost: the impedance the meter looks into over that and its own.
   *
   * @return 0 on a stiff source to 1 on a floating wire; 0 for other functions
   */
  public double floating(Solution solution, Probe probe) {
    if (probe.function().dimension() != Dimension.VOLTS) {
      return 0;
    }
    double behind = solution.ohmsBetween(probe.red(), probe.black()).abs();
    return behind / (behind + inputOhms(solution, probe.function()).abs());
  }

  /** Direct-current functions see nothing of an alternating circuit, and the other way round. */
  boolean answers(Solution solution, MeterFunction function) {
    return answers(solution.radiansPerSecond(), function);
  }

  boolean answers(double radiansPerSecond, MeterFunction function) {
    boolean alternating = radiansPerSecond > 0;
    return switch (function) {
      case VOLTS_AC, VOLTS_AC_LOZ, AMPS_AC -> alternating;
      case VOLTS_DC, AMPS_DC -> !alternating;
      default -> true;
    };
  }

  Complex inputOhms(Solution solution, MeterFunction function) {
    return inputOhms(solution.radiansPerSecond(), function);
  }

  Complex inputOhms(double radiansPerSecond, MeterFunction function) {
    if (function == MeterFunction.VOLTS_AC_LOZ) {
      return Complex.of(lowImpedanceOhms);
    }
    double siemens = radiansPerSecond * voltsFarads;
    return Complex.ONE.over(new Complex(1 / voltsOhms, siemens));
  }

  private static Map<MeterFunction, Accuracy> accuracies(
      int counts, double voltsAc, double voltsDc, double ohms, double overLimitOhms) {
    double scale = 6000.0 / counts;
    Accuracy resistance = new Accuracy(ohms, 2, decade(0.1 * scale), counts, overLimitOhms);
    Accuracy clamp = new Accuracy(2 * voltsAc, 5, decade(0.01 * scale), counts, 400);
    return Map.of(
        MeterFunction.VOLTS_AC,
        new Accuracy(voltsAc, 3, decade(0.001 * scale), counts, 1000),
        MeterFunction.VOLTS_AC_LOZ,
        new Accuracy(2 * voltsAc, 3, 0.1, counts, 1000),
        MeterFunction.VOLTS_DC,
        new Accuracy(voltsDc, 2, decade(0.0001 * scale), counts, 1000),
        MeterFunction.OHMS,
        resistance,
        MeterFunction.CONTINUITY,
        resistance,
        MeterFunction.AMPS_AC,
        clamp,
        MeterFunction.AMPS_DC,
        clamp,
        MeterFunction.CELSIUS,
        new Accuracy(0.01, 10, 0.1, counts, 1000));
  }

  /** The nearest power of ten: what the last digit of a range can be. */
  private static double decade(double digit) {
    return Math.pow(10, Math.rint(Math.log10(digit)));
  }
}
