package org.jollychain.core.visit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.sheet.Complaint;

/**
 * What a visit is made from.
 *
 * @param complaint what the customer sees, in words; empty where nothing was told
 * @param suspected whether a cause is to be looked for though no part has failed: it overheats, or
 *     is slow
 * @param closed whether the visit is over
 * @param entries that stand, in time
 */
public record Told(String complaint, boolean suspected, boolean closed, List<VisitEntry> entries) {

  /**
   * What is told of a visit on a sheet.
   *
   * @param evidence that stands
   */
  public static Told of(
      Optional<Complaint> complaint,
      List<? extends Evidence> evidence,
      boolean closed,
      List<VisitEntry> entries) {
    // a complaint with suspects of its own is of a unit that runs, and so may a code be
    boolean suspected =
        complaint.filter(c -> !c.suspects().isEmpty() && !c.runs().isEmpty()).isPresent()
            || evidence.stream().anyMatch(e -> e instanceof CodeShown c && c.code().isPresent());
    return new Told(complaint.map(Complaint::title).orElse(""), suspected, closed, entries);
  }

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
