package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class SupplyPictureTest {

  private static List<SupplyPicture> of(String key, List<? extends Evidence> evidence) {
    return SupplyPicture.of(new Diagnosis(Sheets.shipped(key)).unit(), evidence, false);
  }

  private static SupplyPicture.Field first(String key) {
    return of(key, List.of()).get(0).fields().get(0);
  }

  /** ANSI C84.1 service range A (114-126 / 228-252 V); IEC 60038 (207-253 V). */
  @ParameterizedTest
  @CsvSource({
    "dryer-timer-240, OUTLET, 228, 252",
    "heat-kit-240, TERMINAL_BLOCK, 228, 252",
    "dryer-gas-120, OUTLET, 114, 126",
    "dryer-condenser-230, OUTLET, 207, 253"
  })
  void the_bands_are_those_of_the_standards(
      String key, SupplyPicture.Place place, double low, double high) {
    assertThat(of(key, List.of()).get(0).place()).isEqualTo(place);
    assertThat(first(key).low()).isCloseTo(low, within(0.01));
    assertThat(first(key).high()).isCloseTo(high, within(0.01));
  }

  @Test
  void a_pile_and_a_transformer_have_their_own_faces_and_ranges() {
    assertThat(of("millivolt-heater", List.of()).get(0).place())
        .isEqualTo(SupplyPicture.Place.PILE);
    assertThat(of("millivolt-heater", List.of()).get(0).range()).isEqualTo("2 V");
    assertThat(of("furnace-24v", List.of()).get(0).place())
        .isEqualTo(SupplyPicture.Place.TRANSFORMER);
    assertThat(of("dryer-timer-240", List.of()).get(0).range()).contains("240 V is above 200");
  }

  @Test
  void the_outlet_comes_before_the_block_behind_the_cord() {
    assertThat(of("range-240", List.of()))
        .extracting(SupplyPicture::place)
        .containsExactly(SupplyPicture.Place.OUTLET, SupplyPicture.Place.TERMINAL_BLOCK);
    // and beyond the terminals of what stores charge nothing is measured live
    assertThat(of("microwave-120", List.of())).hasSize(1);
  }

  @Test
  void what_was_read_stands_in_its_field_and_the_next_is_the_first_that_is_empty() {
    Readings read = new Readings(Sheets.shipped("dryer-timer-240"));
    SupplyPicture picture =
        of("dryer-timer-240", List.of(read.live("PL1-PL2 238.4"), read.live("PL2-PN 3.1"))).get(0);
    assertThat(picture.fields().get(0).shown()).isEqualTo("238 V");
    assertThat(picture.fields().get(0).fits()).isTrue();
    assertThat(picture.fields().get(1).next()).isTrue();
    assertThat(picture.fields().get(2).fits()).isFalse();
    assertThat(picture.fields().get(3).next()).isFalse();
  }

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Sheets#shipped")
  void every_sheet_has_a_place_where_its_supply_is_measured(String key) {
    for (SupplyPicture picture : of(key, List.of())) {
      assertThat(picture.fields()).isNotEmpty();
      assertThat(picture.fields()).filteredOn(SupplyPicture.Field::next).hasSize(1);
      assertThat(picture.fields().get(0).expected()).isPositive();
    }
  }
}
