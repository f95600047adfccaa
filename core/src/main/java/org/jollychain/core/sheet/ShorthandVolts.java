package org.jollychain.core.sheet;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;

/** Between which volts a load of a shorthand lies: from each of its ends the wire is followed. */
record ShorthandVolts(
    ShorthandSupply supply, Map<String, ShorthandLink> parts, Map<String, String[]> ends) {

  /**
   * Where a wire leads.
   *
   * @param at the terminal of the supply, or the source inside the unit; a point on the way there
   * @param through the first load without which it is not reached
   */
  private record End(String at, Optional<String> through) {}

  /** The nominal volts across a part (V); the supply's where that cannot be told. */
  double across(String id) {
    List<End> both = both(id);
    for (End end : both) {
      if (parts.containsKey(end.at)) {
        String volts = parts.get(end.at).said().getOrDefault("volts", "24 V").toString();
        return Dimension.VOLTS.parse(volts);
      }
    }
    return both.size() == 2 ? supply.volts(both.get(0).at, both.get(1).at) : supply.volts();
  }

  /** Another load without which no terminal is reached from one of its ends. */
  Optional<String> inSeries(String id) {
    return both(id).stream().flatMap(end -> end.through.stream()).findFirst();
  }

  private List<End> both(String id) {
    return Arrays.stream(ends.get(id)).flatMap(point -> end(point, id).stream()).toList();
  }

  /** The first terminal, or source inside the unit, that is reached: through links before loads. */
  private Optional<End> end(String start, String without) {
    Set<String> settled = new HashSet<>();
    Deque<End> open = new ArrayDeque<>(List.of(new End(start, Optional.empty())));
    while (!open.isEmpty()) {
      End here = open.removeFirst();
      if (!settled.add(here.at)) {
        continue;
      }
      for (Map.Entry<String, String> t : supply.terminals().entrySet()) {
        if (t.getValue().equals(here.at)) {
          return Optional.of(new End(t.getKey(), here.through));
        }
      }
      for (Map.Entry<String, String[]> part : ends.entrySet()) {
        List<String> two = List.of(part.getValue());
        if (part.getKey().equals(without) || !two.contains(here.at)) {
          continue;
        }
        String other = two.get(1 - two.indexOf(here.at));
        switch (parts.get(part.getKey()).kind().role()) {
          case SOURCE -> {
            return Optional.of(new End(part.getKey(), here.through));
          }
          case LINK -> open.addFirst(new End(other, here.through));
          default ->
              open.addLast(new End(other, here.through.or(() -> Optional.of(part.getKey()))));
        }
      }
    }
    return Optional.empty();
  }
}
