package org.jollychain.core.plan;

import org.jollychain.core.quantity.Kebab;

/** How a technician wants to measure. */
public enum Method {
  /** Volts across each part while current is called for. */
  LIVE_DROPS,
  /** Volts from each point to the return, where one probe stays parked. */
  LIVE_TO_REFERENCE,
  /** Ohms with the unit isolated and proved dead. */
  ISOLATED_OHMS,
  /** Whatever is worth its minutes and its exposure. */
  MIXED;

  /** Whether it has anyone measure on a live unit. */
  public boolean live() {
    return this != ISOLATED_OHMS;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
