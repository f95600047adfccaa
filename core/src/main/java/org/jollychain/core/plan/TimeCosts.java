package org.jollychain.core.plan;

/**
 * What things cost, in minutes; common practice, no source. Every shop has its own.
 *
 * @param probe to put two probes and read
 * @param clamp to clamp a wire and read
 * @param question to look and listen whether something runs, or read a code
 * @param look to look at a part closely
 * @param isolate to switch off, lock off and prove dead, the meter proved before and after
 * @param energise to have hands out, unlock and switch on
 * @param change to put the unit into another state
 * @param warm to wait until it is hot
 * @param lift to take a wire off and mark it, and to put it on again
 * @param exposure what a live measurement is to cost beside its minutes
 */
public record TimeCosts(
    double probe,
    double clamp,
    double question,
    double look,
    double isolate,
    double energise,
    double change,
    double warm,
    double lift,
    double exposure) {

  public static final TimeCosts USUAL =
      new TimeCosts(0.6, 0.8, 0.4, 0.7, 2.5, 1.2, 0.4, 6, 1.2, 0.5);

  private static final double LEAST_MINUTES = 0.05;

  /**
   * None is negative, and what is done at every step costs something, or a plan would never end.
   */
  public TimeCosts {
    probe = Math.max(LEAST_MINUTES, probe);
    clamp = Math.max(LEAST_MINUTES, clamp);
    question = Math.max(LEAST_MINUTES, question);
    look = Math.max(LEAST_MINUTES, look);
    isolate = Math.max(0, isolate);
    energise = Math.max(0, energise);
    change = Math.max(0, change);
    warm = Math.max(0, warm);
    lift = Math.max(0, lift);
    exposure = Math.max(0, exposure);
  }

  /** The same with another price of live work. */
  public TimeCosts exposing(double price) {
    return new TimeCosts(
        probe, clamp, question, look, isolate, energise, change, warm, lift, price);
  }
}
