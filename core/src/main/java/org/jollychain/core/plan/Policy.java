package org.jollychain.core.plan;

import java.util.LinkedHashSet;
import java.util.Set;

/**
 * How this job is to be done.
 *
 * @param livePermit whether anyone may measure on the live unit
 * @param unreachable points no probe gets to
 * @param skipped questions not to be asked, by {@link Question#id}
 * @param opened accesses that are open beside those the readings went through
 */
public record Policy(
    Method method,
    Order order,
    boolean livePermit,
    TimeCosts costs,
    Set<String> unreachable,
    Set<String> skipped,
    Set<String> opened) {

  /** The usual way, with or without a permit. */
  public static Policy usual(boolean livePermit) {
    return of(Method.MIXED, Order.BEST_VALUE, livePermit);
  }

  public static Policy of(Method method, Order order, boolean livePermit) {
    return new Policy(method, order, livePermit, TimeCosts.USUAL, Set.of(), Set.of(), Set.of());
  }

  /** The same job measured otherwise. */
  public Policy by(Method other) {
    return new Policy(other, order, livePermit, costs, unreachable, skipped, opened);
  }

  /** The same job with more open. */
  public Policy opening(Set<String> also) {
    Set<String> all = new LinkedHashSet<>(opened);
    all.addAll(also);
    return new Policy(method, order, livePermit, costs, unreachable, skipped, Set.copyOf(all));
  }

  /** The same job done in another order. */
  public Policy inOrder(Order other) {
    return new Policy(method, other, livePermit, costs, unreachable, skipped, opened);
  }
}
