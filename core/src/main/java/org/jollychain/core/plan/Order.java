package org.jollychain.core.plan;

import org.jollychain.core.quantity.Kebab;

/** In which order a unit is gone through. */
public enum Order {
  /** What tells most for its minutes. */
  BEST_VALUE,
  /** The part that fails most often first. */
  MOST_FREQUENT_FIRST,
  /** The supply, then part after part as the current goes. */
  ALONG_THE_WIRE;

  @Override
  public String toString() {
    return Kebab.of(this);
  }
}
