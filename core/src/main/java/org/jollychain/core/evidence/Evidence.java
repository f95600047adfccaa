package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.Optional;

/** Something that was read or seen of the unit; it is never altered, only struck out. */
public sealed interface Evidence
    permits Reading, Observation, Inspection, CodeShown, ComplaintTold {

  String id();

  /** The situation in which it was taken. */
  String situation();

  /** When it was taken, where that is known; only faults that come and go depend on it. */
  Optional<Instant> at();

  /** A key by which any set of evidence comes into one order, whatever order it was taken in. */
  String canonical();

  /** What is done with each kind; a new kind has to be answered for everywhere. */
  <R> R as(Kinds<R> kinds);

  /** An answer for every kind of evidence. */
  interface Kinds<R> {

    R reading(Reading reading);

    R observation(Observation observation);

    R inspection(Inspection inspection);

    R code(CodeShown code);

    R complaint(ComplaintTold complaint);
  }
}
