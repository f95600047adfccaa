package org.jollychain.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Uncertain;
import org.junit.jupiter.api.Test;

class ReadingLikelihoodTest {

  /** A supply of 240 V, known to 6 V before it is read, and a drop that takes all of it. */
  private static final LinearPrediction SUPPLY =
      new LinearPrediction(240, new double[] {6, 0}, 1e-4, 0);

  private static final LinearPrediction DROP =
      new LinearPrediction(240, new double[] {6, 0}, 1e-4, 0);
  private static final LinearPrediction STRANGER =
      new LinearPrediction(0.4, new double[] {0, 0.1}, 1e-4, 0);

  private final ReadingLikelihood track =
      new ReadingLikelihood(Sheets.heater().supply(), List.of(Meter.GENERAL));

  private static ReadingLikelihood.Explained absorb(
      ReadingLikelihood track, LinearPrediction line, Reading reading) {
    track.absorb(line, reading, ReadingNoise.of(240, reading));
    return track.explained().get(track.explained().size() - 1);
  }

  private static Reading volts(double value, double resolution) {
    return new Reading(
        "r",
        probe(MeterFunction.VOLTS_AC),
        new Shown.Figure(value, resolution),
        Meter.GENERAL,
        false,
        Optional.empty());
  }

  private static Reading ohms(Shown shown) {
    return new Reading(
        "r", probe(MeterFunction.OHMS), shown, Meter.GENERAL, false, Optional.empty());
  }

  private static Probe probe(MeterFunction function) {
    return Probe.between(function, "A", "B", "call");
  }

  private static LinearPrediction resistance(double ohms) {
    return new LinearPrediction(ohms, new double[] {0, 0}, 1e-4 * ohms * ohms, 0);
  }

  @Test
  void a_measured_supply_narrows_what_is_expected_of_a_drop() {
    Uncertain before = track.believed(DROP);
    absorb(track, SUPPLY, volts(231.2, 0.1));
    Uncertain after = track.believed(DROP);
    assertThat(before.mean()).isEqualTo(240);
    assertThat(after.mean()).isCloseTo(231.2, within(1.2));
    assertThat(after.sd()).isLessThan(before.sd() / 3);
  }

  @Test
  void what_has_nothing_to_do_with_a_reading_stays_as_it_was() {
    Uncertain before = track.believed(STRANGER);
    absorb(track, SUPPLY, volts(231.2, 0.1));
    assertThat(track.believed(STRANGER)).isEqualTo(before);
  }

  @Test
  void the_order_of_two_readings_does_not_change_their_likelihood() {
    ReadingLikelihood other =
        new ReadingLikelihood(Sheets.heater().supply(), List.of(Meter.GENERAL));
    absorb(track, SUPPLY, volts(236.0, 0.1));
    absorb(track, DROP, volts(236.4, 0.1));
    absorb(other, DROP, volts(236.4, 0.1));
    absorb(other, SUPPLY, volts(236.0, 0.1));
    // the small share kept for slips is not quite symmetric
    assertThat(track.logLikelihood()).isCloseTo(other.logLikelihood(), within(1e-4));
  }

  @Test
  void a_drop_that_does_not_fit_the_measured_supply_is_taken_for_a_slip_and_teaches_nothing() {
    absorb(track, SUPPLY, volts(240.0, 0.1));
    Uncertain before = track.believed(DROP);
    assertThat(absorb(track, DROP, volts(120.0, 0.1)))
        .isEqualTo(ReadingLikelihood.Explained.AS_SLIP);
    assertThat(track.believed(DROP)).isEqualTo(before);
  }

  /** What could be either is settled by what comes after it, in whatever order that is. */
  @Test
  void a_slip_that_almost_fits_is_found_out_by_later_readings() {
    absorb(track, SUPPLY, volts(262.0, 0.1));
    assertThat(track.explained()).containsExactly(ReadingLikelihood.Explained.AS_READ);
    absorb(track, DROP, volts(239.8, 0.1));
    absorb(track, SUPPLY, volts(240.1, 0.1));
    assertThat(track.explained())
        .containsExactly(
            ReadingLikelihood.Explained.AS_SLIP,
            ReadingLikelihood.Explained.AS_READ,
            ReadingLikelihood.Explained.AS_READ);
    assertThat(track.believed(DROP).mean()).isCloseTo(240, within(1.0));
  }

