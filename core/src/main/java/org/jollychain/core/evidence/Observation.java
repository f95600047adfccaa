package org.jollychain.core.evidence;

import org.jollychain.core.quantity.Kebab;

/**
 * A load seen to run, to run weakly, or not to run.
 *
 * @param part the load
 */
public record Observation(String id, String part, String situation, Runs runs) implements Evidence {

  /** How a load runs. */
  public enum Runs {
    YES,
    WEAKLY,
    NO;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }
}
