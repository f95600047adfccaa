package org.jollychain.core.export;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jollychain.core.network.Branch;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Circuit;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.ParameterSample;
import org.jollychain.core.network.Solution;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * The nominal circuit of a sheet in one situation as a SPICE netlist, for a second opinion. Nodes
 * are numbered; a comment at the head names the points. Volts are RMS phasors of an {@code .ac}
 * analysis at supply frequency, or an operating point for direct current.
 */
public final class SpiceNetlist {

  /** A simulator takes no resistor of nothing. */
  private static final double SMALLEST_OHMS = 1e-9;

  private SpiceNetlist() {}

  /**
   * @param changes what differs from the sound circuit
   */
  public static String of(Sheet sheet, Situation situation, List<Change> changes) {
    Circuit circuit = new Circuit(sheet, situation, ParameterSample.NOMINAL);
    Solution solution = Network.of(sheet, situation, ParameterSample.NOMINAL).solve(changes);
    double omega = circuit.radiansPerSecond();
    StringBuilder text = new StringBuilder(comment(sheet.title() + ", " + situation.title()));
    circuit
        .nodes()
        .forEach(
            (point, node) -> text.append(comment("node " + node(circuit, node) + ": " + point)));
    int index = 0;
    for (Branch branch : circuit.branches()) {
      Complex ohms = solution.ohms(branch.id());
      Complex emf = branch.emf();
      Optional<Change.ToCase> leak = Optional.empty();
      for (Change change : solution.changes()) {
        if (change.branch().equals(branch.id())) {
          if (change instanceof Change.InBranch c) {
            emf = c.emf(emf);
          } else if (change instanceof Change.ToCase toCase) {
            leak = Optional.of(toCase);
          }
        }
      }
      index++;
      String from = node(circuit, branch.from());
      String to = node(circuit, branch.to());
      // the source drives the current from "from" to "to": its plus faces "to"
      text.append(comment(branch.id()));
      text.append(source(index, from, emf, omega > 0));
      String start = "s" + index;
      for (Circuit.Mutual mutual : circuit.mutuals()) {
        if (mutual.branch() == index - 1 || mutual.other() == index - 1) {
          int partner = 1 + mutual.branch() + mutual.other() - (index - 1);
          // the current that a source measures runs against the branch's
          text.append(
              "H%d %s h%d V%d %s%n"
                  .formatted(index, start, index, partner, number(-mutual.ohms().re())));
          start = "h" + index;
        }
      }
      if (leak.isPresent()) {
        double along = leak.get().position();
        text.append(impedance(index + "a", start, "k" + index, ohms.times(along), omega));
        text.append("Rleak%d k%d 0 %s%n".formatted(index, index, number(leak.get().ohms())));
        start = "k" + index;
        ohms = ohms.times(1 - along);
      }
      text.append(impedance(String.valueOf(index), start, to, ohms, omega));
    }
    for (Circuit.Mutual mutual : circuit.mutuals()) {
      text.append(
          "K%d L%d L%d 1%n"
              .formatted(mutual.branch() + 1, mutual.branch() + 1, mutual.other() + 1));
    }
    if (omega > 0) {
      for (Circuit.Stray stray : circuit.strays()) {
        index++;
        text.append(
            "C%d %s %s %s%n"
                .formatted(
                    index,
                    node(circuit, stray.from()),
                    node(circuit, stray.to()),
                    number(stray.farads())));
      }
    }
    return text.toString();
  }

  private static String impedance(String name, String from, String to, Complex ohms, double omega) {
    boolean reactive = omega > 0 && ohms.im() != 0;
    String resistor =
        "R%s %s %s %s%n"
            .formatted(
                name, from, reactive ? "x" + name : to, number(Math.max(ohms.re(), SMALLEST_OHMS)));
    return reactive
        ? resistor + "L%s x%s %s %s%n".formatted(name, name, to, number(ohms.im() / omega))
        : resistor;
  }

  /** Number of each point's node in the netlist. */
  public static Map<String, String> nodes(Sheet sheet, Situation situation) {
    Circuit circuit = new Circuit(sheet, situation, ParameterSample.NOMINAL);
    Map<String, String> nodes = new TreeMap<>();
    circuit.nodes().forEach((point, node) -> nodes.put(point, node(circuit, node)));
    return nodes;
  }

  private static String source(int index, String from, Complex emf, boolean ac) {
    String value =
        ac
            ? "DC 0 AC %s %s"
                .formatted(
                    number(emf.abs()), number(Math.toDegrees(Math.atan2(emf.im(), emf.re()))))
            : "DC " + number(emf.re());
    return "V%d s%d %s %s%n".formatted(index, index, from, value);
  }

  private static String node(Circuit circuit, int node) {
    return node == circuit.earth() ? "0" : String.valueOf(node + 1);
  }

  /**
   * A simulator carries out what stands on a line of its own, so no text may bring a line break.
   */
  private static String comment(String text) {
    return "* %s%n".formatted(text.replaceAll("[\\p{Cntrl}\u0085\u2028\u2029]", " "));
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.12g", value);
  }
}
