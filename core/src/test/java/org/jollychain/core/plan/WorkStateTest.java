package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

class WorkStateTest {

  private static final Sheet DRYER = Sheets.dryer();
  private static final CandidateTests QUESTIONS = new CandidateTests(new UnitModel(DRYER));
  private static final TimeCosts COSTS = TimeCosts.USUAL;
  private static final Question COLD = QUESTIONS.closedOhms(DRYER.part("high-limit")).orElseThrow();
  private static final Question LIVE = QUESTIONS.drop(DRYER.part("high-limit")).orElseThrow();

  private static Reading at(String minute, String function, String part, String situation) {
    Entry.How how =
        new Entry.How(
            List.of(),
            Optional.empty(),
            Optional.empty(),
            false,
            Optional.of(Instant.parse("2026-03-02T09:%s:00Z".formatted(minute))));
    return new Entry(
            "r" + minute,
            function,
            Optional.empty(),
            Optional.empty(),
            Optional.of(part),
            Optional.empty(),
            situation,
            how,
            "0.1")
        .on(DRYER, Meters.USUAL);
  }

  @Test
  void the_last_evidence_in_time_says_the_state_and_all_of_it_what_is_open() {
    List<Reading> taken =
        List.of(
            at("20", "volts-ac", "block-line1", "heat-call"),
            at("10", "ohms", "high-limit", "isolated"));
    WorkState now = WorkState.after(DRYER, taken, Policy.usual(true));
    assertThat(now.live()).isTrue();
    assertThat(now.situation()).isEqualTo("heat-call");
    assertThat(now.open()).contains("rear-panel");
  }

  @Test
  void what_the_policy_says_is_open_costs_nothing_to_open() {
    Policy usual = Policy.usual(true);
    Policy opened =
        new Policy(
            usual.method(), usual.order(), true, COSTS, Set.of(), Set.of(), Set.of("rear-panel"));
    WorkState.Move move = WorkState.after(DRYER, List.of(), opened).to(COLD, DRYER, COSTS);
    assertThat(move.opening()).isZero();
  }

  @Test
  void an_access_that_demands_power_off_has_the_unit_isolated_before_it_is_live_again() {
    WorkState.Move move = WorkState.ARRIVED.to(LIVE, DRYER, COSTS);
    assertThat(move.steps())
        .containsSubsequence("Isolate, lock off, prove dead", "Hands out, power on");
    assertThat(move.exposed()).isTrue();
    assertThat(move.price(COSTS)).isCloseTo(move.minutes() + COSTS.exposure(), within(1e-9));
  }

  @Test
  void from_live_to_isolated_costs_the_lockout_and_back_the_power() {
    WorkState isolated = WorkState.ARRIVED.to(COLD, DRYER, COSTS).after();
    WorkState.Move back = isolated.to(LIVE, DRYER, COSTS);
    assertThat(back.minutes())
        .isCloseTo(COSTS.energise() + COSTS.change() + COSTS.probe(), within(1e-9));
    WorkState.Move again = back.after().to(COLD, DRYER, COSTS);
    assertThat(again.minutes())
        .isCloseTo(COSTS.isolate() + COSTS.change() + COSTS.probe(), within(1e-9));
  }

  @Test
  void every_wire_that_comes_off_is_paid_for() {
    Probe across = Probe.across(MeterFunction.OHMS, DRYER.part("element"), COLD.situation());
    WorkState there = WorkState.ARRIVED.to(COLD, DRYER, COSTS).after();
    double none = there.to(new Question.Measure(across), DRYER, COSTS).minutes();
    double one =
        there.to(new Question.Measure(across.lifted(Set.of("C3"))), DRYER, COSTS).minutes();
    assertThat(one - none).isCloseTo(COSTS.lift(), within(1e-9));
  }

  @Test
  void a_hot_state_is_waited_for_once() {
    Sheet furnace = Sheets.shipped("furnace-24v");
    Question hot =
        new Question.Measure(
            Probe.across(MeterFunction.VOLTS_AC, furnace.part("high-limit"), "limit-test"));
    WorkState.Move first = WorkState.ARRIVED.to(hot, furnace, COSTS);
    assertThat(first.minutes()).isGreaterThan(COSTS.warm());
    assertThat(first.after().to(hot, furnace, COSTS).minutes()).isLessThan(COSTS.warm());
  }

  /** Up to 50 V AC nothing is held against touching it (IEC 61140, from memory). */
  @Test
  void extra_low_voltage_has_no_price_of_exposure() {
    Sheet furnace = Sheets.shipped("furnace-24v");
    Question low =
        new CandidateTests(new UnitModel(furnace)).drop(furnace.part("high-limit")).orElseThrow();
    assertThat(WorkState.ARRIVED.to(low, furnace, COSTS).exposed()).isFalse();
  }
}
