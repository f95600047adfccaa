package org.jollychain.core.fault;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Situation;

/**
 * What may be true of the unit: a set of faults, none for a sound one, or something that is not on
 * the sheet at all.
 *
 * @param prior its probability before anything was read
 */
public record Hypothesis(Kind kind, List<Fault> faults, double prior) {

  /** Whether the sheet's circuit, with or without faults, explains what is seen. */
  public enum Kind {
    SOUND,
    FAULTY,
    NOT_ON_SHEET
  }

  /** What is changed in the sound circuit in a situation. */
  public List<Change> changesIn(Situation situation) {
    return faults.size() == 1
        ? faults.get(0).changesIn(situation)
        : faults.stream().flatMap(f -> f.changesIn(situation).stream()).toList();
  }

  /** How a part is at fault here, if it is. */
  public Optional<FaultMode> modeOf(String part) {
    for (Fault fault : faults) {
      if (fault instanceof Fault.OfPart p && p.part().equals(part)) {
        return Optional.of(p.mode());
      }
    }
    return Optional.empty();
  }

  /** How the supply is at fault here, if it is. */
  public Optional<SupplyFault> supplyFault() {
    return faults.stream()
        .filter(Fault.OfSupply.class::isInstance)
        .map(f -> ((Fault.OfSupply) f).kind())
        .findFirst();
  }

  Hypothesis weighing(double weight) {
    return new Hypothesis(kind, faults, weight);
  }
}
