package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Sheet;

/**
 * Proposes what to ask next, for a sheet. What may come of every question is learnt once, at the
 * first plan. Safe for use by many threads.
 */
public final class Planner {

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
   * @param complaint what the customer sees, an id of the sheet's complaints
   */
  public Plan plan(
      Diagnosis.Opinion opinion,
      List<? extends Evidence> evidence,
      Optional<String> complaint,
      Policy policy) {
    PlanningState state = state(opinion, evidence, policy);
    boolean misfit = opinion.assessment().misfits();
    Optional<Integer> strong = misfit ? Optional.empty() : state.strong();
    ProposalWriter writer = new ProposalWriter(state);
    if (strong.isPresent()) {
      return state
          .confirming(strong.get(), opinion.assessment().leading().confirmed())
          .map(q -> writer.confirm(q, strong.get()))
          .orElseGet(() -> writer.end(strong.get(), opinion.assessment().leading()));
    }
    List<TwoStepLookahead.Option> ranked = TwoStepLookahead.ranked(state);
    Optional<Question> school =
        policy.order() == Order.BEST_VALUE
            ? Optional.empty()
            : sequences.next(policy.order(), state, complaint.map(sheet.complaints()::get));
    if (ranked.isEmpty() && school.isEmpty()) {
      return writer.nothing();
    }
    return writer.ask(ranked, school);
  }

  /** What is left to the end in every order, side by side. */
  public List<Forecast> forecast(
      Diagnosis.Opinion opinion,
      List<? extends Evidence> evidence,
      Optional<String> complaint,
      Policy policy) {
    return Forecast.all(
        state(opinion, evidence, policy), sequences, complaint.map(sheet.complaints()::get));
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
    return Belief.of(opinion.beliefs()).bits();
  }

  private PlanningState state(
      Diagnosis.Opinion opinion, List<? extends Evidence> evidence, Policy policy) {
    Set<Question> asked = new HashSet<>();
    evidence.forEach(e -> questions.answeredBy(e).ifPresent(asked::add));
    PlanningState all =
        new PlanningState(
            sheet,
            questions,
            outcomeModels(),
            policy,
            Belief.of(opinion.beliefs()),
            WorkState.after(sheet, evidence, policy),
            List.of(),
            asked);
    List<Question> may = new ArrayList<>();
    for (Question q : questions.all()) {
      if (allowed(q, policy) && !asked.contains(q) && !all.skipped(q) && all.reached(q)) {
        may.add(q);
      }
    }
    return new PlanningState(
        sheet, questions, all.outcomeModels(), policy, all.belief(), all.standing(), may, asked);
  }

  /** Whether method and permit have it; what is put on again is only for a suspect. */
  private boolean allowed(Question question, Policy policy) {
    if (!(question instanceof Question.Measure m)) {
      return true;
    }
    if (m.reseated()) {
      return false;
    }
    Probe probe = m.probe();
    if (!sheet.situation(probe.situation()).supplyOn()) {
      return policy.method() == Method.MIXED
          || policy.method() == Method.ISOLATED_OHMS
          || !policy.livePermit();
    }
    if (!policy.livePermit()) {
      return false;
    }
    boolean volts = probe.function().dimension() == Dimension.VOLTS;
    boolean supply =
        sheet.supplyPoints().contains(probe.red()) && sheet.supplyPoints().contains(probe.black());
    return switch (policy.method()) {
      case MIXED -> true;
      case ISOLATED_OHMS -> false;
      case LIVE_DROPS -> supply || probe.part().isPresent();
      case LIVE_TO_REFERENCE -> supply || !volts || probe.part().isEmpty();
    };
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
