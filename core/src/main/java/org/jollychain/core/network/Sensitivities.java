package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.List;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * How a reading moves with every uncertain parameter of a sheet, by the adjoint method (Director
 * and Rohrer, 1969).
 *
 * <p>An element's change acts like a source where the element stands, and by reciprocity what that
 * source does to the reading is the {@linkplain Solution.Port#response() response} of the element
 * to the probes. So one solved circuit gives the slopes on all parameters at once:
 *
 * <pre>
 *   voltage read v, meter connected:   dv/dZ = r I,   dv/dE = -r,   dv/dC = -j w s V
 *   current read i:                    the same with the response to a source in that branch
 *   resistance read R:                 dR/dZ = r^2
 * </pre>
 *
 * with r the response of the branch's current, I the current in it, s and V response and voltage
 * across a stray. Elements move with a parameter by the secant from two standard deviations below
 * to two above: the slope of a straight line that spreads about as widely as a log-normal contact
 * or source does, for which the tangent is too narrow. The slopes are phasors; a magnitude is not
 * differentiable where it passes zero, so taking it is left to whoever needs it.
 */
public final class Sensitivities {

  static final double SECANT = 2;

  private final List<String> parameters;
  private final BranchMove[] branchMoves;
  private final StrayMove[] strayMoves;

  /** What one standard deviation of a parameter does to a branch. */
  private record BranchMove(int parameter, int branch, Complex ohms, Complex emf) {}

  /** What it does to a stray capacitance, as a change of its admittance (S, imaginary). */
  private record StrayMove(int parameter, int from, int to, double siemens) {}

  private Sensitivities(
      List<String> parameters, List<BranchMove> branchMoves, List<StrayMove> strayMoves) {
    this.parameters = parameters;
    this.branchMoves = branchMoves.toArray(BranchMove[]::new);
    this.strayMoves = strayMoves.toArray(StrayMove[]::new);
  }

  /** Of a sheet in one situation, about the nominal unit. */
  public static Sensitivities of(Sheet sheet, Situation situation) {
    return about(ParameterSample.NOMINAL, sheet, situation);
  }

  /** The same about another unit. */
  public static Sensitivities about(ParameterSample unit, Sheet sheet, Situation situation) {
    List<String> parameters = Network.parameters(sheet);
    List<BranchMove> branchMoves = new ArrayList<>();
    List<StrayMove> strayMoves = new ArrayList<>();
    for (int p = 0; p < parameters.size(); p++) {
      String parameter = parameters.get(p);
      Circuit below = new Circuit(sheet, situation, moved(unit, parameter, -SECANT));
      Circuit above = new Circuit(sheet, situation, moved(unit, parameter, SECANT));
      addMoves(p, below, above, branchMoves, strayMoves);
    }
    return new Sensitivities(parameters, branchMoves, strayMoves);
  }

  private static ParameterSample moved(ParameterSample unit, String parameter, double by) {
    return name -> unit.deviate(name) + (name.equals(parameter) ? by : 0);
  }

  /** Names of the parameters, in the order of the slopes. */
  public List<String> parameters() {
    return parameters;
  }

  /**
   * A reading with its slopes.
   *
   * @param value as {@link Meter#read} has it, but as a phasor
   * @param slopes on each parameter per standard deviation, then on the severity of the changes,
   *     real and imaginary parts in turn
   * @param floating how much of a voltage is a ghost, 0 to 1: the impedance the meter looks into
   *     over that and its own
   */
  public record Prediction(Complex value, double[] slopes, double floating) {}

  /**
   * What a meter should read at a probe.
   *
   * @param solution in the situation this was made for, of the unit it was made about
   */
  public Prediction predict(Solution solution, Probe probe, Meter meter) {
    if (!meter.answers(solution, probe.function())) {
      return new Prediction(Complex.ZERO, new double[2 * parameters.size() + 2], 0);
    }
    return switch (probe.function()) {
      case VOLTS_AC, VOLTS_DC, VOLTS_AC_LOZ -> {
        Solution.Port port = solution.between(probe.red(), probe.black());
        Complex input = meter.inputOhms(solution, probe.function());
        Complex share = port.share(input);
        Complex value = port.volts().times(share);
        double[] loaded = solution.unknowns();
        add(loaded, port.response(), value.over(input).times(-1));
        double behind = port.ohms().abs();
        yield new Prediction(
            value,
            slopes(solution, port.response(), loaded, share),
            behind / (behind + input.abs()));
      }
      case OHMS, CONTINUITY -> {
        Solution.Port port = solution.between(probe.red(), probe.black());
        yield new Prediction(
            port.ohms().plus(Complex.of(meter.leadOhms())),
            slopes(solution, port.response(), port.response(), Complex.ONE),
            0);
      }
      case AMPS_AC, AMPS_DC -> {
        String part = probe.part().orElseThrow();
        yield new Prediction(
            solution.amperes(part),
            slopes(solution, solution.responseTo(part), solution.unknowns(), Complex.ONE),
            0);
      }
      case CELSIUS -> new Prediction(Complex.ZERO, new double[2 * parameters.size() + 2], 0);
    };
  }

  /**
   * @param response of the unknowns to the probes
   * @param state the unknowns as they stand while the reading is taken
   */
  private double[] slopes(Solution solution, double[] response, double[] state, Complex share) {
    Network network = solution.network();
    double[] slopes = new double[2 * parameters.size() + 2];
    for (BranchMove move : branchMoves) {
      int row = network.rowOfBranch(move.branch());
      double ohmsRe = move.ohms().re();
      double ohmsIm = move.ohms().im();
      Complex emf = move.emf();
      for (Solution.Update u : solution.updates()) {
        if (u.rowA() == row && u.change() instanceof Change.InBranch c) {
          ohmsRe *= c.factor();
          ohmsIm *= c.factor();
          emf = emf.times(c.emfFactor());
        }
      }
      double re = ohmsRe * state[2 * row] - ohmsIm * state[2 * row + 1] - emf.re();
      double im = ohmsRe * state[2 * row + 1] + ohmsIm * state[2 * row] - emf.im();
      int to = 2 * move.parameter();
      slopes[to] += response[2 * row] * re - response[2 * row + 1] * im;
      slopes[to + 1] += response[2 * row] * im + response[2 * row + 1] * re;
    }
    for (StrayMove move : strayMoves) {
      int from = network.rowOfNode(move.from());
      int to = network.rowOfNode(move.to());
      double acrossRe = re(state, from) - re(state, to);
      double acrossIm = im(state, from) - im(state, to);
      double answerRe = re(response, from) - re(response, to);
      double answerIm = im(response, from) - im(response, to);
      // times -j of the admittance
      double re = answerRe * acrossRe - answerIm * acrossIm;
      double im = answerRe * acrossIm + answerIm * acrossRe;
      int at = 2 * move.parameter();
      slopes[at] += im * move.siemens();
      slopes[at + 1] -= re * move.siemens();
    }
    add(slopes, parameters.size(), onSeverity(solution, response, state));
    for (int i = 0; i < slopes.length; i += 2) {
      double re = slopes[i];
      slopes[i] = re * share.re() - slopes[i + 1] * share.im();
      slopes[i + 1] = re * share.im() + slopes[i + 1] * share.re();
    }
    return slopes;
  }

  private static double re(double[] vector, int row) {
    return row < 0 ? 0 : vector[2 * row];
  }

  private static double im(double[] vector, int row) {
    return row < 0 ? 0 : vector[2 * row + 1];
  }

  private static void add(double[] slopes, int parameter, Complex slope) {
    slopes[2 * parameter] += slope.re();
    slopes[2 * parameter + 1] += slope.im();
  }

  private static Complex onSeverity(Solution solution, double[] response, double[] state) {
    Complex slope = Complex.ZERO;
    for (Solution.Update u : solution.updates()) {
      double spread = u.change().logSpread();
      if (spread != 0) {
        Complex moved;
        if (u.change() instanceof Change.InBranch c) {
          Complex severe =
              c.addedOhms() > 0
                  ? Complex.of(c.addedOhms())
                  : solution.network().branch(c.branch()).ohms().times(c.factor());
          moved = severe.times(u.dot(state));
        } else {
          Change.ToCase leak = (Change.ToCase) u.change();
          Complex path = Solution.leakOhms(u);
          moved = u.dot(state).times(leak.ohms()).over(path.times(path));
        }
        slope = slope.plus(u.dot(response).times(moved).times(spread));
      }
    }
    for (Change change : solution.changes()) {
      // where ohms are added too, it is those that spread
      if (change instanceof Change.InBranch c
          && c.logSpread() != 0
          && c.addedOhms() == 0
          && c.movesSource()) {
        Complex emf = c.emf(solution.network().branch(c.branch()).emf());
        int row = solution.network().rowOfBranch(c.branch());
        slope = slope.minus(Solution.at(response, row).times(emf).times(c.logSpread()));
      }
    }
    return slope;
  }

  private static void addMoves(
      int parameter,
      Circuit below,
      Circuit above,
      List<BranchMove> branchMoves,
      List<StrayMove> strayMoves) {
    for (int k = 0; k < above.branches().size(); k++) {
      Branch a = below.branches().get(k);
      Branch b = above.branches().get(k);
      if (!a.ohms().equals(b.ohms()) || !a.emf().equals(b.emf())) {
        branchMoves.add(
            new BranchMove(
                parameter,
                k,
                b.ohms().minus(a.ohms()).times(0.5 / SECANT),
                b.emf().minus(a.emf()).times(0.5 / SECANT)));
      }
    }
    for (int k = 0; k < above.strays().size(); k++) {
      Circuit.Stray stray = above.strays().get(k);
      double farads = (stray.farads() - below.strays().get(k).farads()) / (2 * SECANT);
      if (farads != 0 && above.radiansPerSecond() > 0) {
        strayMoves.add(
            new StrayMove(parameter, stray.from(), stray.to(), above.radiansPerSecond() * farads));
      }
    }
  }

  private static void add(double[] to, double[] vector, Complex factor) {
    for (int i = 0; i < to.length; i += 2) {
      to[i] += factor.re() * vector[i] - factor.im() * vector[i + 1];
      to[i + 1] += factor.re() * vector[i + 1] + factor.im() * vector[i];
    }
  }
}
