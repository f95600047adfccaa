package org.jollychain.core.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DrawingTest {

  private static final double CLEAR = 0.05;

  static List<String> shipped() {
    return Sheets.shipped();
  }

  private static List<Drawing> drawings(Sheet sheet) {
    List<Chain> chains = List.copyOf(new UnitModel(sheet).chains().keySet());
    List<Drawing> drawings = new ArrayList<>();
    for (Chain main : chains) {
      drawings.add(Drawing.of(sheet, main, chains.stream().filter(c -> c != main).toList()));
    }
    return drawings;
  }

  private static Map<String, Drawing.Spot> spots(Drawing drawing) {
    Map<String, Drawing.Spot> spots = new HashMap<>();
    drawing.spots().forEach(s -> spots.put(s.point(), s));
    return spots;
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void every_part_is_drawn_once_between_its_own_points(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Drawing drawing : drawings(sheet)) {
      Map<String, Drawing.Spot> spots = spots(drawing);
      assertThat(spots.keySet()).isEqualTo(sheet.points().keySet());
      assertThat(drawing.parts().stream().map(Drawing.Placed::part))
          .containsExactlyInAnyOrderElementsOf(sheet.parts().keySet());
      for (Drawing.Placed p : drawing.parts()) {
        Part part = sheet.part(p.part());
        assertThat(List.of(p.from(), p.to()))
            .as(p.part())
            .containsExactlyInAnyOrder(
                spots.get(part.from()).column(), spots.get(part.to()).column());
        assertThat(List.of(part.from(), part.to()))
            .allSatisfy(
                end ->
                    assertThat(p.row()).isBetween(spots.get(end).top(), spots.get(end).bottom()));
      }
    }
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void nothing_lies_on_top_of_anything_else(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Drawing drawing : drawings(sheet)) {
      for (Drawing.Placed a : drawing.parts()) {
        assertThat(a.to() - a.from()).as(a.part()).isGreaterThan(0.5);
        for (Drawing.Placed b : drawing.parts()) {
          boolean apart = a.to() <= b.from() + CLEAR || b.to() <= a.from() + CLEAR;
          assertThat(a == b || a.row() != b.row() || apart)
              .as("%s and %s in %s", a.part(), b.part(), key)
              .isTrue();
        }
      }
      for (Drawing.Spot a : drawing.spots()) {
        for (Drawing.Spot b : drawing.spots()) {
          boolean apart =
              Math.abs(a.column() - b.column()) > CLEAR
                  || a.bottom() < b.top()
                  || b.bottom() < a.top();
          assertThat(a == b || apart).as("%s and %s in %s", a.point(), b.point(), key).isTrue();
        }
      }
    }
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void the_chosen_chain_is_the_first_row_from_source_to_return(String key) {
    Sheet sheet = Sheets.shipped(key);
    List<Chain> chains = List.copyOf(new UnitModel(sheet).chains().keySet());
    List<Drawing> drawings = drawings(sheet);
    for (int i = 0; i < chains.size(); i++) {
      List<String> firstRow =
          drawings.get(i).parts().stream()
              .filter(p -> p.row() == 0)
              .sorted((a, b) -> Double.compare(a.from(), b.from()))
              .map(Drawing.Placed::part)
              .toList();
      assertThat(firstRow).isEqualTo(chains.get(i).parts().stream().map(Part::id).toList());
    }
  }

  /** The bound of the format: 200 parts and 400 points. */
  @Test
  void the_largest_sheet_that_is_allowed_solves_and_draws() {
    Sheet sheet = SheetValidator.read(largest());
    assertThat(sheet.parts()).hasSize(200);
    assertThat(sheet.points()).hasSize(400);
    Drawing drawing = drawings(sheet).get(0);
    assertThat(drawing.parts()).hasSize(200);
    assertThat(new UnitModel(sheet).runs("load-0", new UnitModel(sheet).in("call"))).isTrue();
  }

  /** Twenty branches of ten parts each between L and N, the rest points nothing hangs on. */
  private static String largest() {
    StringBuilder points = new StringBuilder("  L: {title: L}\n  N: {title: N}\n");
    StringBuilder parts = new StringBuilder();
    int count = 2;
    for (int b = 0; b < 20; b++) {
      String before = "L";
      for (int i = 0; i < 10; i++) {
        String after = i == 9 ? "N" : "P" + b + "-" + i;
        if (i < 9) {
          points.append("  %s: {title: Point}%n".formatted(after));
          count++;
        }
        parts.append(
            i == 5
                ? "  load-%d: {kind: heating-element, between: [%s, %s], watts: 50, at-volts: 230}%n"
                    .formatted(b, before, after)
                : "  link-%d-%d: {kind: wire, between: [%s, %s]}%n".formatted(b, i, before, after));
        before = after;
      }
    }
    for (; count < 400; count++) {
      points.append("  X%d: {title: Spare}%n".formatted(count));
    }
    return """
    format: jolly-chain/sheet/1
    key: largest
    title: Largest
    family: other
    supply: {system: single-phase, volts: 230, hertz: 50, terminals: {line1: L, neutral: N}}
    points:
    %sparts:
    %ssituations:
      call: {title: On, supply: on}
    paths:
      heat: {title: Heat, load: load-0}
    """
        .formatted(points, parts);
  }
}
