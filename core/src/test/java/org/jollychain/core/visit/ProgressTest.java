package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

class ProgressTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);
  private static final Planner PLANNER = new Planner(DIAGNOSIS);
  private final Readings read = new Readings(DRYER);

  private static List<Progress> after(String complaint, boolean closed, Evidence... told) {
    List<Evidence> evidence = List.of(told);
    Diagnosis.Opinion opinion = DIAGNOSIS.opinion(evidence, Optional.empty());
    return Progress.of(
        complaint,
        closed,
        opinion.assessment(),
        PLANNER.plan(opinion, evidence, Optional.empty(), Policy.usual(true)));
  }

  private static Progress of(Step step, List<Progress> all) {
    return all.stream().filter(p -> p.step() == step).findFirst().orElseThrow();
  }

  @Test
  void every_step_is_told_of_in_its_order() {
    assertThat(after("", false)).extracting(Progress::step).containsExactly(Step.values());
  }

  @Test
  void at_first_the_work_is_in_the_chain() {
    List<Progress> all = after("", false);
    assertThat(of(Step.ARRIVE, all).state()).isEqualTo(Progress.State.OPEN);
    assertThat(of(Step.SUPPLY, all).note()).isEqualTo("unmeasured");
    assertThat(all)
        .filteredOn(p -> p.state() == Progress.State.HERE)
        .extracting(Progress::step)
        .containsExactly(Step.WALK);
  }

  @Test
  void one_touch_that_decides_alone_has_not_confirmed_it() {
    Evidence once = read.ohms("thermal-cutoff", "OL");
    assertThat(of(Step.CONFIRM, after("No heat", false, once)).state())
        .isEqualTo(Progress.State.HERE);
    Evidence again = read.ohms("thermal-cutoff", "OL");
    assertThat(of(Step.CONFIRM, after("No heat", false, once, again)).state())
        .isEqualTo(Progress.State.DONE);
  }

  @Test
  void a_strong_suspect_is_to_be_confirmed_and_then_is() {
    Evidence supply = read.live("L1-L2 238");
    Evidence drop = read.drop("thermal-cutoff", "237.8");
    List<Progress> leads = after("No heat", false, supply, drop);
    assertThat(of(Step.ARRIVE, leads).note()).isEqualTo("No heat");
    assertThat(of(Step.SUPPLY, leads).state()).isEqualTo(Progress.State.DONE);
    assertThat(of(Step.WALK, leads).state()).isEqualTo(Progress.State.DONE);
    assertThat(of(Step.CONFIRM, leads).state()).isEqualTo(Progress.State.HERE);
    List<Progress> found = after("No heat", false, supply, drop, read.ohms("thermal-cutoff", "OL"));
    assertThat(of(Step.CONFIRM, found).state()).isEqualTo(Progress.State.DONE);
  }

  @Test
  void a_supply_at_fault_is_doubtful() {
    List<Progress> all =
        after(
            "No heat",
            false,
            read.live("L1-N 125.8"),
            read.live("L2-N 125.9"),
            read.live("L1-L2 0.026"),
            new Observation("o", "motor", "heat-call", Observation.Runs.YES, Optional.empty()));
    assertThat(of(Step.SUPPLY, all).state()).isEqualTo(Progress.State.DOUBTFUL);
  }
}
