package org.jollychain.core.sheet;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.quantity.Kebab;

/**
 * Something to take off or open to reach points.
 *
 * @param titleOff what it is called once the power is off, where that is another thing to do
 * @param minutes how long it takes (min)
 * @param power what state of the supply it demands
 * @param after what must be open before
 * @param place where it is, if not at the unit: what lies elsewhere no pair of probes reaches at
 *     once
 * @param hazards what to mind, in words
 */
public record Access(
    String id,
    String title,
    String titleOff,
    double minutes,
    Power power,
    List<String> after,
    Optional<String> place,
    List<String> hazards) {

  /** The state of the supply an access demands. */
  public enum Power {
    ANY,
    OFF;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }
}
