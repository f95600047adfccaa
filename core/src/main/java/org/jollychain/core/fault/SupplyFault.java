package org.jollychain.core.fault;

import org.jollychain.core.quantity.Kebab;

/** The ways in which what feeds the unit can be at fault. */
public enum SupplyFault {
  DEAD("no voltage at all"),
  DEAD_LEG("one leg dead"),
  LOW("low"),
  HIGH("high"),
  OPEN_NEUTRAL("neutral open"),
  WRONG_SYSTEM("two legs of a three-phase supply"),
  SWAPPED("line and neutral swapped");

  private final String word;

  SupplyFault(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
