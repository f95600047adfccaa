package org.jollychain.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

class HypothesesTest {

  private static final Sheet DRYER = Sheets.dryer();
  private static final Hypotheses HYPOTHESES = new Hypotheses(new UnitModel(DRYER));

  private static List<Hypothesis> all(String complaint) {
    return HYPOTHESES.all(Optional.ofNullable(DRYER.complaints().get(complaint)));
  }

  private static double share(List<Hypothesis> all, Predicate<Hypothesis> of) {
    return all.stream().filter(of).mapToDouble(Hypothesis::prior).sum();
  }

  private static double partShare(List<Hypothesis> all, String part) {
    return share(all, h -> h.modeOf(part).isPresent());
  }

  @Test
  void priors_add_up_to_one_with_and_without_a_complaint() {
    for (String complaint : List.of("no-heat", "dead", "none told")) {
      assertThat(share(all(complaint), h -> true)).as(complaint).isCloseTo(1.0, within(1e-12));
      assertThat(all(complaint)).allSatisfy(h -> assertThat(h.prior()).isPositive());
    }
  }

  @Test
  void a_complaint_favours_what_would_cause_it_and_excludes_nothing() {
    // the thermal fuse of this dryer stands in the motor's circuit
    double noHeat = partShare(all("no-heat"), "thermal-fuse");
    double dead = partShare(all("dead"), "thermal-fuse");
    assertThat(noHeat).isBetween(1e-4, 0.05);
    assertThat(dead).isGreaterThan(5 * noHeat);
    assertThat(partShare(all("no-heat"), "thermal-cutoff"))
        .isGreaterThan(5 * partShare(all("dead"), "thermal-cutoff"));
  }

  @Test
  void a_complaint_makes_a_sound_unit_less_likely() {
    Predicate<Hypothesis> sound = h -> h.kind() == Hypothesis.Kind.SOUND;
    assertThat(share(all("no-heat"), sound)).isLessThan(share(all("none told"), sound));
  }

  @Test
  void a_missing_command_that_several_contacts_wait_for_is_the_controls() {
    Hypothesis missing =
        all("dead").stream()
            .filter(h -> h.blames(new Culprit.OfCommand("timer-heat")))
            .findFirst()
            .orElseThrow();
    assertThat(missing.changesIn(DRYER.situation("heat-call")))
        .extracting("branch")
        .containsExactlyInAnyOrder("timer-heat-contact", "timer-motor-contact", "timer-advance");
    assertThat(all("dead"))
        .anyMatch(h -> h.modeOf("door-switch").equals(Optional.of(FaultMode.NOT_MADE)));
  }

  @Test
  void parts_that_go_together_fail_together_more_often_than_strangers() {
    List<Hypothesis> all = all("no-heat");
    double partners =
        share(
            all, h -> h.modeOf("thermal-cutoff").isPresent() && h.modeOf("high-limit").isPresent());
    double strangers =
        share(
            all,
            h ->
                h.modeOf("thermal-cutoff").isPresent()
                    && h.modeOf("cycling-thermostat").isPresent());
    assertThat(partners).isGreaterThan(3 * strangers);
    assertThat(strangers).isPositive();
  }

  @Test
  void two_opens_are_thought_of_only_within_one_chain() {
    assertThat(all("dead"))
        .noneMatch(h -> h.modeOf("thermal-fuse").isPresent() && h.modeOf("high-limit").isPresent());
  }

  /**
   * By hand: open, the limit holds the 240 V of both legs; closed, the element draws 240 V / (11.08
   * ohm x 1.03 + source and contacts).
   */
  @Test
  void a_links_loop_is_the_voltage_it_holds_open_over_the_current_it_carries_closed() {
    double loop = 240.0 * 240 / 5200 * 1.03 + 0.08 + 7 * 0.017;
    assertThat(HYPOTHESES.loopOhms("high-limit")).isCloseTo(loop, within(0.03 * loop));
  }

  @Test
  void a_link_knows_whose_current_it_carries() {
    assertThat(HYPOTHESES.loadsOf("high-limit")).containsExactly("element");
    assertThat(HYPOTHESES.loadsOf("block-line1"))
        .containsExactlyInAnyOrder("element", "motor", "timer-motor", "timer-resistor");
    assertThat(HYPOTHESES.loadsOf("door-switch")).containsExactly("motor");
  }

  @Test
  void a_single_phase_unit_has_no_dead_leg_and_no_wrong_system() {
    String text =
        Sheets.HEATER
            .replace("system: split-phase", "system: single-phase")
            .replace(
                "{line1: L1, line2: L2, neutral: N, earth: PE}",
                "{line1: L1, neutral: L2, earth: PE}")
            .replace("between: [F, N]", "between: [F, L2]");
    Sheet single = SheetValidator.read(text);
    List<SupplyFault> faults =
        new Hypotheses(new UnitModel(single))
            .all(Optional.<Complaint>empty()).stream()
                .flatMap(h -> h.supplyFault().stream())
                .distinct()
                .toList();
    assertThat(faults)
        .containsExactlyInAnyOrder(
            SupplyFault.DEAD, SupplyFault.LOW, SupplyFault.HIGH, SupplyFault.SWAPPED);
  }
}
