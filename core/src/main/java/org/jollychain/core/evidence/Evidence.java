package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.Optional;

/** Something that was read or seen of the unit; it is never altered, only struck out. */
public sealed interface Evidence permits Reading, Observation, Inspection, CodeShown {

  String id();

  /** The situation in which it was taken. */
  String situation();

  /** When it was taken, where that is known; only faults that come and go depend on it. */
  Optional<Instant> at();
}
