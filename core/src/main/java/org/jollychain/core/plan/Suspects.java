package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.core.diagnosis.Thresholds;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.sheet.Sheet;

/** What a belief comes to, in words: the few that matter, and where along the chain they lie. */
final class Suspects {

  private static final int MOST_NAMED = 2;

  /** A stretch is named where its parts are so much of what is believed. */
  private static final double MOSTLY = 0.5;

  private final PlanningProblem problem;
  private final Sheet sheet;

  Suspects(PlanningProblem problem) {
    this.problem = problem;
    this.sheet = problem.sheet();
  }

  /**
   * {@code between K1 and L2: the thermal cut-off, the element or others}.
   *
   * @param byCulprit how probable each is
   */
  String placed(double[] byCulprit) {
    String names = names(byCulprit);
    return stretch(byCulprit).map(where -> where + ": " + names).orElse(names);
  }

  /** The same without the place. */
  String names(double[] byCulprit) {
    List<Integer> order = order(byCulprit);
    List<Culprit> culprits = problem.culprits();
    if (byCulprit[order.get(0)] >= Thresholds.USUAL.strong()) {
      return "it is " + culprits.get(order.get(0)).said(sheet);
    }
    List<Culprit> named = new ArrayList<>();
    double told = 0;
    for (int c : order) {
      if (named.size() == MOST_NAMED || told > Thresholds.USUAL.strong()) {
        break;
      }
      named.add(culprits.get(c));
      told += byCulprit[c];
    }
    List<String> names =
        new ArrayList<>(named.stream().flatMap(c -> said(c, named).stream()).toList());
    boolean nothingWrong = named.stream().anyMatch(Culprit.NothingWrong.class::isInstance);
    if (told <= Thresholds.USUAL.strong() && !nothingWrong) {
      names.add("others");
    }
    int last = names.size() - 1;
    return last == 0
        ? names.get(0)
        : String.join(", ", names.subList(0, last)) + " or " + names.get(last);
  }

  /** One that is named by itself and in company is named once. */
  private Optional<String> said(Culprit culprit, List<Culprit> named) {
    if (culprit instanceof Culprit.Several several
        && several.all().stream().anyMatch(named::contains)) {
      return Optional.empty();
    }
    String company =
        named.stream()
            .filter(c -> c instanceof Culprit.Several several && several.all().contains(culprit))
            .flatMap(c -> ((Culprit.Several) c).all().stream())
            .filter(c -> !c.equals(culprit))
            .map(c -> c.said(sheet))
            .collect(Collectors.joining(" and "));
    return Optional.of(
        culprit.said(sheet) + (company.isEmpty() ? "" : " (alone or with " + company + ")"));
  }

  private Optional<String> stretch(double[] byCulprit) {
    Map<String, Double> suspicion = new HashMap<>();
    for (int c = 0; c < byCulprit.length; c++) {
      double probability = byCulprit[c];
      problem.culprits().get(c).part().ifPresent(p -> suspicion.put(p, probability));
    }
    boolean mostly = suspicion.values().stream().mapToDouble(p -> p).sum() > MOSTLY;
    boolean first = problem.culprits().get(order(byCulprit).get(0)).part().isPresent();
    return mostly && first ? problem.places().stretch(suspicion) : Optional.empty();
  }

  private static List<Integer> order(double[] byCulprit) {
    return IntStream.range(0, byCulprit.length)
        .boxed()
        .sorted(Comparator.comparingDouble((Integer c) -> byCulprit[c]).reversed())
        .toList();
  }
}
