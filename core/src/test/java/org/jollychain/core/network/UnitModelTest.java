package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Whole units of the shipped sheets behave as the trade knows them. */
class UnitModelTest {

  private static UnitModel unit(String key) {
    return new UnitModel(Sheets.shipped(key));
  }

  private static double read(UnitModel unit, String situation, Probe probe, Change... changes) {
    return Meter.GENERAL.read(unit.in(situation, List.of(changes)), probe);
  }

  private static double volts(
      UnitModel unit, String situation, String red, String black, Change... changes) {
    MeterFunction function = MeterFunction.voltsOf(unit.sheet().supply());
    return read(unit, situation, Probe.between(function, red, black, situation), changes);
  }

  private static double ohms(
      UnitModel unit, String situation, String red, String black, Change... changes) {
    return read(unit, situation, Probe.between(MeterFunction.OHMS, red, black, situation), changes);
  }

  @ParameterizedTest
  @CsvSource({
    "dryer-timer-240, heat-call, motor, element",
    "dryer-gas-120, heat-call, motor, igniter",
    "heat-kit-240, heat-call, sequencer-heater, strip-1",
    "autoclave-115, heat-call, relay-coil, element",
    "furnace-24v, heat-call, inducer-coil, gas-valve"
  })
  void contacts_fall_out_when_the_load_that_drives_them_stands_still(
      String key, String situation, String driver, String driven) {
    UnitModel unit = unit(key);
    assertThat(unit.runs(driven, unit.in(situation))).isTrue();
    assertThat(unit.runs(driven, unit.in(situation, List.of(Change.open(driver))))).isFalse();
  }

  /** A timer that has run out leaves the motor without power: its heat switch opens again. */
  @Test
  void the_sound_unit_too_comes_to_rest_where_nothing_drives_a_contact() {
    UnitModel dryer = unit("dryer-gas-120");
    Change nothingNew = Change.closed("high-limit");
    double sound = volts(dryer, "ended", "T1", "T3");
    assertThat(sound).isLessThan(60);
    assertThat(volts(dryer, "ended", "T1", "T3", nothingNew)).isCloseTo(sound, within(0.5));
    Change welded = Change.closed("timer-motor-contact");
    assertThat(dryer.runs("motor", dryer.in("ended", List.of(welded)))).isTrue();
  }

  /** What changes nothing that runs is no other circuit, in any situation of any sheet. */
  @ParameterizedTest
  @MethodSource("org.jollychain.core.Sheets#shipped")
  void a_change_that_changes_nothing_leaves_every_point_where_it_was(String key) {
    UnitModel unit = unit(key);
    for (Situation s : unit.sheet().situations().values()) {
      Part closed =
          unit.sheet().parts().values().stream()
              .filter(p -> p.actsAsLink() && p.stateIn(s) == ContactState.CLOSED)
              .findFirst()
              .orElseThrow();
      Solution sound = unit.in(s.id());
      Solution same =
          unit.in(s.id(), List.of(new Change.InBranch(closed.id(), 1, 0, Complex.ONE, 0, 0)));
      for (String point : unit.sheet().points().keySet()) {
        assertThat(same.volts(point).minus(sound.volts(point)).abs())
            .as("%s %s %s", key, s.id(), point)
            .isLessThan(1e-3 * (1 + unit.sheet().supply().volts()));
      }
    }
  }

  @Test
  void contacts_pull_in_when_a_fault_lets_the_load_that_drives_them_run() {
    UnitModel kit = unit("heat-kit-240");
    assertThat(kit.runs("strip-1", kit.in("idle"))).isFalse();
    assertThat(kit.runs("strip-1", kit.in("idle", List.of(Change.closed("stat-heat"))))).isTrue();
  }

  /** By hand: past the relay are primary, lower interlock and, back to the line, the board. */
  @Test
  void an_ohmmeter_finds_a_way_around_what_the_rest_of_the_circuit_bridges() {
    UnitModel oven = unit("microwave-120");
    assertThat(oven.bridged(oven.sheet().part("cook-relay"), "isolated")).isTrue();
    assertThat(oven.bridged(oven.sheet().part("line-fuse"), "isolated")).isFalse();
  }

  @Test
  void a_welded_contact_stays_closed_whatever_its_coil_does() {
    UnitModel kit = unit("heat-kit-240");
    List<Change> both = List.of(Change.closed("stage-1-contact"), Change.open("sequencer-heater"));
    assertThat(kit.runs("strip-1", kit.in("heat-call", both))).isTrue();
    assertThat(kit.runs("strip-2", kit.in("heat-call", both))).isFalse();
  }

