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
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.sequencing.Distribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PlanningProblemTest {

  private static final Diagnosis DIAGNOSIS = new Diagnosis(Sheets.heater());
  private static final Map<Question, OutcomeModel> OUTCOMES =
      new OutcomeModels(DIAGNOSIS.measurements()).learn(new CandidateTests(DIAGNOSIS.unit()).all());
  private static final List<Posterior.Entry> BELIEFS =
      DIAGNOSIS.beliefs(List.of(), Optional.of("no-heat"));

  private static final PlanningProblem PROBLEM =
      new PlanningProblem(
          DIAGNOSIS.sheet(),
          new CandidateTests(DIAGNOSIS.unit()),
          OUTCOMES,
          Policy.usual(true),
          BELIEFS,
          false,
          List.of(),
          StateTables.Beside.NOTHING);

  private static double sum(double[] shares) {
    double sum = 0;
    for (double s : shares) {
      sum += s;
    }
    return sum;
  }

  /** By Bayes' rule over the single hypotheses, without the planner's classes and calls. */
  private static double byHand(OutcomeModel outcomes, int answer, Culprit culprit) {
    double all = 0;
    double of = 0;
    for (Posterior.Entry b : BELIEFS) {
      double p = b.probability() * outcomes.table().in(b.index())[answer];
      all += p;
      of += b.hypothesis().culprit().equals(culprit) ? p : 0;
    }
    return of / all;
  }

  @Test
  void no_question_is_expected_to_leave_more_open_than_there_is() {
    Distribution belief = PROBLEM.believed();
    OUTCOMES.forEach(
        (question, outcomes) -> {
          Distribution.Split split = belief.split(outcomes.table());
          assertThat(sum(split.chance())).as("%s", question).isCloseTo(1, within(1e-6));
          assertThat(split.bitsLeft()).as("%s", question).isLessThan(belief.bits() + 1e-9);
        });
  }

  @Test
  void a_split_says_what_the_belief_would_be_after_each_answer() {
    Distribution belief = PROBLEM.believed();
    OUTCOMES.forEach(
        (question, outcomes) -> {
          Distribution.Split split = belief.split(outcomes.table());
          for (int j = 0; j < outcomes.answers(); j++) {
            if (split.chance()[j] > 1e-3) {
              double[] after = belief.given(outcomes.table(), j).byGroup();
              assertThat(after)
                  .as("%s", question)
                  .containsExactly(split.byGroup()[j], within(1e-3));
            }
          }
        });
  }

  @Test
  void it_follows_bayes_rule() {
    Distribution belief = PROBLEM.believed();
    OUTCOMES.forEach(
        (question, outcomes) -> {
          Distribution.Split split = belief.split(outcomes.table());
          for (int j = 0; j < outcomes.answers(); j++) {
            for (int d = 0; d < PROBLEM.culprits().size(); d++) {
              Culprit culprit = PROBLEM.culprits().get(d);
              if (split.chance()[j] > 0.01 && !(culprit instanceof Culprit.Several)) {
                assertThat(split.byGroup()[j][d])
                    .as("%s, %s", question, culprit)
                    .isCloseTo(byHand(outcomes, j, culprit), within(2e-3));
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
    assertThat(Distribution.bits(even)).isCloseTo(Math.log(choices) / Math.log(2), within(1e-12));
  }

  @Test
  void draws_come_as_often_as_they_are_believed() {
    Distribution belief = PROBLEM.believed();
    Random random = new Random(5);
    int draws = 20_000;
    int sound = 0;
    for (int i = 0; i < draws; i++) {
      sound += belief.drawn(random.nextDouble()) == BELIEFS.get(0).index() ? 1 : 0;
    }
    assertThat((double) sound / draws).isCloseTo(BELIEFS.get(0).probability(), within(0.02));
  }
}
