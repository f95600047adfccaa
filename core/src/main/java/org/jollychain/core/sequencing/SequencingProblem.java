package org.jollychain.core.sequencing;

import java.util.Optional;
import java.util.Set;

/**
 * A problem of test sequencing. The states are grouped by what they call for; the work is over once
 * a group is probable enough, and its own test is still to be made then.
 *
 * @param <T> a test
 * @param <P> a place where the work may stand, as far as prices depend on it
 */
public interface SequencingProblem<T, P> {

  /** What may come of a test, by state. */
  OutcomeTable outcomes(T test);

  /** What it takes to make a test from a place. */
  Step<P> step(P from, T test);

  /** A test that tells less is not worth making (bit). */
  double leastBits(T test);

  /** How probable a group has to be for the search to end with it. */
  double endsAt(int group);

  /** A group's own test, where it has one that was not made. */
  Optional<T> confirming(int group, Set<T> made);

  /**
   * A test made.
   *
   * @param minutes it takes
   * @param price minutes, with what else it is held to be worth
   * @param after where the work stands then
   */
  record Step<P>(double minutes, double price, P after) {}
}
