package org.jollychain.core.sequencing;

import java.util.Arrays;

/** How probable each state is, the states grouped by what they call for. */
public final class Distribution {

  private static final double NEGLIGIBLE = 1e-5;
  private static final double LOG_2 = Math.log(2);

  private final int groups;
  private final int[] state;
  private final int[] groupOf;
  private final double[] p;

  private Distribution(int groups, int[] state, int[] groupOf, double[] p) {
    this.groups = groups;
    this.state = state;
    this.groupOf = groupOf;
    this.p = p;
  }

  /**
   * @param state index of each state that is possible, as outcome tables count them
   * @param groupOf the group of each
   * @param weight of each; they need not add up to one
   */
  public static Distribution of(int groups, int[] state, int[] groupOf, double[] weight) {
    double sum = Arrays.stream(weight).sum();
    double[] p = Arrays.stream(weight).map(w -> w / sum).toArray();
    return new Distribution(groups, state.clone(), groupOf.clone(), p);
  }

  /**
   * What a test would do.
   *
   * @param chance of each outcome
   * @param byGroup probability of each group after each outcome
   * @param bits entropy of the groups after each outcome (bit)
   */
  public record Split(double[] chance, double[][] byGroup, double[] bits) {

    /** Expected entropy of the groups once it is made (bit). */
    public double bitsLeft() {
      double left = 0;
      for (int j = 0; j < chance.length; j++) {
        left += chance[j] * bits[j];
      }
      return left;
    }
  }

  public Split split(OutcomeTable table) {
    int outcomes = table.outcomes();
    int classes = table.classes();
    double[] weights = new double[groups * classes];
    for (int i = 0; i < p.length; i++) {
      weights[groupOf[i] * classes + table.classOf()[state[i]]] += p[i];
    }
    double[] chance = new double[outcomes];
    double[][] byGroup = new double[outcomes][groups];
    for (int g = 0; g < groups; g++) {
      for (int c = 0; c < classes; c++) {
        double w = weights[g * classes + c];
        if (w > 0) {
          double[] likelihood = table.likelihood()[c];
          for (int j = 0; j < outcomes; j++) {
            byGroup[j][g] += w * likelihood[j];
          }
        }
      }
    }
    for (int j = 0; j < outcomes; j++) {
      for (double w : byGroup[j]) {
        chance[j] += w;
      }
      for (int g = 0; g < groups && chance[j] > 0; g++) {
        byGroup[j][g] /= chance[j];
      }
    }
    double[] bits = new double[outcomes];
    Arrays.setAll(bits, j -> bits(byGroup[j]));
    return new Split(chance, byGroup, bits);
  }

  /** How probable each class of a table is. */
  public double[] byClass(OutcomeTable table) {
    double[] weights = new double[table.classes()];
    for (int i = 0; i < p.length; i++) {
      weights[table.classOf()[state[i]]] += p[i];
    }
    return weights;
  }

  /** After an outcome. */
  public Distribution given(OutcomeTable table, int outcome) {
    double[] after = new double[p.length];
    double sum = 0;
    for (int i = 0; i < p.length; i++) {
      after[i] = p[i] * table.likelihood()[table.classOf()[state[i]]][outcome];
      sum += after[i];
    }
    int kept = 0;
    for (int i = 0; i < p.length; i++) {
      after[i] /= sum;
      kept += after[i] > NEGLIGIBLE ? 1 : 0;
    }
    int[] keptState = new int[kept];
    int[] keptGroup = new int[kept];
    double[] keptP = new double[kept];
    int k = 0;
    for (int i = 0; i < p.length; i++) {
      if (after[i] > NEGLIGIBLE) {
        keptState[k] = state[i];
        keptGroup[k] = groupOf[i];
        keptP[k++] = after[i];
      }
    }
    return new Distribution(groups, keptState, keptGroup, keptP);
  }

  /** The state at a share of the whole, 0 to 1. */
  public int drawn(double share) {
    double left = share;
    for (int i = 0; i < p.length; i++) {
      left -= p[i];
      if (left <= 0) {
        return state[i];
      }
    }
    return state[p.length - 1];
  }

  public double[] byGroup() {
    double[] byGroup = new double[groups];
    for (int i = 0; i < p.length; i++) {
      byGroup[groupOf[i]] += p[i];
    }
    return byGroup;
  }

  /** Entropy of the groups (bit). */
  public double bits() {
    return bits(byGroup());
  }

  /** Entropy of some shares that add up to one (bit). */
  public static double bits(double[] shares) {
    double bits = 0;
    for (double s : shares) {
      if (s > 0) {
        bits -= s * Math.log(s) / LOG_2;
      }
    }
    return bits;
  }
}
