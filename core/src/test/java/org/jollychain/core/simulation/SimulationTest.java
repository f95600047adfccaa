package org.jollychain.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SimulationTest {

  private static final Sheet HEATER = Sheets.heater();
  private static final Probe SUPPLY = Probe.between(MeterFunction.VOLTS_AC, "L1", "L2", "call");
  private static final Fault OPEN = open("limit");

  private static Fault open(String part) {
    return new Fault.OfPart(
        part, FaultMode.OPEN, List.of(Change.open(part)), Fault.Presence.ALWAYS);
  }

  private static double figure(String shown, MeterFunction function) {
    return ((Shown.Figure) Shown.parse(shown, function)).value();
  }

  @Test
  void a_seed_always_gives_the_same_unit_and_the_same_meter() {
    List<String> readings =
        IntStream.range(0, 2)
            .mapToObj(
                i ->
                    new VirtualMeter(Meter.GENERAL, 5)
                        .read(new SimulatedUnit(HEATER, List.of(OPEN), 9), SUPPLY))
            .toList();
    assertThat(readings.get(0)).isEqualTo(readings.get(1));
  }

  /** By hand: 5 % are two standard deviations, so 240 V spread by 6 V from unit to unit. */
  @Test
  void units_spread_as_their_sheet_says() {
    List<Double> volts = new ArrayList<>();
    for (int seed = 0; seed < 400; seed++) {
      SimulatedUnit unit = new SimulatedUnit(HEATER, List.of(OPEN), seed);
      volts.add(Meter.GENERAL.read(unit.at(SUPPLY), SUPPLY));
    }
    double mean = volts.stream().mapToDouble(v -> v).average().orElseThrow();
    double variance =
        volts.stream().mapToDouble(v -> (v - mean) * (v - mean)).average().orElseThrow();
    assertThat(mean).isCloseTo(240.0, within(1.0));
    assertThat(Math.sqrt(variance)).isCloseTo(6.0, within(0.7));
  }

  /** Within its specification: 1 % and 3 counts on AC volts. */
  @Test
  void a_meter_stays_within_its_accuracy() {
    SimulatedUnit unit = new SimulatedUnit(HEATER, List.of(OPEN), 1);
    double truth = Meter.GENERAL.read(unit.at(SUPPLY), SUPPLY);
    for (int seed = 0; seed < 200; seed++) {
      String shown = new VirtualMeter(Meter.GENERAL, seed).read(unit, SUPPLY);
      assertThat(figure(shown, MeterFunction.VOLTS_AC))
          .isCloseTo(truth, within(1.35 * (0.01 * truth + 0.3) + 0.05));
    }
  }

  @Test
  void some_ghosts_bleed_away_and_stiff_voltages_never_do() {
    Probe floating = Probe.between(MeterFunction.VOLTS_AC, "B", "N", "idle");
    Fault both =
        new Fault.OfPart(
            "limit",
            FaultMode.OPEN,
            List.of(Change.open("limit"), Change.open("element")),
            Fault.Presence.ALWAYS);
    SimulatedUnit unit = new SimulatedUnit(HEATER, List.of(both), 3);
    int bled = 0;
    for (int seed = 0; seed < 300; seed++) {
      VirtualMeter meter = new VirtualMeter(Meter.GENERAL, seed);
      bled += figure(meter.read(unit, floating), MeterFunction.VOLTS_AC) < 1 ? 1 : 0;
      assertThat(figure(meter.read(unit, SUPPLY), MeterFunction.VOLTS_AC)).isGreaterThan(200);
    }
    assertThat(bled / 300.0).isBetween(0.15, 0.40);
  }

  /** A break anywhere in the overheat string comes up as that, not as the flame that is missing. */
  @ParameterizedTest
  @CsvSource({"wrapped-fuse, E14", "fuse-lead, E14", "main-lead, E11", "inlet-sensor, E31"})
  void a_unit_shows_what_it_finds_bad_of_its_own_before_what_comes_of_it(String part, String code) {
    Sheet heater = Sheets.shipped("heater-instant-12v");
    assertThat(new SimulatedUnit(heater, List.of(open(part)), 1).code()).contains(code);
    assertThat(new SimulatedUnit(heater, List.of(), 1).code()).isEmpty();
  }

  @Test
  void a_load_behind_an_open_link_gets_nothing() {
    SimulatedUnit unit = new SimulatedUnit(HEATER, List.of(OPEN), 4);
    assertThat(unit.powerShare("element", "call")).isLessThan(1e-6);
    assertThat(unit.powerShare("fan", "call")).isGreaterThan(0.8);
  }
}
