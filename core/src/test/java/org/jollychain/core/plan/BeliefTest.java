package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Question;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BeliefTest {

  private static final Diagnosis DIAGNOSIS = new Diagnosis(Sheets.heater());
  private static final Map<Question, OutcomeModel> OUTLOOKS =
      new OutcomeModels(DIAGNOSIS.measurements()).learn(new CandidateTests(DIAGNOSIS.unit()).all());
  private static final List<Diagnosis.Belief> BELIEFS =
      DIAGNOSIS.beliefs(List.of(), Optional.of("no-heat"));

  private static double sum(double[] shares) {
    double sum = 0;
    for (double s : shares) {
      sum += s;
    }
    return sum;
  }

  /** By Bayes' rule over the single hypotheses, without the planner's classes and calls. */
  private static double byHand(OutcomeModel outcomes, int answer, String call) {
    double all = 0;
    double of = 0;
    for (Diagnosis.Belief b : BELIEFS) {
      double p = b.probability() * outcomes.likelihood()[outcomes.classOf()[b.index()]][answer];
      all += p;
      of += Call.of(b.hypothesis()).what().equals(call) ? p : 0;
    }
    return of / all;
  }

  @Test
  void no_question_is_expected_to_leave_more_open_than_there_is() {
    Belief belief = Belief.of(BELIEFS);
    OUTLOOKS.forEach(
        (question, outcomes) -> {
          Belief.Split split = belief.split(outcomes);
          assertThat(sum(split.chance())).as("%s", question).isCloseTo(1, within(1e-6));
          assertThat(split.bitsLeft()).as("%s", question).isLessThan(belief.bits() + 1e-9);
        });
  }

  @Test
  void a_split_says_what_the_belief_would_be_after_each_answer() {
    Belief belief = Belief.of(BELIEFS);
    OUTLOOKS.forEach(
        (question, outcomes) -> {
          Belief.Split split = belief.split(outcomes);
          for (int j = 0; j < outcomes.answers(); j++) {
            if (split.chance()[j] > 1e-3) {
              double[] after = belief.given(outcomes, j).byCall();
              assertThat(after).as("%s", question).containsExactly(split.byCall()[j], within(1e-3));
            }
          }
        });
  }

  @Test
  void it_follows_bayes_rule() {
    Belief belief = Belief.of(BELIEFS);
    OUTLOOKS.forEach(
        (question, outcomes) -> {
          Belief.Split split = belief.split(outcomes);
          for (int j = 0; j < outcomes.answers(); j++) {
            for (int d = 0; d < belief.calls().size(); d++) {
              String call = belief.calls().get(d).what();
              if (split.chance()[j] > 0.01 && !call.equals("two-faults")) {
                assertThat(split.byCall()[j][d])
                    .as("%s, %s", question, call)
                    .isCloseTo(byHand(outcomes, j, call), within(2e-3));
              }
            }
          }
        });
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 4, 8, 16})
  void an_even_choice_among_two_to_the_n_is_n_bits(int choices) {
    double[] even = new double[choices];
    java.util.Arrays.fill(even, 1.0 / choices);
    assertThat(Belief.bits(even)).isCloseTo(Math.log(choices) / Math.log(2), within(1e-12));
  }

  @Test
  void draws_come_as_often_as_they_are_believed() {
    Belief belief = Belief.of(BELIEFS);
    Random random = new Random(5);
    int draws = 20_000;
    int sound = 0;
    for (int i = 0; i < draws; i++) {
      sound += belief.drawn(random.nextDouble()) == BELIEFS.get(0).index() ? 1 : 0;
    }
    assertThat((double) sound / draws).isCloseTo(BELIEFS.get(0).probability(), within(0.02));
  }
}
