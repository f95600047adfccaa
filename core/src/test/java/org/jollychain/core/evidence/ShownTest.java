package org.jollychain.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.jollychain.core.network.MeterFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ShownTest {

  @ParameterizedTest
  @CsvSource({
    "119.8, VOLTS_AC, 119.8, 0.1",
    "119.8 V, VOLTS_AC, 119.8, 0.1",
    "158mV, VOLTS_DC, 0.158, 0.001",
    "11.8k, OHMS, 11800, 100",
    ".02, VOLTS_AC, 0.02, 0.01",
    "238, VOLTS_AC, 238, 1",
    "1.2M, OHMS, 1.2e6, 1e5",
    "72 F, CELSIUS, 22.2222, 0.5556",
    "'0,12', OHMS, 0.12, 0.01",
    "-4.1 mV, VOLTS_DC, -0.0041, 0.0001",
    "18.7 a, AMPS_AC, 18.7, 0.1",
    "12.8Ω, OHMS, 12.8, 0.1",
    "240 vac, VOLTS_AC, 240, 1"
  })
  void reads_what_people_type_and_how_finely(
      String typed, MeterFunction function, double value, double resolution) {
    Shown.Figure figure = (Shown.Figure) Shown.parse(typed, function);
    assertThat(figure.value()).isCloseTo(value, within(1e-4 * Math.abs(value)));
    assertThat(figure.resolution()).isCloseTo(resolution, within(1e-3 * resolution));
  }

  @ParameterizedTest
  @ValueSource(strings = {"OL", "ol", "0L", "O.L", " OL "})
  void reads_over_limit_however_it_is_spelt(String typed) {
    assertThat(Shown.parse(typed, MeterFunction.OHMS)).isEqualTo(new Shown.OverLimit());
  }

  @Test
  void reads_the_buzzer_only_on_continuity() {
    assertThat(Shown.parse("no beep", MeterFunction.CONTINUITY)).isEqualTo(new Shown.Buzzer(false));
    assertThatThrownBy(() -> Shown.parse("beep", MeterFunction.VOLTS_AC))
        .hasMessageContaining("goes with continuity");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      twelve  | VOLTS_AC | is no reading
      1.2.3   | VOLTS_AC | is no reading
      12 k    | VOLTS_AC | not in a unit of AC volts
      12 V    | OHMS     | not in a unit of ohms
      -3      | OHMS     | negative
      -120    | VOLTS_AC | negative
      1000000000 | VOLTS_AC | beyond what a meter shows
      1e9     | VOLTS_AC | is no reading
      NaN     | OHMS     | is no reading
      ''      | OHMS     | nothing was typed
      0000000000000000 | OHMS | more digits
      """)
  void refuses_with_a_reason_what_cannot_be_meant(
      String typed, MeterFunction function, String words) {
    assertThatThrownBy(() -> Shown.parse(typed, function))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(words);
  }
}
