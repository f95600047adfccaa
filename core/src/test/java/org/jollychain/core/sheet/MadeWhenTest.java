package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MadeWhenTest {

  @Test
  void not_binds_closer_than_and_and_closer_than_or() {
    MadeWhen condition = MadeWhen.parse("a & !b | c");
    assertThat(condition.holds(Set.of("a"))).isTrue();
    assertThat(condition.holds(Set.of("a", "b"))).isFalse();
    assertThat(condition.holds(Set.of("a", "b", "c"))).isTrue();
    assertThat(MadeWhen.parse("a & (!b | c)").holds(Set.of("c"))).isFalse();
    assertThat(condition.commands()).containsExactlyInAnyOrder("a", "b", "c");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "a &",
        "& a",
        "a b",
        "(a",
        "a)",
        "a && b",
        "a + b",
        "",
        "!",
        "A",
        "((((((((((((((((((((((a))))))))))))))))))))))"
      })
  void says_so_when_it_does_not_parse(String text) {
    assertThatThrownBy(() -> MadeWhen.parse(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("like \"door-shut & !pause\"");
  }
}
