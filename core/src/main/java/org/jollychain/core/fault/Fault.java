package org.jollychain.core.fault;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** One thing wrong, and what it does to the circuit. */
public sealed interface Fault {

  /** What it changes in the sound circuit in a situation. */
  default List<Change> changesIn(Situation situation) {
    return changes();
  }

  /** What it changes whenever it is there. */
  List<Change> changes();

  /** The same, doing this to the circuit. */
  Fault doing(List<Change> changes);

  /** What is to be blamed for it; nothing for what is no fault. */
  Optional<Culprit> culprit();

  /** In which way that has failed, where it is a part or a command. */
  default Optional<FaultMode> failed() {
    return Optional.empty();
  }

  /** In the words of the trade: {@code high limit open}; nothing for what is no fault. */
  String title(Sheet sheet);

  /**
   * A part at fault.
   *
   * @param part its id
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

    @Override
    public Optional<Culprit> culprit() {
      return Optional.of(new Culprit.OfPart(part));
    }

    @Override
    public Optional<FaultMode> failed() {
      return Optional.of(mode);
    }

    @Override
    public String title(Sheet sheet) {
      return sheet.part(part).title() + " " + mode.word();
    }

    @Override
    public Fault doing(List<Change> other) {
      return new OfPart(part, mode, other, presence);
    }

    /** Whether it passes nothing, while it is there. */
    public boolean opens() {
      return changes.stream().allMatch(Change::opens);
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
      return situations.contains(situation.id()) ? changes() : List.of();
    }

    @Override
    public Fault doing(List<Change> other) {
      return this;
    }

    @Override
    public List<Change> changes() {
      return List.of(Change.open(part));
    }

    @Override
    public Optional<Culprit> culprit() {
      return Optional.empty();
    }

    @Override
    public String title(Sheet sheet) {
      return "";
    }
  }

  /** A command is not given, so that none of the contacts which wait for it closes. */
  record OfCommand(String command, List<Change> changes) implements Fault {

    @Override
    public Fault doing(List<Change> other) {
      return new OfCommand(command, other);
    }

    @Override
    public Optional<Culprit> culprit() {
      return Optional.of(new Culprit.OfCommand(command));
    }

    @Override
    public Optional<FaultMode> failed() {
      return Optional.of(FaultMode.NOT_MADE);
    }

    @Override
    public String title(Sheet sheet) {
      return sheet.commands().get(command).title() + " " + FaultMode.NOT_MADE.word();
    }
  }

  /** The supply at fault. */
  record OfSupply(SupplyFault kind, List<Change> changes) implements Fault {

    /** What else hangs on a conductor of the house does no more once the unit is off it. */
    @Override
    public List<Change> changesIn(Situation situation) {
      return situation.supplyOn()
          ? changes
          : changes.stream().filter(Change.InBranch.class::isInstance).toList();
    }

    @Override
    public Fault doing(List<Change> other) {
      return new OfSupply(kind, other);
    }

    @Override
    public Optional<Culprit> culprit() {
      return Optional.of(new Culprit.OfSupply());
    }

    @Override
    public String title(Sheet sheet) {
      return "supply: " + kind.word();
    }
  }
}
