package org.jollychain.core.inference;

import java.util.List;
import org.jollychain.core.network.Accuracy;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;

/**
 * What tells faults apart at one probe before their lines are drawn: the phasor read, in steps far
 * below what a meter could tell, how much of it is a ghost, and what in the circuit is uncertain
 * otherwise than in the sound one. Faults that share it share their line, so the lines drawn grow
 * with what can be read, not with the number of faults.
 *
 * @param exponent of the size, which the steps go by
 * @param ghost in steps of a two-hundredth
 * @param uncertain what spreads, and what no longer does
 */
record Signature(int exponent, long re, long im, int ghost, int uncertain) {

  /** Steps in what {@link ReadingLikelihood#alike} takes for one. */
  private static final double STEPS = 8;

  private static final int GHOST_STEPS = 200;
  private static final double CLOSED_OHMS = 1;

  /**
   * @param re of the phasor read, in the unit of the function
   * @param floating how much of it is a ghost, 0 to 1
   */
  static Signature of(
      Probe probe, Meter meter, List<Change> changes, double re, double im, double floating) {
    MeterFunction function = probe.function();
    if (function.needsDeadCircuit() && re > 3 * meter.overLimitOhms()) {
      return new Signature(Integer.MAX_VALUE, 0, 0, 0, 0);
    }
    Accuracy accuracy = meter.accuracy(function);
    double size = Math.max(Math.hypot(re, im), accuracy.finest());
    int exponent = Math.getExponent(size);
    double step =
        ReadingLikelihood.near(new MeterError(accuracy), Math.scalb(1.0, exponent)) / STEPS;
    return new Signature(
        exponent,
        Math.round(re / step),
        Math.round(im / step),
        (int) Math.round(GHOST_STEPS * floating),
        uncertain(probe, changes));
  }

  private static int grade(Change.ToCase leak) {
    return 31 * Double.hashCode(leak.ohms()) + Double.hashCode(leak.position());
  }

  private static int uncertain(Probe probe, List<Change> changes) {
    int hash = 1;
    for (Change change : changes) {
      if (change.logSpread() != 0) {
        hash = 31 * hash + Double.hashCode(change.logSpread());
        hash = 31 * hash + (change instanceof Change.ToCase leak ? grade(leak) : 1);
      }
      // a part that the probe is across, and a contact that is closed by a weld, have no spread of
      // their own any more
      boolean own = probe.part().filter(change.branch()::equals).isPresent();
      boolean welded =
          change instanceof Change.InBranch c && c.factor() == 0 && c.addedOhms() < CLOSED_OHMS;
      if (own || welded) {
        hash = 31 * hash + change.branch().hashCode();
      }
    }
    return hash;
  }
}
