package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PathTestsTest {

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  private static PathTests.ManualTest of(List<PathTests> all, String part, PathTests.Way way) {
    return all.stream()
        .flatMap(p -> p.links().stream())
        .filter(l -> l.part().equals(part))
        .flatMap(l -> l.tests().stream())
        .filter(t -> t.way() == way)
        .findFirst()
        .orElseThrow();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void every_link_of_every_path_can_be_measured_and_nothing_dangerous_is_offered(String key) {
    Sheet sheet = Sheets.shipped(key);
    UnitModel unit = new UnitModel(sheet);
    List<PathTests> all = PathTests.of(unit);
    assertThat(all).hasSameSizeAs(unit.chains().keySet());
    for (PathTests path : all) {
      assertThat(path.links()).isNotEmpty().noneMatch(l -> l.tests().isEmpty());
      for (PathTests.LinkTests link : path.links()) {
        for (PathTests.ManualTest test : link.tests()) {
          boolean on = sheet.situation(test.situation()).supplyOn();
          assertThat(test.live()).isEqualTo(on);
          assertThat(test.function().equals("ohms") && on).as("%s", test).isFalse();
          assertThat(on && sheet.supply().storedCharge()).as("%s", test).isFalse();
          assertThat(test.expect()).isNotEmpty();
        }
      }
    }
  }

  @Test
  void a_link_holds_the_supply_if_it_is_the_open_one() {
    List<PathTests> all = PathTests.of(new UnitModel(Sheets.shipped("dryer-timer-240")));
    PathTests.ManualTest drop = of(all, "high-limit", PathTests.Way.DROP);
    assertThat(drop.live()).isTrue();
    assertThat(drop.expect().get(1).shown()).isEqualTo("about 239.9 V");
    assertThat(drop.expect().get(1).meaning()).isEqualTo("it is the open one");
  }

  /** Two elements side by side: ohms across one alone would be those of both. */
  @Test
  void a_wire_comes_off_where_something_bridges_the_part() {
    List<PathTests> all = PathTests.of(new UnitModel(Sheets.shipped("heat-kit-240")));
    assertThat(
            all.stream()
                .flatMap(p -> p.links().stream())
                .flatMap(l -> l.tests().stream())
                .filter(t -> t.way() == PathTests.Way.OHMS)
                .filter(t -> !t.liftedAt().isEmpty()))
        .isNotEmpty();
  }
}
