package org.jollychain.core.visit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What a visit is made from.
 *
 * @param complaint what the customer sees, in words; empty where nothing was told
 * @param closed whether the visit is over
 * @param live whether live work is permitted
 * @param entries that stand, in time
 * @param earlier entries of the visit before at this unit; empty where there was none
 */
public record Told(
    String complaint,
    boolean closed,
    boolean live,
    List<VisitEntry> entries,
    List<VisitEntry> earlier) {

  boolean said(VisitEntry.Kind kind, String subject) {
    return last(kind, subject).isPresent();
  }

  Optional<VisitEntry> last(VisitEntry.Kind kind, String subject) {
    return last(entries, kind, subject);
  }

  /** The same of what proves the repair: what was told before a complaint stayed is over. */
  Optional<VisitEntry> lastOfProof(VisitEntry.Kind kind, String subject) {
    int from = 0;
    for (int i = 0; i < entries.size(); i++) {
      from = entries.get(i).kind() == VisitEntry.Kind.STAYS ? i : from;
    }
    return last(entries.subList(from, entries.size()), kind, subject);
  }

  Optional<VisitEntry> before(VisitEntry.Kind kind, String subject) {
    return last(earlier, kind, subject);
  }

  private static Optional<VisitEntry> last(
      List<VisitEntry> entries, VisitEntry.Kind kind, String subject) {
    return entries.stream()
        .filter(e -> e.kind() == kind && e.subject().equals(subject))
        .reduce((a, b) -> b);
  }

  Stream<VisitEntry> of(VisitEntry.Kind kind) {
    return entries.stream().filter(e -> e.kind() == kind);
  }

  Set<String> open() {
    return VisitEntry.open(entries);
  }
}
