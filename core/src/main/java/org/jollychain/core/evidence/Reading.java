package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.Optional;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Probe;

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

  @Override
  public String situation() {
    return probe.situation();
  }
}
