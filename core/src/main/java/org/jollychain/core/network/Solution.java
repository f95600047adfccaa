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
  private final double[][] columns;
  private final ZMatrixRMaj small;
  private final double[] unknowns;

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
    double[] x = network.sound();
    for (Change change : changes) {
      if (change instanceof Change.InBranch c) {
        Branch branch = network.branch(c.branch());
        Complex added = addedOhms(branch, c);
        if (!added.equals(Complex.ZERO)) {
          updates.add(
              new Update(c, network.rowOfBranch(c.branch()), 1, -1, 0, Complex.of(-1).over(added)));
        }
        Complex emf = branch.emf().times(c.emfFactor()).minus(branch.emf());
        network.addColumn(x, network.rowOfBranch(c.branch()), emf.times(-1));
      } else if (change instanceof Change.ToCase leak) {
        updates.add(leak(leak));
      }
    }
    this.columns = new double[updates.size()][];
    for (int i = 0; i < columns.length; i++) {
      columns[i] = new double[2 * network.rows()];
      Update u = updates.get(i);
      network.addColumn(columns[i], u.rowA(), Complex.of(u.weightA()));
      network.addColumn(columns[i], u.rowB(), Complex.of(u.weightB()));
    }
    this.small = small();
    this.unknowns = changed(x);
  }

  /**
   * @return potential of a point against the earthed node (V RMS phasor, or V for dc)
   */
  public Complex volts(String point) {
    return at(unknowns, network.rowOf(point));
  }

  /**
   * @return current into a branch at its first point (A RMS phasor, or A for dc)
   */
  public Complex amperes(String branch) {
    return at(unknowns, network.rowOfBranch(branch)).plus(leaving(branch, true));
  }

  /**
   * @return power a part turns into heat or motion (W)
   */
  public double watts(String branch) {
    double in = amperes(branch).abs();
    double through = at(unknowns, network.rowOfBranch(branch)).minus(leaving(branch, false)).abs();
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
    return between(red, black).ohms();
  }

  /**
   * What a voltmeter of some input impedance reads: it divides the open-circuit voltage with the
   * impedance it looks into.
   *
   * @param inputOhms of the meter (ohm)
   * @return V RMS phasor, or V for dc
   */
  public Complex voltsBetween(String red, String black, Complex inputOhms) {
    return between(red, black).loaded(inputOhms);
  }

  /** The circuit as seen from two points. */
  Port between(String red, String black) {
    int p = network.rowOf(red);
    int q = network.rowOf(black);
    double[] response = new double[2 * network.rows()];
    network.addColumn(response, p, Complex.ONE);
    network.addColumn(response, q, Complex.of(-1));
    response = changed(response);
    return new Port(
        at(unknowns, p).minus(at(unknowns, q)), at(response, p).minus(at(response, q)), response);
  }

  /** What a source of one volt in a branch does to all unknowns. */
  double[] responseTo(String branch) {
    double[] response = new double[2 * network.rows()];
    network.addColumn(response, network.rowOfBranch(branch), Complex.ONE);
    return changed(response);
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

    Complex loaded(Complex inputOhms) {
      return volts.times(share(inputOhms));
    }

    /** Share of the voltage that is left when a meter is connected. */
    Complex share(Complex inputOhms) {
      return inputOhms.over(inputOhms.plus(ohms));
    }
  }

  Network network() {
    return network;
  }

  List<Change> changes() {
    return changes;
  }

  List<Update> updates() {
    return updates;
  }

  double[] unknowns() {
    return unknowns;
  }

  double radiansPerSecond() {
    return network.radiansPerSecond();
  }

  static Complex at(double[] vector, int row) {
    return row < 0 ? Complex.ZERO : new Complex(vector[2 * row], vector[2 * row + 1]);
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
        Complex amperes = u.dot(unknowns).over(leakOhms(u));
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

  private ZMatrixRMaj small() {
    int k = updates.size();
    ZMatrixRMaj a = new ZMatrixRMaj(k, k);
    for (int i = 0; i < k; i++) {
      for (int j = 0; j < k; j++) {
        Complex entry = updates.get(i).dot(columns[j]);
        if (i == j) {
          entry = entry.plus(updates.get(i).inverseD());
        }
        a.set(i, j, entry.re(), entry.im());
      }
    }
    if (k > 0 && !CommonOps_ZDRM.invert(a)) {
      throw new IllegalStateException("the changed circuit has no solution");
    }
    return a;
  }

  /** What the sound circuit answers, made what the changed one does. */
  private double[] changed(double[] x) {
    int k = updates.size();
    if (k == 0) {
      return x;
    }
    Complex[] seen = new Complex[k];
    for (int i = 0; i < k; i++) {
      seen[i] = updates.get(i).dot(x);
    }
    for (int i = 0; i < k; i++) {
      Complex z = Complex.ZERO;
      for (int j = 0; j < k; j++) {
        z = z.plus(new Complex(small.getReal(i, j), small.getImag(i, j)).times(seen[j]));
      }
      double[] column = columns[i];
      double re = z.re();
      double im = z.im();
      for (int r = 0; r < x.length; r += 2) {
        x[r] -= re * column[r] - im * column[r + 1];
        x[r + 1] -= re * column[r + 1] + im * column[r];
      }
    }
    return x;
  }
}
