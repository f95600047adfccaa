package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.List;
import org.ejml.data.ZMatrixRMaj;
import org.ejml.dense.row.CommonOps_ZDRM;
import org.jollychain.core.quantity.Complex;

/**
 * A circuit with some changes. Each change is of rank one: it adds D u u' to the system, u being
 * the unit vector of a branch's current for a change dZ of its impedance (D = -dZ), or the pair of
 * points a leak draws its current from (D = 1/Z of the leak). With M the inverse of the sound
 * system and U the columns u,
 *
 * <pre>
 *   z = (1/D + U' M U)^-1 U' x,    x_changed = x - M U z         (Woodbury, 1950)
 * </pre>
 *
 * holds for the unknowns x of any source, be it the supply or a current sent in by an ohmmeter.
 */
public final class Solution {

  private final Network network;
  private final List<Change> changes;
  private final List<Update> updates;
  private final Complex[][] small;
  private final Complex[] z;

  /**
   * One change in the system.
   *
   * @param change what it stands for
   * @param rowA row of the branch's current, or of the first point of a leak
   * @param weightA its weight in u
   * @param rowB row of the second point of a leak, -1 otherwise
   * @param inverseD 1/D
   */
  record Update(
      Change change, int rowA, double weightA, int rowB, double weightB, Complex inverseD) {

    Complex dot(double[] vector) {
      return at(vector, rowA).times(weightA).plus(at(vector, rowB).times(weightB));
    }
  }

  Solution(Network network, List<Change> changes) {
    this.network = network;
    this.changes = changes;
    this.updates = new ArrayList<>(changes.size());
    for (Change change : changes) {
      if (change instanceof Change.InBranch c) {
        Complex added = addedOhms(network.branch(c.branch()), c);
        if (!added.equals(Complex.ZERO)) {
          Complex inverseD = Complex.of(-1).over(added);
          updates.add(new Update(c, network.rowOfBranch(c.branch()), 1, -1, 0, inverseD));
        }
      } else if (change instanceof Change.ToCase leak) {
        updates.add(leak(leak));
      }
    }
    this.small = small();
    Complex[] seen = new Complex[updates.size()];
    for (int i = 0; i < seen.length; i++) {
      seen[i] = sourced(updates.get(i));
    }
    this.z = timesSmall(seen);
  }

  /**
   * @return potential of a point against the earthed node (V RMS phasor, or V for dc)
   */
  public Complex volts(String point) {
    return unknown(network.rowOf(point));
  }

  /**
   * @return current into a branch at its first point (A RMS phasor, or A for dc)
   */
  public Complex amperes(String branch) {
    return unknown(network.rowOfBranch(branch)).plus(leaving(branch, true));
  }

  /**
   * @return power a part turns into heat or motion (W)
   */
  public double watts(String branch) {
    double in = amperes(branch).abs();
    double through = unknown(network.rowOfBranch(branch)).minus(leaving(branch, false)).abs();
    double share = leakPosition(branch);
    return (in * in * share + through * through * (1 - share)) * ohms(branch).re();
  }

