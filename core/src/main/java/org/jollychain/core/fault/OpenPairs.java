package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/** Two opens in one chain at once: rare, unless the two are known to go together. */
final class OpenPairs {

  /** With so many others a part is paired, the likeliest and then the nearest in its chain. */
  private static final int MOST_PAIRS_OF_A_PART = 30;

  private final UnitModel unit;
  private final Sheet sheet;

  OpenPairs(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
  }

  /**
   * @param singles every way in which one thing may be wrong
   */
  List<Hypothesis> of(List<Hypothesis> singles) {
    List<Hypothesis> opens =
        singles.stream()
            .filter(
                h ->
                    h.faults().get(0) instanceof Fault.OfPart p
                        && p.mode() == FaultMode.OPEN
                        && p.opens())
            .toList();
    double total = singles.stream().mapToDouble(Hypothesis::prior).sum();
    Set<Set<String>> chained = new LinkedHashSet<>();
    for (Chain chain : unit.chains().keySet()) {
      List<Part> parts = chain.parts();
      for (Part a : parts) {
        for (Part b : parts) {
          if (a != b) {
            chained.add(Set.of(a.id(), b.id()));
          }
        }
      }
    }
    List<Pair> pairs = new ArrayList<>();
    for (int i = 0; i < opens.size(); i++) {
      for (int j = i + 1; j < opens.size(); j++) {
        Hypothesis a = opens.get(i);
        Hypothesis b = opens.get(j);
        Part one = sheet.part(partOf(a));
        Part two = sheet.part(partOf(b));
        boolean partners = one.partners().contains(two.id()) || two.partners().contains(one.id());
        boolean oneBody = one.body().isPresent() && one.body().equals(two.body());
        if (partners || oneBody || chained.contains(Set.of(one.id(), two.id()))) {
          double least = Math.min(a.prior(), b.prior());
          boolean oneCommand =
              one.madeWhen().commands().stream().anyMatch(two.madeWhen().commands()::contains);
          double weight = BaseRates.PAIR * a.prior() * b.prior() / total;
          if (oneCommand) {
            // then the command is missing, more likely
            weight = BaseRates.PAIR_ON_ONE_COMMAND * least;
          } else if (partners) {
            weight = BaseRates.PAIR_OF_PARTNERS * least;
          } else if (oneBody) {
            weight = BaseRates.PAIR_OF_BODY * least / othersOf(one.body().get());
          }
          pairs.add(new Pair(i, j, weight));
        }
      }
    }
    return likeliest(pairs, opens.size()).stream()
        .map(
            p ->
                new Hypothesis(
                    Hypothesis.Kind.FAULTY,
                    List.of(opens.get(p.one).faults().get(0), opens.get(p.two).faults().get(0)),
                    p.weight))
        .toList();
  }

  /** Two opens, by their places. */
  private record Pair(int one, int two, double weight) {

    int apart() {
      return two - one;
    }
  }

  /** Those that are among the likeliest of either part, so that they grow with the parts. */
  private static List<Pair> likeliest(List<Pair> pairs, int parts) {
    Set<Pair> kept = new HashSet<>();
    int[] of = new int[parts];
    List<Pair> order = new ArrayList<>(pairs);
    order.sort(Comparator.comparingDouble(Pair::weight).reversed().thenComparing(Pair::apart));
    for (Pair p : order) {
      if (Math.min(of[p.one], of[p.two]) < MOST_PAIRS_OF_A_PART) {
        of[p.one]++;
        of[p.two]++;
        kept.add(p);
      }
    }
    return pairs.stream().filter(kept::contains).toList();
  }

  /** How many sections of a body share the odds of failing with one of them. */
  private long othersOf(String body) {
    return sheet.parts().values().stream()
            .filter(p -> p.body().filter(body::equals).isPresent())
            .count()
        - 1;
  }

  private static String partOf(Hypothesis single) {
    return single.faults().get(0) instanceof Fault.OfPart p ? p.part() : "";
  }
}