  /** Common practice, no source: control transformers of 24 V show 26 to 29 V unloaded. */
  @Test
  void a_transformer_gives_its_volts_and_dies_with_its_primary() {
    UnitModel kit = unit("heat-kit-240");
    assertThat(volts(kit, "idle", "S1", "S0")).isBetween(26.0, 29.0);
    assertThat(volts(kit, "heat-call", "S1", "S0")).isBetween(25.0, 27.0);
    assertThat(volts(kit, "idle", "S1", "S0", Change.open("transformer"))).isLessThan(0.1);
    assertThat(volts(kit, "idle", "S1", "S0", Change.open("secondary"))).isLessThan(0.5);
    assertThat(ohms(kit, "isolated", "S1", "S0")).isCloseTo(0.7, within(0.01));
    assertThat(ohms(kit, "isolated", "S1", "T1")).isGreaterThan(Meter.GENERAL.overLimitOhms());
  }

  /** Common practice, no source: full voltage into and out of the energy cut-off. */
  @Test
  void the_energy_cut_off_passes_both_legs_or_neither() {
    UnitModel tank = unit("water-heater-240");
    assertThat(volts(tank, "satisfied", "C1", "C3")).isCloseTo(240, within(1.0));
    assertThat(volts(tank, "satisfied", "C2", "C4")).isCloseTo(240, within(1.0));
    Change[] tripped = {Change.open("eco-1"), Change.open("eco-2")};
    assertThat(volts(tank, "satisfied", "C1", "C3", tripped)).isCloseTo(240, within(1.0));
    Probe loaded = Probe.between(MeterFunction.VOLTS_AC_LOZ, "C2", "C4", "satisfied");
    assertThat(read(tank, "satisfied", loaded, tripped)).isLessThan(5);
  }

  @Test
  void the_upper_thermostat_feeds_one_element_at_a_time() {
    UnitModel tank = unit("water-heater-240");
    assertThat(tank.runs("upper-element", tank.in("cold-tank"))).isTrue();
    assertThat(tank.runs("lower-element", tank.in("cold-tank"))).isFalse();
    assertThat(tank.runs("upper-element", tank.in("upper-hot"))).isFalse();
    assertThat(tank.runs("lower-element", tank.in("upper-hot"))).isTrue();
  }

  /** The gas burner's sequence; common practice, no source. */
  @Test
  void the_flame_sensor_hands_over_from_the_igniter_to_the_secondary_coil() {
    UnitModel dryer = unit("dryer-gas-120");
    assertThat(volts(dryer, "heat-call", "G2", "GN")).isGreaterThan(115);
    assertThat(volts(dryer, "heat-call", "G1", "G2")).isLessThan(0.5);
    assertThat(dryer.runs("secondary-coil", dryer.in("burning"))).isTrue();
    assertThat(dryer.runs("igniter", dryer.in("burning"))).isFalse();
    assertThat(dryer.runs("holding-coil", dryer.in("burning"))).isTrue();
  }

  /** The path of the secondary coil goes through the igniter, because nothing else leads there. */
  @Test
  void a_chain_goes_through_another_load_only_where_it_must() {
    Chain secondary =
        unit("dryer-gas-120").chains().keySet().stream()
            .filter(c -> c.path().id().equals("secondary"))
            .findFirst()
            .orElseThrow();
    assertThat(secondary.parts()).anyMatch(p -> p.id().equals("igniter"));
    Chain holding =
        unit("dryer-gas-120").chains().keySet().stream()
            .filter(c -> c.path().id().equals("holding"))
            .findFirst()
            .orElseThrow();
    assertThat(holding.parts()).filteredOn(p -> p.actsAsLoad()).hasSize(1);
  }

  /** Common practice, no source: one wire off stops the back-feed. */
  @Test
  void the_booster_coil_hides_an_open_igniter_until_a_wire_is_lifted() {
    UnitModel dryer = unit("dryer-gas-120");
    assertThat(ohms(dryer, "isolated", "G2", "GN", Change.open("igniter"))).isBetween(300.0, 700.0);
    Probe lifted =
        Probe.across(MeterFunction.OHMS, dryer.sheet().part("igniter"), "isolated")
            .lifted(Set.of("G2"));
    Change[] all =
        lifted.conditions(dryer.sheet(), List.of(Change.open("igniter"))).toArray(Change[]::new);
    assertThat(read(dryer, "isolated", lifted, all)).isGreaterThan(1e8);
  }

