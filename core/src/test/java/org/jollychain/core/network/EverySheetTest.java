package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Behaviour;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.MadeWhen;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Laws that hold in every circuit, on every sheet that ships. */
class EverySheetTest {

  static List<String> shipped() {
    return Sheets.shipped();
  }

  private static List<List<Change>> faults(Sheet sheet) {
    List<List<Change>> faults = new ArrayList<>(List.of(List.of()));
    for (Part part : sheet.parts().values()) {
      faults.add(List.of(Change.open(part.id())));
      if (part.caseLeak()) {
        faults.add(List.of(Change.leak(part.id(), 0.3, 40)));
      }
    }
    return faults;
  }

  private static boolean live(Situation situation) {
    return situation.supplyOn();
  }

  /** Kirchhoff: the currents leaving a node add up to nothing. */
  @ParameterizedTest
  @MethodSource("shipped")
  void no_current_is_lost_at_any_point(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Situation situation : sheet.situations().values().stream().filter(s -> live(s)).toList()) {
      Network network = Network.of(sheet, situation, ParameterSample.NOMINAL);
      for (List<Change> fault : faults(sheet)) {
        Solution s = network.solve(fault);
        Complex[] sum = new Complex[network.circuit().nodeCount()];
        Arrays.fill(sum, Complex.ZERO);
        double largest = 1e-4;
        for (Branch b : network.circuit().branches()) {
          Complex amperes = Solution.at(s.unknowns(), network.rowOfBranch(b.id()));
          largest = Math.max(largest, amperes.abs());
          sum[b.from()] = sum[b.from()].plus(amperes);
          sum[b.to()] = sum[b.to()].minus(amperes);
        }
        for (Circuit.Stray c : network.circuit().strays()) {
          Complex across = volts(s, network, c.from()).minus(volts(s, network, c.to()));
          Complex amperes = across.times(new Complex(0, s.radiansPerSecond() * c.farads()));
          sum[c.from()] = sum[c.from()].plus(amperes);
          sum[c.to()] = sum[c.to()].minus(amperes);
        }
        for (Solution.Update u : s.updates()) {
          if (u.change() instanceof Change.ToCase leak) {
            Complex amperes = u.dot(s.unknowns()).over(u.inverseD());
            Branch b = network.branch(leak.branch());
            sum[b.from()] = sum[b.from()].plus(amperes.times(1 - leak.position()));
            sum[b.to()] = sum[b.to()].plus(amperes.times(leak.position()));
          }
        }
        for (int node = 0; node < sum.length; node++) {
          if (node != network.circuit().earth()) {
            assertThat(sum[node].abs())
                .as("node %d of %s in %s with %s", node, key, situation.id(), fault)
                .isLessThan(1e-9 * largest);
          }
        }
      }
    }
  }

  /** Energy: what the sources give, the impedances take, real and reactive. */
  @ParameterizedTest
  @MethodSource("shipped")
  void what_the_sources_give_the_parts_take(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Situation situation : sheet.situations().values().stream().filter(s -> live(s)).toList()) {
      Network network = Network.of(sheet, situation, ParameterSample.NOMINAL);
      Solution s = network.solve(List.of());
      Complex given = Complex.ZERO;
      Complex taken = Complex.ZERO;
      for (Branch b : network.circuit().branches()) {
        Complex amperes = s.amperes(b.id());
        given = given.plus(b.emf().times(conjugate(amperes)));
        taken = taken.plus(b.ohms().times(amperes.abs() * amperes.abs()));
      }
      for (Circuit.Mutual m : network.circuit().mutuals()) {
        Complex a = s.amperes(network.circuit().branches().get(m.branch()).id());
        Complex b = s.amperes(network.circuit().branches().get(m.other()).id());
        Complex both = a.times(conjugate(b)).plus(b.times(conjugate(a)));
        taken = taken.plus(m.ohms().times(both));
      }
      for (Circuit.Stray c : network.circuit().strays()) {
        double across = volts(s, network, c.from()).minus(volts(s, network, c.to())).abs();
        taken = taken.plus(new Complex(0, -s.radiansPerSecond() * c.farads() * across * across));
      }
      assertThat(given.minus(taken).abs())
          .as("%s in %s", key, situation.id())
          .isLessThan(1e-9 * Math.max(given.abs(), 1e-3));
    }
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void ohms_are_the_same_with_the_probes_swapped(String key) {
    Sheet sheet = Sheets.shipped(key);
    Solution s =
        Network.of(sheet, sheet.situation("isolated"), ParameterSample.NOMINAL).solve(List.of());
    List<String> points = List.copyOf(sheet.points().keySet());
    for (String red : points) {
      for (String black : points) {
        double there = s.ohmsBetween(red, black).re();
        assertThat(s.ohmsBetween(black, red).re())
            .as("%s to %s", red, black)
            .isCloseTo(there, within(1e-9 * Math.max(1, there)));
      }
    }
  }

  /** The same sheet, its contact made whatever is commanded and however warm it is. */
  private static Sheet withClosed(Sheet s, Part p) {
    Map<String, Part> parts = new LinkedHashMap<>(s.parts());
    parts.put(
        p.id(),
        p.behaving(
            new Behaviour.Contact(MadeWhen.ALWAYS, Optional.empty(), p.feels(), Optional.empty())));
    return s.withParts(parts);
  }

  /** Closing an open contact by update must equal the circuit built with it closed. */
  @ParameterizedTest
  @MethodSource("shipped")
  void a_stuck_contact_by_update_equals_the_circuit_built_with_it(String key) {
    Sheet sheet = Sheets.shipped(key);
    int compared = 0;
    for (Situation situation : sheet.situations().values().stream().filter(s -> live(s)).toList()) {
      Network network = Network.of(sheet, situation, ParameterSample.NOMINAL);
      for (Part part : sheet.parts().values()) {
        if (part.actsAsLink() && part.stateIn(situation) == ContactState.OPEN) {
          Solution updated = network.solve(List.of(Change.closed(part.id())));
          Solution built =
              Network.of(withClosed(sheet, part), situation, ParameterSample.NOMINAL)
                  .solve(List.of());
          // not potentials: where a part of the circuit floats, those are nobody's
          for (String other : sheet.parts().keySet()) {
            Complex amperes = built.amperes(other);
            assertThat(updated.amperes(other).minus(amperes).abs())
                .as("%s, %s stuck in %s of %s", other, part.id(), situation.id(), key)
                .isLessThan(1e-6 + 2e-5 * amperes.abs());
          }
          compared++;
        }
      }
    }
    assertThat(compared).isPositive();
  }

  /**
   * Slopes by the adjoint method against circuits solved with the parameter moved: of every kind of
   * parameter that a sheet has, at parts all along it. They are those of the best straight line
   * over the whole spread of a parameter, E[z f(z)] by Stein's lemma.
   */
  @ParameterizedTest
  @MethodSource("shipped")
  void sensitivities_are_what_moving_a_parameter_does(String key) {
    Sheet sheet = Sheets.shipped(key);
    MeterFunction volts = MeterFunction.voltsOf(sheet.supply());
    Map<String, List<Integer>> kinds = new TreeMap<>();
    List<String> names = Network.parameters(sheet);
    for (int p = 0; p < names.size(); p++) {
      kinds.computeIfAbsent(names.get(p).replaceAll(":.*", ""), k -> new ArrayList<>()).add(p);
    }
    // a stray capacitance is weighed in ohms, in which it is far from straight: microvolts of
    // ghosts
    kinds.keySet().removeIf(k -> k.startsWith("stray"));
    assertThat(kinds).hasSizeGreaterThanOrEqualTo(4);
    List<Part> parts = List.copyOf(sheet.parts().values());
    int checked = 0;
    for (Situation situation : sheet.situations().values()) {
      Sensitivities sensitivities = Sensitivities.of(sheet, situation);
      assertThat(sensitivities.parameters()).isEqualTo(names);
      for (int i = checked % SOME; i < parts.size(); i += SOME) {
        Part part = parts.get(i);
        List<Change> fault = List.of(Change.dropping(part.id(), 3));
        Probe probe =
            Probe.across(situation.supplyOn() ? volts : MeterFunction.OHMS, part, situation.id());
        Solution s = Network.of(sheet, situation, ParameterSample.NOMINAL).solve(fault);
        if (!situation.supplyOn()
            && s.ohmsBetween(part.from(), part.to()).abs() > Meter.GENERAL.overLimitOhms()) {
          continue; // a meter shows OL, and next to no digit is left of a difference
        }
        double[] slopes = sensitivities.predict(s, probe, Meter.GENERAL).slopes();
        for (List<Integer> ofKind : kinds.values()) {
          int p = ofKind.get(i % ofKind.size());
          String name = names.get(p);
          Complex above = moved(sheet, situation, fault, probe, name, STEP);
          Complex below = moved(sheet, situation, fault, probe, name, -STEP);
          double widened = secantOverTangent(sheet, situation, name);
          Complex slope = above.minus(below).times(0.5 / STEP * widened);
          assertThat(new Complex(slopes[2 * p], slopes[2 * p + 1]).minus(slope).abs())
              .as("%s on %s in %s of %s", name, part.id(), situation.id(), key)
              .isLessThan((situation.supplyOn() ? 1e-6 : 1e-4) + 2e-3 * slope.abs());
          checked++;
        }
      }
    }
    assertThat(checked).isGreaterThan(kinds.size() * sheet.situations().size());
  }

  private static final int SOME = 4;
  private static final double STEP = 0.01;

  /** How much wider a log-normal parameter spreads than its tangent would have it. */
  private static double secantOverTangent(Sheet sheet, Situation situation, String name) {
    double secant = difference(sheet, situation, name, Sensitivities.SECANT);
    double tangent = difference(sheet, situation, name, STEP);
    return tangent == 0 ? 1 : secant / tangent;
  }

  /** By which the branches that a parameter bears on differ, per standard deviation of it. */
  private static double difference(Sheet sheet, Situation situation, String name, double by) {
    List<Branch> above = new Circuit(sheet, situation, n -> n.equals(name) ? by : 0).branches();
    List<Branch> below = new Circuit(sheet, situation, n -> n.equals(name) ? -by : 0).branches();
    double most = 0;
    for (int i = 0; i < above.size(); i++) {
      most = Math.max(most, above.get(i).ohms().minus(below.get(i).ohms()).abs());
    }
    for (int i = 0; most == 0 && i < above.size(); i++) {
      most = Math.max(most, above.get(i).emf().minus(below.get(i).emf()).abs());
    }
    return most / (2 * by);
  }

  /** The largest sheet is meant to be as rich as a real unit. */
  @Test
  void thirteen_families_ship_and_the_largest_has_forty_parts() {
    List<Sheet> sheets = Sheets.shipped().stream().map(Sheets::shipped).toList();
    assertThat(sheets).hasSizeGreaterThanOrEqualTo(13);
    assertThat(sheets.stream().mapToInt(s -> s.parts().size()).max().orElseThrow())
        .isGreaterThanOrEqualTo(40);
    assertThat(sheets)
        .allSatisfy(
            s -> {
              assertThat(s.notes()).isNotEmpty();
              assertThat(s.complaints()).isNotEmpty();
              assertThat(s.situations()).containsKey("isolated");
            });
  }

  private static Complex moved(
      Sheet sheet,
      Situation situation,
      List<Change> fault,
      Probe probe,
      String parameter,
      double by) {
    ParameterSample draw = name -> name.equals(parameter) ? by : 0;
    Solution s = Network.of(sheet, situation, draw).solve(fault);
    return probe.function() == MeterFunction.OHMS
        ? s.ohmsBetween(probe.red(), probe.black())
        : s.voltsBetween(probe.red(), probe.black(), Meter.GENERAL.inputOhms(s, probe.function()));
  }

  private static Complex volts(Solution s, Network network, int node) {
    return Solution.at(s.unknowns(), network.rowOfNode(node));
  }

  private static Complex conjugate(Complex c) {
    return new Complex(c.re(), -c.im());
  }
}
