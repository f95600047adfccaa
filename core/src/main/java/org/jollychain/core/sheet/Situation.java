package org.jollychain.core.sheet;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A named state in which one measures.
 *
 * @param supplyOn false when unplugged or isolated
 * @param commands the commands that hold
 * @param celsius temperature of each named place (C)
 * @param after the situation it comes out of by itself: hot comes after running, so it never comes
 *     about where that does not run
 */
public record Situation(
    String id,
    String title,
    boolean supplyOn,
    Set<String> commands,
    Map<String, Double> celsius,
    Optional<String> after) {

  /** Where nothing is said (C). */
  static final double ROOM_CELSIUS = 20;

  /** The temperature of a place (C); a place not listed is at ambient, ambient at 20 C. */
  public double celsiusAt(String place) {
    return celsius.getOrDefault(place, celsius.getOrDefault("ambient", ROOM_CELSIUS));
  }
}
