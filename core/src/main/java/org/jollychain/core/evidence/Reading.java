package org.jollychain.core.evidence;

import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Probe;

/**
 * A measurement that was made.
 *
 * @param shown what the meter showed
 * @param meter which meter
 */
public record Reading(String id, Probe probe, Shown shown, Meter meter) implements Evidence {

  @Override
  public String situation() {
    return probe.situation();
  }
}
