package org.jollychain.core.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.jollychain.core.Sheets;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.ThermalRating;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What plates and papers say, and the trade's bands; common practice, no source. */
class UnitFactsTest {

  private static final Sheet GAS = Sheets.shipped("dryer-gas-120");
  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Sheet BOARD = Sheets.shipped("dryer-board-240");

  private static double cold(Sheet sheet, String part, String said) {
    Part own = UnitFacts.NONE.and(sheet, part, said).on(sheet).part(part);
    return own.load().map(LoadRating::coldOhms).orElseThrow();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "igniter; 180 ohm; 180",
        "igniter; 40 to 400 ohm; 220",
        "igniter; 40-400; 220",
        "igniter; 180 ohm 10 %; 180",
        "igniter; 180 ohm +-10%; 180",
        "timer-motor; 2.4k; 2400",
        "timer-motor; 2 to 3 k; 2500",
        "secondary-coil; 1,25 kohm; 1250"
      })
  void ohms_are_read_as_they_are_typed(String part, String said, double ohms) {
    assertThat(cold(GAS, part, said)).isCloseTo(ohms, within(0.5));
  }

  /** Arithmetic: R is V squared over P, and V over I. */
  @Test
  void watts_and_amperes_are_ohms_at_their_volts() {
    assertThat(cold(DRYER, "element", "4500 W 240 V")).isCloseTo(240 * 240 / 4500.0, within(0.01));
    assertThat(cold(DRYER, "element", "5.4 kW, 230 V")).isCloseTo(230 * 230 / 5400.0, within(0.01));
    assertThat(cold(DRYER, "element", "22 A 240 V")).isCloseTo(240 / 22.0, within(0.01));
  }

  /** Two points of an NTC give its beta: ln(R1/R2) / (1/T1 - 1/T2). */
  @Test
  void two_points_of_a_table_are_a_curve() {
    Part sensor =
        UnitFacts.NONE
            .and(BOARD, "thermistor", "10k at 25C, 5.3k at 104F")
            .on(BOARD)
            .part("thermistor");
    assertThat(sensor.curve().orElseThrow().ohmsAt(25)).isCloseTo(10_000, within(1.0));
    assertThat(sensor.curve().orElseThrow().ohmsAt(40)).isCloseTo(5_300, within(5.0));
    assertThat(sensor.curve().orElseThrow().ohmsAt(0)).isBetween(28_000.0, 34_000.0);
  }

  @Test
  void a_disc_acts_by_its_marking() {
    ThermalRating acts =
        UnitFacts.NONE
            .and(BOARD, "high-limit", "L290-40F manual")
            .on(BOARD)
            .part("high-limit")
            .thermal()
            .orElseThrow();
    assertThat(acts.actsAtCelsius()).isCloseTo(143.3, within(0.1));
    assertThat(acts.reset()).isEqualTo(ThermalRating.Reset.MANUAL);
  }

  @Test
  void what_cannot_be_read_says_nothing_and_is_kept() {
    UnitFacts facts = UnitFacts.NONE.and(GAS, "igniter", "not readable");
    assertThat(facts.looked("igniter")).isTrue();
    assertThat(facts.tells("igniter")).isFalse();
    assertThat(facts.on(GAS).part("igniter")).isEqualTo(GAS.part("igniter"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "element; 4500 W; watts without volts",
        "element; 30 to 8 ohm; type the lower one first",
        "element; blue; says nothing of the element",
        "element; 900 meg; no load has"
      })
  void what_such_a_part_does_not_bear_is_refused(String part, String said, String why) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> UnitFacts.NONE.and(DRYER, part, said))
        .withMessageContaining(why);
  }

  @Test
  void a_table_that_rises_and_falls_is_refused() {
    assertThatIllegalArgumentException()
        .isThrownBy(
            () -> UnitFacts.NONE.and(BOARD, "thermistor", "10k at 25C, 5k at 40C, 8k at 60C"))
        .withMessageContaining("rises and falls");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> UnitFacts.NONE.and(BOARD, "thermistor", "10k at 25C, 5k at 9000C"))
        .withMessageContaining("beyond any sensor");
  }

  /** Arithmetic: 9 kW at 240 V draw 37.5 A. */
  @Test
  void what_its_fuse_does_not_hold_is_odd() {
    Sheet kit = Sheets.shipped("heat-kit-240");
    UnitFacts facts =
        UnitFacts.NONE
            .and(kit, "breaker-a1", "10 A")
            .and(kit, "control-fuse", "3 A")
            .and(kit, "strip-1", "9 kW 240 V");
    assertThat(facts.odd(kit))
        .singleElement()
        .asString()
        .contains("37.5 A", "breaker A pole 1", "10 A");
    assertThat(UnitFacts.NONE.and(kit, "strip-1", "4 kW 240 V").odd(kit)).isEmpty();
  }

  @Test
  void igniters_have_the_band_of_their_kind() {
    TradeBand carbide = TradeBand.of(GAS.part("igniter")).orElseThrow();
    assertThat(carbide.holds(41)).isTrue();
    assertThat(carbide.holds(395)).isTrue();
    assertThat(carbide.holds(15)).isFalse();
    assertThat(carbide.allows(900)).isFalse();
  }

  /** Sheets of the same family were made for 3.8, 4.5 and 5.5 kW. */
  @Test
  void elements_have_the_watts_of_their_family() {
    TradeBand band =
        TradeBand.of(Sheets.shipped("water-heater-240").part("upper-element")).orElseThrow();
    for (double watts : new double[] {3800, 4500, 5500}) {
      assertThat(band.holds(240 * 240 / watts)).as("%.0f W", watts).isTrue();
    }
    assertThat(band.allows(0.6)).isFalse();
    assertThat(band.allows(140)).isFalse();
  }

  @Test
  void contacts_sources_and_sensors_have_none() {
    assertThat(TradeBand.of(BOARD.part("high-limit"))).isEmpty();
    assertThat(TradeBand.of(BOARD.part("thermistor"))).isEmpty();
  }
}
