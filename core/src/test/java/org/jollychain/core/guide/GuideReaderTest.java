package org.jollychain.core.guide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;
import org.jollychain.core.Guides;
import org.jollychain.core.sheet.Family;
import org.jollychain.core.text.InvalidTextException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class GuideReaderTest {

  private static final String DRYER = Guides.text("dryer-electric");

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Guides#keys")
  void one_ships_for_every_family(String key) {
    Guide guide = Guides.shipped(key);
    assertThat(guide.family().toString()).isEqualTo(key);
    assertThat(guide.causes()).hasSizeGreaterThanOrEqualTo(8);
    assertThat(guide.checks()).hasSizeGreaterThanOrEqualTo(8);
    assertThat(guide.hazards()).isNotEmpty();
    assertThat(guide.proofs()).isNotEmpty();
  }

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Guides#keys")
  void every_cause_is_told_from_the_others_by_some_check_and_is_put_right(String key) {
    Guide guide = Guides.shipped(key);
    for (Cause cause : guide.causes().values()) {
      assertThat(guide.checks().values())
          .as(cause.id())
          .anyMatch(
              c ->
                  c.given().containsKey(cause.id())
                      && !Arrays.equals(c.likelihood(cause.id()), c.otherwise()));
      assertThat(cause.putRight()).as(cause.id()).isNotEmpty();
    }
  }

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Guides#keys")
  void no_action_or_prevention_stands_there_for_nothing(String key) {
    Guide guide = Guides.shipped(key);
    Set<String> used = new HashSet<>();
    guide.causes().values().forEach(c -> used.addAll(c.putRight()));
    assertThat(guide.actions().keySet()).isSubsetOf(used);
  }

  @Test
  void a_dryers_is_rich() {
    Guide dryer = Guides.shipped("dryer-electric");
    assertThat(dryer.causes()).hasSizeGreaterThanOrEqualTo(12);
    assertThat(dryer.checks()).hasSizeGreaterThanOrEqualTo(15);
    assertThat(dryer.family()).isEqualTo(Family.DRYER_ELECTRIC);
  }

  @Test
  void probabilities_are_read_in_the_order_of_the_outcomes() {
    Check air = Guides.shipped("dryer-electric").checks().get("hood-air");
    assertThat(air.likelihood("lint-duct"))
        .containsExactly(new double[] {0.03, 0.50, 0.36, 0.11}, within(1e-9));
    assertThat(air.likelihood("aged")).containsExactly(air.otherwise());
    assertThat(air.indexOf("none")).isEqualTo(2);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      followed: [limit, off]    | followed: [limit, of]     | there is no event "of"
      early: first              | early: frist              | there is no window "frist"
      good: within, bad: over | good: within, bad: ower | there is no outcome "ower"
      watch: drying             | watch: drying-up          | there is no watch "drying-up"
      at-most: 15 min           | at-most: 30 s             | must be longer than at-least
      early: first,             | early: first, late: first, | here are 2
      lint-duct: {strong: 0.03, | lint-duct: {strong: 0.23, | add up to 1.20
      hood-stuck: {strong: 0.02 | hood-stuk: {strong: 0.02 | did you mean "hood-stuck"
      {stuck: hood-stuck} | {stuk: hood-stuck} | there is no outcome "stuk"
      put-right: [clean-duct] | put-right: [clean-duckt] | did you mean "clean-duct"
      kind: cycling-thermostat | kind: cycling-thermostatt | did you mean "cycling-thermostat"
      mode: case-leak | mode: leaking | should be one of
      weight: 8, | weight: -8, | must be 0 or more
      weight: 8, | weight: 1e308, | up to 1000
      """)
  void what_is_wrong_is_said_at_its_place(String right, String wrong, String message) {
    assertThat(DRYER).contains(right);
    assertThatThrownBy(() -> GuideReader.read(DRYER.replaceFirst(Pattern.quote(right), wrong)))
        .isInstanceOfSatisfying(
            InvalidTextException.class,
            e -> {
              assertThat(e.getMessage()).contains(message);
              int line = DRYER.substring(0, DRYER.indexOf(right)).split("\n", -1).length;
              assertThat(e.problems())
                  .anySatisfy(p -> assertThat(Math.abs(p.line() - line)).isLessThanOrEqualTo(1));
            });
  }

  @Test
  void a_check_that_can_tell_nothing_is_refused() {
    String text =
        """
        format: jolly-chain/guide/1
        key: lamp
        title: Lamps
        family: other
        causes:
          worn: {title: Worn, weight: 1, put-right: [renew]}
        checks:
          look: {title: Look, minutes: 1, outcomes: {good: Good, bad: Bad}, given: {worn: {good: 0.5, bad: 0.5}, otherwise: {good: 0.5, bad: 0.5}}}
        actions:
          renew: {title: Renewed, minutes: 1}
        """;
    assertThatThrownBy(() -> GuideReader.read(text)).hasMessageContaining("can tell nothing");
  }

  @Test
  void an_empty_text_says_how_to_begin() {
    assertThatThrownBy(() -> GuideReader.read(""))
        .hasMessageContaining("format: jolly-chain/guide/1");
  }
}
