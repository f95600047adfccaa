package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * The work at one moment: what is believed, where it stands, what was asked, and what may be.
 *
 * @param may questions the policy allows that have not been answered
 * @param asked that have been
 */
record PlanningState(
    Sheet sheet,
    CandidateTests questions,
    Map<Question, OutcomeModel> outcomeModels,
    Policy policy,
    Belief belief,
    WorkState standing,
    List<Question> may,
    Set<Question> asked) {

  /** From here on a suspect is tested by itself. */
  static final double STRONG = 0.9;

  /** A supply is blamed once so many readings between its own terminals were taken. */
  private static final int SUPPLY_READINGS = 2;

  /** From here on it is believed that nothing is wrong, or that the sheet does not show it. */
  private static final double STRONG_WITHOUT_SUSPECT = 0.98;

  /** The desk after an answer. */
  PlanningState after(Question question, int answer) {
    Set<Question> now = new HashSet<>(asked);
    now.add(question);
    List<Question> left = new ArrayList<>(may);
    left.remove(question);
    return new PlanningState(
        sheet,
        questions,
        outcomeModels,
        policy,
        belief.given(outcomeModels.get(question), answer),
        move(question).after(),
        left,
        now);
  }

  /** Those of some questions that have not been asked. */
  List<Question> left(List<Question> among) {
    return among.stream().filter(q -> !asked.contains(q)).toList();
  }

  WorkState.Move move(Question question) {
    return standing.to(question, sheet, policy.costs());
  }

  /** The call that leads, if it is strong enough to be tested by itself. */
  Optional<Integer> strong() {
    return strong(belief.byCall());
  }

  /** The same where calls are so probable. */
  Optional<Integer> strong(double[] byCall) {
    for (int d = 0; d < byCall.length; d++) {
      if (byCall[d] >= strongFrom(d)) {
        return Optional.of(d);
      }
    }
    return Optional.empty();
  }

  /** How probable a call has to be for the search to end with it. */
  double strongFrom(int call) {
    boolean suspect = belief.calls().get(call).suspect();
    return suspect ? STRONG : STRONG_WITHOUT_SUSPECT;
  }

  /** The test of a suspect itself that it has not had, and that the policy allows. */
  Optional<Question> confirming(int call) {
    return confirming(call, false);
  }

  /**
   * The same where it may have failed its own test already: then what is left is to see whether a
   * drop goes with its terminals put on again.
   */
  Optional<Question> confirming(int call, boolean confirmed) {
    Hypothesis h = belief.likeliest(call);
    if (h.supplyFault().isPresent()) {
      return policy.livePermit()
          ? questions.supply().stream()
              .filter(q -> !asked.contains(q))
              .filter(q -> supplyAsked() < SUPPLY_READINGS)
              .filter(this::may)
              .findFirst()
          : Optional.empty();
    }
    return h.ofParts()
        .filter(f -> sheet.parts().containsKey(f.part()))
        .flatMap(
            f ->
                confirmed
                    ? reseated(f).stream()
                    : Stream.concat(own(f).stream(), reseated(f).stream()))
        .filter(q -> outcomeModels.containsKey(q) && !asked.contains(q))
        .filter(this::may)
        .findFirst();
  }

  private long supplyAsked() {
    return questions.supply().stream().filter(q -> asked.contains(q)).count();
  }

  private Optional<Question> own(Fault.OfPart fault) {
    Part part = sheet.part(fault.part());
    return switch (fault.mode()) {
      case STUCK -> questions.openOhms(part);
      case CASE_LEAK -> questions.caseOhms(part);
      case NOT_MADE, INTERMITTENT -> Optional.empty();
      case DROPPING -> {
        Optional<Question> drop = policy.livePermit() ? questions.drop(part) : Optional.empty();
        yield drop.isPresent() ? drop : questions.closedOhms(part);
      }
      default -> questions.closedOhms(part);
    };
  }

  /** A drop is in the part or in its terminals; to put them on again tells. */
  private Optional<Question> reseated(Fault.OfPart fault) {
    return fault.mode() == FaultMode.DROPPING
        ? questions
            .reseated(sheet.part(fault.part()))
            .filter(q -> policy.livePermit() || !sheet.situation(q.situation()).supplyOn())
        : Optional.empty();
  }

  private boolean may(Question question) {
    return reached(question) && !skipped(question);
  }

  boolean skipped(Question question) {
    return !policy.skipped().isEmpty() && policy.skipped().contains(CandidateTests.id(question));
  }

  /** Whether probes get to all the points of a question. */
  boolean reached(Question question) {
    if (question instanceof Question.Measure m && !m.probe().function().clamps()) {
      return !policy.unreachable().contains(m.probe().red())
          && !policy.unreachable().contains(m.probe().black())
          && m.probe().liftedAt().stream().noneMatch(policy.unreachable()::contains);
    }
    return true;
  }

  /** Whether it may have opened by heat and closed again. */
  static boolean closesAgain(Hypothesis h) {
    return h.ofParts().anyMatch(f -> f.mode() == FaultMode.TRIPPED);
  }
}
