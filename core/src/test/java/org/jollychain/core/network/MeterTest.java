package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
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

  @Test
  void a_clamp_reads_the_current_of_the_load_it_feeds() {
    Solution call = Network.of(HEATER, HEATER.situation("call"), Draw.NOMINAL).solve(List.of());
    Probe clamp = Probe.across(MeterFunction.AMPS_AC, HEATER.part("element"), "call");
    assertThat(Meter.GENERAL.read(call, clamp)).isCloseTo(240 / (16 * 1.03 + 0.15), within(0.1));
  }

  @Test
  void a_lifted_wire_takes_the_rest_of_the_circuit_out_of_the_reading() {
    Probe inCircuit = Probe.across(MeterFunction.OHMS, HEATER.part("fan"), "isolated");
    Probe lifted =
        new Probe(MeterFunction.OHMS, "F", "N", Optional.of("fan"), "isolated", Set.of("F"));
    assertThat(lifted.lifts(HEATER)).containsExactly(Change.open("fan-wire"));
    assertThat(inCircuit.lifts(HEATER)).isEmpty();
  }

  @Test
  void switching_a_source_off_on_one_leg_halves_what_is_left() {
    Network idle = Network.of(HEATER, HEATER.situation("idle"), Draw.NOMINAL);
    Probe legs = Probe.between(MeterFunction.VOLTS_AC, "L1", "L2", "idle");
    Solution half =
        idle.solve(
            List.of(Change.scaled("supply:line1", 1), Change.source("supply:line1", Complex.ZERO)));
    assertThat(Meter.GENERAL.read(half, legs)).isCloseTo(120.0, within(0.1));
  }
}
