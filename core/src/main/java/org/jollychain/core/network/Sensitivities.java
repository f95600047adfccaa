package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.Arrays;
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
 * across a stray. Elements move with a parameter by the secant from one standard deviation below to
 * one above, which for a log-normal contact is nearer to the truth than the tangent. The slopes are
 * phasors; a magnitude is not differentiable where it passes zero, so taking it is left to whoever
 * needs it.
 */
public final class Sensitivities {

  private final List<String> parameters;
  private final List<List<Move>> moves;

  /** What one standard deviation of a parameter does to an element. */
  private sealed interface Move {
    record OfBranch(String branch, int index, Complex ohms, Complex emf) implements Move {}

    record OfStray(int index, double farads) implements Move {}
  }

  private Sensitivities(List<String> parameters, List<List<Move>> moves) {
    this.parameters = parameters;
    this.moves = moves;
  }

  /** Of a sheet in one situation. */
  public static Sensitivities of(Sheet sheet, Situation situation) {
    List<String> parameters = Network.parameters(sheet);
    List<List<Move>> moves = new ArrayList<>(parameters.size());
    for (String parameter : parameters) {
      Circuit below = new Circuit(sheet, situation, name -> name.equals(parameter) ? -1 : 0);
      Circuit above = new Circuit(sheet, situation, name -> name.equals(parameter) ? 1 : 0);
      moves.add(moves(below, above));
    }
    return new Sensitivities(parameters, List.copyOf(moves));
  }

  /** Names of the parameters, in the order of the slopes. */
  public List<String> parameters() {
    return parameters;
  }

  /**
   * A reading with its slopes.
   *
   * @param value as {@link Meter#read} has it, but as a phasor
   * @param slopes on each parameter per standard deviation, then on the severity of the changes
   * @param floating how much of a voltage is a ghost, 0 to 1: the impedance the meter looks into
   *     over that and its own
   */
  public record Prediction(Complex value, Complex[] slopes, double floating) {}

  /**
   * What a meter should read at a probe.
   *
   * @param solution of the nominal unit in the situation this was made for
   */
  public Prediction predict(Solution solution, Probe probe, Meter meter) {
    if (!meter.answers(solution, probe.function())) {
      return new Prediction(Complex.ZERO, zeros(parameters.size() + 1), 0);
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
      case CELSIUS -> new Prediction(Complex.ZERO, zeros(parameters.size() + 1), 0);
    };
  }

  /**
   * @param response of the unknowns to the probes
   * @param state the unknowns as they stand while the reading is taken
   */
  private Complex[] slopes(Solution solution, double[] response, double[] state, Complex share) {
    Network network = solution.network();
    Complex[] slopes = zeros(parameters.size() + 1);
    for (int p = 0; p < moves.size(); p++) {
      Complex slope = Complex.ZERO;
      for (Move move : moves.get(p)) {
        if (move instanceof Move.OfBranch b) {
          int row = network.rowOfBranch(b.index());
          Complex ohms = b.ohms();
          Complex emf = b.emf();
          for (Solution.Update u : solution.updates()) {
            if (u.change() instanceof Change.InBranch c && c.branch().equals(b.branch())) {
              ohms = ohms.times(c.factor());
              emf = emf.times(c.emfFactor());
            }
          }
          Complex moved = ohms.times(Solution.at(state, row)).minus(emf);
          slope = slope.plus(Solution.at(response, row).times(moved));
        } else if (move instanceof Move.OfStray s) {
          Circuit.Stray stray = network.circuit().strays().get(s.index());
          int from = network.rowOfNode(stray.from());
          int to = network.rowOfNode(stray.to());
          Complex across = Solution.at(state, from).minus(Solution.at(state, to));
          Complex answer = Solution.at(response, from).minus(Solution.at(response, to));
          Complex siemens = new Complex(0, -network.radiansPerSecond() * s.farads());
          slope = slope.plus(answer.times(across).times(siemens));
        }
      }
      slopes[p] = slope.times(share);
    }
    slopes[moves.size()] = onSeverity(solution, response, state).times(share);
    return slopes;
  }

  private static Complex onSeverity(Solution solution, double[] response, double[] state) {
    Complex slope = Complex.ZERO;
    for (Solution.Update u : solution.updates()) {
      double spread = u.change().logSpread();
      if (spread > 0) {
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
      if (change instanceof Change.InBranch c
          && c.logSpread() > 0
          && !c.emfFactor().equals(Complex.ONE)) {
        Complex emf = solution.network().branch(c.branch()).emf().times(c.emfFactor());
        int row = solution.network().rowOfBranch(c.branch());
        slope = slope.minus(Solution.at(response, row).times(emf).times(c.logSpread()));
      }
    }
    return slope;
  }

  private static List<Move> moves(Circuit below, Circuit above) {
    List<Move> moves = new ArrayList<>();
    for (int k = 0; k < above.branches().size(); k++) {
      Branch a = below.branches().get(k);
      Branch b = above.branches().get(k);
      if (!a.ohms().equals(b.ohms()) || !a.emf().equals(b.emf())) {
        moves.add(
            new Move.OfBranch(
                b.id(), k, b.ohms().minus(a.ohms()).times(0.5), b.emf().minus(a.emf()).times(0.5)));
      }
    }
    for (int k = 0; k < above.strays().size(); k++) {
      double difference = above.strays().get(k).farads() - below.strays().get(k).farads();
      if (difference != 0 && above.radiansPerSecond() > 0) {
        moves.add(new Move.OfStray(k, difference / 2));
      }
    }
    return List.copyOf(moves);
  }

  private static void add(double[] to, double[] vector, Complex factor) {
    for (int i = 0; i < to.length; i += 2) {
      to[i] += factor.re() * vector[i] - factor.im() * vector[i + 1];
      to[i + 1] += factor.re() * vector[i + 1] + factor.im() * vector[i];
    }
  }

  private static Complex[] zeros(int length) {
    Complex[] zeros = new Complex[length];
    Arrays.fill(zeros, Complex.ZERO);
    return zeros;
  }
}
