package org.jollychain.core.network;

import java.util.List;
import org.ejml.data.ZMatrixRMaj;
import org.ejml.dense.row.CommonOps_ZDRM;
import org.jollychain.core.quantity.Complex;

/**
 * A circuit with some branches changed. With M the inverse of the sound system, the changes dZ on
 * the diagonal of the branches K act like extra voltages y in them:
 *
 * <pre>
 *   y = dZ I',   I' = I + M(K,K) y    so    (1 - dZ M(K,K)) y = dZ I,    x' = x + M(.,K) y
 * </pre>
 */
public final class Solution {

  private final Network network;
  private final List<Change> changes;
  private final int[] changed;
  private final Complex[] addedOhms;
  private final Complex[] addedEmf;
  private final Complex[] y;

  Solution(Network network, List<Change> changes) {
    this.network = network;
    this.changes = changes;
    int k = changes.size();
    this.changed = new int[k];
    this.addedOhms = new Complex[k];
    this.addedEmf = new Complex[k];
    for (int i = 0; i < k; i++) {
      Change change = changes.get(i);
      Branch branch = network.branch(change.branch());
      changed[i] = network.rowOfBranch(change.branch());
      addedOhms[i] = branch.ohms().times(change.factor() - 1).plus(Complex.of(change.addedOhms()));
      addedEmf[i] = branch.emf().times(change.emfFactor()).minus(branch.emf());
    }
    Complex[] currents = new Complex[k];
    for (int i = 0; i < k; i++) {
      currents[i] = beforeOhms(changed[i]);
    }
    this.y = extraVolts(currents);
  }

  /**
   * @return potential of a point against the earthed node (V RMS phasor, or V for dc)
   */
  public Complex volts(String point) {
    return unknown(network.rowOf(point));
  }

  /**
   * @return current in a branch from its first point to its second (A RMS phasor, or A for dc)
   */
  public Complex amperes(String branch) {
    return unknown(network.rowOfBranch(branch));
  }

  /**
   * @return power a part turns into heat or motion (W)
   */
  public double watts(String branch) {
    double amperes = amperes(branch).abs();
    return amperes * amperes * ohms(branch).re();
  }

  /**
   * @return impedance of a branch, changes included (ohm)
   */
  public Complex ohms(String branch) {
    Complex ohms = network.branch(branch).ohms();
    for (int i = 0; i < changes.size(); i++) {
      if (changes.get(i).branch().equals(branch)) {
        ohms = ohms.plus(addedOhms[i]);
      }
    }
    return ohms;
  }

  /**
   * The impedance between two points with all sources at rest, after Thevenin.
   *
   * @return ohm
   */
  public Complex ohmsBetween(String red, String black) {
    int p = network.rowOf(red);
    int q = network.rowOf(black);
    Complex[] currents = new Complex[changed.length];
    for (int i = 0; i < changed.length; i++) {
      currents[i] = network.entry(changed[i], p).minus(network.entry(changed[i], q));
    }
    Complex[] extra = extraVolts(currents);
    Complex ohms =
        network
            .entry(p, p)
            .minus(network.entry(p, q))
            .minus(network.entry(q, p))
            .plus(network.entry(q, q));
    for (int i = 0; i < changed.length; i++) {
      ohms =
          ohms.plus(
              network.entry(p, changed[i]).minus(network.entry(q, changed[i])).times(extra[i]));
    }
    return ohms;
  }

  /**
   * What a voltmeter of some input impedance reads: it divides the open-circuit voltage with the
   * impedance it looks into.
   *
   * @param inputOhms of the meter (ohm)
   * @return V RMS phasor, or V for dc
   */
  public Complex voltsBetween(String red, String black, Complex inputOhms) {
    Complex open = volts(red).minus(volts(black));
    return open.times(inputOhms.over(inputOhms.plus(ohmsBetween(red, black))));
  }

  double radiansPerSecond() {
    return network.radiansPerSecond();
  }

  private Complex unknown(int i) {
    Complex x = beforeOhms(i);
    for (int k = 0; k < changed.length; k++) {
      x = x.plus(network.entry(i, changed[k]).times(y[k]));
    }
    return x;
  }

  /** An unknown with the changed sources but the sound impedances. */
  private Complex beforeOhms(int i) {
    Complex x = network.sound(i);
    for (int k = 0; k < changed.length; k++) {
      if (addedEmf[k].re() != 0 || addedEmf[k].im() != 0) {
        x = x.minus(network.entry(i, changed[k]).times(addedEmf[k]));
      }
    }
    return x;
  }

  private Complex[] extraVolts(Complex[] currents) {
    int k = changed.length;
    Complex[] extra = new Complex[k];
    if (k == 1) {
      Complex divisor =
          Complex.ONE.minus(addedOhms[0].times(network.entry(changed[0], changed[0])));
      extra[0] = addedOhms[0].times(currents[0]).over(divisor);
    } else if (k > 1) {
      ZMatrixRMaj a = new ZMatrixRMaj(k, k);
      ZMatrixRMaj b = new ZMatrixRMaj(k, 1);
      for (int i = 0; i < k; i++) {
        double scale = 1 / Math.max(1, addedOhms[i].abs());
        Complex scaled = addedOhms[i].times(scale);
        for (int j = 0; j < k; j++) {
          Complex entry =
              Complex.of(i == j ? scale : 0)
                  .minus(scaled.times(network.entry(changed[i], changed[j])));
          a.set(i, j, entry.re(), entry.im());
        }
        Complex right = scaled.times(currents[i]);
        b.set(i, 0, right.re(), right.im());
      }
      if (!CommonOps_ZDRM.solve(a, b, b)) {
        throw new IllegalStateException("the changed circuit has no solution");
      }
      for (int i = 0; i < k; i++) {
        extra[i] = new Complex(b.getReal(i, 0), b.getImag(i, 0));
      }
    }
    return extra;
  }
}
