package org.jollychain.core.sequencing;

/**
 * What may come of a test. States of which it expects the same are one class.
 *
 * @param classOf the class of each state, by its index
 * @param likelihood of each outcome, by class; each class's add up to one
 */
public record OutcomeTable(int[] classOf, double[][] likelihood) {

  public int outcomes() {
    return likelihood[0].length;
  }

  public int classes() {
    return likelihood.length;
  }

  /** The likelihood of each outcome in a state. */
  public double[] in(int state) {
    return likelihood[classOf[state]];
  }
}
