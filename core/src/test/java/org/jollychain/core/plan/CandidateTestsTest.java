package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.Interview;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class CandidateTestsTest {

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void every_question_has_a_name_of_its_own_and_is_found_by_it(String key) {
    CandidateTests questions = new CandidateTests(new UnitModel(Sheets.shipped(key)));
    Set<String> ids = questions.all().stream().map(Question::id).collect(Collectors.toSet());
    assertThat(ids).hasSameSizeAs(questions.all());
    for (Question q : questions.all()) {
      assertThat(questions.byId(q.id())).contains(q);
    }
  }

  /** A unit is asked everything that can be asked; each answer is known for what it answers. */
  @ParameterizedTest
  @MethodSource("sheets")
  void what_a_unit_answers_answers_what_it_was_asked(String key) {
    Sheet sheet = Sheets.shipped(key);
    CandidateTests questions = new CandidateTests(new UnitModel(sheet));
    Interview unit =
        new Interview(
            new SimulatedUnit(sheet, List.of(), 1), new VirtualMeter(Meter.GENERAL, 2), 3);
    for (Question q : questions.all()) {
      assertThat(questions.answeredBy(unit.answer(q))).as("%s", q).contains(q);
    }
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void every_question_goes_to_points_and_a_situation_of_its_sheet(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Question q : new CandidateTests(new UnitModel(sheet)).all()) {
      assertThat(sheet.situations()).containsKey(q.situation());
      if (q instanceof Question.Measure m) {
        assertThat(sheet.points()).containsKeys(m.at().red(), m.at().black());
        assertThat(m.at().red()).isNotEqualTo(m.at().black());
        assertThat(sheet.points().keySet()).containsAll(m.at().liftedAt());
      }
    }
  }

  /** Heat spends a one-shot part, and harms the switches that guard against flame. */
  /** A wander lead, as protective conductors are tested (common practice, no source). */
  @Test
  void a_wire_from_one_place_to_another_is_measured_with_a_long_lead() {
    Sheet kit = Sheets.shipped("heat-kit-240");
    CandidateTests questions = new CandidateTests(new UnitModel(kit));
    Question run = questions.closedOhms(kit.part("stat-r-wire")).orElseThrow();
    assertThat(questions.all()).contains(run);
    assertThat(WorkState.ARRIVED.to(run, kit, TimeCosts.USUAL).steps())
        .anyMatch(s -> s.startsWith("Lay a long lead from Low-voltage terminal R to Thermostat R"));
    assertThat(questions.all())
        .flatExtracting(q -> q.probe().stream().toList())
        .filteredOn(p -> !p.function().clamps() && !inReach(kit, p))
        .allMatch(p -> p.part().isPresent() && p.function().needsDeadCircuit());
  }

  /** A plug that is half out is no place to probe (common practice, no source). */
  @Test
  void an_outlet_is_read_with_the_plug_out_and_nothing_called() {
    Sheet dryer = Sheets.shipped("dryer-timer-240");
    List<Probe> live =
        new CandidateTests(new UnitModel(dryer))
            .all().stream()
                .flatMap(q -> q.probe().stream())
                .filter(p -> !p.function().needsDeadCircuit() && !p.function().clamps())
                .filter(p -> p.red().equals("PL1") || p.black().equals("PL1"))
                .toList();
    assertThat(live).isNotEmpty().allMatch(p -> p.situation().equals("idle"));
    assertThat(live).allMatch(p -> Set.of("PL2", "PN").contains(p.black()));
    assertThat(dryer.together("PL1", "L1", true)).isFalse();
    assertThat(dryer.together("PL1", "L1", false)).isTrue();
  }

  /** A panel is the electrician's (common practice, no source). */
  @Test
  void no_probe_goes_to_a_panel_and_the_supply_is_read_where_it_arrives() {
    Sheet heater = Sheets.shipped("water-heater-240");
    List<Probe> all =
        new CandidateTests(new UnitModel(heater))
            .all().stream().flatMap(q -> q.probe().stream()).toList();
    Set<String> panel = Set.of("L1", "L2", "N", "B1", "B2");
    assertThat(all).noneMatch(p -> panel.contains(p.red()) || panel.contains(p.black()));
    assertThat(all)
        .anyMatch(p -> p.atTerminals(heater) && p.red().equals("J1") && p.black().equals("J2"));
  }

  private static boolean inReach(Sheet sheet, Probe probe) {
    return sheet.together(
        probe.red(), probe.black(), sheet.situation(probe.situation()).supplyOn());
  }

  @Test
  void only_discs_that_come_back_by_themselves_are_heated() {
    int found = 0;
    for (String key : Sheets.shipped()) {
      Sheet sheet = Sheets.shipped(key);
      List<Probe> heated =
          new CandidateTests(new UnitModel(sheet))
              .all().stream()
                  .flatMap(q -> q.probe().stream())
                  .filter(p -> p.celsius().isPresent())
                  .toList();
      found += heated.size();
      for (Probe probe : heated) {
        Part part = sheet.part(probe.part().orElseThrow());
        assertThat(part.kind().is(PartKind.Trait.ONE_SHOT)).isFalse();
        assertThat(part.kind().toString()).isIn("limit", "cycling-thermostat");
        assertThat(sheet.situation(probe.situation()).supplyOn()).isFalse();
        assertThat(probe.liftedAt()).containsExactlyInAnyOrder(part.from(), part.to());
        assertThat(probe.celsius().get())
            .isGreaterThan(part.thermal().orElseThrow().actsAtCelsius());
      }
    }
    assertThat(found).isGreaterThan(10);
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void terminals_are_put_on_again_only_of_links(String key) {
    Sheet sheet = Sheets.shipped(key);
    CandidateTests questions = new CandidateTests(new UnitModel(sheet));
    for (Part part : sheet.parts().values()) {
      Optional<Question> again = questions.reseated(part);
      assertThat(again.isPresent() && !part.actsAsLink()).as(part.id()).isFalse();
      again.ifPresent(q -> assertThat(q.reseated()).isTrue());
    }
  }

  /** Two parts between the same points: with its wires off each has a test of its own. */
  @Test
  void every_part_that_can_be_tested_by_itself_keeps_its_test() {
    int found = 0;
    for (String key : Sheets.shipped()) {
      UnitModel unit = new UnitModel(Sheets.shipped(key));
      CandidateTests candidates = new CandidateTests(unit);
      for (Part part : unit.sheet().parts().values()) {
        Optional<Question> own = candidates.closedOhms(part);
        if (own.flatMap(Question::probe).filter(p -> !p.liftedAt().isEmpty()).isPresent()) {
          assertThat(candidates.byId(own.get().id())).as("%s %s", key, part.id()).isEqualTo(own);
          found++;
        }
      }
    }
    assertThat(found).isGreaterThan(10);
  }
}
