package org.jollychain.study.field;

import java.util.List;
import java.util.function.Function;
import org.jollychain.core.network.Change;
import org.jollychain.core.sheet.Situation;

/**
 * What is truly wrong.
 *
 * @param culprit the part, or {@code supply}
 * @param kind in words of the trade
 * @param changes what it does to the circuit in a situation
 * @param comesAndGoes whether it is there at one touch in two only
 * @param accepted further culprits a master would let pass, as answers name them
 */
record FieldFault(
    String culprit,
    String kind,
    Function<Situation, List<Change>> changes,
    boolean comesAndGoes,
    List<String> accepted) {

  static final String SUPPLY = "supply";

  boolean ofSupply() {
    return culprit.equals(SUPPLY);
  }

  /** Whether blaming this is right. */
  boolean isBlamedBy(String answer) {
    return answer.equals(culprit) || accepted.contains(answer);
  }

  @Override
  public String toString() {
    return culprit + " " + kind;
  }
}
