package org.jollychain.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Ohms as they are typed on the job (common practice, no source). */
class OhmsTypedTest {

  @ParameterizedTest
  @CsvSource({
    "12.8, 12.8",
    "'12,8', 12.8",
    ".2, 0.2",
    "12.8 Ohms, 12.8",
    "12.8 OHM, 12.8",
    "12.8Ω, 12.8",
    "4 R, 4",
    "11.8k, 11800",
    "11.8 K, 11800",
    "11.8 kΩ, 11800",
    "2 kilohms, 2000",
    "8 M, 8e6",
    "8 Mohm, 8e6",
    "8 MΩ, 8e6",
    "8 meg, 8e6",
    "0.5 Megohm, 5e5"
  })
  void a_figure_is_what_is_meant(String typed, double ohms) {
    assertThat(OhmsTyped.parse(typed)).isEqualTo(ohms);
  }

  @ParameterizedTest
  @ValueSource(strings = {"8 mohm", "8 m", "8mΩ"})
  void a_factor_of_a_billion_is_asked_about(String typed) {
    assertThatThrownBy(() -> OhmsTyped.parse(typed))
        .hasMessageContaining("millions or thousandths")
        .hasMessageContaining("type 8 M");
  }

  @ParameterizedTest
  @ValueSource(strings = {"8 volts", "", "twelve", "1.2.3"})
  void what_is_none_is_refused(String typed) {
    assertThatThrownBy(() -> OhmsTyped.parse(typed)).isInstanceOf(IllegalArgumentException.class);
  }

  @ParameterizedTest
  @ValueSource(strings = {"OL", "0L", "0.L", "o.l.", "Open", "infinity", "INF"})
  void or_beyond_the_range(String typed) {
    assertThat(OhmsTyped.beyondRange(typed)).isTrue();
  }
}
