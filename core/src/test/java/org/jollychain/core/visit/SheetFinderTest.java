package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.Guides;
import org.jollychain.core.Sheets;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SheetFinderTest {

  private static final List<Guide> GUIDES = Guides.keys().map(Guides::shipped).toList();
  private static final List<SheetFinder.Candidate> LIBRARY =
      Sheets.shipped().stream().map(Sheets::shipped).map(SheetFinderTest::candidate).toList();
  private static final SheetFinder FINDER = new SheetFinder(LIBRARY, GUIDES);

  private static SheetFinder.Candidate candidate(Sheet s) {
    return new SheetFinder.Candidate(s.key(), s.title(), s.family(), s.identify());
  }

  private static String answer(SheetFinder.Candidate sheet, Guide.Question question) {
    return question.id().equals(SheetFinder.FAMILY)
        ? sheet.family().toString()
        : sheet
            .identify()
            .getOrDefault(question.id(), question.answers().keySet().iterator().next());
  }

  /** Whoever stands before a unit of each sheet finds it in three answers. */
  @ParameterizedTest
  @MethodSource("org.jollychain.core.Sheets#shipped")
  void three_answers_find_every_sheet_of_the_library(String key) {
    SheetFinder.Candidate unit =
        LIBRARY.stream().filter(c -> c.key().equals(key)).findFirst().orElseThrow();
    Map<String, String> answered = new LinkedHashMap<>();
    SheetFinder.Found found = FINDER.find(answered);
    while (found.next().isPresent()) {
      Guide.Question question = found.next().get();
      answered.put(question.id(), answer(unit, question));
      found = FINDER.find(answered);
    }
    assertThat(answered).hasSizeLessThanOrEqualTo(3);
    assertThat(found.sheets().get(0).key()).isEqualTo(key);
    assertThat(found.sheets().get(0).probability()).isGreaterThan(0.75);
  }

  @Test
  void one_wrong_answer_does_not_lose_the_right_one() {
    SheetFinder.Found found =
        FINDER.find(
            Map.of(
                "family", "dryer-electric", "air", "duct", "controls", "dial", "screen", "door"));
    assertThat(found.sheets())
        .extracting(SheetFinder.Fit::key)
        .contains("dryer-timer-240", "dryer-board-240");
  }

  @Test
  void those_that_are_left_stand_side_by_side_with_what_differs() {
    SheetFinder.Found found = FINDER.find(Map.of("family", "autoclave"));
    assertThat(found.differ()).singleElement().asString().contains("plate");
    assertThat(found.sheets())
        .extracting(f -> f.answers().get(0))
        .containsExactlyInAnyOrder("115 V", "230 V 50 Hz");
  }

  @Test
  void what_is_not_known_here_is_passed_over_and_an_empty_library_has_nothing() {
    assertThat(FINDER.find(Map.of("wheels", "four", "family", "spaceship")))
        .isEqualTo(FINDER.find(Map.of()));
    assertThat(new SheetFinder(List.of(), GUIDES).find(Map.of()).sheets()).isEmpty();
  }
}
