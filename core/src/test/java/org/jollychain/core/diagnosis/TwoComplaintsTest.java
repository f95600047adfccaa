package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Applies;
import org.jollychain.core.network.Meters;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

/** A customer who tells two things; what explains both is likelier, common practice, no source. */
class TwoComplaintsTest {

  private static final Sheet RANGE = Sheets.shipped("range-coil-240");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(RANGE);

  private static ComplaintTold also(String complaint) {
    return ComplaintTold.on(RANGE, "c", complaint, Optional.empty());
  }

  private static double blamed(Assessment a, String part) {
    return a.parts().stream()
        .filter(p -> p.id().equals(part))
        .mapToDouble(Assessment.PartAssessment::probability)
        .findFirst()
        .orElseThrow();
  }

  private static Evidence ohms(String part, String value) {
    return new Entry(
            "r" + part,
            "ohms",
            Optional.empty(),
            Optional.empty(),
            Optional.of(part),
            Optional.empty(),
            "isolated",
            new Entry.How(
                List.of(RANGE.part(part).from()),
                Optional.empty(),
                Optional.empty(),
                false,
                Optional.empty()),
            value)
        .on(RANGE, Meters.USUAL);
  }

  @Test
  void what_brings_about_both_leads() {
    Optional<String> noBake = Optional.of("no-bake");
    Assessment one = DIAGNOSIS.assess(List.of(), noBake);
    Assessment both = DIAGNOSIS.assess(List.of(also("no-broil")), noBake);
    assertThat(blamed(one, "bake-element")).isGreaterThan(0.2);
    assertThat(blamed(both, "bake-element")).isLessThan(blamed(one, "bake-element") / 2);
    assertThat(blamed(both, "oven-thermostat")).isGreaterThan(2 * blamed(one, "oven-thermostat"));
  }

  @Test
  void what_was_told_at_the_beginning_tells_nothing_more_when_it_is_told_again() {
    Optional<String> noBake = Optional.of("no-bake");
    Assessment once = DIAGNOSIS.assess(List.of(), noBake);
    Assessment twice = DIAGNOSIS.assess(List.of(also("no-bake")), noBake);
    assertThat(blamed(twice, "bake-element"))
        .isCloseTo(blamed(once, "bake-element"), within(1e-12));
  }

  @Test
  void a_part_that_is_found_and_explains_only_one_of_them_says_so() {
    Diagnosis.Opinion opinion =
        DIAGNOSIS.opinion(
            new ArrayList<>(List.of(also("no-front"), ohms("bake-element", "OL"))),
            Optional.of("no-bake"));
    assertThat(opinion.told()).extracting(Complaint::id).containsExactly("no-bake", "no-front");
    assertThat(opinion.assessment().leading().part()).isEqualTo("bake-element");
    assertThat(opinion.assessment().flags())
        .filteredOn(f -> f.kind() == Flag.Kind.UNEXPLAINED)
        .singleElement()
        .extracting(Flag::text)
        .asString()
        .contains("front coil stays cold");
  }

  @Test
  void complaints_that_exclude_each_other_are_refused_with_the_load() {
    List<Complaint> both =
        List.of(RANGE.complaints().get("no-front"), RANGE.complaints().get("no-rear"));
    assertThatThrownBy(() -> ComplaintTold.check(RANGE, both))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("exclude each other: the front coil runs in one");
    Complaint passing = RANGE.complaints().get("front-comes-and-goes");
    assertThatCode(
            () -> ComplaintTold.check(RANGE, List.of(RANGE.complaints().get("no-rear"), passing)))
        .doesNotThrowAnyException();
    assertThatThrownBy(() -> also("no-fron")).hasMessageContaining("did you mean \"no-front\"?");
  }

  @Test
  void what_a_guide_means_for_either_complaint_is_meant() {
    Applies oven = new Applies(Set.of("no-bake"), Map.of());
    Complaint bake = RANGE.complaints().get("no-bake");
    Complaint front = RANGE.complaints().get("no-front");
    assertThat(oven.to(RANGE, List.of(front, bake))).isTrue();
    assertThat(oven.to(RANGE, List.of(front))).isFalse();
    assertThat(oven.to(RANGE, List.of())).isTrue();
  }
}