  /**
   * Common practice, no source: unplugged, at the plug, door shut about the board's ohms; near
   * nothing is a monitor contact that shorts the line, OL the line fuse.
   */
  @Test
  void a_microwave_is_judged_at_its_plug() {
    UnitModel oven = unit("microwave-120");
    assertThat(ohms(oven, "isolated", "L", "N")).isBetween(1e5, 1e6);
    assertThat(ohms(oven, "isolated", "L", "N", Change.closed("monitor-switch"))).isLessThan(0.5);
    assertThat(ohms(oven, "isolated", "L", "N", Change.open("line-fuse"))).isGreaterThan(4e7);
  }

  @Test
  void a_welded_interlock_lets_the_monitor_short_the_line_when_the_door_opens() {
    UnitModel oven = unit("microwave-120");
    List<Change> shorted =
        List.of(Change.closed("upper-interlock"), Change.closed("monitor-switch"));
    assertThat(oven.in("standby", shorted).amperes("line-fuse").abs()).isGreaterThan(200);
  }

  /**
   * Common practice, no source: of a pile-fed loop some hundreds of millivolts, half under load.
   */
  @Test
  void a_thermopile_shows_its_open_circuit_volts_and_about_half_under_load() {
    UnitModel heater = unit("millivolt-heater");
    assertThat(volts(heater, "open-circuit", "TP", "TH")).isCloseTo(0.72, within(1e-3));
    assertThat(volts(heater, "heat-call", "TP", "TH")).isBetween(0.3, 0.5);
    assertThat(volts(heater, "heat-call", "R1", "R2")).isLessThan(0.01);
  }

  /** IEC 60751: 1077.9 ohm at 20 C for a Pt1000 (from memory), here at 18 C with the leads. */
  @Test
  void a_sensor_is_read_on_ohms_at_the_boards_plug() {
    UnitModel range = unit("range-240");
    assertThat(ohms(range, "isolated", "P1-1", "P1-2"))
        .isCloseTo(1000 * (1 + 3.9083e-3 * 18 - 5.775e-7 * 18 * 18) + 0.1, within(0.1));
  }

  /** Arithmetic: a grounded element heats through the case with its switch off. */
  @Test
  void a_grounded_element_draws_current_through_the_case() {
    UnitModel tank = unit("water-heater-240");
    Solution s = tank.in("satisfied", List.of(Change.leak("upper-element", 0.5, 1)));
    double amperes = s.amperes("eco-2").abs();
    double half = 240.0 * 240 / 4200 * 1.03 / 2;
    assertThat(amperes).isCloseTo(120 / (half + 1 + 0.06), within(0.2));
    assertThat(ohms(tank, "isolated", "U1", "PE", Change.leak("upper-element", 0.5, 1)))
        .isBetween(5.0, 9.0);
  }

  /**
   * With a leg dead the other reaches the control's side through the broil element, but not before
   * the control has closed its relays: it stays dark.
   */
  @Test
  void a_control_does_not_start_on_what_would_feed_it_through_its_own_relays() {
    UnitModel range = unit("range-240");
    Change leg = Change.open(Supply.conductor("line1"));
    assertThat(range.runs("control", range.frozen("broil-call", List.of(leg)))).isTrue();
    assertThat(range.runs("control", range.in("broil-call", List.of(leg)))).isFalse();
    Change other = Change.open(Supply.conductor("line2"));
    assertThat(range.runs("control", range.in("broil-call", List.of(other)))).isTrue();
  }

  /**
   * Common practice, no source: a cycle does not go on with a sensor open, shorted or unplugged.
   */
  @Test
  void a_control_withholds_what_its_sensors_and_floats_speak_against() {
    UnitModel autoclave = unit("autoclave-115");
    for (Change bad :
        List.of(
            Change.open("chamber-sensor"),
            Change.closed("chamber-sensor"),
            Change.open("sensor-lead"))) {
      Solution now = autoclave.in("heat-call", List.of(bad));
      assertThat(autoclave.runs("element", now)).isFalse();
      assertThat(autoclave.runs("transformer", now)).isTrue();
    }
    Change skewed = Change.scaled("chamber-sensor", 1.2);
    assertThat(autoclave.runs("element", autoclave.in("heat-call", List.of(skewed)))).isTrue();
    UnitModel dishwasher = unit("dishwasher-120");
    List<Change> afloat = List.of(Change.open("flood-switch"));
    assertThat(dishwasher.runs("fill-valve", dishwasher.in("fill-step", afloat))).isFalse();
    assertThat(dishwasher.runs("drain-pump", dishwasher.in("drain-step", afloat))).isTrue();
  }
}
