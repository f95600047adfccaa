package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ForecastTest {

  private static final Diagnosis DIAGNOSIS = new Diagnosis(Sheets.dryer());
  private static final Planner PLANNER = new Planner(DIAGNOSIS);
  private static final Optional<String> NO_HEAT = Optional.of("no-heat");

  private final Readings read = new Readings(Sheets.dryer());

  private static List<Forecast> forecast(Policy policy, Evidence... evidence) {
    List<Evidence> all = List.of(evidence);
    return PLANNER.forecast(DIAGNOSIS.opinion(all, NO_HEAT), all, policy);
  }

  private static DecisionTree route(int depth, Evidence... evidence) {
    List<Evidence> all = List.of(evidence);
    return PLANNER.route(DIAGNOSIS.opinion(all, NO_HEAT), all, Policy.usual(true), depth);
  }

  @Test
  void it_says_the_same_every_time() {
    assertThat(forecast(Policy.usual(true))).isEqualTo(forecast(Policy.usual(true)));
  }

  @Test
  void the_plan_is_quicker_than_the_schools() {
    List<Forecast> all = forecast(Policy.usual(true));
    assertThat(all.get(0).order()).isEqualTo(Order.BEST_VALUE);
    assertThat(all.subList(1, 3)).allMatch(f -> f.minutes() > all.get(0).minutes());
  }

  @Test
  void what_is_open_already_is_not_opened_again() {
    Policy usual = Policy.usual(true);
    Policy opened =
        new Policy(
            usual.method(),
            usual.order(),
            true,
            usual.costs(),
            Set.of(),
            Set.of(),
            Sheets.dryer().access().keySet());
    for (int i = 0; i < 3; i++) {
      assertThat(forecast(opened).get(i).minutes()).isLessThan(forecast(usual).get(i).minutes());
    }
  }

  @Test
  void with_a_suspect_found_only_its_own_test_is_left() {
    List<Forecast> left =
        forecast(Policy.usual(true), read.live("L1-L2 238"), read.drop("thermal-cutoff", "237.8"));
    assertThat(left.get(0).probes()).isCloseTo(1, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 5})
  void a_route_card_is_as_deep_as_it_is_asked_to_be(int depth) {
    assertThat(depth(route(depth))).isEqualTo(depth);
  }

  private static int depth(DecisionTree card) {
    return card.branches().isEmpty()
        ? 0
        : 1 + card.branches().stream().mapToInt(b -> depth(b.then())).max().orElse(0);
  }

  @Test
  void a_cards_branches_never_have_more_chance_than_what_leads_to_them() {
    checkChances(route(5), 1);
  }

  private static void checkChances(DecisionTree card, double reached) {
    double sum = card.branches().stream().mapToDouble(DecisionTree.Branch::probability).sum();
    assertThat(sum).isLessThan(reached + 1e-9);
    for (DecisionTree.Branch b : card.branches()) {
      checkChances(b.then(), b.probability());
    }
  }

  @Test
  void a_card_is_text_with_every_answer_under_its_question() {
    String text = route(2).text();
    assertThat(text.lines().findFirst().orElseThrow()).contains(" min)");
    assertThat(text.lines().skip(1)).anyMatch(l -> l.startsWith("- ") && l.endsWith("%):"));
    assertThat(text.lines()).anyMatch(l -> l.startsWith("    "));
  }

  @Test
  void a_cards_last_question_is_headed_as_the_confirming_one() {
    DecisionTree card = route(3, read.live("L1-L2 238"), read.drop("thermal-cutoff", "237.8"));
    assertThat(card.confirms()).isTrue();
    assertThat(card.heading()).startsWith("Confirm: Ohms across the thermal cut-off");
    assertThat(depth(card)).isEqualTo(1);
  }
}
