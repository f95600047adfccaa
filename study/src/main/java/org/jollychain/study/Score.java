package org.jollychain.study;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.Posterior;

/** What a study counts of one sheet. */
final class Score {
  private static final double SURE = 0.97;

  int units;
  int drawn;
  private int rightPart;
  private int rightMode;
  private int condemned;
  private int sure;
  private int rightWhenSure;
  int pairs;
  private int bothHalf;
  private int bothTenth;
  private double brier;
  private int entries;
  boolean lastRight;
  private final int[] bins = new int[20];
  private final int[] hits = new int[20];

  void single(Hypothesis truth, FaultStudy.Found found, int parts) {
    List<Posterior.Entry> beliefs = found.beliefs();
    Map<Culprit, Double> byCulprit = byCulprit(beliefs);
    Fault fault = truth.faults().get(0);
    units++;
    Culprit best =
        byCulprit.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
    double top = byCulprit.get(best);
    boolean right = same(best, fault, beliefs);
    rightPart += right ? 1 : 0;
    Map<String, Double> modes = new LinkedHashMap<>();
    for (Posterior.Entry b : beliefs) {
      b.hypothesis()
          .modeOf(best)
          .ifPresent(m -> modes.merge(merged(m), b.probability(), Double::sum));
    }
    boolean modeRight =
        right
            && modes.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .filter(e -> e.getKey().equals(merged(fault.failed().orElseThrow())))
                .isPresent();
    rightMode += modeRight ? 1 : 0;
    lastRight = modeRight && !(top >= SURE && !right);
    if (top >= SURE && !found.misfit()) {
      sure++;
      rightWhenSure += right ? 1 : 0;
    }
    for (Map.Entry<Culprit, Double> e : byCulprit.entrySet()) {
      boolean isIt = same(e.getKey(), fault, beliefs);
      boolean aPart = e.getKey().suspect();
      condemned += aPart && !isIt && e.getValue() > 0.9 && !found.misfit() ? 1 : 0;
      brier += (e.getValue() - (isIt ? 1 : 0)) * (e.getValue() - (isIt ? 1 : 0));
      int bin = Math.min(19, (int) (20 * e.getValue()));
      bins[bin]++;
      hits[bin] += isIt ? 1 : 0;
    }
    entries += parts;
  }

  void pair(Hypothesis truth, List<Posterior.Entry> beliefs) {
    Map<Culprit, Double> byCulprit = byCulprit(beliefs);
    pairs++;
    double least =
        truth.faults().stream()
            .mapToDouble(f -> byCulprit.getOrDefault(f.culprit().orElseThrow(), 0.0))
            .min()
            .orElse(0);
    bothHalf += least > 0.5 ? 1 : 0;
    bothTenth += least > 0.1 ? 1 : 0;
    lastRight = least > 0.1;
  }

  /** A missing command is right for the contact that hangs on it alone, and for the command. */
  private static boolean same(Culprit believed, Fault truth, List<Posterior.Entry> beliefs) {
    Culprit blamed = truth.culprit().orElseThrow();
    if (believed.equals(blamed)) {
      return true;
    }
    if (!(believed instanceof Culprit.OfCommand) && !(blamed instanceof Culprit.OfCommand)) {
      return false;
    }
    return beliefs.stream()
        .filter(b -> b.hypothesis().blames(believed))
        .flatMap(b -> b.hypothesis().faults().stream())
        .filter(f -> f.failed().isPresent())
        .anyMatch(f -> f.changes().equals(truth.changes()));
  }

  private static Map<Culprit, Double> byCulprit(List<Posterior.Entry> beliefs) {
    Map<Culprit, Double> by = new LinkedHashMap<>();
    for (Posterior.Entry b : beliefs) {
      b.hypothesis().culprits().forEach(c -> by.merge(c, b.probability(), Double::sum));
    }
    return by;
  }

  void add(Score o) {
    units += o.units;
    drawn += o.drawn;
    entries += o.entries;
    rightPart += o.rightPart;
    rightMode += o.rightMode;
    condemned += o.condemned;
    sure += o.sure;
    rightWhenSure += o.rightWhenSure;
    pairs += o.pairs;
    bothHalf += o.bothHalf;
    bothTenth += o.bothTenth;
    brier += o.brier;
    Arrays.setAll(bins, i -> bins[i] + o.bins[i]);
    Arrays.setAll(hits, i -> hits[i] + o.hits[i]);
  }

  String line(String name) {
    return "%-22s %5d   %.2f  %.3f  %.3f   %.4f     %.2f       %.3f           %.2f   %.2f   %.4f"
        .formatted(
            name,
            units,
            share(units, drawn),
            share(rightPart, units),
            share(rightMode, units),
            share(condemned, units),
            share(sure, units),
            share(rightWhenSure, sure),
            share(bothHalf, pairs),
            share(bothTenth, pairs),
            brier / entries);
  }

  String calibration() {
    StringBuilder text = new StringBuilder("called .. and right: ");
    for (int i = 0; i < 20; i++) {
      if (bins[i] >= 20) {
        text.append(
            "%.2f: %.2f (%d)  ".formatted((i + 0.5) / 20, share(hits[i], bins[i]), bins[i]));
      }
    }
    return text.toString();
  }

  private static double share(int of, int all) {
    return all == 0 ? 1 : (double) of / all;
  }

  /** Open, tripped and not made cannot be told apart by every evidence. */
  private static String merged(FaultMode mode) {
    return switch (mode) {
      case OPEN, TRIPPED, NOT_MADE -> "open";
      default -> mode.toString();
    };
  }
}
