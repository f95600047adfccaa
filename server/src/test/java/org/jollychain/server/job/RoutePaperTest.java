package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.core.io.ClassPathResource;

/** A route card as hands follow it: every answer leads somewhere, on two pages at most. */
class RoutePaperTest {

  private static final Pattern STEP = Pattern.compile("step (\\d+)");

  /** So many steps fit on two pages. */
  private static final int MOST_ROWS = 28;

  @ParameterizedTest
  @ValueSource(strings = {"dryer-timer-240", "range-240", "dishwasher-120", "furnace-24v"})
  void every_step_is_reached_from_one_before_it_and_two_pages_hold_them(String key)
      throws IOException {
    Sheet sheet =
        SheetValidator.read(
            new ClassPathResource("sheets/" + key + ".yaml")
                .getContentAsString(StandardCharsets.UTF_8));
    Diagnosis diagnosis = new Diagnosis(sheet);
    Planner planner = new Planner(diagnosis);
    for (Complaint complaint : sheet.complaints().values()) {
      Optional<String> told = Optional.of(complaint.id());
      RoutePaper paper =
          RoutePaper.of(
              planner.route(diagnosis.opinion(List.of(), told), List.of(), Policy.usual(true), 6),
              diagnosis.unit(),
              complaint);
      assertThat(paper.rows()).hasSizeBetween(1, MOST_ROWS);
      assertThat(paper.chain()).isNotEmpty();
      Set<Integer> reached =
          paper.rows().stream()
              .flatMap(r -> r.answers().stream())
              .filter(a -> !a.ends())
              .map(a -> STEP.matcher(a.then()).results().findFirst().orElseThrow().group(1))
              .map(Integer::valueOf)
              .collect(Collectors.toSet());
      assertThat(reached)
          .isEqualTo(
              IntStream.rangeClosed(2, paper.rows().size()).boxed().collect(Collectors.toSet()));
    }
  }
}
