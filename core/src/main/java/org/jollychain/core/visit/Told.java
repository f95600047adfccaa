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
 * @param entries that stand, in time
 */
public record Told(String complaint, boolean closed, List<VisitEntry> entries) {

  boolean said(VisitEntry.Kind kind, String subject) {
    return last(kind, subject).isPresent();
  }

  Optional<VisitEntry> last(VisitEntry.Kind kind, String subject) {
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
