package org.jollychain.core.fault;

import java.util.List;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Situation;

/** One thing wrong, and what it does to the circuit. */
public sealed interface Fault {

  /** What it changes in the sound circuit in a situation. */
  List<Change> changesIn(Situation situation);

  /**
   * A part at fault.
   *
   * @param part its id, or {@code control:} and a command that is not given
   * @param whenLive true where it is there only while the unit is powered: a limit that has tripped
   *     hot closes again by the time the unit is isolated
   */
  record OfPart(String part, FaultMode mode, List<Change> changes, boolean whenLive)
      implements Fault {

    @Override
    public List<Change> changesIn(Situation situation) {
      return whenLive && !situation.supplyOn() ? List.of() : changes;
    }
  }

  /** The supply at fault. */
  record OfSupply(SupplyFault kind, List<Change> changes) implements Fault {

    @Override
    public List<Change> changesIn(Situation situation) {
      return changes;
    }
  }
}
