package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.TreeSet;
import org.ejml.data.ZMatrixRMaj;
import org.ejml.dense.row.CommonOps_ZDRM;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * The circuit of a drawn unit in one situation, solved once and then asked about any fault and any
 * pair of points.
 *
 * <p>Modified nodal analysis (Ho, Ruehli and Brennan, 1975) with every branch current an unknown:
 *
 * <pre>
 *   currents leaving a node, strays included:   B I + j w C V = J
 *   along a branch:                             V(from) - V(to) - Z I = -E
 * </pre>
 *
 * Z is diagonal but for the windings of transformers, which share a mutual reactance. Earth is held
 * at zero exactly. Because Z stands alone, a fault in k branches changes k diagonal entries, and
 * the identity of Woodbury gives the faulty circuit from the inverse of the sound one in O(k^3),
 * whatever the size of the circuit. The system is symmetric and so is its inverse: what a source in
 * a branch does to a point equals what a current at the point does to the branch (reciprocity).
 * Phasors are RMS.
 */
public final class Network {

  private final Circuit circuit;
  private final Map<String, Integer> branchIndex = new HashMap<>();
  private final int[] row;
  private final int rows;
  private final double[] inverse;
  private final double[] sound;

  private Network(Circuit circuit) {
    this.circuit = circuit;
    List<Branch> branches = circuit.branches();
    for (int k = 0; k < branches.size(); k++) {
      branchIndex.put(branches.get(k).id(), k);
    }
    this.row = numberRows(circuit);
    int voltages = row.length - 1;
    this.rows = voltages + branches.size();
    this.inverse = inverse(voltages);
    this.sound = new double[2 * rows];
    for (int k = 0; k < branches.size(); k++) {
      addColumn(sound, voltages + k, branches.get(k).emf().times(-1));
    }
  }

  /**
   * Assembles and factors a circuit.
   *
   * @param draw which unit of all the sheet describes
   */
  public static Network of(Sheet sheet, Situation situation, ParameterSample draw) {
    return new Network(new Circuit(sheet, situation, draw));
  }

  /** The parameter of how soft the supply is. */
  public static final String SOURCE_OHMS = "source-ohms";

  /** Names of the parameters a sheet's circuit depends on, in a fixed order. */
  public static List<String> parameters(Sheet sheet) {
    TreeSet<String> names = new TreeSet<>();
    for (Situation situation : sheet.situations().values()) {
      new Circuit(
          sheet,
          situation,
          name -> {
            names.add(name);
            return 0;
          });
    }
    return List.copyOf(names);
  }

  /**
   * The circuit with some branches changed.
   *
   * @throws NoSuchElementException when a change names no branch of it
   */
  public Solution solve(List<Change> changes) {
    return new Solution(this, merged(changes));
  }

  /** Angular frequency (rad/s); 0 for direct current. */
  double radiansPerSecond() {
    return circuit.radiansPerSecond();
  }

  int rows() {
    return rows;
  }

  Circuit circuit() {
    return circuit;
  }

  /** Row of a point's voltage, -1 for a point held at zero. */
  int rowOf(String point) {
    Integer node = circuit.nodes().get(point);
    if (node == null) {
      throw new NoSuchElementException("no point \"%s\" on this sheet".formatted(point));
    }
    return row[node];
  }

  /** Row of a node's voltage, -1 for one held at zero. */
  int rowOfNode(int node) {
    return row[node];
  }

  /** Row of a branch's current. */
  int rowOfBranch(String id) {
    Integer k = branchIndex.get(id);
    if (k == null) {
      throw new NoSuchElementException("no branch \"%s\" in this circuit".formatted(id));
    }
    return rowOfBranch(k);
  }

  int rowOfBranch(int index) {
    return rows - circuit.branches().size() + index;
  }

  Branch branch(String id) {
    return circuit.branches().get(rowOfBranch(id) - rows + circuit.branches().size());
  }

  /** Adds a multiple of a column of the inverse; nothing for a row held at zero. */
  void addColumn(double[] to, int column, Complex factor) {
    double re = factor.re();
    double im = factor.im();
    if (column < 0 || re == 0 && im == 0) {
      return;
    }
    // the inverse is symmetric, so its rows serve as columns and are read in one run
    int at = 2 * column * rows;
    for (int i = 0; i < 2 * rows; i += 2) {
      double a = inverse[at + i];
      double b = inverse[at + i + 1];
      to[i] += re * a - im * b;
      to[i + 1] += re * b + im * a;
    }
  }

