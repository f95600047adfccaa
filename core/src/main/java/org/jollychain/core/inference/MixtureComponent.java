package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * One way to take the readings so far: those that it believes narrow what is expected of the next,
 * the others teach nothing. Those believed are jointly normal; the Cholesky factor of their
 * covariance grows row by row.
 */
final class MixtureComponent {

  /**
   * So many readings narrow what is expected of the next. By then the unit is known as well as its
   * meter knows it, and the work for each further reading would grow with the square of their
   * number.
   */
  private static final int MOST_TOGETHER = 120;

  private final List<Slopes> slopes = new ArrayList<>();
  private final List<double[]> factor = new ArrayList<>();
  private double[] whitened = {};
  private final List<ReadingLikelihood.Explained> how = new ArrayList<>();
  private double logWeight;

  MixtureComponent copy() {
    MixtureComponent copy = new MixtureComponent();
    copy.slopes.addAll(slopes);
    copy.factor.addAll(factor);
    copy.whitened = whitened;
    copy.how.addAll(how);
    copy.logWeight = logWeight;
    return copy;
  }

  /** Logarithm of its probability among the explanations of a track. */
  double logWeight() {
    return logWeight;
  }

  void weigh(double log) {
    logWeight += log;
  }

  /** How each piece of evidence is explained, in their order. */
  List<ReadingLikelihood.Explained> how() {
    return how;
  }

  /** Whether a further reading would still narrow what is expected. */
  boolean learns() {
    return slopes.size() < MOST_TOGETHER;
  }

  /**
   * What those believed say of a further reading.
   *
   * @param row its slopes
   * @param covariance with those believed, by their factor
   * @param shift to be added to its mean
   * @param variance of its slopes that is left
   */
  record Given(Slopes row, double[] covariance, double shift, double variance) {}

  Given given(Slopes row) {
    double[] w = forward(row);
    double shift = 0;
    for (int i = 0; i < w.length; i++) {
      shift += w[i] * whitened[i];
    }
    return new Given(row, w, shift, row.squared() - squared(w));
  }

  /**
   * Believes a further reading.
   *
   * @param excess of the reading over what was expected of it
   * @param sd of that
   * @param log of how likely it is
   */
  void believe(Given given, double excess, double sd, double log) {
    logWeight += log;
    how.add(ReadingLikelihood.Explained.AS_READ);
    if (learns()) {
      slopes.add(given.row);
      factor.add(and(given.covariance, sd));
      whitened = and(whitened, excess / sd);
    }
  }

  /** What was believed last was so with the wires otherwise than told. */
  void wiredOtherwise() {
    how.set(how.size() - 1, ReadingLikelihood.Explained.AS_WIRED);
  }

  /** Learns nothing from a further piece of evidence, which is so likely. */
  void leave(ReadingLikelihood.Explained explained, double log) {
    logWeight += log;
    how.add(explained);
  }

  /** Solves L w = covariance of a new row with the earlier readings. */
  private double[] forward(Slopes row) {
    double[] w = new double[slopes.size()];
    for (int i = 0; i < w.length; i++) {
      double sum = row.dot(slopes.get(i));
      double[] l = factor.get(i);
      for (int j = 0; j < i; j++) {
        sum -= l[j] * w[j];
      }
      w[i] = sum / l[i];
    }
    return w;
  }

  private static double[] and(double[] a, double last) {
    double[] longer = Arrays.copyOf(a, a.length + 1);
    longer[a.length] = last;
    return longer;
  }

  private static double squared(double[] a) {
    double sum = 0;
    for (double v : a) {
      sum += v * v;
    }
    return sum;
  }
}
