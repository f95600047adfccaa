package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeterTest {

  private static final Sheet HEATER = Sheets.heater();

  /** Arithmetic of a 6000-count display. */
  @ParameterizedTest
  @CsvSource({
    "0.4, 0.001",
    "5.9, 0.001",
    "6.1, 0.01",
    "59, 0.01",
    "120, 0.1",
    "238, 0.1",
    "610, 1"
  })
  void the_last_digit_goes_up_a_decade_where_the_display_is_full(double volts, double digit) {
    assertThat(Meter.GENERAL.accuracy(MeterFunction.VOLTS_AC).resolutionAt(volts))
        .isCloseTo(digit, within(1e-12));
  }

  /** Arithmetic of displays of 6000, 2000 and 50 000 counts. */
  @ParameterizedTest
  @CsvSource({
    "field, volts-ac, 238.137, 238.1 V",
    "field, volts-ac, 0.1849, 0.185 V",
    "field, volts-ac, 0.00001, 0.000 V",
    "field, volts-dc, 0.3271, 327.1 mV",
    "field, volts-dc, -0.0004, -0.4 mV",
    "field, ohms, 0.117, 0.1 Ω",
    "field, ohms, 11820, 11.82 kΩ",
    "field, ohms, 2.5e6, 2.500 MΩ",
    "field, ohms, 1e9, OL",
    "field, amps-ac, 19.137, 19.14 A",
    "pocket, ohms, 3e6, OL",
    "pocket, volts-ac, 238.137, 238 V",
    "bench, volts-ac, 238.137, 238.14 V",
    "field, continuity, 12, beep",
    "field, continuity, 800, no beep"
  })
  void a_display_rounds_in_its_range_and_gives_up_beyond_it(
      String meter, String function, double value, String shown) {
    MeterFunction on = Kebab.read(MeterFunction.class, function).orElseThrow();
    assertThat(Meters.USUAL.byId(meter).orElseThrow().display(on, value)).isEqualTo(shown);
  }

  @Test
  void direct_current_functions_see_nothing_of_an_alternating_circuit() {
    Solution call =
        Network.of(HEATER, HEATER.situation("call"), ParameterSample.NOMINAL).solve(List.of());
    Probe dc = Probe.between(MeterFunction.VOLTS_DC, "L1", "L2", "call");
    assertThat(Meter.GENERAL.read(call, dc)).isZero();
  }

  @Test
  void a_clamp_reads_the_current_of_the_load_it_feeds() {
    Solution call =
        Network.of(HEATER, HEATER.situation("call"), ParameterSample.NOMINAL).solve(List.of());
    Probe clamp = Probe.across(MeterFunction.AMPS_AC, HEATER.part("element"), "call");
    assertThat(Meter.GENERAL.read(call, clamp)).isCloseTo(240 / (16 * 1.03 + 0.15), within(0.1));
  }

  @Test
  void a_lifted_wire_takes_the_rest_of_the_circuit_out_of_the_reading() {
    Probe inCircuit = Probe.across(MeterFunction.OHMS, HEATER.part("fan"), "isolated");
    Probe lifted =
        Probe.across(MeterFunction.OHMS, HEATER.part("fan"), "isolated").lifted(Set.of("F"));
    assertThat(lifted.conditions(HEATER, List.of())).containsExactly(Change.open("fan-wire"));
    assertThat(inCircuit.conditions(HEATER, List.of())).isEmpty();
  }

  @Test
  void switching_a_source_off_on_one_leg_halves_what_is_left() {
    Network idle = Network.of(HEATER, HEATER.situation("idle"), ParameterSample.NOMINAL);
    Probe legs = Probe.between(MeterFunction.VOLTS_AC, "L1", "L2", "idle");
    Solution half =
        idle.solve(
            List.of(Change.scaled("supply:line1", 1), Change.source("supply:line1", Complex.ZERO)));
    assertThat(Meter.GENERAL.read(half, legs)).isCloseTo(120.0, within(0.1));
  }
}
