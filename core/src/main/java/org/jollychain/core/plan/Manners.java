package org.jollychain.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sequencing.TwoStepLookahead.Option;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * What a master asks where several things are worth about the same: the supply before anything is
 * opened, then the plainer of two, and where one stops. The figures are common practice, no source.
 */
final class Manners {

  /** Worth so much more of the minutes left, a plainer question is asked. */
  private static final double NEARLY_THE_SAME = 1.15;

  /** What settles less than this of what is open is no probe of its own. */
  private static final double LITTLE = 0.1;

  /** A supply less likely to blame than this is known. */
  private static final double SUPPLY_KNOWN = 0.01;

  /** So little opening, like a plug pulled half out, is no opening of the unit (min). */
  private static final double AT_THE_PLUG = 1.5;

  /** A load with so much of the supply's volts hangs on all of its lines. */
  private static final double ON_ALL_LINES = 0.8;

  /** Work ends where so much has no test of its own, and what is left to ask settles so little. */
  private static final double UNTESTABLE = 0.85;

  private static final double NEXT_TO_NOTHING = 0.05;

  private Manners() {}

  /**
   * @param ranked what may be asked, the best for its minutes first
   */
  static Question choose(PlanningState state, List<Option<Question, WorkState>> ranked) {
    Question best = ranked.get(0).test();
    return supplyFirst(state, best).orElseGet(() -> plainest(state, ranked));
  }

  /** Whether most of what is open has no test of its own left, and all else would tell little. */
  static boolean stops(PlanningState state, List<Option<Question, WorkState>> ranked) {
    double most = ranked.stream().mapToDouble(Option::bits).max().orElse(0);
    if (most > NEXT_TO_NOTHING * state.believed().bits()) {
      return false;
    }
    double[] byCulprit = state.believed().byGroup();
    double untestable = 0;
    for (int c = 0; c < byCulprit.length; c++) {
      boolean now = state.problem().likeliest(c).intermittent().isEmpty();
      untestable += now && state.at().confirming(c).isEmpty() ? byCulprit[c] : 0;
    }
    return untestable > UNTESTABLE;
  }

  /** The supply, where it is not known and to measure it opens no more than the next probe does. */
  static Optional<Question> supplyFirst(PlanningState state, Question next) {
    PlanningProblem problem = state.problem();
    if (next.kind() == Question.Kind.RUNS
        || next.kind() == Question.Kind.CODE
        || supplyKnown(state)) {
      return Optional.empty();
    }
    double opens = Math.max(AT_THE_PLUG, state.move(next).opening());
    return state.at().open().stream()
        .filter(q -> q.probe().filter(p -> outer(p, state.sheet())).isPresent())
        .filter(q -> state.move(q).opening() <= opens)
        .min(
            Comparator.comparingDouble((Question q) -> state.move(q).minutes())
                .thenComparing(q -> !problem.complainedIn(q.situation())));
  }

  private static boolean supplyKnown(PlanningState state) {
    double[] byCulprit = state.believed().byGroup();
    List<Culprit> culprits = state.problem().culprits();
    double blamed = 0;
    for (int c = 0; c < byCulprit.length; c++) {
      blamed += culprits.get(c) instanceof Culprit.OfSupply ? byCulprit[c] : 0;
    }
    return blamed < SUPPLY_KNOWN
        || supplyMeasured(state)
        || state
            .problem()
            .complaint()
            .filter(c -> runsOnAllLines(c, state.problem().unit()))
            .isPresent();
  }

  /** Whether the volts between the outer terminals were read. */
  static boolean supplyMeasured(PlanningState state) {
    return state.at().made().stream()
        .anyMatch(q -> q.probe().filter(p -> outer(p, state.sheet())).isPresent());
  }

  static boolean nothingMeasured(PlanningState state) {
    return state.at().made().stream().allMatch(q -> q.probe().isEmpty());
  }

  /** What runs between the outer terminals shows that they are fed. */
  private static boolean runsOnAllLines(Complaint complaint, UnitModel unit) {
    Solution now = unit.in(complaint.situation());
    return complaint.how() == Complaint.How.ALWAYS
        && complaint.runs().stream()
            .map(unit.sheet()::part)
            .anyMatch(
                (Part load) ->
                    now.volts(load.from()).minus(now.volts(load.to())).abs()
                        > ON_ALL_LINES * unit.sheet().supply().volts());
  }

  private static boolean outer(Probe probe, Sheet sheet) {
    return probe.function().dimension() == Dimension.VOLTS && probe.atOuterTerminals(sheet);
  }

  /** What tells next to nothing is not asked while anything tells more. */
  private static Question plainest(PlanningState state, List<Option<Question, WorkState>> ranked) {
    double little = LITTLE * state.believed().bits();
    List<Option<Question, WorkState>> telling =
        ranked.stream().filter(o -> o.bits() > little).toList();
    List<Option<Question, WorkState>> among = telling.isEmpty() ? ranked : telling;
    double most = NEARLY_THE_SAME * among.get(0).left();
    return among.stream()
        .filter(o -> o.left() <= most)
        .min(
            Comparator.comparingInt((Option<Question, WorkState> o) -> riddle(state, o.test()))
                .thenComparingDouble(Option::left))
        .orElseThrow()
        .test();
  }

  /** How much has to be explained: another situation, off the chain, more than two answers. */
  private static int riddle(PlanningState state, Question question) {
    PlanningProblem problem = state.problem();
    boolean elsewhere =
        state.sheet().situation(question.situation()).supplyOn()
            && !problem.complainedIn(question.situation())
            && !question.situation().equals(state.at().place().situation());
    boolean aside =
        question.probe().isPresent()
            && question.part().map(p -> !problem.places().onChain(p)).orElse(false);
    boolean many = Answers.of(state, question).size() > 2;
    return (elsewhere ? 2 : 0) + (aside ? 1 : 0) + (many ? 1 : 0);
  }
}
