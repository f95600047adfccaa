package org.jollychain.core.plan;

import java.util.Optional;
import java.util.stream.Collectors;
import org.jollychain.core.fault.Hypothesis;

/**
 * What a hypothesis calls for: which part, or whether the supply, or nothing, is to be dealt with.
 * Finding it out is what the work is for; in which exact way a part has failed shows when it is
 * tested by itself.
 *
 * @param what a part's id, several joined, {@code two-faults}, {@code supply}, {@code unit} or
 *     {@code not-on-sheet}
 */
record Call(String what) {

  private static final Call TWO_FAULTS = new Call("two-faults");

  static Call of(Hypothesis h) {
    return new Call(
        switch (h.kind()) {
          case SOUND -> "unit";
          case NOT_ON_SHEET -> "not-on-sheet";
          case FAULTY ->
              h.supplyFault().isPresent()
                  ? "supply"
                  : h.ofParts().map(f -> f.part()).sorted().collect(Collectors.joining(" + "));
        });
  }

  /** What it is among the rare ones: pairs lose their names. */
  Call rare() {
    return what.contains(" + ") ? TWO_FAULTS : this;
  }

  /** Whether it blames something on the sheet. */
  boolean suspect() {
    return !what.equals("unit") && !what.equals("not-on-sheet");
  }

  /** The part, where it is one. */
  Optional<String> part() {
    return !suspect() || what.equals("supply") || equals(TWO_FAULTS) || what.contains(" + ")
        ? Optional.empty()
        : Optional.of(what);
  }
}
