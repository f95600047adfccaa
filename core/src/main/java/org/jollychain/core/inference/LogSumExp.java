package org.jollychain.core.inference;

/** Probabilities by their logarithms, so that many small factors make no nothing. */
final class LogSumExp {

  private LogSumExp() {}

  /** log(e^a + e^b + ...). */
  static double sum(double... logs) {
    double most = Double.NEGATIVE_INFINITY;
    for (double log : logs) {
      most = Math.max(most, log);
    }
    double sum = 0;
    for (double log : logs) {
      sum += Math.exp(log - most);
    }
    return most + Math.log(sum);
  }
}
