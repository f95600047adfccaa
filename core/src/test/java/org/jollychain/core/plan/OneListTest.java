package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.Guides;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Checks of the guide and probes of the circuit in one list. */
class OneListTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);
  private static final Planner PLANNER = new Planner(DIAGNOSIS);
  private static final Guide GUIDE = Guides.shipped("dryer-electric");

  private static Diagnosis.Opinion found(String complaint, CheckMade... checks) {
    return DIAGNOSIS.opinion(
        List.of(),
        new Diagnosis.Beginning(
            Optional.of(complaint),
            GuideFindings.by(Optional.of(GUIDE), List.of(checks)),
            UnitFacts.NONE));
  }

  private static Plan plan(Diagnosis.Opinion opinion) {
    return PLANNER.plan(opinion, List.of(), Policy.usual(true));
  }

  private static double sound(Diagnosis.Opinion opinion) {
    return opinion.beliefs().stream()
        .filter(b -> b.hypothesis().kind() == Hypothesis.Kind.SOUND)
        .mapToDouble(Posterior.Entry::probability)
        .sum();
  }

  private static double suspicion(Diagnosis.Opinion opinion, String part) {
    return opinion.assessment().parts().stream()
        .filter(p -> p.id().equals(part))
        .mapToDouble(PartAssessment::probability)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void a_dryer_that_takes_too_long_is_looked_at_from_outside_before_a_panel_comes_off() {
    Proposal first = plan(found("slow")).next().get(0);
    assertThat(first.kind()).isEqualTo(Question.Kind.CHECK);
    assertThat(first.opening()).isZero();
    assertThat(first.expect()).extracting(Proposal.Expect::outcome).doesNotContain("");
  }

  @Test
  void what_is_found_outside_bears_on_the_circuit_and_ends_the_search() {
    Diagnosis.Opinion before = found("slow");
    Diagnosis.Opinion after =
        found("slow", new CheckMade("duct-look", "lint"), new CheckMade("hood-air", "weak"));
    assertThat(sound(after)).isGreaterThan(0.95);
    assertThat(suspicion(after, "cycling-thermostat"))
        .isLessThan(0.2 * suspicion(before, "cycling-thermostat"));
    Plan plan = plan(after);
    assertThat(plan.state()).isEqualTo(Plan.State.CLEAR);
    assertThat(plan.say()).contains("lint in the duct");
    Diagnosis.Opinion clear =
        found(
            "slow",
            new CheckMade("hood-air", "strong"),
            new CheckMade("duct-look", "clear"),
            new CheckMade("housing-look", "clean"));
    assertThat(sound(clear)).isLessThan(sound(before));
  }

  /** P(found | sound) by hand: the guide's weights, 5 % for what it does not know. */
  /** Coils that plug in are tried in each other's place; common practice, no source. */
  @Test
  void a_coil_that_stays_cold_in_another_place_is_read_before_the_supply() {
    Diagnosis range = new Diagnosis(Sheets.shipped("range-coil-240"));
    Optional<String> complaint = Optional.of("no-front");
    Diagnosis.Opinion cold =
        range.opinion(
            List.of(),
            new Diagnosis.Beginning(
                complaint,
                GuideFindings.by(
                    Optional.of(Guides.shipped("range")),
                    List.of(new CheckMade("coil-swap", "follows"))),
                UnitFacts.NONE));
    assertThat(cold.assessment().leading().part()).isEqualTo("front-coil");
    assertThat(cold.assessment().leading().confirmed()).isFalse();
    Proposal next = new Planner(range).plan(cold, List.of(), Policy.usual(true)).next().get(0);
    assertThat(next.across()).contains("front-coil");
    assertThat(next.kind()).isEqualTo(Question.Kind.MEASURE);
  }

  /** A sound pump moves no water through a kinked hose, though "does not drain" names the pump. */
  @Test
  void a_cause_outside_counts_also_where_a_sound_circuit_would_not_show_it() {
    Sheet dishwasher = Sheets.shipped("dishwasher-120");
    Diagnosis diagnosis = new Diagnosis(dishwasher);
    double outside = dishwasher.complaints().get("no-drain").outside();
    Optional<String> complaint = Optional.of("no-drain");
    Diagnosis.Opinion known =
        diagnosis.opinion(
            List.of(),
            new Diagnosis.Beginning(
                complaint, GuideFindings.by(Guides.shipped("dishwasher")), UnitFacts.NONE));
    assertThat(sound(known)).isCloseTo(outside, within(0.05));
    assertThat(sound(diagnosis.opinion(List.of(), complaint))).isLessThan(0.15);
  }

  @Test
  void two_checks_weigh_by_bayes_rule() {
    Diagnosis.Opinion before = found("slow");
    Diagnosis.Opinion after =
        found("slow", new CheckMade("duct-look", "lint"), new CheckMade("hood-air", "weak"));
    double weights = 0;
    double seen = 0;
    for (Cause cause : GUIDE.causes().values()) {
      if (cause.soundCircuit()
          && cause.complaints().contains("slow")
          && cause.fits(DRYER.identify())) {
        weights += cause.weight();
        seen +=
            cause.weight()
                * likelihood("duct-look", "lint", cause.id())
                * likelihood("hood-air", "weak", cause.id());
      }
    }
    double none = likelihood("duct-look", "lint", "?") * likelihood("hood-air", "weak", "?");
    double ifSound = (seen / weights + 0.05 * none) / 1.05;
    // behind a dead centrifugal switch stands no cause of the guide
    double odds = sound(after) / of("centrifugal-switch", after);
    assertThat(odds * of("centrifugal-switch", before) / sound(before))
        .isCloseTo(ifSound / none, withinPercentage(1));
  }

  private static double of(String part, Diagnosis.Opinion opinion) {
    return opinion.beliefs().stream()
        .filter(b -> b.hypothesis().faults().size() == 1)
        .filter(b -> b.hypothesis().modeOf(part).isPresent())
        .mapToDouble(Posterior.Entry::probability)
        .sum();
  }

  private static double likelihood(String check, String outcome, String cause) {
    return GUIDE.checks().get(check).likelihood(cause)[GUIDE.checks().get(check).indexOf(outcome)];
  }

  @Test
  void a_probe_says_the_same_of_every_cause_outside() {
    Diagnosis.Opinion opinion = found("slow");
    CauseModel model =
        CauseModel.of(DRYER, GuideFindings.by(GUIDE), Optional.of("slow"), List.of()).orElseThrow();
    double[] p = model.probabilities(opinion.beliefs());
    double all = 0;
    for (double one : p) {
      all += one;
    }
    assertThat(all).isCloseTo(1, within(1e-6));
    assertThat(model.causes())
        .filteredOn(model::outside)
        .extracting(Cause::id)
        .contains("lint-duct")
        .doesNotContain("condenser-clogged", "thermostat-stuck");
  }

  @ParameterizedTest
  @CsvSource({
    "dryer-condenser-230, slow, condenser-clogged, lint-duct",
    "heat-kit-240, cycles, filter-clogged, lug-loose",
    "dishwasher-120, no-drain, drain-blocked, no-rinse-aid",
    "water-heater-240, relief, expansion, dip-tube",
    "range-240, off-by, offset-wrong, locked-mode",
    "millivolt-heater, runs-on, valve-open, magnet",
    "furnace-24v, blower-on, fan-on, filter-clogged",
  })
  void every_complaint_has_its_own_causes(String key, String complaint, String one, String other) {
    Sheet sheet = Sheets.shipped(key);
    CauseModel model =
        CauseModel.of(
                sheet,
                GuideFindings.by(Guides.shipped(sheet.family().toString())),
                Optional.of(complaint),
                List.of())
            .orElseThrow();
    assertThat(model.causes())
        .filteredOn(model::outside)
        .extracting(Cause::id)
        .contains(one)
        .doesNotContain(other);
  }

  /** Nothing is opened while something free tells a fair part as much. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "dryer-timer-240",
        "heat-kit-240",
        "autoclave-115",
        "furnace-24v",
        "dishwasher-120"
      })
  void nothing_is_opened_first_where_something_free_tells_as_much(String key) {
    Sheet sheet = Sheets.shipped(key);
    Diagnosis diagnosis = new Diagnosis(sheet);
    Planner planner = new Planner(diagnosis);
    GuideFindings guide = GuideFindings.by(Guides.shipped(sheet.family().toString()));
    List<String> opened = new ArrayList<>();
    for (Complaint complaint : sheet.complaints().values()) {
      Optional<String> told = Optional.of(complaint.id());
      Diagnosis.Opinion opinion =
          diagnosis.opinion(List.of(), new Diagnosis.Beginning(told, guide, UnitFacts.NONE));
      Plan plan = planner.plan(opinion, List.of(), Policy.usual(true));
      if (plan.next().isEmpty()) {
        continue;
      }
      Proposal first = plan.next().get(0);
      boolean better =
          first.opening() > 1.5
              && plan.next().stream()
                  .anyMatch(p -> p.opening() <= 1.5 && p.bits() > 0.5 * first.bits());
      if (better) {
        opened.add(complaint.id() + ": " + first.title());
      }
    }
    assertThat(opened).isEmpty();
  }
}
