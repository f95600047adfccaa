package org.jollychain.core.plan;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sequencing.TwoStepLookahead.Option;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * What a master asks where several things are worth about the same: the supply before anything is
 * opened, then the plainer of two, and where one stops. The figures are common practice, no source.
 */
final class Manners {

  /** A question that takes a word of explaining is asked where it leaves so much less (a share). */
  private static final double PLAINER = 0.075;

  /** What settles less than this of what is open is no probe of its own. */
  private static final double LITTLE = 0.1;

  /** So many are the most that any has: elsewhere (two), aside, held, of many answers. */
  private static final int MOST_TO_EXPLAIN = 5;

  /** A supply less likely to blame than this is known. */
  private static final double SUPPLY_KNOWN = 0.01;

  /** So little opening, like a plug taken out, is no opening of the unit (min). */
  private static final double AT_THE_PLUG = 1.5;

  /** So much of what an opening tells is a fair part of it (a share). */
  private static final double FAIR = 0.3;

  /** A load with so much of the supply's volts hangs on all of its lines. */
  private static final double ON_ALL_LINES = 0.8;

  /** Work ends where no more than this has a test of its own left that would tell. */
  private static final double TESTABLE = 0.15;

  /** What settles no more than this of what is open is next to nothing (a share). */
  private static final double NEXT_TO_NOTHING = 0.05;

  /** Without power what settles a bit in less is worth asking (min): .6 min, one chance in 60. */
  private static final double MINUTES_A_BIT = 5;

  private Manners() {}

  /**
   * @param ranked what may be asked, the best for its minutes first
   */
  static Question choose(PlanningState state, List<Option<Question, WorkState>> ranked) {
    Question best = ranked.get(0).test();
    Question next = freeFirst(state, ranked);
    boolean free = state.move(next).opening() < state.move(best).opening();
    return supplyFirst(state, free ? next : best).orElse(next);
  }

  /**
   * Nothing is opened while something that opens nothing, and costs no more, tells a fair part as
   * much.
   */
  private static Question freeFirst(PlanningState state, List<Option<Question, WorkState>> ranked) {
    Question best = plainest(state, ranked);
    if (state.move(best).opening() <= AT_THE_PLUG) {
      return best;
    }
    double fair = FAIR * state.settles(best);
    double price = state.problem().step(state.at().place(), best).price();
    List<Option<Question, WorkState>> free =
        ranked.stream()
            .filter(o -> o.bits() >= fair && o.step().price() <= price)
            .filter(o -> state.move(o.test()).opening() <= AT_THE_PLUG)
            .toList();
    return free.isEmpty() ? best : plainest(state, free);
  }

  /**
   * Whether most of what is open has no test of its own left and nothing settles much; or nothing
   * is worth its minutes, and only power, which is not permitted, would tell.
   */
  static boolean stops(PlanningState state, List<Option<Question, WorkState>> ranked) {
    double bits = state.believed().bits();
    if (ranked.stream().allMatch(o -> o.bits() <= NEXT_TO_NOTHING * bits)
        && testable(state, true) < TESTABLE) {
      return true;
    }
    boolean inTime =
        state
            .problem()
            .complaint()
            .filter(c -> c.how() == Complaint.How.COMES_AND_GOES)
            .isPresent();
    return ranked.stream().noneMatch(Manners::pays)
        && testable(state, inTime) < TESTABLE
        && state.barred().anyMatch(q -> !state.problem().permitted(q));
  }

  /**
   * How much of what is open has a test of its own that would tell (a share).
   *
   * @param inTime whether what comes and goes counts, which shows in time
   */
  private static double testable(PlanningState state, boolean inTime) {
    PlanningProblem problem = state.problem();
    double[] byCulprit = state.believed().byGroup();
    double testable = 0;
    for (int c = 0; c < byCulprit.length; c++) {
      boolean tested =
          inTime && problem.likeliest(c).intermittent().isPresent()
              || state
                  .at()
                  .confirming(c)
                  .filter(own -> state.settles(own) > problem.leastBits(own))
                  .isPresent();
      testable += tested ? byCulprit[c] : 0;
    }
    return testable;
  }

