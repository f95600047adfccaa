package org.jollychain.core.partcheck;

import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jollychain.core.sheet.PartKind;

/**
 * What a check is and needs.
 *
 * @param key in kebab case
 * @param kinds of parts it is for; empty where it is for none of a circuit
 * @param words what else people type who look for it
 * @param note what to mind before it is made
 */
public record Card(
    String key,
    String title,
    Set<PartKind> kinds,
    List<String> words,
    String note,
    List<Input> inputs) {

  /** The kinds in the order of all kinds, however they were listed. */
  public Card {
    Set<PartKind> ordered = EnumSet.noneOf(PartKind.class);
    ordered.addAll(kinds);
    kinds = Collections.unmodifiableSet(ordered);
  }
}
