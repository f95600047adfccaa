package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.diagnosis.Thresholds;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sequencing.TwoStepLookahead;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/**
 * Proposes what to ask next, for a sheet. What may come of every question is learnt once, at the
 * first plan. Safe for use by many threads.
 */
public final class Planner {

  /** From here on it is too likely that power does harm. */
  private static final double UNSAFE = 0.3;

  /** So far from what is due, a reading is no unit's spread (a share). */
  private static final double FAR = 0.25;

  private final Diagnosis diagnosis;
  private final Sheet sheet;
  private final CandidateTests questions;
  private final FixedSequences sequences;
  private volatile Map<Question, OutcomeModel> outcomeModels = Map.of();

  public Planner(Diagnosis diagnosis) {
    this.diagnosis = diagnosis;
    this.sheet = diagnosis.sheet();
    this.questions = new CandidateTests(diagnosis.unit());
    this.sequences = new FixedSequences(diagnosis.unit(), questions);
  }

  /**
   * What to do next.
   *
   * @param opinion of the evidence
   * @param evidence all that stands
   */
  public Plan plan(Diagnosis.Opinion opinion, List<? extends Evidence> evidence, Policy policy) {
    PlanningState state = state(opinion, evidence, policy);
    ProposalWriter writer = new ProposalWriter(state);
    Optional<Integer> end = opinion.assessment().misfits() ? Optional.empty() : state.at().end();
    if (end.isPresent()) {
      return state
          .confirming(end.get(), opinion.assessment().leading().confirmed())
          .map(q -> writer.confirm(q, end.get()))
          .or(
              () ->
                  decidedBy(state, end.get(), evidence, opinion.beginning())
                      .map(q -> writer.again(q, end.get())))
          .orElseGet(() -> writer.end(end.get(), opinion.assessment().leading()));
    }
    List<TwoStepLookahead.Option<Question, WorkState>> ranked = TwoStepLookahead.ranked(state.at());
    Optional<Question> inOrder =
        policy.order() == Order.BEST_VALUE
            ? Optional.empty()
            : sequences.next(policy.order(), state);
    if (ranked.isEmpty() && inOrder.isEmpty()) {
      return condemned(state, opinion)
          .flatMap(
              leading ->
                  decidedBy(state, leading, evidence, opinion.beginning())
                      .map(q -> writer.again(q, leading)))
          .orElseGet(writer::nothing);
    }
    if (inOrder.isEmpty() && Manners.stops(state, ranked)) {
      return writer.settled(state.problem().leading());
    }
    return writer.ask(
        ranked, inOrder.orElseGet(() -> Manners.choose(state, ranked)), inOrder.isPresent());
  }

  /** The place of a suspect that is as good as condemned, alone or with another. */
  private static Optional<Integer> condemned(PlanningState state, Diagnosis.Opinion opinion) {
    Assessment.Leading leading = opinion.assessment().leading();
    return Optional.of(state.problem().leading())
        .filter(c -> leading.probability() > Thresholds.USUAL.strong())
        .filter(c -> state.problem().culprits().get(c).id().equals(leading.part()));
  }

  /**
   * The test that alone decides, if one does: nobody is condemned by one touch of a probe, so what
   * would be doubted without it is read once more.
   */
  private Optional<Question> decidedBy(
      PlanningState state,
      int culprit,
      List<? extends Evidence> evidence,
      Diagnosis.Beginning beginning) {
    Culprit suspect = state.problem().culprits().get(culprit);
    if (!suspect.suspect()) {
      return Optional.empty();
    }
    Map<Question, List<Reading>> made = new LinkedHashMap<>();
    for (Evidence e : evidence) {
      if (e instanceof Reading r) {
        questions
            .answeredBy(r)
            .filter(state.problem()::mayBeMade)
            .ifPresent(q -> made.computeIfAbsent(q, k -> new ArrayList<>()).add(r));
      }
    }
    Predicate<Question> own = q -> q.part().isPresent() && q.part().equals(suspect.part());
    if (made.keySet().stream().anyMatch(q -> own.test(q) && made.get(q).size() > 1)) {
      return Optional.empty();
    }
    return made.entrySet().stream()
        .sorted(Comparator.comparing(m -> !own.test(m.getKey())))
        .filter(m -> m.getValue().size() == 1 && accuses(m.getValue().get(0)))
        .filter(m -> doubted(suspect, without(evidence, m.getValue()), beginning))
        .map(Map.Entry::getKey)
        .findFirst();
  }

  /** Whether it is far from what a sound unit shows; put on again, it is a second touch already. */
  private boolean accuses(Reading reading) {
    if (reading.reseated()) {
      return false;
    }
    double sound = Math.abs(diagnosis.measurements().line(List.of(), reading).mean());
    if (!(reading.shown() instanceof Shown.Figure figure)) {
      return sound < reading.meter().overLimitOhms();
    }
    double shown = Math.abs(figure.value());
    return Math.abs(shown - sound) > FAR * Math.max(shown, sound);
  }

  private static List<Evidence> without(List<? extends Evidence> all, List<Reading> left) {
    return all.stream().filter(e -> !left.contains(e)).map(Evidence.class::cast).toList();
  }

