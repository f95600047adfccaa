package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.Sheets;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

/** A control and what hangs on it; and whose tab a probe stays on. */
class ControlFeedsTest {

  private static final Sheet RANGE = Sheets.shipped("range-240");

  /** Its relays would have to be in to feed it back, and it is what pulls them. */
  @Test
  void a_control_whose_own_feed_is_open_is_not_fed_back_through_its_relays() {
    UnitModel unit = new UnitModel(RANGE);
    Solution cut = unit.in("bake-call", List.of(Change.open("oven-cutout")));
    assertThat(unit.runs("control", unit.in("bake-call"))).isTrue();
    assertThat(unit.runs("control", cut)).isFalse();
    assertThat(cut.amperes("bake-element").abs()).isLessThan(0.01);
  }

  @Test
  void a_relay_that_is_welded_stays_closed_whatever_the_control_does() {
    UnitModel unit = new UnitModel(RANGE);
    Solution cut =
        unit.in("bake-call", List.of(Change.open("oven-cutout"), Change.closed("common-relay")));
    assertThat(cut.amperes("common-relay").abs()).isLessThan(0.1);
    assertThat(unit.in("bake-call", List.of(Change.open("bake-wire"))).amperes("control").abs())
        .isGreaterThan(0.01);
  }

  /** 13.7 ohm with its wires off, a fifth of it from the terminal to a fault of 1 ohm. */
  @Test
  void with_its_wires_off_a_grounded_element_is_still_read_from_its_own_tab() {
    Sheet sheet = Sheets.shipped("water-heater-240");
    UnitModel unit = new UnitModel(sheet);
    List<Change> grounded = List.of(Change.leak("upper-element", 0.2, 1));
    for (Set<String> off : List.of(Set.of("U1", "U2"), Set.of("U1"))) {
      Probe probe =
          new Probe(
              MeterFunction.OHMS, "U1", "PE", Optional.empty(), "isolated", off, Optional.empty());
      double ohms =
          unit.in("isolated", probe.conditions(sheet, grounded)).ohmsBetween("U1", "PE").re();
      assertThat(ohms).isBetween(3.3, 4.2);
      double sound =
          unit.in("isolated", probe.conditions(sheet, List.of())).ohmsBetween("U1", "PE").re();
      assertThat(sound).isGreaterThan(1e6);
    }
  }
}
