package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.Interview;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class PlannerTest {

  private static final Sheet DRYER = Sheets.dryer();
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);
  private static final Planner PLANNER = new Planner(DIAGNOSIS);
  private static final Optional<String> NO_HEAT = Optional.of("no-heat");

  private final Readings read = new Readings(DRYER);

  private static Plan plan(Policy policy, Evidence... evidence) {
    List<Evidence> all = List.of(evidence);
    return PLANNER.plan(DIAGNOSIS.opinion(all, NO_HEAT), all, policy);
  }

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  /** The rules that are never bent, over everything that can ever be proposed. */
  @ParameterizedTest
  @MethodSource("sheets")
  void nothing_dangerous_can_be_asked_of_any_shipped_unit(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Question q : new CandidateTests(new UnitModel(sheet)).all()) {
      if (q instanceof Question.Measure m) {
        boolean live = sheet.situation(m.situation()).supplyOn();
        assertThat(live && m.at().function().needsDeadCircuit()).as("%s", q).isFalse();
        if (live && sheet.supply().storedCharge()) {
          assertThat(sheet.supplyPoints()).contains(m.at().red(), m.at().black());
        }
      }
    }
  }

  @ParameterizedTest
  @EnumSource(Method.class)
  void without_a_permit_nothing_is_measured_live(Method method) {
    Plan plan = plan(Policy.of(method, Order.BEST_VALUE, false));
    assertThat(plan.next()).isNotEmpty();
    for (Proposal p : plan.next()) {
      assertThat(p.function().isPresent() && DRYER.situation(p.situation()).supplyOn()).isFalse();
    }
  }

  /** A ground fault: power would trip the supply, or make the case live. */
  @Test
  void no_power_is_proposed_once_something_is_likely_grounded() {
    Reading toCase = read.entry("ohms", Optional.empty(), "isolated", List.of(), "C3-PE 3.2");
    for (Method method : List.of(Method.MIXED, Method.LIVE_DROPS)) {
      Plan plan = plan(Policy.of(method, Order.BEST_VALUE, true), toCase);
      assertThat(plan.next())
          .allSatisfy(
              p -> assertThat(DRYER.situation(p.situation()).supplyOn()).as("%s", p).isFalse());
      assertThat(plan.confirmBy()).doesNotContain("volts");
    }
  }

  @Test
  void each_method_keeps_to_itself() {
    Plan drops = plan(Policy.of(Method.LIVE_DROPS, Order.BEST_VALUE, true));
    assertThat(drops.next()).isNotEmpty().noneMatch(p -> p.function().equals(Optional.of("ohms")));
    Plan ohms = plan(Policy.of(Method.ISOLATED_OHMS, Order.BEST_VALUE, true));
    assertThat(ohms.next())
        .isNotEmpty()
        .noneMatch(p -> p.function().filter("volts-ac"::equals).isPresent());
  }

  @Test
  void a_proposal_says_where_with_what_and_what_each_answer_would_mean() {
    Plan plan = plan(Policy.usual(true), read.live("L1-L2 238.6"), read.live("T1-L2 238.4"));
    Proposal first = plan.next().get(0);
    assertThat(plan.state()).isEqualTo(Plan.State.ASK);
    assertThat(first.expect()).hasSizeGreaterThan(1);
    assertThat(first.expect().get(0).meaning()).isNotBlank();
    assertThat(first.why()).endsWith(".").doesNotContain("settle");
    assertThat(first.minutes()).isGreaterThan(first.opening());
    assertThat(plan.next().stream().map(Proposal::id)).doesNotHaveDuplicates();
  }

  @Test
  void a_strong_suspect_is_tested_by_itself_and_then_it_is_found() {
    Evidence[] live = {read.live("L1-L2 238"), read.drop("thermal-cutoff", "237.8")};
    Plan confirm = plan(Policy.usual(true), live);
    assertThat(confirm.state()).isEqualTo(Plan.State.CONFIRM);
    Proposal test = confirm.next().get(0);
    assertThat(test.function()).contains("ohms");
    assertThat(test.across()).contains("thermal-cutoff");
    assertThat(test.steps()).contains("Isolate, lock off, prove dead");
    Plan end = plan(Policy.usual(true), live[0], live[1], read.ohms("thermal-cutoff", "OL"));
    assertThat(end.state()).isEqualTo(Plan.State.FOUND);
    assertThat(end.next()).isEmpty();
    assertThat(end.say()).contains("thermal cut-off").contains("Find what made it fail");
  }

  @Test
  void a_drop_that_failed_its_test_is_read_once_more_with_its_terminals_put_on_again() {
    Evidence[] live = {
      read.live("L1-L2 238"),
      read.drop("cycling-thermostat", "31.2"),
      read.drop("cycling-thermostat", "31.1")
    };
    Plan plan = plan(Policy.usual(true), live);
    assertThat(plan.state()).isEqualTo(Plan.State.CONFIRM);
    Proposal again = plan.next().get(0);
    assertThat(again.reseated()).isTrue();
    assertThat(again.steps())
        .containsSubsequence(
            "Isolate, lock off, prove dead",
            "Take the terminals of the cycling thermostat off, look, put them on again",
            "Hands out, power on");
    assertThat(again.expect().stream().map(Proposal.Expect::meaning))
        .contains("it was in its terminals: renew those", "it is the part itself");
    Evidence gone = read.reseated("cycling-thermostat", "0.1");
    Plan end = plan(Policy.usual(true), live[0], live[1], live[2], gone);
    assertThat(end.next()).isEmpty();
    assertThat(end.say()).contains("cycling thermostat").contains("terminals");
    Plan still =
        plan(
            Policy.usual(true),
            live[0],
            live[1],
            live[2],
            read.reseated("cycling-thermostat", "31.0"));
    assertThat(still.state()).isEqualTo(Plan.State.FOUND);
  }

  @Test
  void a_disc_that_no_state_of_the_unit_opens_is_heated_by_itself_and_no_one_shot_part_is() {
    CandidateTests questions = new CandidateTests(DIAGNOSIS.unit());
    Question heated = questions.openOhms(DRYER.part("high-limit")).orElseThrow();
    WorkState.Move move = WorkState.ARRIVED.to(heated, DRYER, TimeCosts.USUAL);
    assertThat(move.steps())
        .anyMatch(s -> s.startsWith("Take the high limit out and heat it slowly to 1"));
    assertThat(move.minutes()).isGreaterThan(TimeCosts.USUAL.warm());
    OutcomeModel outcomes =
        new OutcomeModels(DIAGNOSIS.measurements()).learn(List.of(heated)).get(heated);
    assertThat(outcomes.words()).contains("OL");
    assertThat(questions.openOhms(DRYER.part("thermal-cutoff"))).isEmpty();
  }

  @Test
  void what_was_read_hotter_than_asked_answers_it_too() {
    CandidateTests questions = new CandidateTests(DIAGNOSIS.unit());
    Question heated = questions.openOhms(DRYER.part("high-limit")).orElseThrow();
    assertThat(questions.answeredBy(read.heated("high-limit", "180 C", "OL"))).contains(heated);
    assertThat(questions.answeredBy(read.heated("high-limit", "25 C", "0.2")))
        .isNotEqualTo(Optional.of(heated));
  }

  @Test
  void what_is_skipped_or_out_of_reach_is_not_proposed() {
    Policy usual = Policy.usual(true);
    String first = plan(usual).next().get(0).id();
    Policy skipping =
        new Policy(
            usual.method(),
            usual.order(),
            true,
            usual.costs(),
            Set.of("C1", "C2"),
            Set.of(first),
            Set.of());
    for (Proposal p : plan(skipping).next()) {
      assertThat(p.id()).isNotEqualTo(first);
      assertThat(List.of(p.red().orElse(""), p.black().orElse(""))).doesNotContain("C1", "C2");
    }
  }

  @Test
  void the_schools_go_in_their_own_order() {
    Plan along = plan(Policy.of(Method.MIXED, Order.ALONG_THE_WIRE, true));
    assertThat(along.next().get(0).id()).isEqualTo("volts-ac L1 L2 heat-call");
    Plan then = plan(Policy.of(Method.MIXED, Order.ALONG_THE_WIRE, true), read.live("L1-L2 238"));
    assertThat(then.next().get(0).across()).contains("block-line1");
    Plan frequent = plan(Policy.of(Method.MIXED, Order.MOST_FREQUENT_FIRST, true));
    assertThat(frequent.next().get(0).across()).contains("thermal-cutoff");
  }

  @Test
  void a_dearer_exposure_turns_the_plan_away_from_live_work() {
    Policy free = Policy.usual(true);
    Policy dear =
        new Policy(
            free.method(),
            free.order(),
            true,
            TimeCosts.USUAL.exposing(60),
            Set.of(),
            Set.of(),
            Set.of());
    Evidence[] known = {read.live("L1-L2 238.6"), read.live("T1-L2 238.4")};
    Proposal first = plan(dear, known).next().get(0);
    assertThat(first.function().isPresent() && DRYER.situation(first.situation()).supplyOn())
        .isFalse();
  }

  @Test
  void a_policy_that_costs_nothing_still_plans() {
    TimeCosts nothing = new TimeCosts(0, 0, 0, 0, 0, 0, 0, 0, 0, 0);
    assertThat(nothing.probe()).isPositive();
    Policy usual = Policy.usual(true);
    Policy cheap =
        new Policy(usual.method(), usual.order(), true, nothing, Set.of(), Set.of(), Set.of());
    Plan plan = plan(cheap);
    assertThat(plan.next()).isNotEmpty();
    assertThat(plan.expected().minutes()).isFinite();
  }

  @Test
  void with_nothing_in_reach_it_says_what_remains_open() {
    Policy usual = Policy.usual(false);
    List<String> ids =
        new CandidateTests(DIAGNOSIS.unit()).all().stream().map(Question::id).toList();
    Policy none =
        new Policy(
            usual.method(),
            usual.order(),
            false,
            usual.costs(),
            Set.of(),
            Set.copyOf(ids),
            Set.of());
    Plan plan = plan(none);
    assertThat(plan.state()).isEqualTo(Plan.State.NOTHING_LEFT);
    assertThat(plan.say()).contains("Open remain");
  }

  /** What is open already costs nothing more; power is switched, locked and proved in between. */
  @Test
  void minutes_follow_from_where_the_work_stands() {
    Question cold =
        new CandidateTests(DIAGNOSIS.unit()).closedOhms(DRYER.part("high-limit")).orElseThrow();
    WorkState.Move first = WorkState.ARRIVED.to(cold, DRYER, TimeCosts.USUAL);
    assertThat(first.opening()).isPositive();
    assertThat(first.minutes() - first.opening())
        .isCloseTo(
            TimeCosts.USUAL.isolate() + TimeCosts.USUAL.change() + TimeCosts.USUAL.probe(),
            within(1e-9));
    WorkState.Move again = first.after().to(cold, DRYER, TimeCosts.USUAL);
    assertThat(again.minutes()).isCloseTo(TimeCosts.USUAL.probe(), within(1e-9));
    assertThat(again.steps()).isEmpty();
  }

  @Test
  void likelihoods_add_up_and_tell_open_from_closed() {
    Question drop =
        new CandidateTests(DIAGNOSIS.unit()).drop(DRYER.part("high-limit")).orElseThrow();
    OutcomeModel outcomes =
        new OutcomeModels(DIAGNOSIS.measurements()).learn(List.of(drop)).get(drop);
    for (double[] row : outcomes.table().likelihood()) {
      double sum = 0;
      for (double p : row) {
        sum += p;
      }
      assertThat(sum).isCloseTo(1, within(1e-9));
    }
    assertThat(outcomes.answers()).isBetween(2, 9);
  }

  /** A simulated unit with its limit open, worked on to the end. */
  @Test
  void worked_to_the_end_it_finds_the_fault_in_a_few_steps() {
    Fault open =
        new Fault.OfPart(
            "high-limit",
            FaultMode.OPEN,
            List.of(Change.open("high-limit")),
            Fault.Presence.ALWAYS);
    Interview unit =
        new Interview(
            new SimulatedUnit(DRYER, List.of(open), 3), new VirtualMeter(Meter.GENERAL, 4), 5);
    CandidateTests questions = new CandidateTests(DIAGNOSIS.unit());
    List<Evidence> evidence = new ArrayList<>();
    Plan plan = plan(Policy.usual(true));
    while (!plan.next().isEmpty() && evidence.size() < 12) {
      String id = plan.next().get(0).id();
      evidence.add(unit.answer(questions.byId(id).orElseThrow()));
      plan = plan(Policy.usual(true), evidence.toArray(Evidence[]::new));
    }
    assertThat(plan.state()).isEqualTo(Plan.State.FOUND);
    assertThat(plan.say()).contains("high limit");
    assertThat(evidence.size()).isLessThan(8);
  }

  @Test
  void what_the_customer_said_is_not_asked_again() {
    Set<Question> told =
        Set.of(new Question.Runs("motor", "heat-call"), new Question.Runs("element", "heat-call"));
    assertThat(plan(Policy.usual(true)).next())
        .isNotEmpty()
        .noneMatch(p -> told.stream().anyMatch(q -> q.id().equals(p.id())));
    assertThat(planOf(Optional.empty()).next()).anyMatch(p -> p.kind() == Question.Kind.RUNS);
  }

  private static Plan planOf(Optional<String> complaint) {
    Diagnosis.Opinion opinion = DIAGNOSIS.opinion(List.of(), complaint);
    return PLANNER.plan(opinion, List.of(), Policy.usual(true));
  }

  @Test
  void the_route_card_names_a_suspect_at_its_leaves_and_its_branches_share_the_chances() {
    Diagnosis.Opinion opinion = DIAGNOSIS.opinion(List.of(), NO_HEAT);
    DecisionTree card = PLANNER.route(opinion, List.of(), Policy.usual(true), 4);
    assertThat(card.branches()).isNotEmpty();
    double sum = card.branches().stream().mapToDouble(DecisionTree.Branch::probability).sum();
    assertThat(sum).isBetween(0.85, 1.0);
    assertThat(card.text()).contains("It is the ").contains("min)");
  }
}
