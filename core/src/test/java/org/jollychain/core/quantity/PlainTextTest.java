package org.jollychain.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlainTextTest {

  @ParameterizedTest
  @ValueSource(
      strings = {
        "a\u0000b",
        "a\u0001b",
        "a\u0085b",
        "a\u007fb",
        "a\uffffb",
        "a\ufdd0b",
        "a\ud800b",
        "a\udc00b",
        "a\u202eb",
        "a\u2066b",
        "a\ud83f\udfffb"
      })
  void what_hides_or_is_no_character_is_refused_in_one_line_and_in_several(String text) {
    assertThat(PlainText.problemInLine(text)).get().asString().contains("at place 2");
    assertThat(PlainText.problemInLines(text)).isPresent();
  }

  @ParameterizedTest
  @ValueSource(strings = {"a\nb", "a\rb", "a\u2028b", "a\u2029b", "a\tb"})
  void lines_belong_only_where_there_may_be_several(String text) {
    assertThat(PlainText.problemInLine(text)).isPresent();
    assertThat(PlainText.problemInLines(text)).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "Müller & Söhne <3", "11.2 Ω ± 5 %", "\ud83d\ude00", "العربية"})
  void whatever_people_write_is_taken(String text) {
    assertThat(PlainText.problemInLine(text)).isEmpty();
  }

  @Test
  void blanks_of_any_script_are_blank() {
    assertThat(PlainText.isBlank(" \t\u00a0\u2003\u3000\u200b\ufeff")).isTrue();
    assertThat(PlainText.isBlank("\u00a0.")).isFalse();
  }
}
