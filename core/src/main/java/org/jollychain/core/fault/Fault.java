package org.jollychain.core.fault;

import java.util.List;
import org.jollychain.core.network.Change;

/** One thing wrong, and what it does to the circuit. */
public sealed interface Fault {

  /** What it changes in the sound circuit. */
  List<Change> changes();

  /**
   * A part at fault.
   *
   * @param part its id, or {@code control:} and a command that is not given
   */
  record OfPart(String part, FaultMode mode, List<Change> changes) implements Fault {}

  /** The supply at fault. */
  record OfSupply(SupplyFault kind, List<Change> changes) implements Fault {}
}
