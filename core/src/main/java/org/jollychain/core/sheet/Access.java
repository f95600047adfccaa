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
 *     once. With the power off, what has a {@code titleOff} of its own is at the unit: the plug is
 *     out of its outlet and in the hand
 * @param offLimits no probe goes there: the electrician's panel
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
    boolean offLimits,
    List<String> hazards) {

  /** Where it is while the power is on or off, if not at the unit. */
  Optional<String> place(boolean live) {
    return live || titleOff.equals(title) ? place : Optional.empty();
  }

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
