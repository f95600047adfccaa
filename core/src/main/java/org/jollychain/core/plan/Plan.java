package org.jollychain.core.plan;

import java.util.List;
import org.jollychain.core.quantity.Kebab;

/**
 * What to do next.
 *
 * @param next the proposal, then alternatives that differ from it in kind; empty at an end
 * @param state how far the work is
 * @param say that, in a sentence
 * @param confirmBy what would confirm what leads, as far as permit and reach allow it
 * @param expected what is left
 */
public record Plan(
    List<Proposal> next, State state, String say, String confirmBy, Expected expected) {

  /** How far the work is. */
  public enum State {
    /** Something is worth asking. */
    ASK,
    /** A suspect is strong; test it by itself. */
    CONFIRM,
    /** The fault is found and tested. */
    FOUND,
    /** What is at fault is clear, and no test of a part can show more. */
    CLEAR,
    /** Nothing that may be asked is worth its minutes. */
    NOTHING_WORTH,
    /** Nothing is left that may be asked. */
    NOTHING_LEFT;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * What is left to the end, on average.
   *
   * @param probes questions, the confirming one counted
   * @param minutes of all of them (min)
   */
  public record Expected(double probes, double minutes) {}
}