  /** Puts u' M v to a place of an array, real part first. */
  void between(Solution.Update u, Solution.Update v, double[] to, int at) {
    double re = 0;
    double im = 0;
    for (int i = 0; i < 4; i++) {
      int r = i < 2 ? u.rowA() : u.rowB();
      int c = i % 2 == 0 ? v.rowA() : v.rowB();
      if (r >= 0 && c >= 0) {
        double weight =
            (i < 2 ? u.weightA() : u.weightB()) * (i % 2 == 0 ? v.weightA() : v.weightB());
        re += weight * inverse[2 * (r * rows + c)];
        im += weight * inverse[2 * (r * rows + c) + 1];
      }
    }
    to[at] = re;
    to[at + 1] = im;
  }

  /** An entry of the inverse; zero for the row held at zero. */
  Complex entry(int i, int j) {
    if (i < 0 || j < 0) {
      return Complex.ZERO;
    }
    int at = 2 * (i * rows + j);
    return new Complex(inverse[at], inverse[at + 1]);
  }

  /** All unknowns of the sound circuit, real and imaginary parts in turn. */
  double[] sound() {
    return sound.clone();
  }

  /** An unknown of the sound circuit. */
  Complex sound(int i) {
    return i < 0 ? Complex.ZERO : new Complex(sound[2 * i], sound[2 * i + 1]);
  }

  /** One change a branch: later ones act on what earlier ones left. */
  private static List<Change> merged(List<Change> changes) {
    if (changes.size() < 2) {
      return changes;
    }
    Map<String, Change> inBranch = new LinkedHashMap<>();
    List<Change> merged = new ArrayList<>();
    for (Change change : changes) {
      if (change instanceof Change.InBranch c) {
        inBranch.merge(c.branch(), c, (a, b) -> ((Change.InBranch) a).then((Change.InBranch) b));
      } else {
        merged.add(change);
      }
    }
    merged.addAll(0, inBranch.values());
    return merged;
  }

  /** Numbers the nodes, leaving out earth, which is held at zero. */
  private static int[] numberRows(Circuit circuit) {
    int[] row = new int[circuit.nodeCount()];
    int next = 0;
    for (int i = 0; i < row.length; i++) {
      row[i] = i == circuit.earth() ? -1 : next++;
    }
    return row;
  }

  private double[] inverse(int voltages) {
    ZMatrixRMaj a = new ZMatrixRMaj(rows, rows);
    List<Branch> branches = circuit.branches();
    for (int k = 0; k < branches.size(); k++) {
      Branch b = branches.get(k);
      int branchRow = voltages + k;
      a.set(branchRow, branchRow, -b.ohms().re(), -b.ohms().im());
      addTwice(a, row[b.from()], branchRow, 1, 0);
      addTwice(a, row[b.to()], branchRow, -1, 0);
    }
    for (Circuit.Mutual m : circuit.mutuals()) {
      addTwice(a, voltages + m.branch(), voltages + m.other(), -m.ohms().re(), -m.ohms().im());
    }
    for (Circuit.Stray s : circuit.strays()) {
      double siemens = circuit.radiansPerSecond() * s.farads();
      add(a, row[s.from()], row[s.from()], 0, siemens);
      add(a, row[s.to()], row[s.to()], 0, siemens);
      addTwice(a, row[s.from()], row[s.to()], 0, -siemens);
    }
    if (!CommonOps_ZDRM.invert(a)) {
      throw new IllegalStateException("the circuit has no solution");
    }
    return a.data;
  }

  private static void addTwice(ZMatrixRMaj a, int i, int j, double re, double im) {
    add(a, i, j, re, im);
    add(a, j, i, re, im);
  }

  private static void add(ZMatrixRMaj a, int i, int j, double re, double im) {
    if (i >= 0 && j >= 0) {
      int at = a.getIndex(i, j);
      a.data[at] += re;
      a.data[at + 1] += im;
    }
  }
}
