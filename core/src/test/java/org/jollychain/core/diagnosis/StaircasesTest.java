package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment.Staircase;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StaircasesTest {

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  /** The thin line is the solver's own answer, point by point. */
  @ParameterizedTest
  @MethodSource("sheets")
  void the_sound_line_is_the_solved_circuit(String key) {
    Sheet sheet = Sheets.shipped(key);
    UnitModel unit = new UnitModel(sheet);
    Assessment a = new Diagnosis(sheet).assess(List.of(), Optional.empty());
    for (Staircase path : a.paths()) {
      Solution solved = unit.in(path.situation());
      for (Assessment.Tread t : path.treads()) {
        double volts = solved.volts(t.point()).minus(solved.volts(path.reference())).abs();
        assertThat(Math.abs(t.expected()))
            .as("%s %s", path.id(), t.point())
            .isCloseTo(volts, within(0.01 * sheet.supply().volts()));
      }
    }
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void what_is_believed_lies_in_its_band_before_anything_was_read(String key) {
    Assessment a = new Diagnosis(Sheets.shipped(key)).assess(List.of(), Optional.empty());
    for (Staircase path : a.paths()) {
      assertThat(path.treads()).hasSize(path.risers().size() + 1);
      for (Assessment.Tread t : path.treads()) {
        assertThat(t.low()).isLessThanOrEqualTo(t.estimated() + 1e-6);
        assertThat(t.high()).isGreaterThanOrEqualTo(t.estimated() - 1e-6);
        assertThat(t.measured()).isEmpty();
      }
    }
  }

  /** The plug is read with the cord out: nobody had a probe at the block behind it. */
  @Test
  void a_point_is_read_where_a_probe_was_and_nowhere_else() {
    Sheet dryer = Sheets.dryer();
    Readings read = new Readings(dryer);
    Staircase heat =
        new Diagnosis(dryer)
            .assess(
                List.of(read.live("L1-L2 239.4"), read.live("C3-L2 238.9")), Optional.of("no-heat"))
            .paths()
            .get(0);
    assertThat(heat.treads())
        .filteredOn(t -> t.read().isPresent())
        .extracting(Assessment.Tread::point)
        .containsExactly("L1", "C3");
    assertThat(heat.treads())
        .filteredOn(t -> t.measured().isPresent())
        .extracting(Assessment.Tread::point)
        .contains("PL1", "L1");
  }

  @Test
  void readings_narrow_the_band() {
    Sheet dryer = Sheets.dryer();
    Readings read = new Readings(dryer);
    Diagnosis diagnosis = new Diagnosis(dryer);
    List<Evidence> evidence = new ArrayList<>();
    double before = width(diagnosis, evidence);
    evidence.add(read.live("L1-L2 238.6"));
    double supply = width(diagnosis, evidence);
    evidence.add(read.live("C3-L2 237.9"));
    double after = width(diagnosis, evidence);
    assertThat(supply).isLessThan(before);
    assertThat(after).isLessThan(0.5 * supply);
  }

  private static double width(Diagnosis diagnosis, List<Evidence> evidence) {
    return diagnosis.assess(evidence, Optional.of("no-heat")).paths().get(0).treads().stream()
        .mapToDouble(t -> t.high() - t.low())
        .sum();
  }

  @Test
  void an_open_link_is_where_the_believed_line_steps_down() {
    Sheet dryer = Sheets.dryer();
    Readings read = new Readings(dryer);
    Assessment a =
        new Diagnosis(dryer)
            .assess(
                List.of(read.live("L1-L2 238"), read.drop("high-limit", "237.6")),
                Optional.of("no-heat"));
    Staircase heat = a.paths().get(0);
    for (int i = 0; i < heat.risers().size(); i++) {
      double step = heat.treads().get(i).estimated() - heat.treads().get(i + 1).estimated();
      boolean open = heat.risers().get(i).part().equals("high-limit");
      assertThat(step).as(heat.risers().get(i).part()).isCloseTo(open ? 238 : 0, within(3.0));
    }
  }
}
