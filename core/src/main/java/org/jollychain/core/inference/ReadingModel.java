package org.jollychain.core.inference;

import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;

/**
 * A reading of a meter: expected as a straight line in the uncertain parameters of the unit, and
 * normal about it, but for the slips of a hand ({@link ReadingLikelihood}).
 */
final class ReadingModel implements EvidenceModel<Expectation> {

  /** Below this share of the supply's volts a strange circuit has no preference for nothing. */
  private static final double SMALLEST_SHARE = 2e-4;

  private static final double SMALLEST_OHMS = 0.05;

  /** What a strange circuit may have of ohms: from the smallest that is told to 40 Mohm. */
  private static final double OHMS_SPAN = 8e8;

  /** What a strange circuit may have of the supply's volts. */
  private static final double LARGEST_SHARE = 1.2;

  /** More than this of the supply's volts tells how much there is to drop. */
  private static final double ANCHOR_SHARE = 0.2;

  /** Nobody told whether a wire was off: as often it was as not. */
  private static final double WIRES_NOT_TOLD = 0.5;

  /** Told to be off, it is still on in so many cases: common practice, no source. */
  private static final double WIRE_STILL_ON = 0.05;

  /** Touching a tired joint makes contact for a while, so often: common practice, no source. */
  private static final double HEALED = 0.3;

  private final Reading reading;
  private final Set<String> reset;
  private final boolean restarted;
  private final MeasurementModel.Known known;
  private final Optional<MeasurementModel.Known> otherWires;
  private final double otherWiresShare;
  private final boolean mayHaveHealed;
  private final ReadingNoise noise;
  private final double sourceVolts;

  /**
   * @param reset parts that were reset by hand before
   * @param restarted whether the power was taken off and put on again before
   * @param history what the same probe showed at other touches
   */
  ReadingModel(
      MeasurementModel measurements,
      Reading reading,
      Set<String> reset,
      boolean restarted,
      History history) {
    this.reading = reading;
    this.reset = reset;
    this.restarted = restarted;
    this.known = measurements.at(reading.probe(), reading.meter());
    this.otherWires =
        otherWires(measurements.unit(), reading.probe())
            .map(probe -> measurements.at(probe, reading.meter()));
    this.otherWiresShare = reading.probe().liftedAt().isEmpty() ? WIRES_NOT_TOLD : WIRE_STILL_ON;
    this.mayHaveHealed = history.droppedBefore(measurements.unit().sheet(), reading);
    this.sourceVolts = measurements.unit().sheet().supply().volts();
    ReadingNoise usual = ReadingNoise.of(sourceVolts, reading);
    boolean belied = reset.isEmpty() && !restarted && history.belied(reading);
    this.noise =
        belied ? usual.belied(reading.probe().function()) : usual.again(history.before(reading));
  }

  /** The same measurement with the wires as they may also have been. */
  private static Optional<Probe> otherWires(UnitModel unit, Probe probe) {
    if (probe.function() != MeterFunction.OHMS || probe.part().isEmpty()) {
      return Optional.empty();
    }
    Part part = unit.sheet().part(probe.part().get());
    return probe.liftedAt().isEmpty() && !unit.bridged(part, probe.situation())
        ? Optional.empty()
        : Optional.of(probe.wiredOtherwise(part));
  }

  @Override
  public Expectation expected(Hypothesis hypothesis, int index) {
    if (tripped(hypothesis)) {
      return Expectation.plain(known.of(untripped(hypothesis)));
    }
    LinearPrediction line = known.of(hypothesis, index);
    if (mayHaveHealed && drops(hypothesis)) {
      return Expectation.of(line, known.of(without(hypothesis)), HEALED);
    }
    return otherWires
        .map(k -> Expectation.of(line, k.of(hypothesis, index), otherWiresShare))
        .orElseGet(() -> Expectation.plain(line));
  }

  @Override
  public Expectation expectedIfAlso(
      Hypothesis hypothesis, int index, MeasurementModel.Counterfactual also) {
    LinearPrediction line = known.of(hypothesis, index, also);
    return otherWires
        .map(k -> Expectation.of(line, k.of(hypothesis, index, also), otherWiresShare))
        .orElseGet(() -> Expectation.plain(line));
  }

  private boolean drops(Hypothesis hypothesis) {
    return hypothesis.faults().stream().anyMatch(this::drops);
  }

  private boolean drops(Fault fault) {
    return fault instanceof Fault.OfPart p
        && p.mode() == FaultMode.DROPPING
        && reading.probe().part().filter(p.part()::equals).isPresent();
  }

  private Hypothesis without(Hypothesis hypothesis) {
    return new Hypothesis(
        hypothesis.kind(),
        hypothesis.faults().stream().filter(f -> !drops(f)).toList(),
        hypothesis.prior());
  }

  private boolean tripped(Hypothesis hypothesis) {
    return (restarted || !reset.isEmpty())
        && hypothesis.faults().stream().anyMatch(f -> cleared(f) || byHand(f));
  }

  private boolean byHand(Fault fault) {
    return fault instanceof Fault.OfPart p && reset.contains(p.part()) && trip(p);
  }

  /** A restart may clear a control that did not give a command. */
  private boolean cleared(Fault fault) {
    return restarted && fault.failed().filter(m -> m == FaultMode.NOT_MADE).isPresent();
  }

  private static boolean trip(Fault fault) {
    return fault instanceof Fault.OfPart p && p.mode() == FaultMode.TRIPPED;
  }

  /** Once one button is in, all poles of its body hold. */
  private Hypothesis untripped(Hypothesis hypothesis) {
    return new Hypothesis(
        hypothesis.kind(),
        hypothesis.faults().stream()
            .filter(f -> !cleared(f) && !(trip(f) && !reset.isEmpty()))
            .toList(),
        hypothesis.prior());
  }

  @Override
  public void absorb(ReadingLikelihood likelihood, Expectation expected) {
    likelihood.absorb(expected, reading, noise);
  }

  /** It could read anything: half evenly, half evenly by decade. */
  @Override
  public void absorbUnknown(ReadingLikelihood likelihood) {
    if (!(reading.shown() instanceof Shown.Figure figure)) {
      likelihood.absorbSeen(ONE_OF_A_FEW);
      return;
    }
    boolean ohms = reading.probe().function().dimension() == MeterFunction.OHMS.dimension();
    double largest = LARGEST_SHARE * sourceVolts;
    double smallest = SMALLEST_SHARE * sourceVolts;
    double size = Math.max(Math.abs(figure.value()), ohms ? SMALLEST_OHMS : smallest);
    double byDecade = 1 / (size * Math.log(ohms ? OHMS_SPAN : largest / smallest));
    likelihood.absorbSeen(
        ohms ? byDecade : 0.5 / largest + 0.5 * Math.min(byDecade, 1 / figure.resolution()));
  }

  @Override
  public boolean differ(Expectation one, Expectation other) {
    return ReadingLikelihood.differ(
        reading.meter(), reading.probe().function(), one.line(), other.line());
  }

  @Override
  public boolean anchors(Expectation expected) {
    return expected.line().mean() > ANCHOR_SHARE * sourceVolts;
  }
}
