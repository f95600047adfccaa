package org.jollychain.core.diagnosis;

import org.jollychain.core.quantity.Kebab;

/** What is said of the supply. */
public enum SupplyVerdict {
  SOUND,
  DEAD,
  DEAD_LEG,
  LOW,
  HIGH,
  OPEN_NEUTRAL,
  WRONG_SYSTEM,
  SWAPPED,
  UNMEASURED;

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
