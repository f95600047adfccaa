package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.hipparchus.complex.ComplexField;
import org.hipparchus.linear.FieldLUDecomposition;
import org.hipparchus.linear.FieldMatrix;
import org.hipparchus.linear.MatrixUtils;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NetworkTest {

  private static final double ELEMENT_OHMS = 240.0 * 240 / 3600 * 1.03;

  private final Sheet heater = Sheets.heater();

  private Solution heater(String situation, Change... changes) {
    return Network.of(heater, heater.situation(situation), ParameterSample.NOMINAL)
        .solve(List.of(changes));
  }

  private static double volts(Solution s, String red, String black) {
    return s.volts(red).minus(s.volts(black)).abs();
  }

  @Test
  void a_series_chain_divides_the_source_by_ohms_law() {
    Solution s = heater("call", Change.open("fan"));
    double amperes = 240 / (0.1 + 2 * 0.017 + ELEMENT_OHMS);
    assertThat(s.amperes("element").abs()).isCloseTo(amperes, within(1e-6 * amperes));
    assertThat(volts(s, "A", "B")).isCloseTo(amperes * 0.017, within(1e-6));
    assertThat(s.watts("element")).isCloseTo(amperes * amperes * ELEMENT_OHMS, within(0.01));
  }

  @Test
  void drops_add_up_to_the_source_and_currents_at_a_point_to_nothing() {
    Solution s = heater("call");
    Complex drops =
        s.volts("L1")
            .minus(s.volts("A"))
            .plus(s.volts("A").minus(s.volts("B")))
            .plus(s.volts("B").minus(s.volts("L2")));
    assertThat(drops.minus(s.volts("L1").minus(s.volts("L2"))).abs()).isLessThan(1e-9);
    Complex strays = s.volts("A").times(new Complex(0, 2 * Math.PI * 60 * 30e-12));
    for (Part part : heater.partsAt("A")) {
      Complex across = s.volts("A").minus(s.volts(part.otherEnd("A")));
      strays = strays.plus(across.times(new Complex(0, 2 * Math.PI * 60 * 60e-12)));
    }
    Complex left =
        s.amperes("limit").plus(s.amperes("fan-wire")).minus(s.amperes("switch")).plus(strays);
    assertThat(left.abs()).isLessThan(1e-9 * s.amperes("switch").abs());
  }

  /** Arithmetic: P goes with V squared, 75.1 % at 208 V. */
  @Test
  void two_legs_of_a_wye_give_three_quarters_of_the_heat() {
    Change wye = Change.source("supply:line2", Complex.polar(1, Math.PI / 3));
    Solution s = heater("call", wye, Change.open("fan"));
    assertThat(volts(heater("idle", wye), "L1", "L2")).isCloseTo(120 * Math.sqrt(3), within(0.1));
    assertThat(volts(heater("idle", wye), "L2", "N")).isCloseTo(120.0, within(0.1));
    assertThat(s.watts("element") / heater("call", Change.open("fan")).watts("element"))
        .isCloseTo(0.75, within(0.001));
  }

  /** Arithmetic: with a dead leg, its side still shows the other leg's voltage through the load. */
  @Test
  void the_far_side_of_a_load_shows_voltage_through_it() {
    Solution s = heater("call", Change.open("supply:line2"));
    assertThat(volts(s, "L2", "N")).isGreaterThan(115);
    assertThat(volts(s, "L1", "L2")).isLessThan(0.1);
    assertThat(volts(s, "L1", "N")).isCloseTo(120.0, within(1.0));
  }

  /** Common practice, no source: unequal legs that still add up to the whole. */
  @Test
  void an_open_neutral_leaves_the_legs_unequal_and_their_sum_whole() {
    Solution s = heater("call", Change.open("supply:neutral"));
    assertThat(volts(s, "L1", "L2")).isCloseTo(238.5, within(0.5));
    assertThat(volts(s, "L1", "N")).isLessThan(1);
    assertThat(volts(s, "N", "L2")).isGreaterThan(237);
  }

  /** Arithmetic: the floating point divides by its strays and the meter's input. */
  @Test
  void a_floating_wire_shows_a_ghost_that_the_low_impedance_input_collapses() {
    Solution s = heater("idle", Change.open("limit"), Change.open("element"));
    double omega = 2 * Math.PI * 60;
    Probe high = Probe.between(MeterFunction.VOLTS_AC, "B", "N", "idle");
    // to L2 (-120 V) through 60 pF and 1 Gohm; to A, which the fan holds near zero, through 60 pF
    // and 1 Gohm; to case 30 pF; the meter 10 Mohm and 100 pF
    Complex insulation = new Complex(1e-9, omega * 60e-12);
    Complex meter = new Complex(1e-7, omega * 100e-12);
    Complex ghost =
        insulation
            .times(-120)
            .over(insulation.times(2).plus(new Complex(0, omega * 30e-12)).plus(meter));
    assertThat(Meter.GENERAL.read(s, high)).isCloseTo(ghost.abs(), within(0.01 * ghost.abs()));
    assertThat(ghost.abs()).isBetween(10.0, 60.0);
    Probe low = Probe.between(MeterFunction.VOLTS_AC_LOZ, "B", "N", "idle");
    assertThat(Meter.GENERAL.read(s, low)).isLessThan(2);
  }

  @Test
  void an_ohmmeter_reads_an_isolated_element_and_its_leads_and_OL_when_it_is_open() {
    Probe across = Probe.across(MeterFunction.OHMS, heater.part("element"), "isolated");
    assertThat(Meter.GENERAL.read(heater("isolated"), across)).isCloseTo(16.1, within(1e-3));
    assertThat(Meter.GENERAL.read(heater("isolated", Change.open("element")), across))
        .isGreaterThan(Meter.GENERAL.overLimitOhms());
  }

  @Test
  void ohms_are_the_same_with_the_probes_swapped() {
    Solution s = heater("isolated", Change.dropping("limit", 3));
    for (String red : heater.points().keySet()) {
      for (String black : heater.points().keySet()) {
        if (!red.equals(black)) {
          double there = s.ohmsBetween(red, black).re();
          assertThat(s.ohmsBetween(black, red).re())
              .isCloseTo(there, within(1e-9 * Math.max(1, Math.abs(there))));
        }
      }
    }
  }

  @Test
  void a_fault_by_low_rank_update_equals_the_circuit_built_with_it() {
    Sheet dryer = Sheets.dryer();
    String rated = Sheets.text("/sheets/dryer-timer-240.yaml");
    Sheet weak = SheetValidator.read(rated.replace("watts: 5200", "watts: 2600"));
    Solution updated =
        Network.of(dryer, dryer.situation("heat-call"), ParameterSample.NOMINAL)
            .solve(List.of(Change.scaled("element", 2), Change.dropping("door-switch", 0)));
    Solution built =
        Network.of(weak, weak.situation("heat-call"), ParameterSample.NOMINAL).solve(List.of());
    for (String point : dryer.points().keySet()) {
      assertThat(updated.volts(point).minus(built.volts(point)).abs()).as(point).isLessThan(1e-6);
    }
  }

  /**
   * Seeded: closing a switch never lowers the power of the load in series with it, opening never
   * raises it.
   */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
  void resistance_in_series_only_takes_from_the_load(long seed) {
    Random random = new Random(seed);
    ParameterSample draw = name -> new Random(name.hashCode() + seed).nextGaussian();
    Network network = Network.of(heater, heater.situation("call"), draw);
    double ohms = Math.exp(6 * random.nextGaussian());
    double less = network.solve(List.of(Change.dropping("limit", ohms))).watts("element");
    double more = network.solve(List.of(Change.dropping("limit", ohms / 2))).watts("element");
    assertThat(less).as("seed %d, %f ohm", seed, ohms).isLessThanOrEqualTo(more * (1 + 1e-9));
  }

  /**
   * A second opinion on the linear algebra: the sound heater's nodal equations solved by
   * Hipparchus.
   */
  @Test
  void agrees_with_an_independent_solver() {
    double g = 1 / 0.017;
    double[][] siemens = {
      {20 + g, -g, 0, 0},
      {-g, 2 * g, -g, 0},
      {0, -g, g + 1 / ELEMENT_OHMS, -1 / ELEMENT_OHMS},
      {0, 0, -1 / ELEMENT_OHMS, 20 + 1 / ELEMENT_OHMS}
    };
    org.hipparchus.complex.Complex fan =
        new org.hipparchus.complex.Complex(120 * 120 * 0.6 / 60 * 0.6, 120 * 120 * 0.6 / 60 * 0.8);
    org.hipparchus.complex.Complex fanBranch = fan.add(0.017).add(0.05).reciprocal();
    FieldMatrix<org.hipparchus.complex.Complex> a =
        MatrixUtils.createFieldMatrix(ComplexField.getInstance(), 4, 4);
    for (int i = 0; i < 4; i++) {
      for (int j = 0; j < 4; j++) {
        a.setEntry(i, j, new org.hipparchus.complex.Complex(siemens[i][j]));
      }
    }
    a.setEntry(1, 1, new org.hipparchus.complex.Complex(2 * g).add(fanBranch));
    var right =
        MatrixUtils.createFieldVector(
            new org.hipparchus.complex.Complex[] {
              new org.hipparchus.complex.Complex(120 * 20),
              org.hipparchus.complex.Complex.ZERO,
              org.hipparchus.complex.Complex.ZERO,
              new org.hipparchus.complex.Complex(-120 * 20)
            });
    var x = new FieldLUDecomposition<>(a).getSolver().solve(right);
    Solution s = heater("call");
    String[] points = {"L1", "A", "B", "L2"};
    for (int i = 0; i < points.length; i++) {
      assertThat(s.volts(points[i]).re())
          .as(points[i])
          .isCloseTo(x.getEntry(i).getReal(), within(1e-3));
      assertThat(s.volts(points[i]).im())
          .as(points[i])
          .isCloseTo(x.getEntry(i).getImaginary(), within(1e-3));
    }
  }
}
