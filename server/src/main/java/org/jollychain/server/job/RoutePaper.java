package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.DecisionTree;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Complaint;
import org.jspecify.annotations.Nullable;

/**
 * A route card as hands follow it: the chain, then a numbered table in which every answer says what
 * comes next.
 */
record RoutePaper(List<Link> chain, List<Row> rows) {

  /**
   * A part of the chain.
   *
   * @param point where it begins
   * @param end where the chain ends, behind its last part; empty elsewhere
   */
  record Link(String point, String part, boolean load, String end) {}

  /**
   * A step.
   *
   * @param first what to do before
   */
  record Row(int number, List<String> first, String asked, String minutes, List<Answer> answers) {}

  /**
   * What it may show.
   *
   * @param then the number of the next step, or what it comes to
   */
  record Answer(String shown, String percent, String then, boolean ends) {}

  static RoutePaper of(DecisionTree card, UnitModel unit, @Nullable Complaint complaint) {
    List<Row> rows = new ArrayList<>();
    if (card.branches().isEmpty()) {
      rows.add(new Row(1, card.steps(), card.title(), "", List.of()));
    } else {
      write(card, rows);
    }
    return new RoutePaper(chain(unit, complaint), rows);
  }

  /** Numbers a step, then those behind its answers, the likeliest first. */
  private static int write(DecisionTree card, List<Row> rows) {
    int number = rows.size() + 1;
    List<Answer> answers = new ArrayList<>();
    rows.add(
        new Row(
            number,
            card.steps(),
            card.heading(),
            String.format(Locale.ROOT, "%.1f min", card.minutes()),
            answers));
    for (DecisionTree.Branch b : card.branches()) {
      boolean ends = b.then().branches().isEmpty();
      String then = ends ? b.then().title() : "step " + write(b.then(), rows);
      answers.add(
          new Answer(
              b.answer(),
              String.format(Locale.ROOT, "%.0f %%", 100 * b.probability()),
              then,
              ends));
    }
    return number;
  }

  /** The chain of what does not run, or the first there is. */
  private static List<Link> chain(UnitModel unit, @Nullable Complaint complaint) {
    List<String> still = complaint == null ? List.of() : complaint.notRunning();
    return unit.chains().keySet().stream()
        .filter(c -> still.isEmpty() || still.contains(c.path().load()))
        .findFirst()
        .map(RoutePaper::links)
        .orElse(List.of());
  }

  private static List<Link> links(Chain chain) {
    int last = chain.parts().size() - 1;
    return IntStream.rangeClosed(0, last)
        .mapToObj(
            i ->
                new Link(
                    chain.points().get(i),
                    chain.parts().get(i).title(),
                    chain.parts().get(i).actsAsLoad(),
                    i == last ? chain.returnPoint() : ""))
        .toList();
  }
}
