package org.jollychain.core.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.sequencing.OutcomeTable;

/**
 * To read a part's plate or paper as a test of the one search. It tells whether a part that was
 * read as few are is one of another rating or off its value; it is worth as much as that is open.
 */
final class PlateTests {

  private static final List<String> WORDS =
      List.of("it fits what was read", "it does not fit", "not readable");

  /** How often a plate is read so; common practice, no source. */
  private static final double[] SOUND = {0.62, 0.03, 0.35};

  private static final double[] OFF_VALUE = {0.05, 0.60, 0.35};

  private PlateTests() {}

  /**
   * @param parts whose plate would settle what was read of them
   * @param states what may be true, each with its place in the tables
   * @param places how many places there are
   */
  static Map<Question, OutcomeModel> over(
      List<String> parts, String situation, List<StateTables.State> states, int places) {
    Map<Question, OutcomeModel> models = new LinkedHashMap<>();
    for (String part : parts) {
      int[] classOf = new int[places];
      states.stream()
          .filter(s -> offValue(s.hypothesis(), part))
          .forEach(s -> classOf[s.place()] = 1);
      models.put(
          new Question.Plate(part, situation),
          new OutcomeModel(
              new OutcomeTable(classOf, new double[][] {SOUND, OFF_VALUE}),
              WORDS,
              new double[0],
              Optional.empty()));
    }
    return models;
  }

  private static boolean offValue(Hypothesis h, String part) {
    return h.modeOf(part)
        .filter(m -> m == FaultMode.OFF_VALUE_HIGH || m == FaultMode.OFF_VALUE_LOW)
        .isPresent();
  }
}
