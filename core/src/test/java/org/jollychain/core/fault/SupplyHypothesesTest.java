package org.jollychain.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

/** What the states of a supply do to its terminals, worked out by hand. */
class SupplyHypothesesTest {

  private static double between(Solution s, String a, String b) {
    return s.volts(a).minus(s.volts(b)).abs();
  }

  private static List<Hypothesis> of(Sheet sheet, SupplyFault kind) {
    return new Hypotheses(new UnitModel(sheet))
        .all(Optional.empty()).stream()
            .filter(h -> h.supplyFault().filter(kind::equals).isPresent())
            .toList();
  }

  @Test
  void swapped_conductors_bring_the_volts_by_the_neutral() {
    Sheet sheet = Sheets.shipped("dryer-condenser-230");
    List<Hypothesis> swapped = of(sheet, SupplyFault.SWAPPED);
    assertThat(swapped).isNotEmpty();
    Solution now =
        new UnitModel(sheet).in("idle", swapped.get(0).changesIn(sheet.situation("idle")));
    assertThat(between(now, "L", "N")).isCloseTo(230, within(0.5));
    assertThat(between(now, "L", "PE")).isCloseTo(0, within(0.5));
    assertThat(between(now, "N", "PE")).isCloseTo(230, within(0.5));
  }

  /** Two loads in series across the legs: what one gains the other loses. */
  @Test
  void a_neutral_gone_upstream_splits_the_volts_anyhow_and_the_sum_stays() {
    Sheet sheet = Sheets.shipped("water-heater-240");
    List<Hypothesis> open = of(sheet, SupplyFault.OPEN_NEUTRAL);
    double least = 240;
    double most = 0;
    for (Hypothesis h : open) {
      Solution now =
          new UnitModel(sheet).in("satisfied", h.changesIn(sheet.situation("satisfied")));
      assertThat(between(now, "L1", "L2")).isCloseTo(240, within(1.0));
      least = Math.min(least, between(now, "L1", "N"));
      most = Math.max(most, between(now, "L1", "N"));
    }
    assertThat(least).isLessThan(10);
    assertThat(most).isGreaterThan(230);
  }

  /** 240 V at 16 ohm behind a joint of 2 ohm: 240 * 16 / 18, as in any divider. */
  @Test
  void a_joint_is_right_without_load_and_sags_under_it() {
    Sheet sheet = Sheets.heater();
    Change joint = Change.dropping("supply:line1", 2);
    UnitModel unit = new UnitModel(sheet);
    assertThat(between(unit.in("idle", List.of(joint)), "L1", "L2")).isCloseTo(240, within(0.5));
    double loaded = between(unit.in("call", List.of(joint)), "L1", "L2");
    double sound = between(unit.in("call"), "L1", "L2");
    assertThat(loaded / sound).isCloseTo(16.48 / 18.48, within(0.01));
    assertThat(of(sheet, SupplyFault.LOW))
        .anyMatch(h -> h.faults().get(0).changes().equals(List.of(joint.spread(0.34))));
  }

  @Test
  void a_source_can_be_put_where_there_is_none_and_no_slope_is_lost() {
    Change driven = Change.driven("supply:neutral", 230);
    assertThat(((Change.InBranch) driven).emf(Complex.ZERO)).isEqualTo(Complex.of(230));
    assertThat(((Change.InBranch) driven).movesSource()).isTrue();
  }

  @Test
  void what_else_hangs_on_a_conductor_does_not_while_the_unit_is_off_it() {
    Sheet sheet = Sheets.shipped("dryer-timer-240");
    assertThat(of(sheet, SupplyFault.DEAD_LEG))
        .anyMatch(
            h ->
                h.changesIn(sheet.situation("idle")).stream()
                    .anyMatch(Change.ToCase.class::isInstance))
        .allSatisfy(
            h ->
                assertThat(h.changesIn(sheet.situation("isolated")))
                    .noneMatch(Change.ToCase.class::isInstance));
  }
}
