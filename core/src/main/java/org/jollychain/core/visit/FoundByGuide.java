package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;

/**
 * What a visit's entries tell of the causes of the guide: checks that were made, causes that were
 * said to be found, and causes that were put right though what is complained of stayed.
 */
public final class FoundByGuide {

  private FoundByGuide() {}

  /** What was found by the guide, as far as it bears on the circuit. */
  public static GuideFindings of(Optional<Guide> guide, List<VisitEntry> entries) {
    return guide.map(g -> of(g, DerivedChecks.latest(g, entries))).orElse(GuideFindings.NONE);
  }

  /**
   * @param entries with the checks that runs and figures amount to
   */
  static GuideFindings of(Guide guide, List<VisitEntry> entries) {
    List<CheckMade> checks = new ArrayList<>();
    Set<String> causes = new HashSet<>();
    Set<String> done = new HashSet<>();
    Set<String> putRight = new HashSet<>();
    for (VisitEntry e : entries) {
      if (e.kind() == VisitEntry.Kind.CHECK) {
        checks.add(new CheckMade(e.subject(), e.value()));
      } else if (e.kind() == VisitEntry.Kind.CAUSE && !e.subject().equals(VisitEntry.NO_CAUSE)) {
        causes.add(e.subject());
      } else if (e.kind() == VisitEntry.Kind.DONE && !e.value().equals(VisitEntry.NO)) {
        done.add(e.subject());
      } else if (e.kind() == VisitEntry.Kind.STAYS) {
        guide.causes().values().stream()
            .filter(c -> !c.putRight().isEmpty() && done.containsAll(c.putRight()))
            .forEach(c -> putRight.add(c.id()));
      }
    }
    return new GuideFindings(
        Optional.of(guide), List.copyOf(checks), Set.copyOf(causes), Set.copyOf(putRight));
  }
}
