package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.inference.Normal;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sequencing.OutcomeTable;

/**
 * Divides what a meter may show into answers, between the classes of readings that are expected.
 */
final class AnswerBounds {

  private static final int MOST_ANSWERS = 9;

  /** Classes further apart than this many of their own standard deviations are told apart. */
  private static final double APART = 0.6;

  /**
   * What a ghost shows where it shows anything, as a share of the supply's volts, and its spread.
   */
  private static final double GHOST_SHARE = 0.25;

  private static final double GHOST_SD_SHARE = 0.08;

  private AnswerBounds() {}

  /**
   * A class of readings.
   *
   * @param value what the meter shows, in its unit
   * @param ghost whether it hangs on strays, so that nothing is as likely as any ghost
   */
  record Peak(double value, double sd, double overLimit, boolean ghost) {}

  /**
   * What hangs free.
   *
   * @param volts of the supply (V)
   */
  static Peak ghost(double volts) {
    return new Peak(GHOST_SHARE * volts, GHOST_SD_SHARE * volts, 0, true);
  }

  /** Draws the boundaries, widest gaps first, and computes each class's share between them. */
  static OutcomeModel divided(Probe probe, List<Peak> peaks, int[] classOf, boolean withUnknown) {
    boolean ohms = probe.function().needsDeadCircuit();
    List<Peak> finite =
        peaks.stream()
            .filter(p -> p.overLimit < 0.5)
            .sorted(Comparator.comparingDouble(Peak::value))
            .toList();
    record Gap(double at, double width) {}
    List<Gap> gaps = new ArrayList<>();
    for (int i = 1; i < finite.size(); i++) {
      Peak a = finite.get(i - 1);
      Peak b = finite.get(i);
      double width = (b.value - a.value) / (a.sd + b.sd);
      if (width > APART) {
        gaps.add(new Gap(a.value + a.sd * width, width));
      }
    }
    gaps.sort(Comparator.comparingDouble(Gap::width).reversed());
    double[] bounds = gaps.stream().limit(MOST_ANSWERS - 1).mapToDouble(Gap::at).sorted().toArray();
    int figures = finite.isEmpty() ? 0 : bounds.length + 1;
    boolean over = ohms && peaks.stream().anyMatch(p -> p.overLimit > 1e-3);
    int answers = figures + (over ? 1 : 0);
    double[][] likelihood = new double[peaks.size() + (withUnknown ? 1 : 0)][answers];
    for (int c = 0; c < peaks.size(); c++) {
      Peak p = peaks.get(c);
      if (p.ghost) {
        likelihood[c][answer(bounds, 0)] += 0.5;
        likelihood[c][answer(bounds, p.value)] += 0.5;
        continue;
      }
      double below = 0;
      for (int j = 0; j < figures; j++) {
        double upTo =
            j == bounds.length ? 1 : Normal.below((bounds[j] - p.value) / Math.max(p.sd, 1e-12));
        likelihood[c][j] = (1 - (over ? p.overLimit : 0)) * Math.max(0, upTo - below);
        below = upTo;
      }
      if (over) {
        likelihood[c][figures] = figures == 0 ? 1 : p.overLimit;
      }
    }
    if (withUnknown) {
      Arrays.fill(likelihood[peaks.size()], 1);
    }
    for (double[] row : likelihood) {
      double sum = Arrays.stream(row).sum();
      for (int j = 0; j < answers; j++) {
        row[j] = (1 - OutcomeModels.SLIP) * row[j] / sum + OutcomeModels.SLIP / answers;
      }
    }
    List<String> words = new ArrayList<>(Collections.nCopies(figures, ""));
    if (over) {
      words.add("OL");
    }
    Set<Integer> real =
        finite.stream()
            .filter(p -> !p.ghost)
            .map(p -> answer(bounds, p.value))
            .collect(Collectors.toSet());
    finite.stream()
        .filter(p -> p.ghost && !real.contains(answer(bounds, p.value)))
        .forEach(p -> words.set(answer(bounds, p.value), ReadingWords.GHOST));
    double[] values = peaks.stream().mapToDouble(Peak::value).toArray();
    return new OutcomeModel(
        new OutcomeTable(classOf, likelihood),
        List.copyOf(words),
        values,
        Optional.of(probe.function()));
  }

  /** The answer a value falls into. */
  private static int answer(double[] bounds, double value) {
    int at = Arrays.binarySearch(bounds, value);
    return at >= 0 ? at : -at - 1;
  }
}
