package org.jollychain.core.evidence;

import org.jollychain.core.network.Probe;

/** What may be asked of a unit next; the answer is evidence. */
public sealed interface Question {

  /** The situation in which it is asked. */
  String situation();

  /** Whether a part's terminals are put on again first. */
  default boolean reseated() {
    return false;
  }

  /**
   * What does the meter show there?
   *
   * @param reseated once the terminals of the part were taken off and put on again
   */
  record Measure(Probe probe, boolean reseated) implements Question {

    /** As the unit is found. */
    public Measure(Probe probe) {
      this(probe, false);
    }

    @Override
    public String situation() {
      return probe.situation();
    }
  }

  /** Does a load run? */
  record Runs(String part, String situation) implements Question {}

  /** What does a part look like? */
  record Look(String part, String situation) implements Question {}

  /** Which code does the unit display? */
  record Code(String situation) implements Question {}
}
