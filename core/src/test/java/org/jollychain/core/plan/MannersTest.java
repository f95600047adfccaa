package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Meter;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.Interview;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a master asks, and where one stops; common practice, no source. */
class MannersTest {

  /** An answer as likely as this is no news. */
  private static final double NO_NEWS = 0.97;

  private static final int MOST_STEPS = 12;

  /** Kept for all tests: what may come of every question is learnt once. */
  private static final Map<String, Engine> ENGINES = new HashMap<>();

  private record Engine(Diagnosis diagnosis, Planner planner, CandidateTests questions) {

    static Engine of(String key) {
      return ENGINES.computeIfAbsent(
          key,
          k -> {
            Diagnosis diagnosis = new Diagnosis(Sheets.shipped(k));
            return new Engine(
                diagnosis, new Planner(diagnosis), new CandidateTests(diagnosis.unit()));
          });
    }

    Sheet sheet() {
      return diagnosis.sheet();
    }

    Plan plan(List<Evidence> evidence, Optional<String> told, boolean permit) {
      return planner.plan(diagnosis.opinion(evidence, told), evidence, Policy.usual(permit));
    }
  }

  private record Walk(Sheet sheet, List<Plan> plans) {

    Plan end() {
      return plans.get(plans.size() - 1);
    }

    List<Proposal> asked() {
      return plans.subList(0, plans.size() - 1).stream().map(p -> p.next().get(0)).toList();
    }
  }

  /** The plan followed to its end on a simulated unit, the likeliest fault of that title in it. */
  private static Walk walk(String key, String complaint, String fault, boolean permit) {
    Engine engine = Engine.of(key);
    Sheet sheet = engine.sheet();
    Optional<String> told = Optional.of(complaint);
    Hypothesis truth =
        new Hypotheses(engine.diagnosis.unit())
            .all(told.map(sheet.complaints()::get)).stream()
                .filter(h -> h.title(sheet).equals(fault))
                .max(Comparator.comparingDouble(Hypothesis::prior))
                .orElseThrow();
    SimulatedUnit unit = new SimulatedUnit(sheet, truth.faults(), 5);
    Interview interview = new Interview(unit, new VirtualMeter(Meter.GENERAL, 3), 1);
    List<Evidence> evidence = new ArrayList<>();
    List<Plan> plans = new ArrayList<>();
    while (plans.size() <= MOST_STEPS) {
      Plan plan = engine.plan(evidence, told, permit);
      plans.add(plan);
      if (plan.next().isEmpty()) {
        break;
      }
      String next = plan.next().get(0).id();
      evidence.add(interview.answer(engine.questions.byId(next).orElseThrow()));
    }
    return new Walk(sheet, plans);
  }

  @ParameterizedTest
  @CsvSource({
    "furnace-24v, no-heat, pressure switch open, the pressure switch",
    "furnace-24v, locked-out, inducer relay driver open, the inducer relay driver",
    "furnace-condensing-24v, no-heat, inducer pressure switch open, the inducer pressure switch",
    "range-240, no-broil, supply: one leg dead, ''",
    "dryer-condenser-230, half-heat, heater relay 2 open, the heater relay 2"
  })
  void it_stops_where_only_power_would_tell_more(
      String key, String complaint, String fault, String where) {
    Walk walk = walk(key, complaint, fault, false);
    assertThat(walk.end().state()).isEqualTo(Plan.State.NOTHING_WORTH);
    assertThat(walk.end().say()).contains("measured with power on").contains(where);
    assertThat(walk.asked())
        .filteredOn(p -> p.expect().get(0).probability() > NO_NEWS)
        .hasSizeLessThan(2);
  }

  /** What closes only when it is called is shown to stand open by its call, and by nothing else. */
  @ParameterizedTest
  @CsvSource({
    "dryer-condenser-230, half-heat, heater relay 2 open, relay-2",
    "furnace-24v, no-heat, pressure switch open, pressure-switch",
    "heater-instant-12v, no-main, main valve driver open, main-drive"
  })
  void a_contact_that_is_called_is_judged_by_its_own_drop(
      String key, String complaint, String fault, String part) {
    Walk walk = walk(key, complaint, fault, true);
    Proposal last = walk.asked().get(walk.asked().size() - 1);
    assertThat(last.across()).contains(part);
    assertThat(last.situation()).isEqualTo(walk.sheet.complaints().get(complaint).situation());
    assertThat(walk.end().state()).isEqualTo(Plan.State.CLEAR);
  }

  /** A drum that does not turn is not hot, and a tank that stays cold has no hot top. */
  @ParameterizedTest
  @CsvSource({
    "dryer-timer-240, dead, thermal fuse open, auto-warm",
    "water-heater-240, no-hot, upper element open, upper-hot satisfied isolated-hot",
    "furnace-24v, locked-out, main limit open, heat-call running limit-test",
    "microwave-120, dead, line fuse open, cooking"
  })
  void nothing_is_asked_in_a_state_the_unit_never_gets_to(
      String key, String complaint, String fault, String never) {
    Set<String> unreached = Set.of(never.split(" "));
    for (boolean permit : new boolean[] {true, false}) {
      Walk walk = walk(key, complaint, fault, permit);
      assertThat(walk.plans)
          .flatMap(Plan::next)
          .isNotEmpty()
          .extracting(Proposal::situation)
          .doesNotContainAnyElementsOf(unreached);
      assertThat(walk.end().say()).contains(fault.replace(" open", ""));
    }
  }

  @Test
  void one_fault_alone_or_with_another_is_named_once() {
    Engine engine = Engine.of("heat-kit-staged-240");
    List<Evidence> evidence =
        List.of(
            new Readings(engine.sheet())
                .entry("ohms", Optional.empty(), "isolated-call", List.of(), "S1-W 97"));
    Plan plan = engine.plan(evidence, Optional.of("no-heat"), false);
    assertThat(plan.next().get(0).expect())
        .extracting(Proposal.Expect::meaning)
        .anyMatch(m -> m.contains("heat contact (alone or with the room thermostat fan contact)"));
  }
}
