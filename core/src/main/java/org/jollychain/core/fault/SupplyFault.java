package org.jollychain.core.fault;

import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.SupplySystem;

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

  /** Who has to deal with it, and whether it is dangerous. */
  public String dealtWith(SupplySystem system) {
    if (system == SupplySystem.DC) {
      return "Look at what feeds it first: pile and pilot flame, board or battery, before any part is renewed.";
    }
    if (system == SupplySystem.TRANSFORMER) {
      return "Look at the transformer, its primary and its fuse before any part is renewed.";
    }
    return switch (this) {
      case OPEN_NEUTRAL ->
          "Dangerous: too much voltage for half of the house. Stop, switch off, and leave it to a licensed electrician at once.";
      case SWAPPED ->
          "Dangerous: parts stay live when it is switched off. Keep it unplugged until a licensed electrician has put the outlet right.";
      case DEAD, DEAD_LEG ->
          "Plug, cord and outlet first, then fuse or breaker, before the unit is opened; what lies behind the outlet is a licensed electrician's.";
      case LOW ->
          "Out of use until a licensed electrician has found the joint or the load that pulls it down.";
      case HIGH -> "Out of use until a licensed electrician has found why.";
      case WRONG_SYSTEM ->
          "Not a fault of the unit: it heats with three quarters of its power. See what its maker allows.";
    };
  }

  public String word() {
    return word;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
