package org.jollychain.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * Lays a circuit out in three steps. First it is taken apart into runs, as a graph into ears: each
 * run leaves what is drawn already at one point and comes back to it at another, or ends blind.
 * Then columns: along a run every point stands at least one column right of the one before, and the
 * longest way decides (difference constraints; a run is turned so that they never contradict). Last
 * rows: each run takes the free row in which its wires cross the fewest others. Points that would
 * share a piece of an upright wire are set a little apart.
 */
final class SchematicLayout {

  private static final double LANE = 0.16;

  private final Sheet sheet;
  private final Chain main;
  private final List<Chain> others;
  private final Set<String> drawn = new HashSet<>();
  private final Map<String, Integer> column = new LinkedHashMap<>();
  private final Map<String, Set<String>> rightOf = new HashMap<>();
  private final Set<String> leftRail = new LinkedHashSet<>();
  private final Set<String> rightRail = new LinkedHashSet<>();
  private final List<Run> runs = new ArrayList<>();

  /** Parts in series; {@code points} has one more than {@code parts}. */
  private static final class Run {
    final List<String> points;
    final List<Part> parts;
    int row;

    Run(List<String> points, List<Part> parts) {
      this.points = points;
      this.parts = parts;
    }

    Run turned() {
      List<String> turnedPoints = new ArrayList<>(points);
      List<Part> turnedParts = new ArrayList<>(parts);
      Collections.reverse(turnedPoints);
      Collections.reverse(turnedParts);
      return new Run(turnedPoints, turnedParts);
    }

    String first() {
      return points.get(0);
    }

    String last() {
      return points.get(points.size() - 1);
    }
  }

  SchematicLayout(Sheet sheet, Chain main, List<Chain> others) {
    this.sheet = sheet;
    this.main = main;
    this.others = others;
  }

  Drawing draw() {
    placeRails();
    add(new Run(main.points(), main.parts()));
    others.forEach(this::addRest);
    addRemaining();
    int rail = widest();
    rightRail.forEach(p -> column.put(p, rail));
    rightRail.forEach(this::push);
    assignRows();
    return drawing();
  }

  /** Terminals that the main chain does not use: live ones at the left, returns at the right. */
  private void placeRails() {
    Map<String, String> terminals = sheet.supply().terminals();
    Set<String> used = Set.of(main.points().get(0), main.returnPoint());
    terminals.forEach(
        (id, point) -> {
          boolean live = id.startsWith("line") || id.equals("plus");
          if (!used.contains(point)) {
            (live ? leftRail : rightRail).add(point);
          }
        });
    rightRail.add(main.returnPoint());
    leftRail.forEach(p -> column.putIfAbsent(p, 0));
  }

  /** The stretches of a chain that are not drawn yet. */
  private void addRest(Chain chain) {
    List<String> points = new ArrayList<>();
    List<Part> parts = new ArrayList<>();
    boolean joined = chain.points().stream().anyMatch(this::placed);
    for (int i = 0; i <= chain.parts().size(); i++) {
      boolean end = i == chain.parts().size();
      if (!end && !drawn.contains(chain.parts().get(i).id())) {
        if (points.isEmpty()) {
          points.add(chain.points().get(i));
        }
        parts.add(chain.parts().get(i));
        points.add(chain.points().get(i + 1));
      }
      boolean stop = end || drawn.contains(chain.parts().get(i).id()) || placed(points, i, chain);
      if (stop && !parts.isEmpty()) {
        if (joined || runs.isEmpty() || chain.points().stream().noneMatch(this::placed)) {
          add(new Run(List.copyOf(points), List.copyOf(parts)));
        }
        points.clear();
        parts.clear();
      }
    }
  }

  private boolean placed(List<String> points, int i, Chain chain) {
    return !points.isEmpty() && placed(chain.points().get(i + 1));
  }

  private boolean placed(String point) {
    return column.containsKey(point) || rightRail.contains(point);
  }

