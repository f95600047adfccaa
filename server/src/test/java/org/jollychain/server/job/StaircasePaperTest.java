package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Assessment.Tread;
import org.junit.jupiter.api.Test;

class StaircasePaperTest {

  private static Tread tread(String point, Optional<Double> measured) {
    return new Tread(point, 120, 119, 118, 120, measured, measured.map(m -> 0.5), measured);
  }

  @Test
  void a_point_that_nobody_measured_has_no_volts_and_no_line() {
    Assessment.Staircase chain =
        new Assessment.Staircase(
            "heat",
            "Heat",
            "heat-call",
            "N",
            List.of(
                tread("L1", Optional.of(120.3)),
                tread("C1", Optional.empty()),
                tread("C2", Optional.of(0.4)),
                tread("C3", Optional.of(0.2))),
            List.of());
    StaircasePaper paper = StaircasePaper.of(chain, Tread::measured);
    assertThat(paper.labels())
        .extracting(StaircasePaper.Label::volts)
        .containsExactly("120 V", "", "0 V", "0 V");
    // three level lines, and one upright between the two that lie side by side
    assertThat(paper.bars()).hasSize(4);
  }
}
