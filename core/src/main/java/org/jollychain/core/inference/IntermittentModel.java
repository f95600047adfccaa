package org.jollychain.core.inference;

import java.util.List;

/**
 * How likely evidence is under a fault that comes and goes: a chain of two states, there and gone,
 * that switches now and then between one reading and the next; the forward algorithm (Baum and
 * others, 1970) sums over all ways it may have been.
 */
public final class IntermittentModel {

  /** From one piece of evidence to the next; common practice, no source. */
  private static final double SWITCHES = 0.25;

  /** Putting a terminal on again makes contact, as a rule; common practice, no source. */
  private static final double RESEATING_HEALS = 0.8;

  private IntermittentModel() {}

  /**
   * Logarithms of the likelihood of all the evidence together with the state at its end.
   *
   * @param there the fault is there now
   * @param gone it is not
   */
  public record Ends(double there, double gone) {}

  /**
   * @param order places of the evidence in the order of time
   * @param ifThere logarithm of what each piece adds while the fault is there, by place
   * @param ifGone the same while it is gone
   * @param reseatedBefore whether its terminals were put on again just before a piece, by place
   */
  public static Ends weigh(
      List<Integer> order, List<Double> ifThere, List<Double> ifGone, boolean[] reseatedBefore) {
    double there = Math.log(0.5);
    double gone = Math.log(0.5);
    for (int i = 0; i < order.size(); i++) {
      int at = order.get(i);
      if (i > 0) {
        double vanishes = reseatedBefore[at] ? RESEATING_HEALS : SWITCHES;
        double stays = LogSumExp.sum(there + Math.log(1 - vanishes), gone + Math.log(SWITCHES));
        gone = LogSumExp.sum(there + Math.log(vanishes), gone + Math.log(1 - SWITCHES));
        there = stays;
      }
      there += ifThere.get(at);
      gone += ifGone.get(at);
    }
    return new Ends(there, gone);
  }
}
