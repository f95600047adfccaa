package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.jollychain.core.Guides;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.core.plan.TimeCosts;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class CauseFinderTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Guide GUIDE = Guides.shipped("dryer-electric");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);
  private static final CauseFinder FINDER = new CauseFinder(DRYER, GUIDE, TimeCosts.USUAL);
  private final Readings read = new Readings(DRYER);
  private final Evidence open = read.ohms("thermal-cutoff", "OL");
  private final Evidence again = read.ohms("thermal-cutoff", "OL");

  private static VisitEntry check(String check, String outcome) {
    return new VisitEntry(VisitEntry.Kind.CHECK, check, outcome);
  }

  private CauseSearch after(VisitEntry... entries) {
    return FINDER.search(assessed(open, again), List.of(), List.of(entries));
  }

  private static Diagnosis.Opinion assessed(Evidence... evidence) {
    return DIAGNOSIS.opinion(List.of(evidence), Optional.of("no-heat"));
  }

  private static double probability(String cause, CauseSearch search) {
    return search.causes().stream()
        .filter(c -> c.id().equals(cause))
        .findFirst()
        .orElseThrow()
        .probability();
  }

  @Test
  void figures_decide_what_the_bench_computes() {
    Guide guide = Guides.shipped("dryer-electric");
    VisitEntry longer =
        new VisitEntry(VisitEntry.Kind.COMPUTED, "duct-length", "length=12 m; square=3");
    assertThat(DerivedChecks.of(guide, List.of(longer)))
        .containsExactly(new VisitEntry(VisitEntry.Kind.CHECK, "duct-length", "over"));
    Sheet dryer = Sheets.shipped("dryer-timer-240");
    assertThatThrownBy(
            () ->
                new VisitEntry(VisitEntry.Kind.COMPUTED, "duct-length", "length=12 m")
                    .check(dryer, UnitFacts.NONE, Optional.of(guide), List.of()))
        .hasMessageContaining("square: is missing");
    assertThatThrownBy(
            () ->
                new VisitEntry(VisitEntry.Kind.COMPUTED, "hood-flap", "length=12 m")
                    .check(dryer, UnitFacts.NONE, Optional.of(guide), List.of()))
        .hasMessageContaining("not decided by figures");
  }

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Guides#keys")
  void every_bench_a_guide_names_is_there(String key) {
    for (Check check : Guides.shipped(key).checks().values()) {
      check.bench().ifPresent(b -> assertThat(PartChecks.withKey(b.key())).isNotNull());
    }
  }

  @Test
  void a_cause_that_was_seen_first_makes_the_links_it_opens_likelier() {
    Sheet dryer = Sheets.shipped("dryer-timer-240");
    Diagnosis diagnosis = new Diagnosis(dryer);
    GuideFindings lint =
        FoundByGuide.of(
            Optional.of(GUIDE),
            List.of(new VisitEntry(VisitEntry.Kind.CHECK, "duct-look", "lint")));
    Optional<String> noHeat = Optional.of("no-heat");
    double before = cutoff(diagnosis.opinion(List.of(), noHeat));
    double after =
        cutoff(diagnosis.opinion(List.of(), new Diagnosis.Beginning(noHeat, lint, UnitFacts.NONE)));
    assertThat(after).isGreaterThan(1.5 * before);
  }

  private static double cutoff(Diagnosis.Opinion opinion) {
    return opinion.assessment().parts().stream()
        .filter(p -> p.id().equals("thermal-cutoff"))
        .findFirst()
        .orElseThrow()
        .probability();
  }

  @Test
  void nothing_is_asked_before_a_link_is_known_to_be_open() {
    CauseSearch none = FINDER.search(assessed(), List.of(), List.of());
    assertThat(none.state()).isEqualTo(CauseSearch.State.NOT_NEEDED);
    CauseSearch element =
        FINDER.search(
            assessed(read.ohms("element", "OL"), read.ohms("element", "OL")), List.of(), List.of());
    assertThat(element.state()).isEqualTo(CauseSearch.State.NOT_NEEDED);
  }

  @Test
  void a_check_that_is_answered_again_counts_once_with_its_last_answer() {
    VisitEntry weak = new VisitEntry(VisitEntry.Kind.CHECK, "hood-air", "weak");
    VisitEntry strong = new VisitEntry(VisitEntry.Kind.CHECK, "hood-air", "strong");
    CauseSearch again = after(weak, strong);
    CauseSearch once = after(strong);
    assertThat(again.causes()).isEqualTo(once.causes());
    assertThat(again.answered())
        .singleElement()
        .satisfies(
            a -> {
              assertThat(a.answer()).isEqualTo("strong");
              assertThat(a.before()).containsExactly(a.outcomes().get("weak"));
            });
    assertThat(after(strong, strong).answered().get(0).before()).isEmpty();
  }

  @Test
  void every_check_that_is_left_is_listed_the_one_that_tells_most_for_its_minutes_first() {
    CauseSearch first = after();
    long fit =
        GUIDE.checks().values().stream()
            .filter(c -> c.applies().to(Sheets.shipped("dryer-timer-240"), List.of()))
            .count();
    assertThat(first.next()).hasSizeGreaterThan(4).hasSizeLessThanOrEqualTo((int) fit);
    assertThat(after(new VisitEntry(VisitEntry.Kind.CHECK, "hood-air", "strong")).next())
        .extracting(CauseSearch.Next::id)
        .doesNotContain("hood-air");
  }

  @Test
  void a_blown_cut_off_asks_for_its_cause_and_the_air_comes_first() {
    CauseSearch first = after();
    assertThat(first.opened()).contains("thermal-cutoff");
    assertThat(first.state()).isEqualTo(CauseSearch.State.ASK);
    assertThat(first.causes().get(0).id()).isEqualTo("lint-duct");
    assertThat(first.next()).isNotEmpty();
    assertThat(first.next().get(0).outcomes())
        .extracting(CauseSearch.Outcome::chance)
        .satisfies(
            chances ->
                assertThat(chances.stream().mapToDouble(c -> c).sum()).isCloseTo(1, within(1e-9)));
  }

  /** Bayes' rule by hand: weights of the guide and its table, nothing else. */
  @Test
  void a_check_narrows_the_causes_as_bayes_rule_has_it() {
    double[] weight = {8, 4};
    double[] strong = {0.03, 0.02};
    double others = 0;
    double all = 0;
    for (var c : GUIDE.causes().values()) {
      boolean relay = c.id().equals("relay-welded") || c.id().equals("sensor-reads-cold");
      if (!relay && c.concerns(DRYER.part("thermal-cutoff"))) {
        double likelihood = GUIDE.checks().get("hood-air").likelihood(c.id())[0];
        others += c.weight() * likelihood;
        all += c.weight();
      }
    }
    double unknown = 0.05 * all * GUIDE.checks().get("hood-air").otherwise()[0];
    CauseSearch now = after(check("hood-air", "strong"));
    assertThat(probability("lint-duct", now))
        .isCloseTo(weight[0] * strong[0] / (others + unknown), within(1e-9));
    assertThat(probability("hood-stuck", now))
        .isCloseTo(weight[1] * strong[1] / (others + unknown), within(1e-9));
  }

  @Test
  void what_a_check_shows_outright_is_found() {
    CauseSearch now = after(check("hood-air", "stuck"), check("hood-flap", "stuck"));
    assertThat(now.state()).isEqualTo(CauseSearch.State.FOUND);
    assertThat(now.causes().get(0).id()).isEqualTo("hood-stuck");
    assertThat(now.causes().get(0).shown()).isTrue();
    assertThat(now.causes().get(0).because()).anyMatch(r -> r.contains("speaks for it"));
    assertThat(now.causes().get(0).putRight()).isNotEmpty();
    CauseSearch both = after(check("hood-flap", "stuck"), check("duct-look", "lint"));
    assertThat(both.causes().subList(0, 2))
        .extracting(CauseSearch.Suspected::id)
        .containsExactlyInAnyOrder("hood-stuck", "lint-duct");
  }

  @Test
  void a_failing_that_the_readings_show_is_the_likeliest_cause() {
    double before = probability("element-grounded", after());
    CauseSearch now = FINDER.search(assessed(open, again, leak(), leak()), List.of(), List.of());
    assertThat(probability("element-grounded", now)).isGreaterThan(8 * before);
    assertThat(now.causes().get(0).id()).isEqualTo("element-grounded");
  }

  private Evidence leak() {
    return read.entry("ohms", Optional.empty(), "isolated", List.of(), "E2-PE 3.1");
  }

  @Test
  void no_cause_needs_a_reason() {
    VisitEntry none = new VisitEntry(VisitEntry.Kind.CAUSE, VisitEntry.NO_CAUSE, "duct walled in");
    assertThat(after(none).state()).isEqualTo(CauseSearch.State.NOT_FOUND);
    assertThatThrownBy(
            () ->
                new VisitEntry(VisitEntry.Kind.CAUSE, VisitEntry.NO_CAUSE, " ")
                    .check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .hasMessageContaining("say why");
  }

  @Test
  void what_is_not_in_the_guide_is_refused_with_what_is() {
    assertThatThrownBy(
            () ->
                check("hood-airr", "strong")
                    .check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .hasMessageContaining("did you mean \"hood-air\"");
    assertThatThrownBy(
            () ->
                check("hood-air", "loud")
                    .check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .hasMessageContaining("strong, weak, none");
  }

  /** A sound circuit that overheats is wholly a guide's matter. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "overloaded", "back-to-back", "rack-forward", "filter-clogged", "level-dirty",
            "door-gasket",
        "relief-leaks", "fill-leaks", "vent-leaks", "tubing", "not-level", "connector-burnt",
        "element-hot", "sensor-low"
      })
  void an_autoclave_that_overheats_has_all_its_causes(String cause) {
    Sheet sheet = Sheets.shipped("autoclave-115");
    CauseSearch search =
        new CauseFinder(sheet, Guides.shipped("autoclave"), TimeCosts.USUAL)
            .search(
                new Diagnosis(sheet).opinion(List.of(), Optional.of("overheats")),
                List.of(),
                List.of());
    assertThat(search.causes()).extracting(CauseSearch.Suspected::id).contains(cause);
  }

  /** A hose was cleared and nothing has changed: the hose is out, and the circuit is asked. */
  @Test
  void a_complaint_that_stays_clears_what_was_put_right() {
    Sheet dishwasher = Sheets.shipped("dishwasher-120");
    Guide guide = Guides.shipped("dishwasher");
    Diagnosis diagnosis = new Diagnosis(dishwasher);
    CauseFinder finder = new CauseFinder(dishwasher, guide, TimeCosts.USUAL);
    List<VisitEntry> told =
        new ArrayList<>(
            List.of(
                check("drain-look", "runs"),
                new VisitEntry(VisitEntry.Kind.DONE, "clear-drain", "yes")));
    Function<List<VisitEntry>, Diagnosis.Opinion> opinion =
        entries ->
            diagnosis.opinion(
                List.of(),
                new Diagnosis.Beginning(
                    Optional.of("no-drain"),
                    FoundByGuide.of(Optional.of(guide), entries),
                    UnitFacts.NONE));
    CauseSearch found = finder.search(opinion.apply(told), List.of(), told);
    assertThat(found.state()).isEqualTo(CauseSearch.State.FOUND);
    assertThat(found.causes().get(0).id()).isEqualTo("drain-blocked");
    double pump = ofPart("drain-pump", opinion.apply(told));
    told.add(new VisitEntry(VisitEntry.Kind.STAYS, "no-drain", ""));
    CauseSearch after = finder.search(opinion.apply(told), List.of(), told);
    assertThat(after.state()).isNotEqualTo(CauseSearch.State.FOUND);
    assertThat(after.causes())
        .filteredOn(c -> c.id().equals("drain-blocked"))
        .singleElement()
        .satisfies(c -> assertThat(c.probability()).isLessThan(0.4))
        .satisfies(c -> assertThat(c.because()).anyMatch(b -> b.contains("put right")));
    assertThat(ofPart("drain-pump", opinion.apply(told))).isGreaterThan(4 * pump);
  }

  private static double ofPart(String part, Diagnosis.Opinion opinion) {
    return opinion.assessment().parts().stream()
        .filter(p -> p.id().equals(part))
        .mapToDouble(p -> p.probability())
        .sum();
  }

  @Test
  void a_complaint_stays_only_after_something_was_put_right() {
    VisitEntry stays = new VisitEntry(VisitEntry.Kind.STAYS, "no-heat", "");
    assertThatThrownBy(() -> stays.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of()))
        .hasMessageContaining("say first what was put right");
    VisitEntry done = new VisitEntry(VisitEntry.Kind.DONE, "clean-duct", "yes");
    stays.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of(done));
    VisitEntry fuse = new VisitEntry(VisitEntry.Kind.RENEWED, "thermal-cutoff", "178 C");
    assertThatThrownBy(
            () -> stays.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of(done, fuse)))
        .hasMessageContaining("open a visit that follows");
    VisitEntry other = new VisitEntry(VisitEntry.Kind.STAYS, "no-hot", "");
    assertThatThrownBy(() -> other.check(DRYER, UnitFacts.NONE, Optional.of(GUIDE), List.of(done)))
        .hasMessageContaining("there is no complaint \"no-hot\"");
  }
}
