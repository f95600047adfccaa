package org.jollychain.core.sheet;

import java.util.ArrayDeque;
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

  /** The nominal volts across a part (V); the supply's where that cannot be told. */
  double across(String id) {
    Optional<String> one = terminal(ends.get(id)[0], id);
    Optional<String> other = terminal(ends.get(id)[1], id);
    for (Optional<String> end : List.of(one, other)) {
      if (end.isPresent() && parts.containsKey(end.get())) {
        String volts = parts.get(end.get()).said().getOrDefault("volts", "24 V").toString();
        return Dimension.VOLTS.parse(volts);
      }
    }
    return one.isPresent() && other.isPresent()
        ? supply.volts(one.get(), other.get())
        : supply.volts();
  }

  /** Another load without which no terminal is reached from one of its ends. */
  Optional<String> inSeries(String id) {
    for (String end : ends.get(id)) {
      Optional<String> beyond = Optional.empty();
      boolean reached = false;
      Set<String> seen = new HashSet<>(Set.of(end));
      Deque<String> open = new ArrayDeque<>(List.of(end));
      while (!open.isEmpty() && !reached) {
        String point = open.removeFirst();
        reached = supply.terminals().containsValue(point);
        for (Map.Entry<String, String[]> part : ends.entrySet()) {
          String[] two = part.getValue();
          boolean touches = two[0].equals(point) || two[1].equals(point);
          if (part.getKey().equals(id) || !touches) {
            continue;
          }
          switch (parts.get(part.getKey()).kind().role()) {
            case LINK -> {
              String other = two[0].equals(point) ? two[1] : two[0];
              if (seen.add(other)) {
                open.add(other);
              }
            }
            case LOAD -> beyond = Optional.of(part.getKey());
            case SOURCE -> reached = true;
            case SENSOR -> {}
          }
        }
      }
      if (!reached && beyond.isPresent()) {
        return beyond;
      }
    }
    return Optional.empty();
  }

  /** The first terminal, or source inside the unit, that is reached: through links before loads. */
  private Optional<String> terminal(String start, String without) {
    Set<String> seen = new HashSet<>(Set.of(start));
    Deque<String> open = new ArrayDeque<>(List.of(start));
    while (!open.isEmpty()) {
      String point = open.removeFirst();
      for (Map.Entry<String, String> t : supply.terminals().entrySet()) {
        if (t.getValue().equals(point)) {
          return Optional.of(t.getKey());
        }
      }
      for (Map.Entry<String, String[]> part : ends.entrySet()) {
        String[] two = part.getValue();
        boolean touches = two[0].equals(point) || two[1].equals(point);
        if (part.getKey().equals(without) || !touches) {
          continue;
        }
        PartKind.Role role = parts.get(part.getKey()).kind().role();
        if (role == PartKind.Role.SOURCE) {
          return Optional.of(part.getKey());
        }
        String other = two[0].equals(point) ? two[1] : two[0];
        if (seen.add(other)) {
          if (role == PartKind.Role.LINK) {
            open.addFirst(other);
          } else {
            open.addLast(other);
          }
        }
      }
    }
    return Optional.empty();
  }
}
