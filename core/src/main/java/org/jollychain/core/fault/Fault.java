package org.jollychain.core.fault;

import java.util.List;
import java.util.Set;
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
   */
  record OfPart(String part, FaultMode mode, List<Change> changes, Presence presence)
      implements Fault {

    @Override
    public List<Change> changesIn(Situation situation) {
      return switch (presence) {
        case ALWAYS -> changes;
        case WHEN_LIVE -> situation.supplyOn() ? changes : List.of();
        case NOT_NOW -> List.of();
      };
    }

    /** The same fault, there at other times. */
    public OfPart present(Presence when) {
      return new OfPart(part, mode, changes, when);
    }
  }

  /** When a fault of a part is there. */
  enum Presence {
    ALWAYS,
    /**
     * Only while the unit is powered: a limit that has tripped hot closes again by the time the
     * unit is isolated.
     */
    WHEN_LIVE,
    /** It comes and goes, and is gone just now. */
    NOT_NOW
  }

  /**
   * No fault: a thermal contact between its two temperatures that happens to stand open there.
   *
   * @param situations in which it is between them
   */
  record Resting(String part, Set<String> situations) implements Fault {

    @Override
    public List<Change> changesIn(Situation situation) {
      return situations.contains(situation.id()) ? List.of(Change.open(part)) : List.of();
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
