package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;

/** Where along the chain of what does not run: {@code past C2}, {@code between L1 and C2}. */
final class ChainPlaces {

  /** A stretch is named where it holds all but this much of what is suspected. */
  private static final double REST = 0.1;

  /** So few parts are named themselves. */
  private static final int FEW = 2;

  private final List<Chain> chains;

  /** The chains of what is told to stand still, in that order, then the others. */
  ChainPlaces(UnitModel unit, List<Complaint> told) {
    List<String> still = told.stream().flatMap(c -> c.notRunning().stream()).toList();
    List<Chain> first = new ArrayList<>();
    List<Chain> others = new ArrayList<>();
    unit.chains().keySet().forEach(c -> (still.contains(c.path().load()) ? first : others).add(c));
    first.addAll(others);
    this.chains = List.copyOf(first);
  }

  /** Whether a part is on the chain the complaint is about. */
  boolean onChain(String part) {
    return chains.stream().limit(1).anyMatch(c -> place(c, part) >= 0);
  }

  /** A load that lies between two points of a chain. */
  Optional<Part> loadBetween(String red, String black) {
    return chains.stream()
        .filter(c -> c.points().contains(red) && c.points().contains(black))
        .flatMap(
            c -> {
              int a = c.points().indexOf(red);
              int b = c.points().indexOf(black);
              return c.parts().subList(Math.min(a, b), Math.max(a, b)).stream();
            })
        .filter(Part::actsAsLoad)
        .findFirst();
  }

  /** How many links lie between two points of a chain; 0 where no chain has both. */
  int linksBetween(String red, String black) {
    return chains.stream()
        .filter(c -> c.points().contains(red) && c.points().contains(black))
        .mapToInt(c -> Math.abs(c.points().indexOf(red) - c.points().indexOf(black)))
        .findFirst()
        .orElse(0);
  }

  /**
   * The stretch in which nearly all suspects lie.
   *
   * @param suspicion of each part, by its id
   * @return nothing where they lie anywhere, or are so few that they are named
   */
  Optional<String> stretch(Map<String, Double> suspicion) {
    double all = suspicion.values().stream().mapToDouble(p -> p).sum();
    return all == 0
        ? Optional.empty()
        : chains.stream().flatMap(c -> stretch(c, suspicion, all).stream()).findFirst();
  }

  private static Optional<String> stretch(Chain chain, Map<String, Double> suspicion, double all) {
    double[] mass =
        chain.parts().stream().mapToDouble(p -> suspicion.getOrDefault(p.id(), 0.0)).toArray();
    double missed = all;
    for (double m : mass) {
      missed -= m;
    }
    int from = 0;
    int to = mass.length;
    while (from < to && missed <= REST * all) {
      boolean front = mass[from] <= mass[to - 1];
      double least = front ? mass[from] : mass[to - 1];
      if (missed + least > REST * all) {
        break;
      }
      missed += least;
      from += front ? 1 : 0;
      to -= front ? 0 : 1;
    }
    if (missed > REST * all || to - from <= FEW || from == 0 && to == mass.length) {
      return Optional.empty();
    }
    String start = chain.points().get(from);
    String end = chain.points().get(to);
    return Optional.of(
        from == 0
            ? "before " + end
            : to == mass.length ? "past " + start : "between %s and %s".formatted(start, end));
  }

  private static int place(Chain chain, String part) {
    List<Part> parts = chain.parts();
    for (int i = 0; i < parts.size(); i++) {
      if (parts.get(i).id().equals(part)) {
        return i;
      }
    }
    return -1;
  }
}
