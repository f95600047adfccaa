package org.jollychain.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.ParameterSample;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Sensitivities.Prediction;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

class MeasurementModelTest {

  private static final Sheet HEATER = Sheets.heater();
  private static final MeasurementModel EXPECTED =
      new MeasurementModel(new UnitModel(HEATER), List.of());

  private static double sd(LinearPrediction line) {
    return Math.sqrt(line.slopes().squared() + line.residualVariance());
  }

  /** By hand: 5 % is two standard deviations, so 240 V is known to 6 V. */
  @Test
  void the_spread_of_the_supply_is_what_the_sheet_says() {
    LinearPrediction supply =
        EXPECTED.line(List.of(), Probe.between(MeterFunction.VOLTS_AC, "L1", "L2", "idle"));
    assertThat(supply.mean()).isCloseTo(240.0, within(0.5));
    assertThat(sd(supply)).isCloseTo(6.0, within(0.3));
  }

  /** By hand: 10 % of tolerance is two standard deviations, so 16 ohm is known to 0.8 ohm. */
  @Test
  void the_spread_of_an_element_is_its_tolerance() {
    LinearPrediction element =
        EXPECTED.line(
            List.of(), Probe.across(MeterFunction.OHMS, HEATER.part("element"), "isolated"));
    assertThat(element.mean()).isCloseTo(16.1, within(0.05));
    assertThat(sd(element)).isCloseTo(0.8, within(0.05));
  }

  @Test
  void a_floating_wire_is_known_to_float_and_a_fed_one_not() {
    List<Change> open = List.of(Change.open("limit"), Change.open("element"));
    assertThat(
            EXPECTED.line(open, Probe.between(MeterFunction.VOLTS_AC, "B", "N", "call")).floating())
        .isGreaterThan(0.5);
    assertThat(
            EXPECTED
                .line(List.of(), Probe.between(MeterFunction.VOLTS_AC, "B", "N", "call"))
                .floating())
        .isLessThan(0.001);
  }

  @Test
  void a_fault_of_uncertain_severity_spreads_its_reading() {
    Probe limit = Probe.across(MeterFunction.VOLTS_AC, HEATER.part("limit"), "call");
    LinearPrediction sharp = EXPECTED.line(List.of(Change.dropping("limit", 2)), limit);
    LinearPrediction spread =
        EXPECTED.line(List.of(Change.dropping("limit", 2).spread(0.23)), limit);
    assertThat(spread.mean()).isCloseTo(sharp.mean(), within(0.05 * sharp.mean()));
    assertThat(sd(spread)).isGreaterThan(2 * sd(sharp));
  }

  /** A unit on a soft supply, solved as it is, is the judge of both kinds of lines. */
  @Test
  void lines_about_a_soft_supply_are_truer_of_one() {
    Sheet twelveVolts = Sheets.shipped("heater-instant-12v");
    ParameterSample soft = name -> name.equals(Network.SOURCE_OHMS) ? 1.8 : 0;
    UnitModel unit = new UnitModel(twelveVolts, soft);
    MeasurementModel usual = new MeasurementModel(new UnitModel(twelveVolts), List.of());
    MeasurementModel about =
        new MeasurementModel(twelveVolts, name -> soft.deviate(name) * 2 / 1.8, List.of());
    Probe busy =
        Probe.across(MeterFunction.VOLTS_DC, twelveVolts.part("bank-valve-2"), "heat-call");
    Probe calm = Probe.across(MeterFunction.VOLTS_DC, twelveVolts.part("main-valve"), "low-fire");
    assertThat(calmGivenBusy(about, unit, busy, calm)).isLessThan(0.02);
    assertThat(calmGivenBusy(usual, unit, busy, calm)).isGreaterThan(0.05);
  }

  /** How far the one reading is from what it should be beside the other (V). */
  private static double calmGivenBusy(
      MeasurementModel lines, UnitModel unit, Probe busy, Probe calm) {
    LinearPrediction of = lines.line(List.of(), busy);
    LinearPrediction other = lines.line(List.of(), calm);
    int source = Network.parameters(unit.sheet()).indexOf(Network.SOURCE_OHMS);
    double deviates =
        (Meter.GENERAL.read(unit.in("heat-call"), busy) - of.mean()) / of.slopes().at(source);
    double shown = Meter.GENERAL.read(unit.in("low-fire"), calm);
    return Math.abs(other.mean() + other.slopes().at(source) * deviates - shown);
  }

  @Test
  void a_parameter_itself_is_known_to_one_standard_deviation() {
    LinearPrediction source = EXPECTED.parameter(Network.SOURCE_OHMS);
    assertThat(source.mean()).isZero();
    assertThat(sd(source)).isEqualTo(1);
  }

  /**
   * A phasor about zero: its length is Rayleigh distributed, mean sqrt(pi / 2) of the deviation and
   * variance 2 - pi / 2 (from memory), and no line in the parameters explains any of it.
   */
  @Test
  void the_magnitude_of_a_phasor_about_zero_is_rayleigh_distributed() {
    double[] slopes = {3, 0, 0, 3};
    LinearPrediction line = Magnitude.line(new Prediction(Complex.ZERO, slopes, 0));
    assertThat(line.mean()).isCloseTo(3 * Math.sqrt(Math.PI / 2), within(0.05));
    assertThat(line.residualVariance()).isCloseTo(9 * (2 - Math.PI / 2), within(0.4));
    assertThat(line.slopes().at(0)).isCloseTo(0, within(1e-9));
  }

  @Test
  void far_from_zero_only_what_lies_along_the_phasor_counts() {
    double[] slopes = {0, 2, 5, 0};
    LinearPrediction line = Magnitude.line(new Prediction(new Complex(0, 240), slopes, 0));
    assertThat(line.slopes().at(0)).isCloseTo(2, within(1e-9));
    assertThat(line.slopes().at(1)).isCloseTo(0, within(1e-9));
    assertThat(line.mean()).isCloseTo(240 + 25.0 / 480, within(1e-9));
  }

  /** Drawn units, each solved anew, as the judge of lines that were never drawn. */
  @Test
  void lines_agree_with_drawn_units_where_a_phasor_passes_near_zero() {
    Probe midpoint = Probe.between(MeterFunction.VOLTS_AC, "B", "N", "idle");
    List<Change> floating = List.of(Change.open("limit"), Change.open("element"));
    LinearPrediction line = EXPECTED.line(floating, midpoint);
    Random random = new Random(11);
    double sum = 0;
    double squares = 0;
    int units = 600;
    for (int i = 0; i < units; i++) {
      Map<String, Double> drawn = new HashMap<>();
      Network unit =
          Network.of(
              HEATER,
              HEATER.situation("idle"),
              name -> drawn.computeIfAbsent(name, n -> random.nextGaussian()));
      double volts = Meter.GENERAL.read(unit.solve(floating), midpoint);
      sum += volts;
      squares += volts * volts;
    }
    double mean = sum / units;
    assertThat(line.mean()).isCloseTo(mean, within(0.1 * mean));
    assertThat(sd(line))
        .isCloseTo(Math.sqrt(squares / units - mean * mean), within(0.25 * sd(line)));
  }
}
