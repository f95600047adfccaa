package org.jollychain.core.inference;

import java.util.OptionalDouble;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Accuracy;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;

/**
 * What a figure on a display leaves open, whatever is expected: variances of counts and rounding,
 * as it stands and a thousand times greater and smaller.
 *
 * @param doubt how many times likelier a slip is than usual
 * @param before what the same points showed when they were read before
 */
public record ReadingNoise(
    double asRead, double thousandfold, double thousandth, double doubt, OptionalDouble before) {

  /** Volts that a lead picks up from the wires around it, as a share of the supply's. */
  private static final double PICKUP_SHARE = 1e-4;

  private static final ReadingNoise NONE = new ReadingNoise(0, 0, 0, 1, OptionalDouble.empty());

  /** Another touch of the same points showed something else: one of the two was none. */
  private static final double BELIED_OHMS = 15;

  private static final double BELIED_VOLTS = 4;

  /** The same where it was read again and was quite another. */
  ReadingNoise belied(MeterFunction function) {
    return new ReadingNoise(
        asRead,
        thousandfold,
        thousandth,
        function.needsDeadCircuit() ? BELIED_OHMS : BELIED_VOLTS,
        before);
  }

  /** The same where these points were read before. */
  ReadingNoise again(OptionalDouble before) {
    return new ReadingNoise(asRead, thousandfold, thousandth, doubt, before);
  }

  public static ReadingNoise of(double sourceVolts, Reading reading) {
    Meter meter = reading.meter();
    return reading.shown() instanceof Shown.Figure figure
        ? new ReadingNoise(
            variance(meter, sourceVolts, reading, figure, 1),
            variance(meter, sourceVolts, reading, figure, 1e3),
            variance(meter, sourceVolts, reading, figure, 1e-3),
            1,
            OptionalDouble.empty())
        : NONE;
  }

  private static double variance(
      Meter meter, double sourceVolts, Reading reading, Shown.Figure figure, double slip) {
    MeterError error = MeterError.of(meter, reading.probe().function());
    Accuracy accuracy = error.accuracy();
    double coarsest =
        reading.probe().function().needsDeadCircuit()
            ? accuracy.finest()
            : accuracy.resolutionAt(sourceVolts);
    double written = figure.resolution() * slip;
    double digit =
        Math.max(accuracy.resolutionAt(figure.value() * slip), Math.min(written, coarsest));
    double counts = error.countsSd(digit);
    double rounding = MeterError.roundingSd(Math.max(digit, written));
    double pickup =
        reading.probe().function() == MeterFunction.VOLTS_AC
            ? PICKUP_SHARE * sourceVolts * PICKUP_SHARE * sourceVolts
            : 0;
    return counts * counts + rounding * rounding + pickup;
  }
}
