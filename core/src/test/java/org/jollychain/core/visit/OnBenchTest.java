package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.diagnosis.Verdict;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.core.partcheck.Ratings;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class OnBenchTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);

  private static VisitEntry benched(String part, String told) {
    return new VisitEntry(VisitEntry.Kind.BENCHED, part, told);
  }

  private static Assessment after(VisitEntry... entries) {
    List<Evidence> evidence = new ArrayList<>(OnBench.findings(DRYER, List.of(entries)));
    evidence.add(new Readings(DRYER).live("L1-L2 239"));
    return DIAGNOSIS.assess(evidence, Optional.of("no-heat"));
  }

  /** A disc that opened at 98 C where 121 C is due. */
  @Test
  void a_disc_that_opened_too_early_is_condemned() {
    VisitEntry early =
        benched("high-limit", "disc-heat-up: opens-at=121 C; log=0 21C closed | 20 98C open");
    Assessment assessment = after(early);
    assertThat(assessment.leading().part()).isEqualTo("high-limit");
    assertThat(assessment.leading().confirmed()).isTrue();
  }

  @Test
  void one_that_passed_is_sound() {
    VisitEntry good =
        benched(
            "high-limit",
            "disc-heat-up: opens-at=121 C; log=0 21C closed | 8 80C closed | 18 121C open");
    Assessment.PartAssessment limit =
        after(good).parts().stream()
            .filter(p -> p.id().equals("high-limit"))
            .findFirst()
            .orElseThrow();
    assertThat(limit.verdict()).isEqualTo(Verdict.SOUND);
  }

  @Test
  void the_last_check_of_a_part_counts_in_either_order() {
    VisitEntry bad = benched("element", "element: watts=5200; volts=240; ohms=OL");
    VisitEntry good = benched("element", "element: watts=5200; volts=240; ohms=11.1");
    assertThat(OnBench.findings(DRYER, List.of(bad, good)))
        .extracting(Inspection::finding)
        .containsExactly(Inspection.Finding.BENCH_PASSED);
    assertThat(OnBench.findings(DRYER, List.of(good, bad)))
        .extracting(Inspection::finding)
        .containsExactly(Inspection.Finding.BENCH_FAILED);
  }

  @Test
  void what_is_doubtful_is_no_evidence_and_what_cannot_be_is_refused() {
    VisitEntry doubtful = benched("element", "element: watts=5200; volts=240; ohms=11k");
    assertThat(OnBench.findings(DRYER, List.of(doubtful))).isEmpty();
    assertThatThrownBy(
            () ->
                benched("element", "element: watts=-1; volts=240")
                    .check(DRYER, UnitFacts.NONE, Optional.empty(), List.of()))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("watts");
    assertThatThrownBy(
            () ->
                benched("element", "elemant: x=1")
                    .check(DRYER, UnitFacts.NONE, Optional.empty(), List.of()))
        .hasMessageContaining("did you mean");
  }

  /** A part that reads what its sheet says of it passes the check that its sheet fills in. */
  @ParameterizedTest
  @MethodSource("org.jollychain.core.Sheets#shipped")
  void the_ratings_of_every_element_are_its_own(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Part part : sheet.parts().values()) {
      if (part.kind() == PartKind.HEATING_ELEMENT) {
        Map<String, String> typed = new HashMap<>(Ratings.of(part, sheet.supply()).get(0).given());
        typed.put("ohms", String.valueOf(part.load().orElseThrow().ohms()));
        assertThat(PartChecks.answer("element", typed).grade())
            .as(part.id())
            .isEqualTo(CheckResult.Grade.GOOD);
      }
    }
  }

  @Test
  void a_part_brings_its_ratings() {
    Ratings element = Ratings.of(DRYER.part("element"), DRYER.supply()).get(0);
    assertThat(element.card().key()).isEqualTo("element");
    assertThat(element.given()).containsEntry("watts", "5200 W").containsEntry("volts", "240 V");
    assertThat(Ratings.of(DRYER.part("high-limit"), DRYER.supply()))
        .anyMatch(r -> r.card().key().equals("disc-heat-up") && r.given().containsKey("opens-at"));
  }
}
