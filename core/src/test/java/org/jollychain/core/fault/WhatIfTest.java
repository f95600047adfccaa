package org.jollychain.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.fault.WhatIf.Answer;
import org.jollychain.core.fault.WhatIf.PartState;
import org.jollychain.core.fault.WhatIf.Supposed;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.junit.jupiter.api.Test;

class WhatIfTest {

  private static final UnitModel HEATER = new UnitModel(Sheets.heater());

  private static Supposed fault(String part, FaultMode mode) {
    return new Supposed(part, mode, Optional.empty(), Optional.empty(), Optional.empty());
  }

  private static Answer suppose(List<Supposed> faults, Optional<Double> volts, Probe... probes) {
    return WhatIf.answer(
        HEATER,
        Meter.GENERAL,
        HEATER.sheet().situation("call"),
        faults,
        List.of(),
        volts,
        List.of(probes));
  }

  private static PartState part(Answer answer, String id) {
    return answer.parts().stream().filter(p -> p.part().equals(id)).findFirst().orElseThrow();
  }

  @Test
  void with_nothing_supposed_it_is_the_sound_unit() {
    Answer answer = suppose(List.of(), Optional.empty());
    assertThat(answer.points()).allSatisfy(p -> assertThat(p.now()).isEqualTo(p.sound()));
    assertThat(part(answer, "element").powerShare().orElseThrow()).isCloseTo(1.0, within(1e-9));
    assertThat(answer.notes()).isEmpty();
  }

  /** Arithmetic: heat goes with the square, (208/240)^2 of it at 208 V. */
  @Test
  void a_lower_supply_takes_its_square_of_the_heat() {
    Answer answer = suppose(List.of(), Optional.of(208.0));
    assertThat(part(answer, "element").powerShare().orElseThrow())
        .isCloseTo(Math.pow(208.0 / 240, 2), within(1e-6));
  }

  @Test
  void refuses_ohms_on_a_live_circuit() {
    Probe limit = Probe.across(MeterFunction.OHMS, HEATER.sheet().part("limit"), "call");
    assertThatThrownBy(() -> suppose(List.of(), Optional.empty(), limit))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("never ohms on a live circuit");
  }

  @Test
  void a_supposed_open_link_is_read_beside_the_sound_one() {
    Probe limit = Probe.across(MeterFunction.VOLTS_AC, HEATER.sheet().part("limit"), "call");
    Answer answer = suppose(List.of(fault("limit", FaultMode.OPEN)), Optional.empty(), limit);
    assertThat(answer.readings().get(0).now()).isEqualTo("240.0 V");
    assertThat(answer.readings().get(0).sound()).startsWith("0.2");
    assertThat(answer.paths().get(0).steps().get(2).now()).isLessThan(0.1);
  }

  @Test
  void a_wire_that_only_strays_hold_is_marked_as_floating() {
    Answer answer =
        suppose(
            List.of(fault("limit", FaultMode.OPEN), fault("element", FaultMode.OPEN)),
            Optional.empty());
    assertThat(answer.points())
        .filteredOn(WhatIf.PointState::floating)
        .extracting(WhatIf.PointState::point)
        .containsExactly("B");
  }

  /** By hand: half of 16.48 ohm, then 2 ohm, from a leg of 120 V. */
  @Test
  void a_grounded_element_draws_from_both_legs() {
    Answer answer =
        suppose(
            List.of(
                new Supposed(
                    "element",
                    FaultMode.CASE_LEAK,
                    Optional.of(2.0),
                    Optional.of(0.25),
                    Optional.empty())),
            Optional.empty());
    assertThat(part(answer, "limit").amperes())
        .isGreaterThan(part(answer, "element").soundAmperes());
  }

  @Test
  void a_dead_short_is_said_to_be_one() {
    Answer answer =
        suppose(
            List.of(
                new Supposed(
                    "element",
                    FaultMode.OFF_VALUE_LOW,
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(0.002))),
            Optional.empty());
    assertThat(answer.notes()).anyMatch(n -> n.contains("A dead short"));
  }
}
