package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
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

  /** What it costs to go through a part that uses current, beside one that only passes it. */
  private static final int THROUGH_LOAD = 1000;

  /**
   * Finds the chain of a path: from each end of the load the shortest way to a terminal of one
   * source, through parts that are closed in a situation, and through another load only where
   * nothing else leads there.
   *
   * @return empty when the load has no such way on both sides
   */
  public static Optional<Chain> trace(Sheet sheet, Path path, Situation situation) {
    Part load = sheet.part(path.load());
    Map<String, Way> fromSide = waysFrom(sheet, load, load.from(), situation);
    Map<String, Way> toSide = waysFrom(sheet, load, load.to(), situation);
    Optional<Chain> best = Optional.empty();
    int shortest = Integer.MAX_VALUE;
    for (List<String> terminals : sources(sheet)) {
      for (String start : terminals) {
        for (String end : terminals) {
          Way out = fromSide.get(start);
          Way back = toSide.get(end);
          boolean joined = out != null && back != null && !start.equals(end);
          if (joined
              && out.cost() + back.cost() < shortest
              && Collections.disjoint(out.parts(), back.parts())) {
            shortest = out.cost() + back.cost();
            boolean forward = terminals.indexOf(start) < terminals.indexOf(end);
            best =
                Optional.of(
                    forward
                        ? join(path, start, out, load, back)
                        : join(path, end, back, load, out));
          }
        }
      }
    }
    return best;
  }

  private static Chain join(Path path, String start, Way out, Part load, Way back) {
    List<Part> parts = new ArrayList<>(out.parts());
    Collections.reverse(parts);
    parts.add(load);
    parts.addAll(back.parts());
    List<String> points = new ArrayList<>(List.of(start));
    for (Part part : parts) {
      points.add(part.otherEnd(points.get(points.size() - 1)));
    }
    return new Chain(path, List.copyOf(points), List.copyOf(parts));
  }

  /** The point the staircase is measured against. */
  public String returnPoint() {
    return points.get(points.size() - 1);
  }

  /**
   * Where one probe is parked while the other walks: on the case where that is tied to the return,
   * else at the last point of the chain that is in reach.
   *
   * @param point where the other is
   */
  public String reference(Sheet sheet, String point) {
    Supply supply = sheet.supply();
    Optional<String> onCase =
        supply
            .bonded()
            .filter(b -> returnPoint().equals(supply.terminals().get(b)))
            .map(b -> supply.terminals().get("earth"));
    if (onCase.isPresent()) {
      return onCase.get();
    }
    String last = returnPoint();
    for (int i = points.size() - 1; i >= 0 && !sheet.together(last, point, true); i--) {
      last = points.get(i);
    }
    return sheet.arrival(last);
  }

  /** The terminals of the supply and of every source inside the unit, from outward to homeward. */
  private static List<List<String>> sources(Sheet sheet) {
    List<List<String>> sources = new ArrayList<>();
    Supply supply = sheet.supply();
    sources.add(
        supply.system().terminals().stream()
            .filter(t -> supply.currentTerminals().contains(t))
            .map(supply.terminals()::get)
            .toList());
    sheet.parts().values().stream()
        .filter(Part::actsAsSource)
        .forEach(p -> sources.add(List.of(p.from(), p.to())));
    return sources;
  }

  /**
   * A way from one end of the load.
   *
   * @param parts from the load outwards
   */
  private record Way(String point, List<Part> parts, int cost) {}

  /** Dijkstra from one end of the load, stopping at terminals of a source. */
  private static Map<String, Way> waysFrom(
      Sheet sheet, Part load, String start, Situation situation) {
    Set<String> terminals = new HashSet<>();
    sources(sheet).forEach(terminals::addAll);
    Map<String, Way> settled = new LinkedHashMap<>();
    PriorityQueue<Way> open = new PriorityQueue<>(Comparator.comparingInt(Way::cost));
    open.add(new Way(start, List.of(), 0));
    while (!open.isEmpty()) {
      Way way = open.remove();
      if (settled.putIfAbsent(way.point(), way) != null || terminals.contains(way.point())) {
        continue;
      }
      for (Part part : sheet.partsAt(way.point())) {
        boolean passes = part != load && part.stateIn(situation) != ContactState.OPEN;
        if (passes && !part.actsAsSource()) {
          List<Part> parts = new ArrayList<>(way.parts());
          parts.add(part);
          int cost = way.cost() + (part.actsAsLink() ? 1 : THROUGH_LOAD);
          open.add(new Way(part.otherEnd(way.point()), List.copyOf(parts), cost));
        }
      }
    }
    return settled;
  }
}
