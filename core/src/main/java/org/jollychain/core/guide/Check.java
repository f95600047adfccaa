package org.jollychain.core.guide;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.PartKind;

/**
 * A look, a touch or a measurement that tells causes apart.
 *
 * @param minutes it takes (min)
 * @param power what state of the supply it needs
 * @param applies for which units and complaints it is meant
 * @param near kinds of parts beside which it is made: what has to come off for them has to come off
 *     for it
 * @param why it tells them apart, in one sentence; may be empty
 * @param outcomes what may come of it, by id, in words
 * @param given probability of each outcome by cause, in the order of the outcomes
 * @param otherwise the same for every other cause
 * @param shows the cause an outcome shows outright
 * @param bench what computes the outcome, where figures decide
 */
public record Check(
    String id,
    String title,
    double minutes,
    Power power,
    Applies applies,
    Set<PartKind> near,
    String why,
    List<String> hazards,
    Map<String, String> outcomes,
    Map<String, double[]> given,
    double[] otherwise,
    Map<String, String> shows,
    Optional<Bench> bench) {

  /**
   * The check of the part bench that picks the outcome from figures.
   *
   * @param key of that check
   * @param outcomes the outcome by how the part comes out of it: good, doubtful or bad
   */
  public record Bench(String key, Map<String, String> outcomes) {}

  /** The state of the supply a check needs. */
  public enum Power {
    ANY,
    ON,
    OFF;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /** Probability of each outcome with a cause, in the order of the outcomes. */
  public double[] likelihood(String cause) {
    return given.getOrDefault(cause, otherwise).clone();
  }

  /** The place of an outcome, -1 where it has none such. */
  public int indexOf(String outcome) {
    return List.copyOf(outcomes.keySet()).indexOf(outcome);
  }
}