  private boolean doubted(Culprit suspect, List<Evidence> evidence, Diagnosis.Beginning beginning) {
    return diagnosis.beliefs(evidence, beginning).stream()
            .filter(e -> e.hypothesis().blames(suspect))
            .mapToDouble(Posterior.Entry::probability)
            .sum()
        < Thresholds.USUAL.strong();
  }

  /** What is left to the end in every order, side by side. */
  public List<Forecast> forecast(
      Diagnosis.Opinion opinion, List<? extends Evidence> evidence, Policy policy) {
    return Forecast.all(state(opinion, evidence, policy), sequences);
  }

  /**
   * The plan as a tree.
   *
   * @param depth questions one after another, at most {@link DecisionTree#DEEPEST}
   */
  public DecisionTree route(
      Diagnosis.Opinion opinion, List<? extends Evidence> evidence, Policy policy, int depth) {
    return DecisionTree.of(
        state(opinion, evidence, policy), Math.max(1, Math.min(depth, DecisionTree.DEEPEST)));
  }

  /** How much is open: the entropy of what the belief calls for (bit). */
  public double bits(Diagnosis.Opinion opinion) {
    return problem(opinion, List.of(), Policy.usual(true)).believed().bits();
  }

  private PlanningState state(
      Diagnosis.Opinion opinion, List<? extends Evidence> evidence, Policy policy) {
    return PlanningState.after(
        evidence,
        opinion.told().stream().flatMap(c -> told(c).stream()).collect(Collectors.toSet()),
        problem(opinion, evidence, policy),
        checked(opinion.beginning().findings()),
        questions);
  }

  /** What the customer has said need not be asked. */
  private Set<Question> told(Complaint complaint) {
    if (complaint.how() != Complaint.How.ALWAYS) {
      return Set.of();
    }
    return Stream.concat(
            Stream.concat(complaint.runs().stream(), complaint.notRunning().stream()),
            alive(complaint))
        .flatMap(load -> told(load, complaint))
        .collect(Collectors.toSet());
  }

  /** A control is lit or dark whatever is called. */
  private Stream<Question> told(String load, Complaint complaint) {
    Collection<String> situations =
        sheet.part(load).kind() == PartKind.BOARD_SUPPLY
            ? sheet.situations().keySet()
            : List.of(complaint.situation());
    return situations.stream()
        .flatMap(s -> questions.byId(new Question.Runs(load, s).id()).stream());
  }

  /** A control that lets something run is alive. */
  private Stream<String> alive(Complaint complaint) {
    UnitModel unit = diagnosis.unit();
    return sheet.parts().values().stream()
        .filter(p -> p.kind() == PartKind.BOARD_SUPPLY)
        .map(Part::id)
        .filter(
            board -> {
              Solution dark = unit.in(complaint.situation(), List.of(Change.open(board)));
              return complaint.runs().stream().anyMatch(load -> !unit.runs(load, dark));
            });
  }

  /** The checks of the guide that were made. */
  private static Set<String> checked(GuideFindings findings) {
    return findings.checks().stream().map(CheckMade::check).collect(Collectors.toSet());
  }

  private PlanningProblem problem(
      Diagnosis.Opinion opinion, List<? extends Evidence> evidence, Policy policy) {
    return new PlanningProblem(
        sheet,
        questions,
        outcomeModels(),
        policy,
        opinion.beliefs(),
        unsafe(opinion),
        opinion.told(),
        new StateTables.Beside(
            CauseModel.of(
                sheet, opinion.beginning().findings(), opinion.beginning().complaint(), evidence),
            opinion.assessment().plates()));
  }

  /**
   * Whether nobody should put power on again: something is likely shorted, grounded, or a guard of
   * a door welded.
   */
  private boolean unsafe(Diagnosis.Opinion opinion) {
    double likely =
        opinion.beliefs().stream()
            .filter(b -> b.hypothesis().ofParts().anyMatch(this::unsafe))
            .mapToDouble(Posterior.Entry::probability)
            .sum();
    return likely > UNSAFE;
  }

  private boolean unsafe(Fault.OfPart fault) {
    return switch (fault.mode()) {
      case CASE_LEAK -> true;
      case OFF_VALUE_LOW -> sheet.part(fault.part()).actsAsLoad();
      case STUCK, OPEN ->
          sheet.part(fault.part()).kind().is(PartKind.Trait.GUARDS_DOOR)
              && (fault.mode() == FaultMode.STUCK) == !monitors(fault.part());
      default -> false;
    };
  }

  /** A monitor guards by closing. */
  private boolean monitors(String part) {
    return sheet.part(part).kind() == PartKind.MONITOR_SWITCH;
  }

  private Map<Question, OutcomeModel> outcomeModels() {
    Map<Question, OutcomeModel> learnt = outcomeModels;
    if (learnt.isEmpty()) {
      synchronized (this) {
        learnt = outcomeModels;
        if (learnt.isEmpty()) {
          learnt =
              new LinkedHashMap<>(
                  new OutcomeModels(diagnosis.measurements()).learn(questions.all()));
          outcomeModels = learnt;
        }
      }
    }
    return learnt;
  }
}
