package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.fault.Hypothesis;

/**
 * What is believed, as the planner uses it: hypotheses by their place on the sheet, what each calls
 * for, and its probability.
 */
final class Belief {

  private static final double NEGLIGIBLE = 1e-5;

  /** Pairs of faults as rare as this are used as one. */
  private static final double RARE = 0.002;

  private static final double LOG_2 = Math.log(2);

  private final List<Call> calls;
  private final Hypothesis[] likeliest;
  private final int[] index;
  private final int[] callOf;
  private final double[] p;

  private Belief(List<Call> calls, Hypothesis[] likeliest, int[] index, int[] callOf, double[] p) {
    this.calls = calls;
    this.likeliest = likeliest;
    this.index = index;
    this.callOf = callOf;
    this.p = p;
  }

  static Belief of(List<Diagnosis.Belief> beliefs) {
    List<Diagnosis.Belief> kept =
        beliefs.stream().filter(b -> b.probability() > NEGLIGIBLE).toList();
    Map<Call, Double> mass = new HashMap<>();
    kept.forEach(b -> mass.merge(Call.of(b.hypothesis()), b.probability(), Double::sum));
    Map<Call, Integer> known = new HashMap<>();
    List<Call> calls = new ArrayList<>();
    List<Hypothesis> likeliest = new ArrayList<>();
    int[] index = new int[kept.size()];
    int[] callOf = new int[kept.size()];
    double[] p = new double[kept.size()];
    double sum = kept.stream().mapToDouble(Diagnosis.Belief::probability).sum();
    for (int i = 0; i < p.length; i++) {
      Hypothesis h = kept.get(i).hypothesis();
      callOf[i] =
          known.computeIfAbsent(
              mass.get(Call.of(h)) < RARE ? Call.of(h).rare() : Call.of(h),
              c -> {
                calls.add(c);
                likeliest.add(h);
                return calls.size() - 1;
              });
      index[i] = kept.get(i).index();
      p[i] = kept.get(i).probability() / sum;
    }
    return new Belief(List.copyOf(calls), likeliest.toArray(Hypothesis[]::new), index, callOf, p);
  }

  /**
   * What a question would do to the belief.
   *
   * @param chance of each answer
   * @param byCall probability of each call under each answer
   * @param bits entropy of the calls under each answer (bit)
   */
  record Split(double[] chance, double[][] byCall, double[] bits) {

    /** Expected entropy of the calls once it is answered (bit). */
    double bitsLeft() {
      double left = 0;
      for (int j = 0; j < chance.length; j++) {
        left += chance[j] * bits[j];
      }
      return left;
    }
  }

  Split split(OutcomeModel outcomes) {
    int answers = outcomes.answers();
    int classes = outcomes.likelihood().length;
    double[] weights = new double[calls.size() * classes];
    for (int i = 0; i < p.length; i++) {
      weights[callOf[i] * classes + outcomes.classOf()[index[i]]] += p[i];
    }
    double[] chance = new double[answers];
    double[][] byCall = new double[answers][calls.size()];
    for (int d = 0; d < calls.size(); d++) {
      for (int c = 0; c < classes; c++) {
        double w = weights[d * classes + c];
        if (w > 0) {
          double[] likelihood = outcomes.likelihood()[c];
          for (int j = 0; j < answers; j++) {
            byCall[j][d] += w * likelihood[j];
          }
        }
      }
    }
    for (int j = 0; j < answers; j++) {
      for (double w : byCall[j]) {
        chance[j] += w;
      }
      for (int d = 0; d < calls.size() && chance[j] > 0; d++) {
        byCall[j][d] /= chance[j];
      }
    }
    double[] bits = new double[answers];
    Arrays.setAll(bits, j -> bits(byCall[j]));
    return new Split(chance, byCall, bits);
  }

  /** How much each class of an outlook is believed. */
  double[] byClass(OutcomeModel outcomes) {
    double[] weights = new double[outcomes.likelihood().length];
    for (int i = 0; i < p.length; i++) {
      weights[outcomes.classOf()[index[i]]] += p[i];
    }
    return weights;
  }

  /** The belief after an answer. */
  Belief given(OutcomeModel outcomes, int answer) {
    double[] after = new double[p.length];
    double sum = 0;
    for (int i = 0; i < p.length; i++) {
      after[i] = p[i] * outcomes.likelihood()[outcomes.classOf()[index[i]]][answer];
      sum += after[i];
    }
    int kept = 0;
    for (int i = 0; i < p.length; i++) {
      after[i] /= sum;
      kept += after[i] > NEGLIGIBLE ? 1 : 0;
    }
    int[] keptIndex = new int[kept];
    int[] keptCall = new int[kept];
    double[] keptP = new double[kept];
    int k = 0;
    for (int i = 0; i < p.length; i++) {
      if (after[i] > NEGLIGIBLE) {
        keptIndex[k] = index[i];
        keptCall[k] = callOf[i];
        keptP[k++] = after[i];
      }
    }
    return new Belief(calls, likeliest, keptIndex, keptCall, keptP);
  }

  /** The hypothesis at a share of the belief, by its place on the sheet. */
  int drawn(double share) {
    double left = share;
    for (int i = 0; i < p.length; i++) {
      left -= p[i];
      if (left <= 0) {
        return index[i];
      }
    }
    return index[p.length - 1];
  }

  double[] byCall() {
    double[] byCall = new double[calls.size()];
    for (int i = 0; i < p.length; i++) {
      byCall[callOf[i]] += p[i];
    }
    return byCall;
  }

  /** Entropy of the calls (bit). */
  double bits() {
    return bits(byCall());
  }

  static double bits(double[] shares) {
    double bits = 0;
    for (double s : shares) {
      if (s > 0) {
        bits -= s * Math.log(s) / LOG_2;
      }
    }
    return bits;
  }

  List<Call> calls() {
    return calls;
  }

  /** The most probable hypothesis that calls for it. */
  Hypothesis likeliest(int call) {
    return likeliest[call];
  }
}
