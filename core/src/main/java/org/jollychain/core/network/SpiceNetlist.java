package org.jollychain.core.network;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * The nominal circuit of a sheet in one situation as a SPICE netlist, for a second opinion. Nodes
 * are numbered; a comment at the head names the points. Volts are RMS phasors of an {@code .ac}
 * analysis at supply frequency, or an operating point for direct current.
 */
public final class SpiceNetlist {

  private SpiceNetlist() {}

  /**
   * @param changes what differs from the sound circuit
   */
  public static String of(Sheet sheet, Situation situation, List<Change> changes) {
    Circuit circuit = new Circuit(sheet, situation, Draw.NOMINAL);
    Network network = Network.of(sheet, situation, Draw.NOMINAL);
    Solution solution = network.solve(changes);
    double omega = circuit.radiansPerSecond();
    StringBuilder text =
        new StringBuilder("* %s, %s%n".formatted(sheet.title(), situation.title()));
    circuit
        .nodes()
        .forEach(
            (point, node) -> text.append("* node %s: %s%n".formatted(node(circuit, node), point)));
    int index = 0;
    for (Branch branch : circuit.branches()) {
      Complex ohms = solution.ohms(branch.id());
      Complex emf = branch.emf();
      for (Change change : changes) {
        emf = change.branch().equals(branch.id()) ? emf.times(change.emfFactor()) : emf;
      }
      String from = node(circuit, branch.from());
      String to = node(circuit, branch.to());
      index++;
      // the source drives the current from "from" to "to": its plus faces "to"
      text.append("* %s%n".formatted(branch.id()));
      text.append(source(index, from, emf, omega > 0));
      boolean reactive = omega > 0 && ohms.im() != 0;
      text.append(
          "R%d s%d %s %s%n"
              .formatted(index, index, reactive ? "x" + index : to, number(ohms.re())));
      if (reactive) {
        text.append("L%d x%d %s %s%n".formatted(index, index, to, number(ohms.im() / omega)));
      }
    }
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
    return text.toString();
  }

  /** Number of each point's node in the netlist. */
  public static Map<String, String> nodes(Sheet sheet, Situation situation) {
    Circuit circuit = new Circuit(sheet, situation, Draw.NOMINAL);
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

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.12g", value);
  }
}
