package org.jollychain.core.diagnosis;

import org.jollychain.core.fault.SupplyFault;
import org.jollychain.core.sheet.SupplySystem;

/** Who has to deal with a supply that is at fault, and whether it is dangerous. */
public final class SupplyAdvice {

  private SupplyAdvice() {}

  public static String of(SupplyFault fault, SupplySystem system) {
    if (system == SupplySystem.DC) {
      return "Look at what feeds it first: pile and pilot flame, board or battery, before any part is renewed.";
    }
    if (system == SupplySystem.TRANSFORMER) {
      return "Look at the transformer, its primary and its fuse before any part is renewed.";
    }
    return switch (fault) {
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
}
