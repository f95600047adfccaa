package org.jollychain.server.policy;

import org.jollychain.core.quantity.Kebab;

/** What work a job allows. */
public enum Permit {
  /** On the unit isolated and proved dead. */
  ISOLATED,
  /** On the live unit too. */
  LIVE;

  public boolean live() {
    return this == LIVE;
  }

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