  private void addRemaining() {
    while (true) {
      Optional<Part> next = undrawn().filter(p -> placed(p.from()) || placed(p.to())).findFirst();
      if (next.isEmpty()) {
        next = undrawn().filter(p -> blind(p.from()) || blind(p.to())).findFirst();
      }
      if (next.isEmpty()) {
        next = undrawn().findFirst();
      }
      if (next.isEmpty()) {
        return;
      }
      Part part = next.get();
      boolean fromIsStart =
          placed(part.from()) || !placed(part.to()) && (blind(part.from()) || !blind(part.to()));
      add(run(part, fromIsStart ? part.from() : part.to()));
    }
  }

  private Stream<Part> undrawn() {
    return sheet.parts().values().stream().filter(p -> !drawn.contains(p.id()));
  }

  /** True for a point at which the circuit ends. */
  private boolean blind(String point) {
    return sheet.partsAt(point).size() == 1;
  }

  /** From a point through a part, on by the shortest way to what is drawn, or as far as it goes. */
  private Run run(Part start, String from) {
    String second = start.otherEnd(from);
    Map<String, Run> ways = new LinkedHashMap<>();
    ways.put(second, new Run(List.of(from, second), List.of(start)));
    Deque<String> open = new ArrayDeque<>(List.of(second));
    Run farthest = ways.get(second);
    while (!open.isEmpty()) {
      String here = open.remove();
      Run way = ways.get(here);
      if (placed(here)) {
        return way;
      }
      farthest = way;
      for (Part part : sheet.partsAt(here)) {
        String there = part.otherEnd(here);
        boolean fresh = part != start && !drawn.contains(part.id()) && !ways.containsKey(there);
        if (fresh && !there.equals(from)) {
          List<String> points = new ArrayList<>(way.points);
          List<Part> parts = new ArrayList<>(way.parts);
          points.add(there);
          parts.add(part);
          ways.put(there, new Run(points, parts));
          open.add(there);
        }
      }
    }
    return farthest;
  }

  private void add(Run found) {
    Run run = turn(found);
    run.parts.forEach(p -> drawn.add(p.id()));
    for (int i = 0; i + 1 < run.points.size(); i++) {
      rightOf
          .computeIfAbsent(run.points.get(i), p -> new LinkedHashSet<>())
          .add(run.points.get(i + 1));
    }
    for (String point : run.points) {
      column.putIfAbsent(point, 0);
    }
    push(run.first());
    runs.add(run);
  }

  /** So that it runs from left to right between what stands already. */
  private Run turn(Run run) {
    if (runs.isEmpty()) {
      return run;
    }
    boolean endsAtReturn = rightRail.contains(run.last());
    boolean startsAtReturn = rightRail.contains(run.first());
    if (startsAtReturn != endsAtReturn) {
      return startsAtReturn ? run.turned() : run;
    }
    boolean both = column.containsKey(run.first()) && column.containsKey(run.last());
    boolean backwards =
        both
            ? column.get(run.first()) > column.get(run.last())
            : !column.containsKey(run.first()) && column.containsKey(run.last());
    return backwards ? run.turned() : run;
  }

  /** Moves points to the right until every run has its columns. */
  private void push(String start) {
    Deque<String> open = new ArrayDeque<>(List.of(start));
    int most = 4 * sheet.points().size() * sheet.points().size() + 100;
    while (!open.isEmpty() && most-- > 0) {
      String here = open.remove();
      for (String there : rightOf.getOrDefault(here, Set.of())) {
        int least = column.get(here) + 1;
        if (column.get(there) < least) {
          column.put(there, least);
          open.add(there);
        }
      }
    }
  }

  private void assignRows() {
    List<Run> placedRuns = new ArrayList<>();
    for (Run run : runs) {
      if (placedRuns.isEmpty()) {
        run.row = 0;
      } else {
        int last = placedRuns.stream().mapToInt(r -> r.row).max().orElse(0) + 1;
        int fewest = Integer.MAX_VALUE;
        for (int row = 1; row <= last; row++) {
          int at = row;
          boolean free = placedRuns.stream().noneMatch(r -> r.row == at && overlaps(r, run));
          int cost = free ? 10 * crossings(run, row, placedRuns) + row : Integer.MAX_VALUE;
          if (cost < fewest) {
            fewest = cost;
            run.row = row;
          }
        }
      }
      placedRuns.add(run);
    }
  }

