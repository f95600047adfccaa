package org.jollychain.core.sheet;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.quantity.Kebab;

/**
 * What a person or the control does to the unit.
 *
 * @param title in words
 * @param by who gives it; what the control gives is dead with the supply off
 * @param drivenBy the load that has to run for it: a relay's coil, a sequencer's heater, a motor
 *     with a centrifugal switch
 * @param needs the loops the control watches and gives it by: a sensor, a float, a pressure switch
 */
public record Command(String id, String title, By by, Optional<String> drivenBy, List<Loop> needs) {

  /** Two points between which a control measures; from the point id to the point id. */
  public record Loop(String from, String to) {}

  /** Who gives a command. */
  public enum By {
    HAND,
    CONTROL;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }
}
