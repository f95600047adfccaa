package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.HashMap;
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
 * One node of every island is held at zero exactly. Because Z stands alone on the diagonal, a fault
 * in k branches changes k diagonal entries, and the identity of Woodbury gives the faulty circuit
 * from the inverse of the sound one in O(k^3), whatever the size of the circuit. Phasors are RMS.
 */
public final class Network {

  private final Map<String, Integer> nodes;
  private final Map<String, Integer> branchIndex = new HashMap<>();
  private final List<Branch> branches;
  private final int[] row;
  private final int rows;
  private final double[] inverse;
  private final Complex[] sound;
  private final double radiansPerSecond;

  private Network(Circuit circuit) {
    this.nodes = circuit.nodes();
    this.branches = circuit.branches();
    this.radiansPerSecond = circuit.radiansPerSecond();
    for (int k = 0; k < branches.size(); k++) {
      branchIndex.put(branches.get(k).id(), k);
    }
    this.row = numberRows(circuit);
    int voltages = 0;
    for (int r : row) {
      voltages = Math.max(voltages, r + 1);
    }
    this.rows = voltages + branches.size();
    this.inverse = inverse(circuit, voltages);
    this.sound = new Complex[rows];
    for (int i = 0; i < rows; i++) {
      Complex sum = Complex.ZERO;
      for (int k = 0; k < branches.size(); k++) {
        if (branches.get(k).emf().abs() > 0) {
          sum = sum.minus(entry(i, voltages + k).times(branches.get(k).emf()));
        }
      }
      sound[i] = sum;
    }
  }

  /**
   * Assembles and factors a circuit.
   *
   * @param draw which unit of all the sheet describes
   */
  public static Network of(Sheet sheet, Situation situation, Draw draw) {
    return new Network(new Circuit(sheet, situation, draw));
  }

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

  /** The circuit with these branches changed. */
  public Solution solve(List<Change> changes) {
    return new Solution(this, merged(changes));
  }

  double radiansPerSecond() {
    return radiansPerSecond;
  }

  /** Row of a point's voltage, -1 for a point held at zero. */
  int rowOf(String point) {
    Integer node = nodes.get(point);
    if (node == null) {
      throw new NoSuchElementException("no point \"%s\" on this sheet".formatted(point));
    }
    return row[node];
  }

  /** Row of a branch's current. */
  int rowOfBranch(String id) {
    Integer k = branchIndex.get(id);
    if (k == null) {
      throw new NoSuchElementException("no branch \"%s\" in this circuit".formatted(id));
    }
    return rows - branches.size() + k;
  }

  Branch branch(String id) {
    return branches.get(rowOfBranch(id) - rows + branches.size());
  }

  /** An entry of the inverse; zero for a row held at zero. */
  Complex entry(int i, int j) {
    if (i < 0 || j < 0) {
      return Complex.ZERO;
    }
    int at = 2 * (i * rows + j);
    return new Complex(inverse[at], inverse[at + 1]);
  }

  /** An unknown of the sound circuit. */
  Complex sound(int i) {
    return i < 0 ? Complex.ZERO : sound[i];
  }

  /** One change a branch: later ones act on what earlier ones left. */
  private List<Change> merged(List<Change> changes) {
    if (changes.size() < 2) {
      return changes;
    }
    Map<String, Change> merged = new HashMap<>();
    for (Change c : changes) {
      merged.merge(
          c.branch(),
          c,
          (a, b) ->
              new Change(
                  a.branch(),
                  a.factor() * b.factor(),
                  a.addedOhms() * b.factor() + b.addedOhms(),
                  a.emfFactor().times(b.emfFactor()),
                  0));
    }
    return new ArrayList<>(merged.values());
  }

  /** Numbers the nodes, leaving out earth and one node of every island without it. */
  private static int[] numberRows(Circuit circuit) {
    int[] island = new int[circuit.nodeCount()];
    for (int i = 0; i < island.length; i++) {
      island[i] = i;
    }
    for (Branch b : circuit.branches()) {
      island[root(island, b.from())] = root(island, b.to());
    }
    if (circuit.radiansPerSecond() > 0) {
      for (Circuit.Stray s : circuit.strays()) {
        island[root(island, s.from())] = root(island, s.to());
      }
    }
    boolean[] grounded = new boolean[island.length];
    int[] row = new int[island.length];
    row[circuit.earth()] = -1;
    grounded[root(island, circuit.earth())] = true;
    int next = 0;
    for (int i = 0; i < row.length; i++) {
      if (i == circuit.earth()) {
        continue;
      }
      int root = root(island, i);
      row[i] = grounded[root] ? next++ : -1;
      grounded[root] = true;
    }
    return row;
  }

  private static int root(int[] island, int i) {
    int at = i;
    while (island[at] != at) {
      at = island[at];
    }
    return at;
  }

  private double[] inverse(Circuit circuit, int voltages) {
    ZMatrixRMaj a = new ZMatrixRMaj(rows, rows);
    for (int k = 0; k < branches.size(); k++) {
      Branch b = branches.get(k);
      int branchRow = voltages + k;
      a.set(branchRow, branchRow, -b.ohms().re(), -b.ohms().im());
      add(a, row[b.from()], branchRow, 1, 0);
      add(a, row[b.to()], branchRow, -1, 0);
      add(a, branchRow, row[b.from()], 1, 0);
      add(a, branchRow, row[b.to()], -1, 0);
    }
    for (Circuit.Stray s : circuit.strays()) {
      double siemens = radiansPerSecond * s.farads();
      add(a, row[s.from()], row[s.from()], 0, siemens);
      add(a, row[s.to()], row[s.to()], 0, siemens);
      add(a, row[s.from()], row[s.to()], 0, -siemens);
      add(a, row[s.to()], row[s.from()], 0, -siemens);
    }
    if (!CommonOps_ZDRM.invert(a)) {
      throw new IllegalStateException("the circuit has no solution");
    }
    return a.data;
  }

  private static void add(ZMatrixRMaj a, int i, int j, double re, double im) {
    if (i >= 0 && j >= 0) {
      int at = a.getIndex(i, j);
      a.data[at] += re;
      a.data[at + 1] += im;
    }
  }
}
