package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;

import org.jollychain.core.Sheets;
import org.jollychain.core.network.MeasurementCategory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeterFitTest {

  /**
   * IEC 61010-1: category II at an outlet, III at the fixed installation; the voltage is to earth.
   */
  @ParameterizedTest
  @CsvSource({
    "dryer-timer-240, CAT II 150 V",
    "autoclave-230, CAT II 300 V",
    "water-heater-240, CAT III 150 V",
    "heat-kit-240, CAT III 150 V",
    "furnace-24v, ''",
    "millivolt-heater, ''"
  })
  void what_a_place_asks_for(String sheet, String category) {
    assertThat(MeasurementCategory.neededAt(Sheets.shipped(sheet))).hasToString(category);
  }

  @ParameterizedTest
  @CsvSource({
    "water-heater-240, CAT III 600 V, yes",
    "water-heater-240, CAT II 1000 V, no",
    "autoclave-230, CAT III 150 V, no",
    "autoclave-230, cat ii 300 v, yes",
    "autoclave-230, '', unsaid",
    "autoclave-230, CAT X, unsaid",
    "millivolt-heater, '', yes"
  })
  void a_meter_fits_by_category_and_by_volts(String sheet, String marking, String fits) {
    assertThat(MeterFit.of(Sheets.shipped(sheet), "m", "Meter", marking).fits()).hasToString(fits);
  }

  @Test
  void one_that_does_not_fit_is_said_to_be_for_no_live_work() {
    assertThat(MeterFit.of(Sheets.shipped("range-240"), "m", "Meter", "CAT II 100 V").why())
        .contains("Not for live work");
  }
}
