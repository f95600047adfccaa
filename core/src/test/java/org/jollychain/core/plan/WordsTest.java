package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.network.Meter;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.Interview;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a plan says, read on every sheet, for every complaint, over the first steps of a job. */
class WordsTest {

  private static final int STEPS = 4;

  /** What no technician would say, or what tells nothing. */
  private static final Pattern ODD =
      Pattern.compile(
          "settles|something else|board supply run|A sound one: ([^;]*); an open one: \\1\\."
              + "|\\d [µmk]?[VAΩ] to \\d|One reading for [01] links|\\b0\\.000|null|NaN");

  static Stream<String> shipped() {
    return Sheets.shipped().stream();
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void a_plan_is_said_as_technicians_talk(String key) {
    Sheet sheet = Sheets.shipped(key);
    Diagnosis diagnosis = new Diagnosis(sheet);
    Planner planner = new Planner(diagnosis);
    CandidateTests questions = new CandidateTests(diagnosis.unit());
    List<String> said = new ArrayList<>();
    for (String complaint : sheet.complaints().keySet()) {
      Optional<String> told = Optional.of(complaint);
      Interview unit =
          new Interview(
              new SimulatedUnit(sheet, List.of(), 3), new VirtualMeter(Meter.GENERAL, 4), 5);
      List<Evidence> evidence = new ArrayList<>();
      for (int i = 0; i < STEPS; i++) {
        Diagnosis.Opinion opinion = diagnosis.opinion(evidence, told);
        opinion.assessment().parts().forEach(p -> said.addAll(p.because()));
        Plan plan = planner.plan(opinion, evidence, Policy.usual(true));
        for (Proposal p : plan.next()) {
          said.add(p.title());
          said.add(p.why());
          assertThat(p.expect().stream().map(Proposal.Expect::shown)).doesNotHaveDuplicates();
          for (Proposal.Expect e : p.expect()) {
            said.add(e.meaning());
            said.add(e.shown());
            assertThat(e.probability()).as(p.title()).isGreaterThan(0.03);
            // where along the chain, then two at most, with their company
            assertThat(e.meaning().replaceAll("^[^:]*: | \\(.*?\\)", "").split(", | or "))
                .as(e.meaning())
                .hasSizeLessThanOrEqualTo(3);
          }
        }
        said.add(plan.say());
        if (plan.next().isEmpty()) {
          break;
        }
        evidence.add(unit.answer(questions.byId(plan.next().get(0).id()).orElseThrow()));
      }
    }
    assertThat(said).hasSizeGreaterThan(20).noneMatch(s -> ODD.matcher(s).find());
  }
}
