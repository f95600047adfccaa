package org.jollychain.core.network;

import java.util.List;
import java.util.Optional;

/**
 * The meters that readings may name.
 *
 * @param usual the one meant where none is named
 */
public record Meters(Meter usual, List<Meter> all) {

  /** Four usual kinds. */
  public static final Meters USUAL =
      new Meters(Meter.GENERAL, List.of(Meter.GENERAL, Meter.POCKET, Meter.BENCH, Meter.TESTER));

  public Optional<Meter> byId(String id) {
    return all.stream().filter(m -> m.id().equals(id)).findFirst();
  }

  public List<String> ids() {
    return all.stream().map(Meter::id).toList();
  }
}
