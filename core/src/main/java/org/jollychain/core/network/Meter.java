package org.jollychain.core.network;

import java.util.Map;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.quantity.Dimension;

/**
 * A multimeter as a part of the circuit.
 *
 * @param name as the shop calls it
 * @param voltsOhms input resistance on volts (ohm)
 * @param voltsFarads input capacitance on volts (F)
 * @param lowImpedanceOhms input resistance of the low-impedance volts function (ohm)
 * @param overLimitOhms above this, ohms shows OL (ohm)
 * @param buzzerOhms below this, continuity sounds (ohm)
 * @param leadOhms what its leads add on ohms (ohm)
 * @param accuracies by function
 */
public record Meter(
    String name,
    double voltsOhms,
    double voltsFarads,
    double lowImpedanceOhms,
    double overLimitOhms,
    double buzzerOhms,
    double leadOhms,
    Map<MeterFunction, Accuracy> accuracies) {

  /** A usual field meter of 6000 counts; its figures are common practice, no source. */
  public static final Meter GENERAL =
      new Meter(
          "general 6000-count meter",
          10e6,
          100e-12,
          300e3,
          40e6,
          30,
          0.1,
          Map.of(
              MeterFunction.VOLTS_AC, new Accuracy(0.01, 3, 0.001, 6000),
              MeterFunction.VOLTS_AC_LOZ, new Accuracy(0.02, 3, 0.1, 6000),
              MeterFunction.VOLTS_DC, new Accuracy(0.005, 2, 0.0001, 6000),
              MeterFunction.OHMS, new Accuracy(0.009, 2, 0.1, 6000),
              MeterFunction.CONTINUITY, new Accuracy(0.009, 2, 0.1, 6000),
              MeterFunction.AMPS_AC, new Accuracy(0.02, 5, 0.01, 6000),
              MeterFunction.AMPS_DC, new Accuracy(0.02, 5, 0.01, 6000),
              MeterFunction.CELSIUS, new Accuracy(0.01, 10, 0.1, 6000)));

  public Accuracy accuracy(MeterFunction function) {
    return accuracies.get(function);
  }

  /**
   * What this meter would show at a probe, before noise and rounding.
   *
   * @param solution the circuit as it stands
   * @return volts and amperes as magnitudes (signed for dc), ohms with the leads; 0 for temperature
   */
  public double read(Solution solution, Probe probe) {
    return switch (probe.function()) {
      case VOLTS_AC, VOLTS_AC_LOZ ->
          solution.voltsBetween(probe.red(), probe.black(), inputOhms(solution, probe)).abs();
      case VOLTS_DC ->
          solution.voltsBetween(probe.red(), probe.black(), inputOhms(solution, probe)).re();
      case OHMS, CONTINUITY -> solution.ohmsBetween(probe.red(), probe.black()).re() + leadOhms;
      case AMPS_AC -> solution.amperes(probe.part().orElseThrow()).abs();
      case AMPS_DC -> solution.amperes(probe.part().orElseThrow()).re();
      case CELSIUS -> 0;
    };
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
    return behind / (behind + inputOhms(solution, probe).abs());
  }

  private Complex inputOhms(Solution solution, Probe probe) {
    if (probe.function() == MeterFunction.VOLTS_AC_LOZ) {
      return Complex.of(lowImpedanceOhms);
    }
    double siemens = solution.radiansPerSecond() * voltsFarads;
    return Complex.ONE.over(new Complex(1 / voltsOhms, siemens));
  }
}
