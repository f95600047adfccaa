package org.jollychain.core.evidence;

/** Something that was read or seen of the unit; it is never altered, only struck out. */
public sealed interface Evidence permits Reading, Observation, Inspection {

  String id();

  /** The situation in which it was taken. */
  String situation();
}