  private boolean overlaps(Run a, Run b) {
    return column.get(a.first()) <= column.get(b.last())
        && column.get(b.first()) <= column.get(a.last());
  }

  private int crossings(Run run, int row, List<Run> others) {
    int crossings = 0;
    for (String end : List.of(run.first(), run.last())) {
      int from = homeRow(end, others, row);
      int at = column.get(end);
      for (Run other : others) {
        boolean between = Math.min(from, row) < other.row && other.row < Math.max(from, row);
        boolean meets = other.points.contains(end);
        if (between && !meets && column.get(other.first()) < at && at < column.get(other.last())) {
          crossings++;
        }
      }
    }
    for (Run other : others) {
      for (String end : List.of(other.first(), other.last())) {
        int from = homeRow(end, others, other.row);
        boolean between = Math.min(from, other.row) < row && row < Math.max(from, other.row);
        int at = column.get(end);
        if (between && column.get(run.first()) < at && at < column.get(run.last())) {
          crossings++;
        }
      }
    }
    return crossings;
  }

  private static int homeRow(String point, List<Run> among, int otherwise) {
    return among.stream()
        .filter(r -> r.points.contains(point))
        .mapToInt(r -> r.row)
        .min()
        .orElse(otherwise);
  }

  private int widest() {
    return column.values().stream().mapToInt(c -> c).max().orElse(1);
  }

  private Drawing drawing() {
    Map<String, int[]> extent = new LinkedHashMap<>();
    for (Run run : runs) {
      for (String point : run.points) {
        int[] rows = extent.computeIfAbsent(point, p -> new int[] {run.row, run.row, run.row});
        rows[0] = Math.min(rows[0], run.row);
        rows[2] = Math.max(rows[2], run.row);
      }
    }
    Map<String, Double> x = apart(extent);
    int rows = runs.stream().mapToInt(r -> r.row).max().orElse(0) + 1;
    int free = widest();
    for (String point : sheet.points().keySet()) {
      if (!extent.containsKey(point)) {
        // nothing hangs on it: beside its like in a row of their own, or in the next where that is
        // full
        int row = rows + (widest() - free) / (widest() + 1);
        extent.put(point, new int[] {row, row, row});
        x.put(point, (double) Math.floorMod(free, widest() + 1));
        free--;
      }
    }
    List<Drawing.Spot> spots = new ArrayList<>();
    extent.forEach(
        (point, e) -> spots.add(new Drawing.Spot(point, x.get(point), e[1], e[0], e[2])));
    List<Drawing.Placed> placed = new ArrayList<>();
    for (Run run : runs) {
      for (int i = 0; i < run.parts.size(); i++) {
        double from = x.get(run.points.get(i));
        double to = x.get(run.points.get(i + 1));
        double at = run.row == 0 ? (from + to) / 2 : Math.min(from + 0.5, (from + to) / 2);
        placed.add(new Drawing.Placed(run.parts.get(i).id(), run.row, from, to, at));
      }
    }
    int height = extent.values().stream().mapToInt(e -> e[2]).max().orElse(0) + 1;
    return new Drawing(main.path().id(), widest(), height, spots, placed);
  }

  /** Points of one column whose upright wires would run into each other get lanes of their own. */
  private Map<String, Double> apart(Map<String, int[]> extent) {
    Map<String, Double> x = new HashMap<>();
    Map<Integer, List<String>> byColumn = new LinkedHashMap<>();
    extent
        .keySet()
        .forEach(p -> byColumn.computeIfAbsent(column.get(p), c -> new ArrayList<>()).add(p));
    byColumn.forEach(
        (at, points) -> {
          points.sort(Comparator.comparingInt(p -> extent.get(p)[0]));
          List<Integer> lanes = new ArrayList<>();
          for (String point : points) {
            int lane = 0;
            while (lane < lanes.size() && lanes.get(lane) >= extent.get(point)[0]) {
              lane++;
            }
            if (lane == lanes.size()) {
              lanes.add(0);
            }
            lanes.set(lane, extent.get(point)[2]);
            x.put(point, at + LANE * lane);
          }
        });
    return x;
  }
}
