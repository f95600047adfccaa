package org.jollychain.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DimensionTest {

  @ParameterizedTest
  @CsvSource({
    "CELSIUS, 250 F, 121.1111",
    "CELSIUS, 121 C, 121",
    "CELSIUS, -40F, -40",
    "OHMS, 11.8 k, 11800",
    "OHMS, 12.8, 12.8",
    "FARADS, 60 pF, 60e-12",
    "SHARE, 5 %, 0.05",
    "VOLTS, 158mV, 0.158",
    "WATTS, 4.5 kW, 4500"
  })
  void reads_a_quantity_in_the_unit_it_is_written_in(Dimension dimension, String text, double si) {
    assertThat(dimension.parse(text)).isCloseTo(si, within(Math.abs(si) * 1e-6));
  }

  @Test
  void says_what_would_be_right_when_the_unit_is_foreign() {
    assertThatThrownBy(() -> Dimension.OHMS.parse("12 V"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("unit \"V\"")
        .hasMessageContaining("11.8 k");
  }

  @ParameterizedTest
  @CsvSource({
    "OHMS, 0.0128, 12.8 mΩ",
    "OHMS, 11800, 11.8 kΩ",
    "VOLTS, 237.84, 237.8 V",
    "WATTS, 5200, 5200 W",
    "AMPERES, 0, 0 A",
    "SHARE, 0.7511, 75.1 %"
  })
  void prints_a_value_as_a_meter_would(Dimension dimension, double si, String text) {
    assertThat(dimension.format(si)).isEqualTo(text);
  }
}
