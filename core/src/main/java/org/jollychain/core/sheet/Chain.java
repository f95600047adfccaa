package org.jollychain.core.sheet;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The parts in series between the source's terminals with a load among them: the way a staircase is
 * walked, from the terminal of higher potential to its return.
 *
 * @param path what the sheet calls it
 * @param points in the order they are met, one more than parts
 * @param parts the part between each point and the next
 */
public record Chain(Path path, List<String> points, List<Part> parts) {

  /**
   * Finds the chain of a path: from each end of the load the shortest way to a terminal of the
   * supply, through links that are closed in a situation and never through another load.
   *
   * @return empty when the load has no such way on both sides
   */
  public static Optional<Chain> trace(Sheet sheet, Path path, Situation situation) {
    Part load = sheet.part(path.load());
    Map<String, List<Part>> fromSide = waysToTerminals(sheet, load, load.from(), situation);
    Map<String, List<Part>> toSide = waysToTerminals(sheet, load, load.to(), situation);
    List<String> order = terminalsInOrder(sheet.supply());
    String bestFrom = "";
    String bestTo = "";
    int shortest = Integer.MAX_VALUE;
    for (String a : fromSide.keySet()) {
      for (String b : toSide.keySet()) {
        int length = fromSide.get(a).size() + toSide.get(b).size();
        if (!a.equals(b)
            && length < shortest
            && Collections.disjoint(fromSide.get(a), toSide.get(b))) {
          bestFrom = a;
          bestTo = b;
          shortest = length;
        }
      }
    }
    if (bestFrom.isEmpty()) {
      return Optional.empty();
    }
    boolean forward = order.indexOf(bestFrom) < order.indexOf(bestTo);
    List<Part> parts = new ArrayList<>();
    List<Part> out = new ArrayList<>(forward ? fromSide.get(bestFrom) : toSide.get(bestTo));
    Collections.reverse(out);
    parts.addAll(out);
    parts.add(load);
    parts.addAll(forward ? toSide.get(bestTo) : fromSide.get(bestFrom));
    List<String> points = new ArrayList<>(List.of(forward ? bestFrom : bestTo));
    for (Part part : parts) {
      points.add(part.otherEnd(points.get(points.size() - 1)));
    }
    return Optional.of(new Chain(path, List.copyOf(points), List.copyOf(parts)));
  }

  /** The point the staircase is measured against. */
  public String returnPoint() {
    return points.get(points.size() - 1);
  }

  private static List<String> terminalsInOrder(Supply supply) {
    return supply.system().terminals().stream()
        .filter(t -> !t.equals("earth"))
        .map(supply.terminals()::get)
        .filter(p -> p != null)
        .toList();
  }

  /** Breadth first from one end of the load; the way to each terminal, from the load outwards. */
  private static Map<String, List<Part>> waysToTerminals(
      Sheet sheet, Part load, String start, Situation situation) {
    Set<String> terminals = Set.copyOf(terminalsInOrder(sheet.supply()));
    Map<String, List<Part>> ways = new LinkedHashMap<>(Map.of(start, List.of()));
    Map<String, List<Part>> found = new LinkedHashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(start));
    while (!open.isEmpty()) {
      String here = open.remove();
      if (terminals.contains(here)) {
        found.put(here, ways.get(here));
        continue;
      }
      for (Part part : sheet.partsAt(here)) {
        String there = part.otherEnd(here);
        boolean passes = part.actsAsLink() && part.stateIn(situation) != ContactState.OPEN;
        if (passes && part != load && !ways.containsKey(there)) {
          List<Part> way = new ArrayList<>(ways.get(here));
          way.add(part);
          ways.put(there, List.copyOf(way));
          open.add(there);
        }
      }
    }
    return found;
  }
}
