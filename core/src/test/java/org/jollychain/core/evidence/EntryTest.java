package org.jollychain.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EntryTest {

  private final Readings readings = new Readings(Sheets.dryer());

  @Test
  void points_may_be_typed_in_front_of_the_value_in_any_case() {
    Reading reading = readings.live("c1-l2 237.5");
    assertThat(reading.probe().red()).isEqualTo("C1");
    assertThat(reading.probe().black()).isEqualTo("L2");
    assertThat(reading.shown()).isEqualTo(new Shown.Figure(237.5, 0.1));
  }

  @Test
  void two_points_that_bracket_one_part_are_a_reading_across_it() {
    assertThat(readings.live("C1-C2 0.1").probe().part()).contains("high-limit");
    assertThat(readings.live("L1-L2 238").probe().part()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      volts-ac | high-limt | heat-call | 0.1      | across    | did you mean "high-limit"?
      volts-ac | high-limit | heatcall | 0.1      | situation | did you mean "heat-call"?
      watts    | high-limit | heat-call | 0.1     | function  | is no meter function
      volts-ac | high-limit | heat-call | X1-L2 3 | value     | are not two points of this sheet
      volts-ac | high-limit | heat-call | C1-C1 3 | black     | both probes are at C1
      volts-ac | high-limit | heat-call | bad     | value     | is no reading
      """)
  void says_which_field_is_wrong_and_what_would_be_right(
      String function, String part, String situation, String value, String field, String words) {
    assertThatThrownBy(
            () -> readings.entry(function, Optional.of(part), situation, List.of(), value))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining(words)
        .extracting(e -> ((EvidenceException) e).field())
        .isEqualTo(field);
  }

  @Test
  void says_where_the_probes_should_be_given() {
    assertThatThrownBy(() -> readings.live("238"))
        .hasMessageContaining("\"across\" a part, or \"red\" and \"black\"");
  }
}
