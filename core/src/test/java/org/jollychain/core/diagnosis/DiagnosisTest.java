package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.diagnosis.Assessment.Tread;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

class DiagnosisTest {

  private static final Sheet DRYER = Sheets.dryer();
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);

  private final Readings read = new Readings(DRYER);

  private static Assessment assess(Evidence... evidence) {
    return DIAGNOSIS.assess(List.of(evidence), Optional.of("no-heat"));
  }

  private static PartAssessment part(Assessment a, String id) {
    return a.parts().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
  }

  private static boolean flagged(Assessment a, Flag.Kind kind) {
    return a.flags().stream().anyMatch(f -> f.kind() == kind);
  }

  /**
   * Common practice, no source: the open link shows the source voltage, closed ones next to
   * nothing.
   */
  @Test
  void the_link_that_holds_the_whole_supply_is_open_and_the_others_pass() {
    Assessment a =
        assess(
            read.live("L1-L2 238"),
            read.drop("block-line1", "0.1"),
            read.drop("timer-heat-contact", "0.1"),
            read.drop("thermal-cutoff", "237.8"));
    assertThat(part(a, "thermal-cutoff").verdict()).isEqualTo(Verdict.OPEN);
    assertThat(part(a, "thermal-cutoff").probability()).isGreaterThan(0.99);
    assertThat(part(a, "thermal-cutoff").because())
        .anyMatch(b -> b.contains("237.8 V across the thermal cut-off"));
    assertThat(
            List.of(
                "high-limit", "cycling-thermostat", "element", "centrifugal-switch", "block-line2"))
        .allSatisfy(id -> assertThat(part(a, id).verdict()).isEqualTo(Verdict.PASSES));
    assertThat(a.supply().verdict()).isEqualTo(SupplyVerdict.SOUND);
  }

  @Test
  void a_suspect_is_confirmed_only_by_a_test_on_itself() {
    Evidence[] live = {read.live("L1-L2 238"), read.drop("thermal-cutoff", "237.8")};
    assertThat(assess(live).leading().confirmed()).isFalse();
    Assessment a = assess(live[0], live[1], read.ohms("thermal-cutoff", "OL"));
    assertThat(a.leading().confirmed()).isTrue();
    assertThat(a.leading().part()).isEqualTo("thermal-cutoff");
  }

  /**
   * Arithmetic: without current every closed contact reads 0 V, and so may an open one behind an
   * open one.
   */
  @Test
  void zero_volts_with_nothing_flowing_proves_nothing() {
    Assessment a = assess(read.live("L1-L2 238"), read.drop("high-limit", "0.0"));
    assertThat(part(a, "high-limit").verdict()).isIn(Verdict.UNTESTED, Verdict.UNCLEAR);
    assertThat(flagged(a, Flag.Kind.NO_CURRENT)).isTrue();
  }

  /** The drum turns, so that current is shown to flow through the motor's own links only. */
  @Test
  void no_link_is_sound_while_no_current_was_shown_to_flow() {
    List<Evidence> evidence = new ArrayList<>(List.of(read.live("L1-L2 238.1")));
    DRYER.parts().values().stream()
        .filter(p -> p.actsAsLink())
        .forEach(p -> evidence.add(read.drop(p.id(), "0.0")));
    Assessment a = DIAGNOSIS.assess(evidence, Optional.of("no-heat"));
    for (String link :
        List.of(
            "block-line1",
            "timer-heat-contact",
            "thermal-cutoff",
            "high-limit",
            "cycling-thermostat",
            "centrifugal-switch",
            "block-line2")) {
      assertThat(part(a, link).verdict()).as(link).isNotEqualTo(Verdict.SOUND);
    }
  }

  @Test
  void a_link_that_carries_its_load_current_with_next_to_no_drop_is_sound() {
    Assessment a =
        assess(
            read.live("L1-L2 238.1"),
            read.drop("high-limit", "0.32"),
            new Readings(DRYER).across("amps-ac", "element", "heat-call", "20.9"));
    assertThat(part(a, "high-limit").verdict()).isEqualTo(Verdict.SOUND);
    assertThat(part(a, "high-limit").measured().orElseThrow().ohms().orElseThrow())
        .isCloseTo(0.32 / 20.9, within(0.001));
  }

  /** Arithmetic: a contact's loss is V times I. */
  @Test
  void a_tired_link_is_called_dropping_with_its_ohms_and_watts() {
    Assessment a =
        assess(
            read.live("L1-L2 238.4"),
            read.drop("timer-heat-contact", "31.4"),
            read.drop("element", "204.9"),
            read.across("amps-ac", "element", "heat-call", "18.0"));
    PartAssessment timer = part(a, "timer-heat-contact");
    assertThat(timer.verdict()).isEqualTo(Verdict.DROPPING);
    double amperes = 204.9 / (240.0 * 240 / 5200 * 1.03);
    assertThat(timer.measured().orElseThrow().ohms().orElseThrow())
        .isCloseTo(31.4 / amperes, within(0.1 * 31.4 / amperes));
    assertThat(timer.measured().orElseThrow().watts())
        .isCloseTo(31.4 * amperes, within(0.1 * 31.4 * amperes));
    assertThat(timer.because()).anyMatch(b -> b.contains("lost in it"));
  }

  @Test
  void potentials_to_a_reference_find_the_step_as_drops_do() {
    Assessment a =
        assess(read.live("L1-L2 239.0"), read.live("C1-L2 238.9"), read.live("C2-L2 0.0"));
    assertThat(a.leading().part()).isEqualTo("high-limit");
    assertThat(part(a, "high-limit").verdict()).isEqualTo(Verdict.OPEN);
  }

  @Test
  void isolated_ohms_find_the_open_element_and_clear_what_passes_them() {
    Assessment a =
        assess(
            read.ohms("element", "OL"),
            read.ohms("high-limit", "0.1"),
            read.ohms("thermal-cutoff", "0.2"));
    assertThat(part(a, "element").verdict()).isEqualTo(Verdict.OPEN);
    assertThat(part(a, "high-limit").verdict()).isEqualTo(Verdict.SOUND);
    assertThat(a.leading().confirmed()).isTrue();
    assertThat(part(a, "cycling-thermostat").verdict()).isEqualTo(Verdict.UNTESTED);
  }

  /** Common practice, no source: the supply's voltage across a load that draws nothing. */
  @Test
  void an_element_that_holds_the_supply_but_carries_nothing_is_open() {
    Assessment a =
        assess(
            read.live("L1-L2 238.4"),
            read.drop("element", "238.3"),
            read.across("amps-ac", "element", "heat-call", "0.00"));
    assertThat(part(a, "element").verdict()).isEqualTo(Verdict.OPEN);
    assertThat(part(a, "element").modes().get(0).mode()).isEqualTo(FaultMode.OPEN);
  }

  /** Common practice, no source; the far side of the load still shows 120 V through it. */
  @Test
  void a_dead_leg_is_told_from_a_fault_in_the_unit() {
    Assessment a = assess(read.live("L1-N 119.6"), read.live("L1-L2 0.3"), read.live("L2-N 119.5"));
    assertThat(a.supply().verdict()).isEqualTo(SupplyVerdict.DEAD_LEG);
    assertThat(a.leading().part()).isEqualTo("supply");
  }

  /** Arithmetic: 208 V between two legs of a wye, (208/240)^2 of the heat. */
  @Test
  void two_legs_of_a_three_phase_supply_are_recognised_and_their_heat_share_given() {
    Assessment a =
        assess(read.live("L1-L2 207.8"), read.live("L1-N 120.1"), read.live("L2-N 119.9"));
    assertThat(a.supply().verdict()).isEqualTo(SupplyVerdict.WRONG_SYSTEM);
    assertThat(a.supply().heatShare().orElseThrow()).isCloseTo(0.750, within(0.002));
  }

  /** Arithmetic: two legs of 104 V against each other are 208 V, (208/240)^2 of the heat. */
  @Test
  void the_heat_that_is_left_follows_from_whichever_terminals_were_read() {
    Assessment low = assess(read.live("L1-N 104.2"), read.live("L2-N 104.0"));
    assertThat(low.supply().heatShare().orElseThrow()).isCloseTo(0.752, within(0.02));
  }

  @Test
  void ohms_on_a_live_circuit_are_a_hazard_and_no_evidence() {
    Assessment without = assess();
    Assessment a = assess(read.across("ohms", "high-limit", "heat-call", "OL"));
    assertThat(flagged(a, Flag.Kind.HAZARD)).isTrue();
    assertThat(part(a, "high-limit").probability())
        .isEqualTo(part(without, "high-limit").probability());
  }

  @Test
  void voltage_in_an_isolated_unit_is_a_hazard() {
    assertThat(
            flagged(
                assess(read.entry("volts-ac", Optional.empty(), "isolated", List.of(), "L1-N 118")),
                Flag.Kind.HAZARD))
        .isTrue();
  }

  @Test
  void a_reading_a_thousand_times_off_is_named_a_slip_of_the_prefix() {
    Assessment a =
        assess(
            read.ohms("element", "11.2k"),
            read.live("L1-L2 238"),
            read.drop("high-limit", "0.33"),
            read.across("amps-ac", "element", "heat-call", "20.9"));
    assertThat(flagged(a, Flag.Kind.SLIP)).isTrue();
    assertThat(part(a, "element").probability()).isLessThan(0.2);
  }

  @Test
  void a_load_seen_running_shows_that_its_path_passes() {
    Assessment a =
        assess(new Observation("o1", "motor", "heat-call", Observation.Runs.YES, Optional.empty()));
    assertThat(part(a, "thermal-fuse").verdict()).isEqualTo(Verdict.PASSES);
    assertThat(part(a, "door-switch").verdict()).isEqualTo(Verdict.PASSES);
  }

  @Test
  void readings_that_no_fault_explains_are_called_a_misfit_and_cap_the_certainty() {
    Assessment a =
        assess(
            read.live("L1-L2 238"),
            read.drop("high-limit", "71.0"),
            read.drop("cycling-thermostat", "55.0"),
            read.drop("thermal-cutoff", "103"),
            read.across("amps-ac", "element", "heat-call", "21.3"));
    assertThat(flagged(a, Flag.Kind.MISFIT)).isTrue();
    assertThat(a.leading().probability()).isLessThanOrEqualTo(0.9 + 1e-9);
    assertThat(a.leading().confirmed()).isFalse();
  }

  @Test
  void the_staircase_steps_down_at_the_open_link_and_carries_the_marks_read() {
    Assessment a =
        assess(
            read.live("L1-L2 238"),
            read.drop("block-line1", "0.1"),
            read.drop("timer-heat-contact", "0.1"),
            read.drop("thermal-cutoff", "237.8"));
    List<Tread> treads = a.paths().get(0).treads();
    assertThat(treads.get(3).estimated()).isCloseTo(237.9, within(1.5));
    assertThat(treads.get(4).estimated()).isCloseTo(0.0, within(1.0));
    assertThat(treads.get(4).measured().orElseThrow()).isCloseTo(0.0, within(0.01));
    assertThat(a.account().orElseThrow().remainderVolts()).isCloseTo(0.0, within(0.01));
  }

  @Test
  void a_burnt_terminal_makes_its_link_a_suspect_but_confirms_nothing() {
    Evidence burnt =
        Inspection.on(DRYER, "i1", "timer-heat-contact", "heat-call", "burnt", Optional.empty());
    double before = part(assess(), "timer-heat-contact").probability();
    Assessment a = assess(burnt);
    assertThat(part(a, "timer-heat-contact").probability()).isGreaterThan(3 * before);
    assertThat(a.leading().confirmed()).isFalse();
    assertThat(a.evidence().get(0).shown()).isEqualTo("burnt");
  }

  /**
   * Common practice, no source: with the blower stopped the limit must open; if not, stop using it.
   */
  @Test
  void a_limit_that_stays_closed_above_its_rating_is_a_reason_to_stop_using_the_unit() {
    Sheet furnace = Sheets.shipped("furnace-24v");
    Readings on = new Readings(furnace);
    Assessment a =
        new Diagnosis(furnace)
            .assess(
                List.of(
                    on.across("volts-ac", "high-limit", "limit-test", "0.01"),
                    on.across("volts-ac", "inducer-coil", "limit-test", "25.1"),
                    on.across("volts-ac", "inducer-coil", "heat-call", "25.0")),
                Optional.empty());
    assertThat(part(a, "high-limit").verdict()).isEqualTo(Verdict.STUCK);
    assertThat(flagged(a, Flag.Kind.BYPASS_SUSPECTED)).isTrue();
  }

  /** Live it holds the supply, isolated and cool it passes again: it had tripped. */
  @Test
  void a_limit_that_passes_again_when_it_is_cool_has_tripped() {
    Assessment a =
        assess(
            read.live("L1-L2 238.4"),
            read.drop("high-limit", "238.2"),
            read.ohms("high-limit", "0.2"));
    assertThat(part(a, "high-limit").verdict()).isEqualTo(Verdict.TRIPPED);
    assertThat(a.leading().mode()).isEqualTo("tripped");
  }

  /** Arithmetic: from either end to the case, the ohms of the leak and of the coil up to it. */
  @Test
  void a_grounded_element_is_found_by_ohms_from_its_ends_to_the_case() {
    Assessment a =
        DIAGNOSIS.assess(
            List.of(
                read.entry("ohms", Optional.empty(), "isolated", List.of(), "C3-PE 21.8"),
                read.entry("ohms", Optional.empty(), "isolated", List.of(), "E2-PE 24.6"),
                read.ohms("element", "11.2", "E2")),
            Optional.empty());
    assertThat(part(a, "element").verdict()).isEqualTo(Verdict.LEAKING);
  }

  @Test
  void a_finer_meter_settles_what_a_coarse_one_leaves_open() {
    Sheet heater = Sheets.heater();
    Diagnosis diagnosis = new Diagnosis(new UnitModel(heater));
    double coarse = offValue(diagnosis, heater, "tester");
    double fine = offValue(diagnosis, heater, "bench");
    assertThat(fine).isGreaterThan(coarse);
  }

  private static double offValue(Diagnosis diagnosis, Sheet sheet, String meter) {
    Evidence reading =
        new Entry(
                "r1",
                "ohms",
                Optional.empty(),
                Optional.empty(),
                Optional.of("element"),
                Optional.empty(),
                "isolated",
                new Entry.How(
                    List.of("B"), Optional.of(meter), Optional.empty(), false, Optional.empty()),
                "19.6")
            .on(sheet, Meters.USUAL);
    return part(diagnosis.assess(List.of(reading), Optional.empty()), "element").probability();
  }

  @Test
  void the_order_of_the_evidence_does_not_matter() {
    List<Evidence> evidence =
        new ArrayList<>(
            List.of(
                read.live("L1-L2 238"),
                read.drop("high-limit", "0.1"),
                read.drop("thermal-cutoff", "237.8"),
                read.ohms("element", "11.3"),
                read.live("C1-N 119")));
    Assessment first = DIAGNOSIS.assess(evidence, Optional.of("no-heat"));
    for (int seed = 0; seed < 5; seed++) {
      Collections.shuffle(evidence, new Random(seed));
      assertThat(DIAGNOSIS.assess(evidence, Optional.of("no-heat")))
          .as("seed %d", seed)
          .isEqualTo(first);
    }
  }

  @Test
  void every_figure_is_finite_and_probabilities_are_probabilities() {
    Assessment a =
        assess(
            read.live("L1-L2 0"),
            read.drop("high-limit", "OL"),
            read.ohms("element", "0"),
            read.drop("element", "1999"),
            read.live("PE-N 0.0"));
    assertThat(a.parts()).allSatisfy(p -> assertThat(p.probability()).isBetween(0.0, 1.0));
    assertThat(a.paths())
        .allSatisfy(
            path ->
                assertThat(path.treads())
                    .allSatisfy(t -> assertThat(t.estimated() + t.low() + t.high()).isFinite()));
    double sum = a.unexplained() + a.supply().probability();
    assertThat(sum).isBetween(0.0, 1.0 + 1e-9);
  }

  @Test
  void an_unknown_complaint_is_refused() {
    assertThatThrownBy(() -> DIAGNOSIS.assess(List.of(), Optional.of("smells")))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("there are no-heat, dead");
  }

  /**
   * A soft source in front of loads that resist little more than it: what they get is far from
   * straight in its impedance, and no part of the unit is to be blamed for it.
   */
  @Test
  void a_soft_supply_is_blamed_on_no_part() {
    Sheet sheet = Sheets.shipped("heater-instant-12v");
    UnitModel unit = new UnitModel(sheet, name -> name.equals(Network.SOURCE_OHMS) ? 2.2 : 0);
    Readings on = new Readings(sheet);
    List<Evidence> evidence = new ArrayList<>();
    for (String part : List.of("bank-valve-2", "main-valve", "bank-valve-1")) {
      for (String situation : List.of("heat-call", "low-fire")) {
        for (MeterFunction function : List.of(MeterFunction.VOLTS_DC, MeterFunction.AMPS_DC)) {
          Probe probe = Probe.across(function, sheet.part(part), situation);
          double shown = Meter.GENERAL.read(unit.in(situation), probe);
          evidence.add(
              on.across(
                  function.toString(),
                  part,
                  situation,
                  String.format(
                      Locale.ROOT, function == MeterFunction.AMPS_DC ? "%.2f" : "%.3f", shown)));
        }
      }
    }
    for (String pair : List.of("X2-1 PE", "X2-8 PE", "X2-1 X2-8")) {
      String[] points = pair.split(" ");
      Probe probe = Probe.between(MeterFunction.VOLTS_DC, points[0], points[1], "heat-call");
      double shown = Meter.GENERAL.read(unit.in("heat-call"), probe);
      evidence.add(
          on.entry(
              "volts-dc",
              Optional.empty(),
              "heat-call",
              List.of(),
              String.format(Locale.ROOT, "%s %.3f", pair.replace(' ', '-'), shown)));
    }
    evidence.add(on.ohms("bank-valve-2", "45.5"));
    evidence.add(on.ohms("inlet-sensor", "OL"));
    evidence.add(on.ohms("inlet-sensor", "OL"));
    Assessment a = new Diagnosis(sheet).assess(evidence, Optional.empty());
    assertThat(a.leading().part()).isEqualTo("inlet-sensor");
    assertThat(a.leading().probability()).isGreaterThan(0.9);
  }
}
