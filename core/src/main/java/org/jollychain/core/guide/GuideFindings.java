package org.jollychain.core.guide;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What was found on a visit by the guide of the unit's family.
 *
 * @param guide of the family, if there is one
 * @param checks that were made, in time
 * @param causes that were said to be found, by id
 */
public record GuideFindings(Optional<Guide> guide, List<CheckMade> checks, Set<String> causes) {

  /** No guide, and so nothing found by it. */
  public static final GuideFindings NONE = new GuideFindings(Optional.empty(), List.of(), Set.of());

  /** Nothing yet. */
  public static GuideFindings by(Guide guide) {
    return new GuideFindings(Optional.of(guide), List.of(), Set.of());
  }

  /** Whether nothing was checked or found. */
  public boolean nothing() {
    return checks.isEmpty() && causes.isEmpty();
  }
}
