package org.jollychain.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Severities stand on grids; each step has to reach its neighbours, and no further. */
class GridTest {

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  private static List<Change.InBranch> drops(List<Hypothesis> all, Part link) {
    return all.stream()
        .filter(h -> h.faults().size() == 1)
        .filter(h -> h.modeOf(link.id()).filter(m -> m == FaultMode.DROPPING).isPresent())
        .map(h -> (Change.InBranch) h.ofParts().findFirst().orElseThrow().changes().get(0))
        .toList();
  }

  /** An even distribution over a step of the logarithm has a spread of its width over root 12. */
  @ParameterizedTest
  @MethodSource("sheets")
  void every_step_of_a_drop_spreads_over_the_gap_to_the_next(String key) {
    Sheet sheet = Sheets.shipped(key);
    Hypotheses hypotheses = new Hypotheses(new UnitModel(sheet));
    List<Hypothesis> all = hypotheses.all(Optional.empty());
    int found = 0;
    for (Part link : sheet.parts().values()) {
      List<Change.InBranch> grid = drops(all, link);
      found += grid.size();
      for (int i = 1; i < grid.size(); i++) {
        double gap = Math.log(grid.get(i).addedOhms() / grid.get(i - 1).addedOhms());
        assertThat(grid.get(i).logSpread() * Math.sqrt(12)).isCloseTo(gap, within(0.06));
      }
      if (!grid.isEmpty()) {
        double loop = hypotheses.loopOhms(link.id());
        // smaller ones where they turn into heat
        assertThat(grid.get(0).addedOhms()).isBetween(0.0029 * loop, 0.0201 * loop);
        assertThat(grid.get(grid.size() - 1).addedOhms()).isCloseTo(20 * loop, within(1e-6 * loop));
      }
    }
    assertThat(found).isPositive();
  }

  /** However many sections a body has, the odds that one more fails with one of them stay. */
  @ParameterizedTest
  @MethodSource("sheets")
  void the_sections_of_a_body_share_the_odds_of_failing_together(String key) {
    Sheet sheet = Sheets.shipped(key);
    List<Hypothesis> all = new Hypotheses(new UnitModel(sheet)).all(Optional.empty());
    for (Part part : sheet.parts().values()) {
      double alone = priorAlone(all, part.id());
      double withAnother =
          all.stream()
              .filter(Hypothesis::manifold)
              .filter(h -> h.modeOf(part.id()).isPresent())
              .filter(h -> h.ofParts().allMatch(f -> sameBody(sheet.part(f.part()), part)))
              .mapToDouble(Hypothesis::prior)
              .sum();
      assertThat(withAnother).as(part.id()).isLessThan(BaseRates.PAIR_OF_BODY * alone + 1e-12);
    }
  }

  private static boolean sameBody(Part a, Part b) {
    return a.body().isPresent() && a.body().equals(b.body());
  }

  /** With whatever contacts standing open at rest. */
  private static double priorAlone(List<Hypothesis> all, String part) {
    return all.stream()
        .filter(h -> !h.manifold() && h.modeOf(part).isPresent())
        .mapToDouble(Hypothesis::prior)
        .sum();
  }
}
