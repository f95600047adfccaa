package org.jollychain.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * One measurement to be made.
 *
 * @param function what the meter is set to
 * @param red the point of the red probe
 * @param black the point of the black probe
 * @param part what is measured across or through, where it is one part
 * @param situation the state the unit is in
 * @param liftedAt points at which everything but that part is taken off
 */
public record Probe(
    MeterFunction function,
    String red,
    String black,
    Optional<String> part,
    String situation,
    Set<String> liftedAt) {

  public static Probe across(MeterFunction function, Part part, String situation) {
    return new Probe(function, part.from(), part.to(), Optional.of(part.id()), situation, Set.of());
  }

  public static Probe between(MeterFunction function, String red, String black, String situation) {
    return new Probe(function, red, black, Optional.empty(), situation, Set.of());
  }

  /** What lifting does to the circuit: all else at those points hangs free. */
  public List<Change> lifts(Sheet sheet) {
    List<Change> lifts = new ArrayList<>();
    for (String point : liftedAt) {
      for (Part other : sheet.partsAt(point)) {
        if (part.filter(other.id()::equals).isEmpty()) {
          lifts.add(Change.open(other.id()));
        }
      }
    }
    return lifts;
  }
}
