package org.jollychain.core.inference;

/**
 * What a hypothesis expects of a reading: one line as it was told, and perhaps another, if the
 * wires were otherwise than told, or if a joint made contact again under the probe.
 *
 * @param line as it was told
 * @param otherwise the same line where there is no doubt
 * @param share how likely it was otherwise
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
