package org.jollychain.core.network;

import java.util.List;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Situation;

/**
 * One situation under each of many sets of faults, to be read at any probe for all of them at once.
 *
 * <p>With d the response of the sound circuit to the two points of a probe, U the columns of a
 * fault and M the inverse of the sound system (see {@link Solution}),
 *
 * <pre>
 *   y = (1/D + U' M U)^-1 U' d,    volts = d_volts - y . U' x,    ohms = d_ohms - y . U' d
 * </pre>
 *
 * so a reading under a fault costs as much as its few columns, whatever the size of the circuit.
 */
public final class FaultSweep {

  private final Network network;
  private final UnitModel unit;
  private final Situation situation;
  private final List<List<Change>> faults;
  private final Columns[] columns;

  /**
   * @param faults what is changed, once for each reading
   */
  public FaultSweep(UnitModel unit, String situation, List<List<Change>> faults) {
    this.unit = unit;
    this.situation = unit.sheet().situation(situation);
    this.faults = faults;
    this.network = unit.network(situation);
    this.columns = new Columns[faults.size()];
    for (int i = 0; i < columns.length; i++) {
      columns[i] = new Columns(unit.in(situation, faults.get(i)));
    }
  }

  /**
   * What is read, fault by fault.
   *
   * @param re of the phasor, in the unit of the function
   * @param im of it
   * @param floating how much of it is a ghost, 0 to 1, as {@link Meter#floating} has it
   */
  public record Readings(double[] re, double[] im, double[] floating) {

    /** As a meter shows it. */
    public double shown(MeterFunction function, int fault) {
      return switch (function) {
        case VOLTS_AC, VOLTS_AC_LOZ, AMPS_AC -> Math.hypot(re[fault], im[fault]);
        default -> re[fault];
      };
    }
  }

  /** What a meter reads at a probe under every fault, before noise and rounding. */
  public Readings at(Probe probe, Meter meter) {
    int count = columns.length;
    MeterFunction function = probe.function();
    Readings readings = new Readings(new double[count], new double[count], new double[count]);
    if (function == MeterFunction.CELSIUS || !meter.answers(network.radiansPerSecond(), function)) {
      return readings;
    }
    List<Change> own = probe.conditions(unit.sheet(), List.of());
    Columns lifted = new Columns(network.solve(own));
    boolean clamps = function.clamps();
    int p = clamps ? network.rowOfBranch(probe.part().orElseThrow()) : network.rowOf(probe.red());
    int q = clamps ? -1 : network.rowOf(probe.black());
    double[] response = new double[2 * network.rows()];
    network.addColumn(response, p, Complex.ONE);
    network.addColumn(response, q, Complex.of(-1));
    Complex soundVolts = network.sound(p).minus(network.sound(q));
    // differences within a row first: its entries share what rounding did to them
    Complex soundOhms =
        network
            .entry(p, p)
            .minus(network.entry(p, q))
            .minus(network.entry(q, p).minus(network.entry(q, q)));
    Work work = new Work();
    for (int i = 0; i < count; i++) {
      if (alone(columns[i], lifted, probe)) {
        Solution now = unit.in(situation.id(), probe.conditions(unit.sheet(), faults.get(i)));
        keep(readings, i, meter, function, one(now, probe));
      } else {
        work.solve(columns[i], lifted, response);
        keep(
            readings,
            i,
            meter,
            function,
            new Seen(
                soundVolts.re() - work.voltsRe,
                soundVolts.im() - work.voltsIm,
                soundOhms.re() - work.ohmsRe,
                soundOhms.im() - work.ohmsIm));
      }
    }
    return readings;
  }

  /**
   * Whether a fault has to be solved by itself: a leak along the branch that is clamped, a change
   * of what is lifted, and what is lifted on a live unit, where it may let a relay fall out.
   */
  private boolean alone(Columns fault, Columns lifted, Probe probe) {
    if (probe.function().clamps() && fault.leaksFrom(probe.part().orElseThrow())) {
      return true;
    }
    return !lifted.changes.isEmpty() && (situation.supplyOn() || fault.shares(lifted));
  }

  /** The circuit under a fault. */
  public Solution solution(int fault) {
    return columns[fault].solution;
  }

  /** What is between two points, or flows in a branch. */
  private record Seen(double re, double im, double ohmsRe, double ohmsIm) {}

  private static Seen one(Solution now, Probe probe) {
    if (probe.function().clamps()) {
      Complex amperes = now.amperes(probe.part().orElseThrow());
      return new Seen(amperes.re(), amperes.im(), 0, 0);
    }
    Complex volts = now.volts(probe.red()).minus(now.volts(probe.black()));
    Complex ohms = now.ohmsBetween(probe.red(), probe.black());
    return new Seen(volts.re(), volts.im(), ohms.re(), ohms.im());
  }

