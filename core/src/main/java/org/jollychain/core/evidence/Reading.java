package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;

/**
 * A measurement that was made.
 *
 * @param shown what the meter showed
 * @param meter which meter
 * @param reseated whether the terminals of the part had been taken off and put on again before
 */
public record Reading(
    String id, Probe probe, Shown shown, Meter meter, boolean reseated, Optional<Instant> at)
    implements Evidence {

  private static final List<Dimension> FINEST_FIRST =
      List.of(Dimension.OHMS, Dimension.VOLTS, Dimension.AMPERES);

  @Override
  public String situation() {
    return probe.situation();
  }

  /**
   * The finest come first: a slip that fits misleads what is read after it, and coarse ones fit.
   */
  @Override
  public String canonical() {
    return String.join(
        " ",
        "1",
        String.valueOf(FINEST_FIRST.indexOf(probe.function().dimension())),
        probe.function().toString(),
        situation(),
        probe.red(),
        probe.black(),
        shown.toString(),
        id);
  }

  @Override
  public <R> R as(Kinds<R> kinds) {
    return kinds.reading(this);
  }
}
