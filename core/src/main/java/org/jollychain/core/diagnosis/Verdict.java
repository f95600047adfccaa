package org.jollychain.core.diagnosis;

import org.jollychain.core.quantity.Kebab;

/** What is said of a part. */
public enum Verdict {
  /** Passed a test that a bad one would have failed. */
  SOUND,
  /** Shown not to be open, but only at the meter's tiny current. */
  PASSES,
  OPEN,
  DROPPING,
  STUCK,
  LEAKING,
  OFF_VALUE,
  TRIPPED,
  /** Nothing that was read bears on it. */
  UNTESTED,
  /** Something bears on it, but not enough. */
  UNCLEAR;

  /** Whether its tests speak for it. */
  public boolean passed() {
    return this == SOUND || this == PASSES;
  }

  /** Whether nothing says yet if it is good or bad. */
  public boolean undecided() {
    return this == UNTESTED || this == UNCLEAR;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
