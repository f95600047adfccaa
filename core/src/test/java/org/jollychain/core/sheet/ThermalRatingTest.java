package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.jollychain.core.quantity.Dimension;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ThermalRatingTest {

  /** Common practice, no source. */
  @ParameterizedTest
  @CsvSource({
    "L150-45F, OPENS, 150, 105",
    "L145-40, OPENS, 145, 105",
    "L160-50, OPENS, 160, 110",
    "L240-20, OPENS, 240, 220",
    "L165-65, OPENS, 165, 100",
    "L220-40, OPENS, 220, 180",
    "L250-40, OPENS, 250, 210",
    "F110-20, CLOSES, 110, 90",
    "L80-50, OPENS, 80, 30"
  })
  void reads_the_marking_of_a_disc(
      String marking, ThermalRating.Acts acts, double atFahrenheit, double backFahrenheit) {
    ThermalRating rating = ThermalRating.ofMarking(marking, ThermalRating.Reset.AUTO);
    assertThat(rating.acts()).isEqualTo(acts);
    assertThat(rating.actsAtCelsius())
        .isCloseTo(Dimension.CELSIUS.parse(atFahrenheit + " F"), within(1e-9));
    assertThat(rating.returnsAtCelsius().orElseThrow())
        .isCloseTo(Dimension.CELSIUS.parse(backFahrenheit + " F"), within(1e-9));
  }

  @Test
  void refuses_a_disc_that_could_never_close_again() {
    assertThatThrownBy(() -> ThermalRating.ofMarking("L40-150", ThermalRating.Reset.AUTO))
        .hasMessageContaining("L150-40");
  }

  @Test
  void leaves_the_state_open_between_its_two_temperatures() {
    ThermalRating limit = ThermalRating.ofMarking("L200-40F", ThermalRating.Reset.AUTO);
    assertThat(limit.stateAt(70)).isEqualTo(ContactState.CLOSED);
    assertThat(limit.stateAt(80)).isEqualTo(ContactState.EITHER);
    assertThat(limit.stateAt(94)).isEqualTo(ContactState.OPEN);
  }
}
