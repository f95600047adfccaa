package org.jollychain.core.visit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.guide.Check;
import org.jollychain.core.partcheck.Card;
import org.jollychain.core.quantity.Kebab;

/**
 * How far the search is for why a link opened.
 *
 * @param opened the link that opened, as the sheet calls it; empty where it is a code or nothing
 * @param wears whether such a link opens of age, too
 * @param causes the likeliest first
 * @param otherwise the probability that the cause is not on this list
 * @param next checks, the best for its minutes first
 * @param answered checks that were made, in their order
 * @param say how far it is, in a sentence
 */
public record CauseSearch(
    Optional<String> opened,
    boolean wears,
    State state,
    List<Suspected> causes,
    double otherwise,
    List<Next> next,
    List<Answered> answered,
    String say) {

  /** How far the search is. */
  public enum State {
    /** Nothing opened that something else would have made open. */
    NOT_NEEDED,
    ASK,
    FOUND,
    /** None was found, and it is said why. */
    NOT_FOUND,
    /** Nothing is left to check. */
    NOTHING_LEFT;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * A cause as it now stands.
   *
   * @param shown whether a check showed it
   * @param found whether it is held to be the cause, or one of them
   * @param because what speaks for or against it, in words
   * @param putRight actions of the guide, in words
   */
  public record Suspected(
      String id,
      String title,
      double probability,
      boolean shown,
      boolean found,
      List<String> because,
      List<String> putRight) {}

  /**
   * A check that may come next.
   *
   * @param minutes it takes, with what it takes to switch the power (min)
   * @param bits it is expected to settle (bit)
   * @param bench the check of the part bench that decides it; nothing where one looks
   */
  public record Next(
      String id,
      String title,
      Check.Power power,
      double minutes,
      String why,
      List<String> hazards,
      List<Outcome> outcomes,
      double bits,
      Optional<Card> bench) {}

  /**
   * What may come of a check.
   *
   * @param meaning whom it would blame, in words
   */
  public record Outcome(String id, String title, double chance, String meaning) {}

  /**
   * A check that was made; answered again, the last answer counts.
   *
   * @param outcomes what may come of it, in words
   * @param answer the outcome that counts
   * @param before other answers that were given earlier, in words
   */
  public record Answered(
      String id, String title, Map<String, String> outcomes, String answer, List<String> before) {}

  CauseSearch answered(List<Answered> checks) {
    return new CauseSearch(opened, wears, state, causes, otherwise, next, checks, say);
  }

  static CauseSearch notNeeded(String why) {
    return new CauseSearch(
        Optional.empty(), false, State.NOT_NEEDED, List.of(), 0, List.of(), List.of(), why);
  }
}
