package org.jollychain.core.network;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.assertj.core.data.Offset;
import org.jollychain.core.Sheets;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Shorthand;
import org.jollychain.core.sheet.Situation;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What a shorthand of a shipped sheet predicts for single opens on its paths is what the sheet
 * predicts: within 1 % or the last digit of a usual meter.
 */
class ShorthandPredictionsTest {

  private static final double SHARE = 0.01;
  private static final double LAST_DIGIT_SHARE = 1e-3;
  private static final Complex METER = Complex.of(10e6);

  static List<String> shipped() {
    return Sheets.shipped();
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void of_the_shorthand_that_the_sheet_is_written_as(String key) throws IOException {
    Sheet sheet = Sheets.shipped(key);
    String written = text("written/" + key);
    assertThat(Shorthand.of(sheet)).as("what is kept is what is written today").isEqualTo(written);
    Sheet back = SheetValidator.read(Shorthand.read(written).yaml());
    int compared = 0;
    for (Situation s : sheet.situations().values()) {
      compared += compare(sheet, s, back, back.situation(s.id()));
    }
    assertThat(compared).isGreaterThan(100);
  }

  /**
   * Typed by hand as a technician would, with what is usual left unsaid; the first line says in
   * what situation of the sheet.
   */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "dryer-timer-240",
        "millivolt-heater",
        "autoclave-230",
        "water-heater-240",
        "furnace-24v"
      })
  void of_one_typed_by_hand(String key) throws IOException {
    String text = text("typed/" + key);
    String in = text.lines().findFirst().orElseThrow().replace("# in ", "");
    Sheet sheet = Sheets.shipped(key);
    Sheet typed = SheetValidator.read(Shorthand.read(text).yaml());
    Situation call =
        typed.situations().getOrDefault(in, typed.situations().values().iterator().next());
    assertThat(compare(sheet, sheet.situation(in), typed, call)).isGreaterThan(20);
  }

  private static String text(String name) throws IOException {
    try (InputStream in =
        ShorthandPredictionsTest.class.getResourceAsStream("/shorthand/" + name + ".txt")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static Optional<Part> twin(Part part, Sheet other) {
    return Optional.ofNullable(other.parts().get(part.id()))
        .or(
            () ->
                other.parts().values().stream()
                    .filter(p -> Set.of(p.from(), p.to()).equals(Set.of(part.from(), part.to())))
                    .findFirst());
  }

  private static int compare(Sheet one, Situation s, Sheet other, Situation t) {
    UnitModel a = new UnitModel(one);
    UnitModel b = new UnitModel(other);
    Set<Part> onPaths = new LinkedHashSet<>();
    a.chains().keySet().stream().map(Chain::parts).forEach(onPaths::addAll);
    String reference = one.supply().homewardPoint();
    double digit = LAST_DIGIT_SHARE * one.supply().volts();
    List<String> points = new ArrayList<>(one.points().keySet());
    points.retainAll(other.points().keySet());
    int compared = 0;
    for (Part part : onPaths) {
      Optional<Part> twin = twin(part, other);
      if (twin.isEmpty()) {
        continue;
      }
      Solution first = a.in(s.id(), List.of(Change.open(part.id())));
      Solution second = b.in(t.id(), List.of(Change.open(twin.get().id())));
      for (String point : points) {
        double volts = first.voltsBetween(point, reference, METER).abs();
        assertThat(second.voltsBetween(point, reference, METER).abs())
            .as("%s with %s open, at %s in %s", one.key(), part.id(), point, s.id())
            .isCloseTo(volts, Offset.offset(Math.max(SHARE * volts, digit)));
        compared++;
      }
    }
    return compared;
  }
}
