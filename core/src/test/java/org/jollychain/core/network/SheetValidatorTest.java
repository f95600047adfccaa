package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import org.jollychain.core.Sheets;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.TextProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What only the solved circuit can find wrong with a sheet. */
class SheetValidatorTest {

  private static List<TextProblem> problems(String right, String wrong) {
    assertThat(Sheets.HEATER).contains(right);
    return catchThrowableOfType(
            InvalidTextException.class,
            () -> SheetValidator.read(Sheets.HEATER.replace(right, wrong)))
        .problems();
  }

  /** One fault each, with the line it stands in and words of what would be right. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      watts: 3600, at-volts: 240 | ohms: 0.02 | 24 | this load shorts the supply
      between: [A, F]} | between: [A, N]} | 28 | the supply is shorted here
      runs: [fan], not-running: [element] | runs: [element], not-running: [element] | 35 | no single open or stuck part makes this true
      runs: [fan], not-running: [element] | runs: [fan] | 35 | the sound unit does this too
      """)
  void says_where_the_circuit_cannot_do_what_the_sheet_says(
      String right, String wrong, int line, String words) {
    assertThat(problems(right, wrong))
        .anySatisfy(
            p -> {
              assertThat(p.message()).contains(words);
              assertThat(p.line()).isEqualTo(line);
            });
  }

  @Test
  void a_loop_that_nothing_closes_can_give_no_command() {
    String text =
        Sheets.text("/sheets/autoclave-115.yaml").replaceFirst("\\[\\[Q1, Q2]]", "[[Q1, S1]]");
    assertThat(catchThrowableOfType(InvalidTextException.class, () -> SheetValidator.read(text)))
        .hasMessageContaining("nothing closes this loop in \"heat-call\"")
        .hasMessageContaining("commands.heat-on.needs.0");
  }

  @Test
  void a_short_names_the_parts_it_goes_through() {
    assertThat(problems("between: [A, F]}", "between: [A, N]}").get(0).message())
        .contains("switch", "fan-wire");
  }
}
