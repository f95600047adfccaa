package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Guides;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.Watch;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class TimelineTest {

  private static Timeline run(String guide, String watch, String typed) {
    return Timeline.of(Guides.shipped(guide).watches().get(watch), typed);
  }

  /** Common practice, no source: a burner glows 15-60 s, then burns for minutes. */
  @Test
  void a_sound_burner_fits_its_windows() {
    Timeline run =
        run(
            "dryer-gas",
            "burner",
            "glow 3; flame 33; off 1300; glow 1450; flame 1475; off 1610; glow 1750; flame 1776");
    assertThat(run.fits()).isTrue();
    assertThat(run.meanings()).isEmpty();
    // counted from the first event, wherever the clock stood
    assertThat(run.events().get(0).seconds()).isZero();
    assertThat(run.spans().get(0).title()).isEqualTo("Glow to flame");
    assertThat(run.spans().get(0).to()).isCloseTo(30, within(1e-9));
    assertThat(run.spans().get(0).band()).isEqualTo("10 s to 90 s");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      dryer-gas   | burner | glow 0; off 40; glow 120; off 160             | and no flame
      dryer-gas   | burner | glow 0; flame 30; off 900; glow 1000; off 1040 | opens when it is warm
      dryer-gas   | burner | glow 0; flame 30; off 60; glow 180; flame 210  | on a limit
      dryer-gas   | burner | flame 0; off 400                               | No glow
      heat-kit    | stages | call 0; blower 1; one-in 8; two-in 60; ends 400; one-out 410; two-out 440 | last out
      heat-kit    | stages | call 0; blower 1; one-in 8; two-in 60; ends 400; two-out 410 | welded
      heat-kit    | stages | call 0; one-in 8; two-in 60; blower 70         | blower comes after
      furnace-24v | trials | inducer 0; spark 30; flame 34                  | Stop.
      furnace-24v | heat-up | call 0; inducer 2; glow 30; flame 36; out 40  | flame rod
      autoclave   | empty-cycle | start 0; heat 100; hold 900; vent 1300; done 1500 | level probe
      water-heater-instant | lights | tap 0; fan 1; spark 5; code 20      | Sparks and no flame
      water-heater-instant | lights | tap 0; spark 5; flame 6; shut 60; out 70 | burns on
      millivolt-heater | pilot | lit 0; let-go 60; out 62                  | when the knob is let go
      millivolt-heater | pilot | lit 0; let-go 60; call 70; main 75; drop 90 | drops out while it calls
      dryer-electric | drying | on 0; off 1200                              | Not off within a quarter
      """)
  void a_run_that_does_not_fit_says_what_it_means(
      String guide, String watch, String typed, String means) {
    Timeline run = run(guide, watch, typed);
    assertThat(run.fits()).isFalse();
    assertThat(run.meanings()).anyMatch(m -> m.contains(means));
  }

  /**
   * Common practice, no source: in 1-20 s and 30-90 s, out in 1-30 s and 30-90 s, last in first.
   */
  @Test
  void stages_that_leave_last_in_first_out_fit() {
    Timeline run =
        run(
            "heat-kit",
            "stages",
            "call 0; blower 1; one-in 12; two-in 55; ends 600; two-out 618; one-out 662");
    assertThat(run.meanings()).isEmpty();
    assertThat(run.fits()).isTrue();
  }

  @Test
  void a_run_with_no_span_shows_nothing() {
    assertThat(run("dryer-gas", "burner", "glow 0; glow 20").fits()).isFalse();
  }

  @Test
  void a_pattern_counts_as_the_check_it_amounts_to() {
    Guide guide = Guides.shipped("heat-kit");
    VisitEntry run =
        new VisitEntry(
            VisitEntry.Kind.WATCHED,
            "stages",
            "call 0; blower 1; one-in 8; two-in 60; ends 400; two-out 410");
    assertThat(DerivedChecks.of(guide, List.of(run)))
        .containsExactly(new VisitEntry(VisitEntry.Kind.CHECK, "release", "stays"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      glow            | like "glow 32.4"
      glow 0; flam 12 | did you mean "flame"
      glow 0; flame x | no time in seconds
      glow 0; flame -2 | no time of a run
      glow 10; flame 2 | flame came before glow
      glow 0; flame 1e9 | a day at most
      """)
  void what_is_no_run_is_refused_in_words(String typed, String why) {
    VisitEntry entry = new VisitEntry(VisitEntry.Kind.WATCHED, "burner", typed);
    assertThatThrownBy(
            () ->
                entry.check(
                    Sheets.shipped("dryer-gas-120"),
                    UnitFacts.NONE,
                    Optional.of(Guides.shipped("dryer-gas")),
                    List.of()))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining(why);
  }

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Guides#keys")
  void every_event_that_can_be_told_is_looked_at(String key) {
    for (Watch watch : Guides.shipped(key).watches().values()) {
      String all = watch.windows() + " " + watch.patterns();
      // the rest only says where the run is
      assertThat(watch.events().keySet())
          .as(watch.id())
          .filteredOn(all::contains)
          .hasSizeGreaterThanOrEqualTo(2);
      assertThat(watch.patterns()).as(watch.id()).isNotEmpty();
    }
  }
}