  private void keep(Readings to, int i, Meter meter, MeterFunction function, Seen seen) {
    if (function.needsDeadCircuit()) {
      to.re[i] = seen.ohmsRe + meter.leadOhms();
      to.im[i] = seen.ohmsIm;
    } else if (function.clamps()) {
      to.re[i] = seen.re;
      to.im[i] = seen.im;
    } else {
      Complex input = meter.inputOhms(network.radiansPerSecond(), function);
      double re = input.re() + seen.ohmsRe;
      double im = input.im() + seen.ohmsIm;
      double size = re * re + im * im;
      double shareRe = (input.re() * re + input.im() * im) / size;
      double shareIm = (input.im() * re - input.re() * im) / size;
      to.re[i] = seen.re * shareRe - seen.im * shareIm;
      to.im[i] = seen.re * shareIm + seen.im * shareRe;
      double behind = Math.hypot(seen.ohmsRe, seen.ohmsIm);
      to.floating[i] = behind / (behind + input.abs());
    }
  }

  /** The columns of one set of changes. */
  private final class Columns {
    private final Solution solution;
    private final List<Change> changes;
    private final List<Solution.Update> updates;
    private final double[] unknowns;
    private final int[] sourceRows;
    private final double[] sources;

    Columns(Solution solution) {
      this.solution = solution;
      this.changes = solution.changes();
      this.updates = solution.updates();
      this.unknowns = new double[2 * updates.size()];
      for (int i = 0; i < updates.size(); i++) {
        Complex x = solution.sourced(updates.get(i));
        unknowns[2 * i] = x.re();
        unknowns[2 * i + 1] = x.im();
      }
      List<Change.InBranch> changed =
          changes.stream()
              .filter(c -> c instanceof Change.InBranch b && b.movesSource())
              .map(Change.InBranch.class::cast)
              .toList();
      this.sourceRows = changed.stream().mapToInt(c -> network.rowOfBranch(c.branch())).toArray();
      this.sources = new double[2 * sourceRows.length];
      for (int i = 0; i < sourceRows.length; i++) {
        Complex added = solution.addedEmf(changed.get(i));
        sources[2 * i] = added.re();
        sources[2 * i + 1] = added.im();
      }
    }

    boolean leaksFrom(String branch) {
      return changes.stream()
          .anyMatch(c -> c instanceof Change.ToCase && c.branch().equals(branch));
    }

    /** Whether both change the same branch: then the later acts on what the earlier left. */
    boolean shares(Columns other) {
      return changes.stream()
          .anyMatch(c -> other.changes.stream().anyMatch(o -> o.branch().equals(c.branch())));
    }
  }

  /** Scratch space for one probe. */
  private final class Work {
    private double[] a = new double[0];
    private double[] seen = new double[0];
    private double[] y = new double[0];
    private double voltsRe;
    private double voltsIm;
    private double ohmsRe;
    private double ohmsIm;

    void solve(Columns fault, Columns lifted, double[] response) {
      int k = fault.updates.size();
      int n = k + lifted.updates.size();
      if (seen.length < 2 * n) {
        a = new double[2 * n * n];
        seen = new double[2 * n];
        y = new double[2 * n];
      }
      voltsRe = 0;
      voltsIm = 0;
      ohmsRe = 0;
      ohmsIm = 0;
      for (int i = 0; i < fault.sourceRows.length; i++) {
        int at = 2 * fault.sourceRows[i];
        double re = fault.sources[2 * i];
        double im = fault.sources[2 * i + 1];
        voltsRe += response[at] * re - response[at + 1] * im;
        voltsIm += response[at] * im + response[at + 1] * re;
      }
      for (int i = 0; i < n; i++) {
        Solution.Update u = update(fault, lifted, i, k);
        double re = 0;
        double im = 0;
        if (u.rowA() >= 0) {
          re += u.weightA() * response[2 * u.rowA()];
          im += u.weightA() * response[2 * u.rowA() + 1];
        }
        if (u.rowB() >= 0) {
          re += u.weightB() * response[2 * u.rowB()];
          im += u.weightB() * response[2 * u.rowB() + 1];
        }
        seen[2 * i] = re;
        seen[2 * i + 1] = im;
        for (int j = 0; j <= i; j++) {
          network.between(u, update(fault, lifted, j, k), a, 2 * (i * n + j));
          a[2 * (j * n + i)] = a[2 * (i * n + j)];
          a[2 * (j * n + i) + 1] = a[2 * (i * n + j) + 1];
        }
        a[2 * (i * n + i)] += u.inverseD().re();
        a[2 * (i * n + i) + 1] += u.inverseD().im();
      }
      System.arraycopy(seen, 0, y, 0, 2 * n);
      SmallSystem.solve(a, y, n);
      for (int i = 0; i < n; i++) {
        double xRe = i < k ? fault.unknowns[2 * i] : lifted.unknowns[2 * (i - k)];
        double xIm = i < k ? fault.unknowns[2 * i + 1] : lifted.unknowns[2 * (i - k) + 1];
        voltsRe += y[2 * i] * xRe - y[2 * i + 1] * xIm;
        voltsIm += y[2 * i] * xIm + y[2 * i + 1] * xRe;
        ohmsRe += y[2 * i] * seen[2 * i] - y[2 * i + 1] * seen[2 * i + 1];
        ohmsIm += y[2 * i] * seen[2 * i + 1] + y[2 * i + 1] * seen[2 * i];
      }
    }

    private static Solution.Update update(Columns fault, Columns lifted, int i, int k) {
      return i < k ? fault.updates.get(i) : lifted.updates.get(i - k);
    }
  }
}
