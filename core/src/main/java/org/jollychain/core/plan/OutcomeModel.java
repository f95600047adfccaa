package org.jollychain.core.plan;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sheet.Supply;

/**
 * What may come of a question: a few answers that can be told apart, and how likely each is under
 * every hypothesis. Hypotheses that expect the same are one class.
 *
 * @param table how likely each answer is under every hypothesis, by its place among all of the
 *     sheet's
 * @param words what each answer is called; for a measurement only {@code OL} and ghosts have one
 * @param values what each class shows, in the function's unit; empty for what is only seen
 * @param function what the meter is set to, for a measurement
 */
public record OutcomeModel(
    OutcomeTable table, List<String> words, double[] values, Optional<MeterFunction> function) {

  /** Shown once terminals were put on again, where that was all there was to it. */
  public static final String AS_SOUND = "as a sound one";

  public int answers() {
    return words.size();
  }

  /**
   * An answer as a technician says it: {@code full supply, 239 V}, {@code about 11.6 Ω}, {@code
   * OL}, {@code runs}.
   *
   * @param belief in each class
   * @return empty where no class that is believed gives it, but for slips and the unknown
   */
  public Optional<String> shown(int answer, double[] belief, Supply supply) {
    if (function.isEmpty() || !words.get(answer).isEmpty()) {
      return Optional.of(words.get(answer));
    }
    int most = -1;
    double weight = 0;
    for (int c = 0; c < values.length; c++) {
      // a slip may show anything
      double usual = table.likelihood()[c][answer] - OutcomeModels.SLIP / answers();
      if (belief[c] * usual > weight) {
        weight = belief[c] * usual;
        most = c;
      }
    }
    return most < 0
        ? Optional.empty()
        : Optional.of(ReadingWords.of(function.get(), values[most], supply));
  }
}
