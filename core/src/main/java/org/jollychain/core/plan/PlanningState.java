package org.jollychain.core.plan;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.Position;
import org.jollychain.core.sheet.Sheet;

/** The work at one moment: what is sought, and how far the search is. */
record PlanningState(PlanningProblem problem, Position<Question, WorkState> at) {

  /** What settles less than this of what is open is not worth a word (a share). */
  private static final double MUCH = 0.2;

  /** However little is open, what settles less is not worth one (bit). */
  private static final double LEAST_BITS = 0.1;

  /**
   * @param evidence all that stands
   * @param told what was known before anything was asked
   * @param checked the checks of the guide that were made, by id
   */
  static PlanningState after(
      List<? extends Evidence> evidence,
      Set<Question> told,
      PlanningProblem problem,
      Set<String> checked,
      CandidateTests questions) {
    Set<Question> asked = new HashSet<>(told);
    problem.checks().filter(q -> checked.contains(q.check().id())).forEach(asked::add);
    evidence.forEach(e -> questions.answeredBy(e).ifPresent(asked::add));
    return new PlanningState(
        problem,
        new Position<>(
            problem,
            problem.believed(),
            WorkState.after(problem.sheet(), evidence, problem.policy()),
            problem.open(asked),
            asked));
  }

  PlanningState after(Question question, int answer) {
    return new PlanningState(problem, at.after(question, answer));
  }

  Sheet sheet() {
    return problem.sheet();
  }

  Distribution believed() {
    return at.believed();
  }

  WorkState.Move move(Question question) {
    return problem.move(at.place(), question);
  }

  Distribution.Split split(Question question) {
    return at.believed().split(problem.outcomes(question));
  }

  /** How much it is expected to settle (bit). */
  double settles(Question question) {
    return believed().bits() - split(question).bitsLeft();
  }

  /** What would settle much, if it were permitted, in reach, of the method and not skipped. */
  Stream<Question> barred() {
    double much = Math.max(LEAST_BITS, MUCH * believed().bits());
    return problem.barred(at.made()).filter(q -> settles(q) > much);
  }

  Optional<Question> confirming(int culprit, boolean confirmed) {
    return problem.confirming(culprit, at.made(), confirmed);
  }
}