  /**
   * The supply before all else that is measured, if that opens no more than the next probe; but not
   * before a part is read on its own, without power, where that tells far more.
   */
  static Optional<Question> supplyFirst(PlanningState state, Question next) {
    PlanningProblem problem = state.problem();
    boolean atParts = next.kind() == Question.Kind.MEASURE || next.kind() == Question.Kind.LOOK;
    if (!atParts || !nothingMeasured(state) || supplyKnown(state)) {
      return Optional.empty();
    }
    double opens = Math.max(AT_THE_PLUG, state.move(next).opening());
    return state.at().open().stream()
        .filter(q -> ofSupply(q, state.sheet()))
        .filter(q -> state.move(q).opening() <= opens)
        .filter(q -> !isolated(next) || state.settles(q) >= FAIR * state.settles(next))
        .min(
            Comparator.comparingDouble((Question q) -> state.move(q).minutes())
                .thenComparing(q -> !problem.complainedIn(q.situation())));
  }

  private static boolean isolated(Question question) {
    return question.probe().filter(p -> p.function().needsDeadCircuit()).isPresent();
  }

  private static boolean supplyKnown(PlanningState state) {
    double[] byCulprit = state.believed().byGroup();
    List<Culprit> culprits = state.problem().culprits();
    double blamed = 0;
    for (int c = 0; c < byCulprit.length; c++) {
      blamed += culprits.get(c) instanceof Culprit.OfSupply ? byCulprit[c] : 0;
    }
    return blamed < SUPPLY_KNOWN
        || state
            .problem()
            .complaint()
            .filter(c -> runsOnAllLines(c, state.problem().unit()))
            .isPresent();
  }

  /** Whether the volts between the outer terminals were read. */
  static boolean supplyMeasured(PlanningState state) {
    return state.at().made().stream().anyMatch(q -> ofSupply(q, state.sheet()));
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

  /** Whether it asks for the volts between the outer terminals. */
  static boolean ofSupply(Question question, Sheet sheet) {
    return question
        .probe()
        .filter(p -> p.function().dimension() == Dimension.VOLTS && p.atOuterTerminals(sheet))
        .isPresent();
  }

  /** Whether it settles enough for its minutes to be asked to the end. */
  private static boolean pays(Option<Question, WorkState> option) {
    return option.step().price() < MINUTES_A_BIT * option.bits();
  }

  /** What tells next to nothing is not asked while anything tells more. */
  private static Question plainest(PlanningState state, List<Option<Question, WorkState>> ranked) {
    double little = LITTLE * state.believed().bits();
    List<Option<Question, WorkState>> among =
        Stream.<Predicate<Option<Question, WorkState>>>of(
                o -> o.bits() > little, Manners::pays, o -> true)
            .map(telling -> ranked.stream().filter(telling).toList())
            .filter(telling -> !telling.isEmpty())
            .findFirst()
            .orElseThrow();
    double most = (1 + MOST_TO_EXPLAIN * PLAINER) * among.get(0).left();
    return among.stream()
        .filter(o -> o.left() <= most)
        .min(Comparator.comparingDouble(o -> o.left() * (1 + PLAINER * toExplain(state, o.test()))))
        .orElseThrow()
        .test();
  }

  /**
   * How much has to be explained: another situation, off the chain, volts held by what stands open
   * as it should, more than two answers.
   */
  private static int toExplain(PlanningState state, Question question) {
    PlanningProblem problem = state.problem();
    boolean many = Answers.of(state, question).size() > 2;
    if (question.asItStands() || question instanceof Question.GuideCheck) {
      return many ? 1 : 0;
    }
    Situation there = state.sheet().situation(question.situation());
    Optional<Part> across = question.probe().flatMap(Probe::part).map(state.sheet()::part);
    boolean elsewhere =
        !there.id().equals(state.at().place().situation())
            && problem.complaint().filter(c -> elsewhere(state.sheet(), c, there)).isPresent();
    boolean aside = across.filter(p -> !problem.places().onChain(p.id())).isPresent();
    boolean holds =
        there.supplyOn()
            && across
                .filter(p -> p.actsAsLink() && p.stateIn(there) == ContactState.OPEN)
                .isPresent();
    return (elsewhere ? 2 : 0) + (aside ? 1 : 0) + (holds ? 1 : 0) + (many ? 1 : 0);
  }

  /** Power on in another situation, or off and set as it is not set where it is complained of. */
  private static boolean elsewhere(Sheet sheet, Complaint complaint, Situation there) {
    return there.supplyOn()
        ? !there.id().equals(complaint.situation())
        : !sheet.situation(complaint.situation()).commands().containsAll(there.commands());
  }
}