  @Test
  void what_each_piece_of_evidence_adds_is_the_likelihood_in_all() {
    for (double shown : new double[] {262, 239.8, 250, 240.1, 0, 241}) {
      absorb(track, SUPPLY, volts(shown, 0.1));
    }
    track.absorbSeen(0.5);
    assertThat(track.steps()).hasSize(7);
    assertThat(track.steps().stream().mapToDouble(s -> s).sum())
        .isCloseTo(track.logLikelihood(), within(1e-9));
  }

  @Test
  void a_copy_goes_its_own_way() {
    absorb(track, SUPPLY, volts(262.0, 0.1));
    double before = track.logLikelihood();
    ReadingLikelihood copy = track.copy();
    absorb(copy, DROP, volts(239.8, 0.1));
    absorb(copy, SUPPLY, volts(240.1, 0.1));
    assertThat(track.logLikelihood()).isEqualTo(before);
    assertThat(track.explained()).containsExactly(ReadingLikelihood.Explained.AS_READ);
    assertThat(track.believed(DROP).mean()).isGreaterThan(255);
  }

  @Test
  void a_thousandfold_reading_is_explained_by_its_prefix() {
    Reading kilo = ohms(new Shown.Figure(12_800, 100));
    assertThat(absorb(track, resistance(12.8), kilo))
        .isEqualTo(ReadingLikelihood.Explained.AS_PREFIX);
  }

  @Test
  void over_limit_is_expected_of_an_open_part_and_a_surprise_of_a_closed_one() {
    ReadingLikelihood closed =
        new ReadingLikelihood(Sheets.heater().supply(), List.of(Meter.GENERAL));
    absorb(track, resistance(1e9), ohms(new Shown.OverLimit()));
    absorb(closed, resistance(0.1), ohms(new Shown.OverLimit()));
    assertThat(Math.exp(track.logLikelihood())).isGreaterThan(0.98);
    assertThat(Math.exp(closed.logLikelihood())).isCloseTo(0.0003, within(1e-6));
  }

  @Test
  void the_buzzer_sounds_below_its_threshold_and_says_no_more() {
    absorb(track, resistance(3), ohms(new Shown.Buzzer(true)));
    double short3 = track.logLikelihood();
    ReadingLikelihood coil =
        new ReadingLikelihood(Sheets.heater().supply(), List.of(Meter.GENERAL));
    absorb(coil, resistance(1200), ohms(new Shown.Buzzer(false)));
    assertThat(Math.exp(short3)).isGreaterThan(0.98);
    assertThat(Math.exp(coil.logLikelihood())).isGreaterThan(0.98);
  }

  @Test
  void a_ghost_may_have_bled_away_and_a_stiff_voltage_may_not() {
    LinearPrediction ghost = new LinearPrediction(60, new double[] {20, 0}, 25, 1);
    LinearPrediction stiff = new LinearPrediction(60, new double[] {20, 0}, 25, 0);
    ReadingLikelihood other =
        new ReadingLikelihood(Sheets.heater().supply(), List.of(Meter.GENERAL));
    absorb(track, ghost, volts(0.0, 0.1));
    absorb(other, stiff, volts(0.0, 0.1));
    assertThat(track.logLikelihood() - other.logLikelihood()).isGreaterThan(2);
  }

  @Test
  void no_reading_however_absurd_makes_a_likelihood_of_nothing() {
    absorb(track, STRANGER, volts(1999, 1));
    absorb(track, resistance(1e9), ohms(new Shown.Figure(0, 0.1)));
    assertThat(track.logLikelihood()).isFinite();
  }

  @Test
  void the_normal_distribution_is_that_of_the_tables() {
    // from memory: 0.8413, 0.9772 and 0.0228
    assertThat(Normal.below(1)).isCloseTo(0.8413, within(5e-5));
    assertThat(Normal.below(2)).isCloseTo(0.9772, within(5e-5));
    assertThat(Normal.below(-2)).isCloseTo(0.0228, within(5e-5));
  }
}
