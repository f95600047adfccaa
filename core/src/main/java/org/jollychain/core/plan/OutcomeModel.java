package org.jollychain.core.plan;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.sequencing.OutcomeTable;

/**
 * What may come of a question: a few answers that can be told apart, and how likely each is under
 * every hypothesis. Hypotheses that expect the same are one class.
 *
 * @param table how likely each answer is under every hypothesis, by its place among all of the
 *     sheet's
 * @param words what each answer is called; for a measurement only {@code OL} has one
 * @param values what each class shows, in the function's unit; empty for what is only seen
 * @param function what the meter is set to, for a measurement
 */
public record OutcomeModel(
    OutcomeTable table, List<String> words, double[] values, Optional<MeterFunction> function) {

  /** Shown once terminals were put on again, where that was all there was to it. */
  public static final String AS_SOUND = "as a sound one";

  private static final double MATTERS = 0.02;
  private static final double AS_A_RULE = 0.3;

  public int answers() {
    return words.size();
  }

  /**
   * An answer as a display or a person would give it: {@code 238.0 V}, {@code 0.1 to 4.8 V}, {@code
   * OL}, {@code runs}.
   *
   * @param belief in each class
   * @return empty where no class that is believed gives it, but for slips and the unknown
   */
  public Optional<String> shown(int answer, double[] belief) {
    if (function.isEmpty() || !words.get(answer).isEmpty()) {
      return Optional.of(words.get(answer));
    }
    double all = 0;
    for (int c = 0; c < values.length; c++) {
      all += belief[c] * table.likelihood()[c][answer];
    }
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (int c = 0; c < values.length; c++) {
      if (table.likelihood()[c][answer] > AS_A_RULE
          && belief[c] * table.likelihood()[c][answer] > MATTERS * all) {
        low = Math.min(low, values[c]);
        high = Math.max(high, values[c]);
      }
    }
    if (low > high) {
      return Optional.empty();
    }
    String from = Meter.GENERAL.display(function.get(), low);
    String to = Meter.GENERAL.display(function.get(), high);
    return Optional.of(from.equals(to) ? "about " + from : from + " to " + to);
  }
}
