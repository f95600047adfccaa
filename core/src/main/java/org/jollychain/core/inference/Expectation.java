package org.jollychain.core.inference;

/**
 * What a hypothesis predicts for a reading: one line if it was taken as reported, and a second one
 * if the wires may have been on where they were reported off (or off where nothing was reported),
 * or if a bad joint may have made contact again under the probe.
 *
 * @param line the prediction if the reading was taken as reported
 * @param otherwise the second prediction; the same line where there is no doubt
 * @param share the probability of the second one
 */
record Expectation(LinearPrediction line, LinearPrediction otherwise, double share) {

  static Expectation plain(LinearPrediction line) {
    return new Expectation(line, line, 0);
  }

  static Expectation of(LinearPrediction line, LinearPrediction otherwise, double share) {
    return line == otherwise ? plain(line) : new Expectation(line, otherwise, share);
  }

  boolean doubted() {
    return share > 0;
  }

  /** Hypotheses are told apart by their lines, of which those that are alike are one object. */
  @Override
  public boolean equals(Object other) {
    return other instanceof Expectation e
        && e.line == line
        && e.otherwise == otherwise
        && e.share == share;
  }

  @Override
  public int hashCode() {
    return line.hashCode();
  }
}
