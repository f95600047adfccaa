package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import org.jollychain.core.Sheets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What customers say on the phone, common practice, no source; each is one complaint's words. */
class CustomerWordsTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          dryer-timer-240 | spins but no heat | no-heat
          dryer-timer-240 | drum turns, clothes stay cold | no-heat
          dryer-timer-240 | not heating | no-heat
          dryer-timer-240 | it takes forever to dry | slow
          dryer-timer-240 | have to run it two cycles | slow
          dryer-timer-240 | won't turn | dead
          dryer-timer-240 | it just hums | hums
          dryer-timer-240 | heats sometimes | comes-and-goes
          dryer-timer-240 | pops the breaker | trips
          dryer-timer-240 | never shuts off on automatic | no-end
          dryer-timer-240 | starts by itself | restarts
          range-240 | oven won't bake | no-bake
          range-240 | broiler doesn't work | no-broil
          range-240 | the burner stays cold | no-surface
          range-240 | display is blank | dead
          range-240 | door is locked | stays-locked
          range-240 | oven is off by 30 degrees | off-by
          range-coil-240 | front coil not heating | no-front
          range-coil-240 | rear burner cold | no-rear
          range-coil-240 | nothing works | dead
          water-heater-240 | no hot water | no-hot
          water-heater-240 | runs out of hot water quickly | little-hot
          water-heater-240 | water is scalding | too-hot
          water-heater-240 | relief valve drips | relief
          furnace-24v | no flame but inducer runs | no-heat
          furnace-24v | blower runs all the time | blower-on
          furnace-24v | lights then goes out | goes-out
          furnace-24v | igniter does not glow | no-glow
          microwave-120 | runs but food stays cold | no-heat
          microwave-120 | completely dead | dead
          dishwasher-120 | dishes are wet, water hot | not-dry
          dishwasher-120 | won't drain | no-drain
          dishwasher-120 | water stays cold | no-heat
          millivolt-heater | pilot won't stay lit | pilot-out
          autoclave-115 | does not get hot | no-heat
          autoclave-115 | loads come out damp | wet-load
          heat-kit-240 | blows cold air | no-heat
          dryer-gas-120 | glows, goes dark and glows again | no-flame
          dryer-gas-120 | no glow | no-glow
          dryer-condenser-230 | says tank full but it is empty | tank-full
          """)
  void the_words_are_read_as_the_complaint(String sheet, String words, String complaint) {
    assertThat(CustomerWords.matches(Sheets.shipped(sheet), words))
        .isNotEmpty()
        .first()
        .extracting(CustomerWords.Match::complaint)
        .isEqualTo(complaint);
  }

  @Test
  void a_complaint_in_its_own_words_is_itself() {
    for (String key : Sheets.shipped()) {
      Sheet sheet = Sheets.shipped(key);
      for (Complaint c : sheet.complaints().values()) {
        assertThat(CustomerWords.matches(sheet, c.title()).get(0).complaint())
            .as("%s, %s", key, c.title())
            .isEqualTo(c.id());
      }
    }
  }

  @Test
  void words_that_say_nothing_of_the_unit_are_read_as_nothing() {
    Sheet dryer = Sheets.shipped("dryer-timer-240");
    assertThat(CustomerWords.matches(dryer, "")).isEmpty();
    assertThat(CustomerWords.matches(dryer, "please call before you come")).isEmpty();
    assertThat(CustomerWords.matches(dryer, "\u00e9\u4e2d ... !!! ''")).isEmpty();
  }

  @Test
  void what_is_denied_is_the_contrary() {
    assertThat(CustomerWords.meanings("Spins but doesn't heat"))
        .isEqualTo(CustomerWords.meanings("turns, no heat"))
        .containsExactlyInAnyOrder("turn", "!heat");
    assertThat(CustomerWords.meanings("does not stay cold")).contains("heat");
  }
}
