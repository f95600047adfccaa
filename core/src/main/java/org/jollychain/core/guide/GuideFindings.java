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
 * @param putRight causes that were put right, after which what is complained of stayed
 */
public record GuideFindings(
    Optional<Guide> guide, List<CheckMade> checks, Set<String> causes, Set<String> putRight) {

  /** No guide, and so nothing found by it. */
  public static final GuideFindings NONE = by(Optional.empty(), List.of());

  /** Nothing yet. */
  public static GuideFindings by(Guide guide) {
    return by(Optional.of(guide), List.of());
  }

  /** What checks alone have shown. */
  public static GuideFindings by(Optional<Guide> guide, List<CheckMade> checks) {
    return new GuideFindings(guide, List.copyOf(checks), Set.of(), Set.of());
  }

  /** Whether nothing was checked or found. */
  public boolean nothing() {
    return checks.isEmpty() && causes.isEmpty() && putRight.isEmpty();
  }
}
