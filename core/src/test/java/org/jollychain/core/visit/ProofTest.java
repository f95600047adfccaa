package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Guides;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProofTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Guide GUIDE = Guides.shipped("dryer-electric");
  private static final Guide FURNACE = Guides.shipped("furnace-24v");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);

  private static List<Proof> proofs(boolean live, List<VisitEntry> told, List<VisitEntry> earlier) {
    Diagnosis.Opinion opinion = DIAGNOSIS.opinion(List.of(), Optional.empty());
    return Visit.of(
            Optional.of(GUIDE),
            new Told("", false, live, told, earlier),
            List.of(),
            opinion,
            new Planner(DIAGNOSIS).plan(opinion, List.of(), Policy.usual(live)))
        .proofs();
  }

  private static Proof current(VisitEntry... told) {
    return proofs(true, List.of(told), List.of()).stream()
        .filter(p -> p.id().equals("current"))
        .findFirst()
        .orElseThrow();
  }

  private static VisitEntry read(String amperes) {
    return new VisitEntry(VisitEntry.Kind.MEASURED, "current/element", amperes);
  }

  /** 5200 W at 240 V are 21.7 A by Ohm's law, hot some per cent less. */
  @Test
  void a_current_holds_within_what_was_computed_for_the_unit() {
    assertThat(current().answer()).isEmpty();
    assertThat(current(read("21.2")).answer()).isEqualTo("yes");
    assertThat(current(read("21,2 A")).answer()).isEqualTo("yes");
    assertThat(current(read("10.4")).answer()).isEqualTo("no");
    // who read it again is right
    assertThat(current(read("10.4"), read("21.2")).answer()).isEqualTo("yes");
    // a unit may be another than its sheet: the technician has the last word
    assertThat(
            current(read("17.9"), new VisitEntry(VisitEntry.Kind.PROVED, "current", "yes"))
                .answer())
        .isEqualTo("yes");
    assertThat(current().figures()).extracting(Proof.Figure::id).containsExactly("current/element");
  }

  @Test
  void live_work_that_is_not_permitted_proves_nothing_and_is_not_asked_for() {
    assertThat(proofs(false, List.of(), List.of()))
        .extracting(Proof::id)
        .doesNotContain("current")
        .contains("warm");
  }

  @Test
  void what_was_read_on_the_visit_before_stands_beside_it() {
    assertThat(proofs(true, List.of(), List.of(read("22.0 A"))))
        .flatExtracting(Proof::figures)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.before()).isEqualTo("22.0");
              assertThat(f.told()).isFalse();
            });
  }

  @Test
  void a_proof_by_a_figure_does_not_hold_before_it_is_read() {
    VisitEntry holds = new VisitEntry(VisitEntry.Kind.PROVED, "current", "yes");
    assertThatThrownBy(() -> holds.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("type what was read");
    assertThatCode(
            () -> holds.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of(read("21"))))
        .doesNotThrowAnyException();
    VisitEntry fails = new VisitEntry(VisitEntry.Kind.PROVED, "current", "no");
    assertThatCode(() -> fails.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .doesNotThrowAnyException();
    VisitEntry looked = new VisitEntry(VisitEntry.Kind.PROVED, "air", "yes");
    assertThatCode(() -> looked.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .doesNotThrowAnyException();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          current/element | 21.4 V | no figure in A
          current/element | some   | no figure in A
          current/heater  | 21.4   | whose current
          current         | 21.4   | whose current
          air             | 3      | no proof "air" that has a figure
          nothing         | 3      | no proof "nothing"
          """)
  void what_is_no_figure_of_a_proof_is_refused_in_words(String subject, String typed, String why) {
    VisitEntry entry = new VisitEntry(VisitEntry.Kind.MEASURED, subject, typed);
    assertThatThrownBy(() -> entry.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining(why);
  }

  @Test
  void a_guide_says_what_will_do() {
    Guide.Figure flame = FURNACE.proofs().get("flame-current").figure().orElseThrow();
    assertThat(flame.unit()).isEqualTo("uA");
    assertThat(flame.from()).contains(1.0);
    assertThat(flame.to()).isEmpty();
    assertThat(FURNACE.proofs().get("carbon-monoxide").figure().orElseThrow().to()).contains(100.0);
  }
}
