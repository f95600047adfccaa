package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

class EnsembleTest {

  private static final Sheet HEATER = Sheets.heater();
  private static final Ensemble ENSEMBLE = new Ensemble(HEATER, Meter.GENERAL);

  private static double sd(Line line) {
    return Math.sqrt(Arrays.stream(line.slopes()).map(s -> s * s).sum() + line.residualVariance());
  }

  /** By hand: 5 % is two standard deviations, so 240 V is known to 6 V. */
  @Test
  void the_spread_of_the_supply_is_what_the_sheet_says() {
    Line supply =
        ENSEMBLE.line(List.of(), Probe.between(MeterFunction.VOLTS_AC, "L1", "L2", "idle"));
    assertThat(supply.mean()).isCloseTo(240.0, within(0.5));
    assertThat(sd(supply)).isCloseTo(6.0, within(0.3));
  }

  /** By hand: 10 % of tolerance is two standard deviations, so 16 ohm is known to 0.8 ohm. */
  @Test
  void the_spread_of_an_element_is_its_tolerance() {
    Line element =
        ENSEMBLE.line(
            List.of(), Probe.across(MeterFunction.OHMS, HEATER.part("element"), "isolated"));
    assertThat(element.mean()).isCloseTo(16.1, within(0.05));
    assertThat(sd(element)).isCloseTo(0.8, within(0.05));
  }

  @Test
  void a_floating_wire_is_known_to_float_and_a_fed_one_not() {
    List<Change> open = List.of(Change.open("limit"), Change.open("element"));
    assertThat(
            ENSEMBLE.line(open, Probe.between(MeterFunction.VOLTS_AC, "B", "N", "call")).floating())
        .isGreaterThan(0.5);
    assertThat(
            ENSEMBLE
                .line(List.of(), Probe.between(MeterFunction.VOLTS_AC, "B", "N", "call"))
                .floating())
        .isLessThan(0.001);
  }

  @Test
  void a_fault_of_uncertain_severity_spreads_its_reading() {
    Probe limit = Probe.across(MeterFunction.VOLTS_AC, HEATER.part("limit"), "call");
    Line sharp = ENSEMBLE.line(List.of(Change.dropping("limit", 2)), limit);
    Line spread = ENSEMBLE.line(List.of(Change.dropping("limit", 2).spread(0.23)), limit);
    assertThat(spread.mean()).isCloseTo(sharp.mean(), within(0.05 * sharp.mean()));
    assertThat(sd(spread)).isGreaterThan(2 * sd(sharp));
  }

  @Test
  void the_same_sheet_always_gives_the_same_ensemble() {
    Probe probe = Probe.between(MeterFunction.VOLTS_AC, "A", "L2", "call");
    Line again = new Ensemble(Sheets.heater(), Meter.GENERAL).line(List.of(), probe);
    assertThat(again.slopes()).containsExactly(ENSEMBLE.line(List.of(), probe).slopes());
  }
}
