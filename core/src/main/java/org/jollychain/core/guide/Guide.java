package org.jollychain.core.guide;

import java.util.Map;
import java.util.Optional;
import org.jollychain.core.sheet.Family;

/**
 * What a family of units needs beside its circuit: what to mind, what is simple, why its links
 * open, what puts that right, what proves it and what prevents it. Everything is by its id, in the
 * order it is written.
 *
 * @param hazards what to mind, in words
 * @param prevention what keeps it from coming back
 */
public record Guide(
    String key,
    String title,
    Family family,
    String notes,
    Map<String, String> hazards,
    Map<String, Question> identify,
    Map<String, SimpleThing> simple,
    Map<String, Cause> causes,
    Map<String, Check> checks,
    Map<String, Action> actions,
    Map<String, Watch> watches,
    Map<String, Proof> proofs,
    Map<String, Prevention> prevention) {

  /**
   * What tells which sheet fits a unit, at a look.
   *
   * @param answers by id, in words
   */
  public record Question(String id, String title, Map<String, String> answers) {}

  /**
   * Something to look at before anything is measured.
   *
   * @param minutes it takes (min)
   */
  public record SimpleThing(String id, String title, double minutes, Applies applies) {}

  /**
   * What puts a cause right.
   *
   * @param minutes it takes (min)
   */
  public record Action(String id, String title, double minutes) {}

  /**
   * What shows that the repair holds.
   *
   * @param current whether it is the current of the heaters, computed for the unit
   * @param withinMinutes how soon it must be seen (min); 0 where time does not matter
   * @param watch the run to be watched that shows it; empty where there is none
   * @param figure to be read; empty where one looks or listens
   * @param applies for which units and complaints it is meant
   */
  public record Proof(
      String id,
      String title,
      boolean current,
      double withinMinutes,
      String watch,
      Optional<Figure> figure,
      Applies applies) {}

  /**
   * What is read to prove something.
   *
   * @param unit in which it is read and kept, as the trade writes it: {@code ppm}
   * @param from least that will do; empty where the unit's paper says it
   * @param to most that will do
   */
  public record Figure(String unit, Optional<Double> from, Optional<Double> to) {}

  /**
   * @param months from one time to the next
   */
  public record Prevention(String id, String title, int months) {}
}