  /**
   * @return impedance of a branch, changes included (ohm)
   */
  public Complex ohms(String id) {
    Branch branch = network.branch(id);
    Complex ohms = branch.ohms();
    for (Update u : updates) {
      if (u.change() instanceof Change.InBranch c && c.branch().equals(id)) {
        ohms = ohms.plus(addedOhms(branch, c));
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
    Complex[] seen = new Complex[updates.size()];
    for (int i = 0; i < seen.length; i++) {
      seen[i] = entry(p, updates.get(i)).minus(entry(q, updates.get(i)));
    }
    // differences within a row first: its entries share what rounding did to them
    Complex fromRed = network.entry(p, p).minus(network.entry(p, q));
    Complex fromBlack = network.entry(q, p).minus(network.entry(q, q));
    Complex ohms = fromRed.minus(fromBlack);
    Complex[] answer = timesSmall(seen);
    for (int i = 0; i < seen.length; i++) {
      ohms = ohms.minus(seen[i].times(answer[i]));
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

  /** The circuit as seen from two points. */
  Port between(String red, String black) {
    int p = network.rowOf(red);
    int q = network.rowOf(black);
    double[] response = new double[2 * network.rows()];
    network.addColumn(response, p, Complex.ONE);
    network.addColumn(response, q, Complex.of(-1));
    change(response);
    return new Port(
        volts(red).minus(volts(black)), at(response, p).minus(at(response, q)), response);
  }

  /** What a source of one volt in a branch does to all unknowns. */
  double[] responseTo(String branch) {
    double[] response = new double[2 * network.rows()];
    network.addColumn(response, network.rowOfBranch(branch), Complex.ONE);
    change(response);
    return response;
  }

  /**
   * Two points as a source sees them.
   *
   * @param volts between them with nothing connected (V)
   * @param ohms the impedance behind it (ohm)
   * @param response of every unknown to one ampere sent in at the first and out at the second; by
   *     reciprocity also what one volt in any branch does to the voltage between the two
   */
  record Port(Complex volts, Complex ohms, double[] response) {

    /** Share of the voltage that is left when a meter is connected. */
    Complex share(Complex inputOhms) {
      return inputOhms.over(inputOhms.plus(ohms));
    }
  }

  Network network() {
    return network;
  }

  public List<Change> changes() {
    return changes;
  }

  List<Update> updates() {
    return updates;
  }

  /** All unknowns, real and imaginary parts in turn. */
  double[] unknowns() {
    double[] all = network.sound();
    for (Change change : changes) {
      if (change instanceof Change.InBranch c && c.movesSource()) {
        network.addColumn(all, network.rowOfBranch(c.branch()), addedEmf(c).times(-1));
      }
    }
    for (int i = 0; i < z.length; i++) {
      Update u = updates.get(i);
      network.addColumn(all, u.rowA(), z[i].times(-u.weightA()));
      network.addColumn(all, u.rowB(), z[i].times(-u.weightB()));
    }
    return all;
  }

  double radiansPerSecond() {
    return network.radiansPerSecond();
  }

  static Complex at(double[] vector, int row) {
    return row < 0 ? Complex.ZERO : new Complex(vector[2 * row], vector[2 * row + 1]);
  }

  Complex addedEmf(Change.InBranch change) {
    Complex emf = network.branch(change.branch()).emf();
    return change.emf(emf).minus(emf);
  }

  private static Complex addedOhms(Branch branch, Change.InBranch change) {
    return branch.ohms().times(change.factor() - 1).plus(Complex.of(change.addedOhms()));
  }

  /**
   * A current drawn a share along a branch equals currents drawn at its two ends in the inverse
   * proportion, behind the impedance that the two pieces have in parallel.
   */
  private Update leak(Change.ToCase leak) {
    Branch branch = network.branch(leak.branch());
    double along = leak.position();
    Complex ohms = branch.ohms().times(along * (1 - along)).plus(Complex.of(leak.ohms()));
    return new Update(
        leak,
        network.rowOfNode(branch.from()),
        1 - along,
        network.rowOfNode(branch.to()),
        along,
        ohms);
  }

  private Complex leaving(String branch, boolean atFrom) {
    Complex sum = Complex.ZERO;
    for (Update u : updates) {
      if (u.change() instanceof Change.ToCase leak && leak.branch().equals(branch)) {
        Complex volts =
            unknown(u.rowA()).times(u.weightA()).plus(unknown(u.rowB()).times(u.weightB()));
        Complex amperes = volts.over(leakOhms(u));
        sum = sum.plus(amperes.times(atFrom ? 1 - leak.position() : leak.position()));
      }
    }
    return sum;
  }

  private double leakPosition(String branch) {
    for (Update u : updates) {
      if (u.change() instanceof Change.ToCase leak && leak.branch().equals(branch)) {
        return leak.position();
      }
    }
    return 1;
  }

  /** The impedance a leak's current flows through from where it is drawn to the case. */
  static Complex leakOhms(Update update) {
    return update.inverseD();
  }

  /** An unknown of the changed circuit. */
  private Complex unknown(int row) {
    Complex x = sourced(row);
    for (int i = 0; i < z.length; i++) {
      x = x.minus(entry(row, updates.get(i)).times(z[i]));
    }
    return x;
  }

  /** What a change meets in the circuit with the changed sources but the sound impedances. */
  Complex sourced(Update u) {
    return sourced(u.rowA()).times(u.weightA()).plus(sourced(u.rowB()).times(u.weightB()));
  }

  /** An unknown with the changed sources but the sound impedances. */
  private Complex sourced(int row) {
    Complex x = network.sound(row);
    for (Change change : changes) {
      if (change instanceof Change.InBranch c && c.movesSource()) {
        x = x.minus(network.entry(row, network.rowOfBranch(c.branch())).times(addedEmf(c)));
      }
    }
    return x;
  }

  /** An entry of M U. */
  private Complex entry(int row, Update u) {
    Complex entry = network.entry(row, u.rowA()).times(u.weightA());
    return u.rowB() < 0 ? entry : entry.plus(network.entry(row, u.rowB()).times(u.weightB()));
  }

  /** (1/D + U' M U)^-1 */
  private Complex[][] small() {
    int k = updates.size();
    ZMatrixRMaj a = new ZMatrixRMaj(k, k);
    Complex[][] inverse = new Complex[k][k];
    for (int i = 0; i < k; i++) {
      Update u = updates.get(i);
      for (int j = 0; j < k; j++) {
        Complex entry = entry(u.rowA(), updates.get(j)).times(u.weightA());
        if (u.rowB() >= 0) {
          entry = entry.plus(entry(u.rowB(), updates.get(j)).times(u.weightB()));
        }
        entry = i == j ? entry.plus(u.inverseD()) : entry;
        a.set(i, j, entry.re(), entry.im());
        inverse[i][j] = Complex.ONE.over(entry);
      }
    }
    if (k > 1) {
      if (!CommonOps_ZDRM.invert(a)) {
        throw new IllegalStateException("the changed circuit has no solution");
      }
      for (int i = 0; i < k; i++) {
        for (int j = 0; j < k; j++) {
          inverse[i][j] = new Complex(a.getReal(i, j), a.getImag(i, j));
        }
      }
    }
    return inverse;
  }

  private Complex[] timesSmall(Complex[] vector) {
    Complex[] product = new Complex[vector.length];
    for (int i = 0; i < vector.length; i++) {
      product[i] = Complex.ZERO;
      for (int j = 0; j < vector.length; j++) {
        product[i] = product[i].plus(small[i][j].times(vector[j]));
      }
    }
    return product;
  }

  /** Makes what the sound circuit answers what the changed one does. */
  private void change(double[] x) {
    Complex[] seen = new Complex[updates.size()];
    for (int i = 0; i < seen.length; i++) {
      seen[i] = updates.get(i).dot(x);
    }
    Complex[] answer = timesSmall(seen);
    for (int i = 0; i < seen.length; i++) {
      Update u = updates.get(i);
      network.addColumn(x, u.rowA(), answer[i].times(-u.weightA()));
      network.addColumn(x, u.rowB(), answer[i].times(-u.weightB()));
    }
  }
}
