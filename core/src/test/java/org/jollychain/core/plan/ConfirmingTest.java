package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What confirms a suspect is said by the plan alone, so that it obeys the permit. */
class ConfirmingTest {

  /** Words of live measuring; a load that is watched as it runs is none. */
  private static final String LIVE_WORDS =
      "(?is).*\\b(live|energi[sz]ed?|under load|drop across|volts (across|from)|amps through)\\b.*";

  private static final double SURE = 0.95;

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  /** Every suspect of a sheet in turn believed, the rest of the belief as it was. */
  private static List<Diagnosis.Opinion> eachBelieved(Diagnosis.Opinion opinion) {
    Map<String, Posterior.Entry> suspects = new LinkedHashMap<>();
    for (Posterior.Entry e : opinion.beliefs()) {
      Hypothesis h = e.hypothesis();
      suspects.putIfAbsent(
          h.culprit() + " " + h.faults().stream().findFirst().flatMap(f -> f.failed()), e);
    }
    List<Diagnosis.Opinion> each = new ArrayList<>();
    for (Posterior.Entry suspect : suspects.values()) {
      List<Posterior.Entry> beliefs = new ArrayList<>(List.of(believed(suspect, SURE)));
      opinion.beliefs().stream()
          .filter(e -> e != suspect)
          .map(e -> believed(e, (1 - SURE) * e.probability()))
          .forEach(beliefs::add);
      each.add(
          new Diagnosis.Opinion(
              opinion.assessment(), beliefs, opinion.unit(), opinion.beginning(), opinion.told()));
    }
    return each;
  }

  private static Posterior.Entry believed(Posterior.Entry e, double probability) {
    return new Posterior.Entry(e.hypothesis(), e.index(), probability, e.track(), e.otherwise());
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void without_a_permit_nothing_live_is_said_of_any_suspect(String key) {
    Diagnosis diagnosis = new Diagnosis(Sheets.shipped(key));
    Planner planner = new Planner(diagnosis);
    Policy isolated = Policy.usual(false);
    Diagnosis.Opinion nothingRead = diagnosis.opinion(List.of(), Optional.empty());
    assertThat(nothingRead.assessment().toString()).doesNotMatch(LIVE_WORDS);
    List<Diagnosis.Opinion> opinions = eachBelieved(nothingRead);
    assertThat(opinions).hasSizeGreaterThan(10);
    for (Diagnosis.Opinion opinion : opinions) {
      Plan plan = planner.plan(opinion, List.of(), isolated);
      String suspect = opinion.beliefs().get(0).hypothesis().title(diagnosis.sheet());
      // what a place is dangerous for is said all the same
      String said = plan.toString().replaceAll("hazards=\\[[^]]*]", "");
      assertThat(said).as("%s", suspect).doesNotMatch(LIVE_WORDS);
      assertThat(plan.confirmBy()).as("%s", suspect).isNotBlank();
      assertThat(plan.next())
          .as("%s", suspect)
          .noneMatch(
              p ->
                  p.kind() == Question.Kind.MEASURE
                      && diagnosis.sheet().situation(p.situation()).supplyOn());
    }
  }

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);
  private final Readings read = new Readings(DRYER);

  private static String confirmBy(Policy policy, Evidence... evidence) {
    List<Evidence> all = List.of(evidence);
    return new Planner(DIAGNOSIS)
        .plan(DIAGNOSIS.opinion(all, Optional.empty()), all, policy)
        .confirmBy();
  }

  @Test
  void an_open_link_is_confirmed_by_its_own_ohms() {
    assertThat(
            confirmBy(
                Policy.usual(true), read.live("L1-L2 238"), read.drop("thermal-cutoff", "237.8")))
        .contains("Ohms across the thermal cut-off");
  }

  @Test
  void a_drop_is_confirmed_live_only_with_a_permit() {
    Evidence[] drop = {read.live("L1-L2 238"), read.drop("cycling-thermostat", "31.1")};
    Evidence supply = drop[0];
    assertThat(confirmBy(Policy.usual(true), supply, drop[1])).contains("cycling thermostat");
    assertThat(confirmBy(Policy.usual(false), supply, drop[1]))
        .contains("Ohms across the cycling thermostat")
        .doesNotMatch(LIVE_WORDS);
  }

  /** A test that was made is not called out of reach. */
  @Test
  void a_test_that_was_made_is_to_be_made_again() {
    assertThat(
            confirmBy(
                Policy.usual(true),
                read.live("L1-L2 238"),
                read.drop("thermal-cutoff", "237.8"),
                read.ohms("thermal-cutoff", "OL")))
        .startsWith("Ohms across the thermal cut-off, once more with firm contact");
  }

  @Test
  void without_a_permit_a_secondary_is_confirmed_by_the_ohms_of_its_winding() {
    Sheet autoclave = Sheets.shipped("autoclave-230");
    Diagnosis diagnosis = new Diagnosis(autoclave);
    Readings read = new Readings(autoclave);
    List<Evidence> open = List.of(read.ohms("fill-valve", "28.6"), read.ohms("secondary", "OL"));
    Diagnosis.Opinion opinion = diagnosis.opinion(open, Optional.of("no-fill"));
    assertThat(opinion.assessment().leading().part()).isEqualTo("secondary");
    assertThat(opinion.assessment().leading().confirmed()).isTrue();
  }

  @Test
  void a_source_is_not_condemned_without_its_own_volts() {
    Sheet autoclave = Sheets.shipped("autoclave-230");
    Readings read = new Readings(autoclave);
    List<Evidence> dark =
        List.of(
            read.entry("volts-ac", Optional.empty(), "filling", List.of(), "V1-S0 0.05"),
            read.across("volts-ac", "fill-drive", "filling", "0.05"),
            read.across("volts-ac", "heater-relay", "filling", "227.1"));
    Diagnosis diagnosis = new Diagnosis(autoclave);
    Diagnosis.Opinion opinion = diagnosis.opinion(dark, Optional.of("no-fill"));
    assertThat(opinion.assessment().leading().part()).isEqualTo("secondary");
    assertThat(opinion.assessment().leading().confirmed()).isFalse();
    Plan plan = new Planner(diagnosis).plan(opinion, dark, Policy.usual(true));
    assertThat(plan.next().get(0).confirms()).isTrue();
    assertThat(plan.next().get(0).across()).contains("secondary");
    List<Evidence> measured = new ArrayList<>(dark);
    measured.add(read.across("volts-ac", "secondary", "heat-call", "26.2"));
    assertThat(
            diagnosis.opinion(measured, Optional.of("no-fill")).assessment().leading().confirmed())
        .isFalse();
  }
}
