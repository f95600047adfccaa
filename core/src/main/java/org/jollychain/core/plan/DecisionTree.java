package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.sequencing.TwoStepLookahead;

/**
 * The plan as a tree, for work away from the screen: what to ask, and for each answer what to ask
 * then, down to a depth; at the leaves what it comes to.
 *
 * @param title of what is asked or, at a leaf, of what it comes to
 * @param steps what to do first
 * @param minutes it takes (min); 0 at a leaf
 * @param confirms whether it tests the suspect itself
 * @param branches by answer, the likeliest first; none at a leaf
 */
public record DecisionTree(
    String title, List<String> steps, double minutes, boolean confirms, List<Branch> branches) {

  /** The deepest card that is drawn. */
  public static final int DEEPEST = 8;

  private static final double LIKELY = 0.04;

  /** What is reached more rarely is not drawn further: back to the screen. */
  private static final double RARE = 0.03;

  /**
   * What follows an answer.
   *
   * @param probability of coming here at all
   */
  public record Branch(String answer, double probability, DecisionTree then) {}

  static DecisionTree of(PlanningState state, int depth) {
    return of(state, TwoStepLookahead.good(state.at()), depth, 1);
  }

  private static DecisionTree of(
      PlanningState state, List<Question> among, int depth, double reached) {
    ProposalWriter writer = new ProposalWriter(state);
    Optional<Integer> end = state.at().end();
    Optional<Question> next =
        end.isPresent()
            ? state.at().confirming(end.get())
            : TwoStepLookahead.quickest(state.at(), among)
                .map(q -> Manners.supplyFirst(state, q).orElse(q));
    if (depth == 0 || reached < RARE || next.isEmpty()) {
      return new DecisionTree(writer.standing(), List.of(), 0, false, List.of());
    }
    Question question = next.get();
    WorkState.Move move = state.move(question);
    List<Branch> branches = new ArrayList<>();
    for (Answers.Answer a : Answers.of(state, question)) {
      double probability = reached * a.chance();
      if (a.chance() > LIKELY) {
        branches.add(
            new Branch(
                a.shown(),
                probability,
                of(
                    state.after(question, a.outcome()),
                    among,
                    end.isPresent() ? 0 : depth - 1,
                    probability)));
      }
    }
    branches.sort((a, b) -> Double.compare(b.probability(), a.probability()));
    return new DecisionTree(
        question.title(state.sheet()),
        move.steps(),
        move.minutes(),
        end.isPresent(),
        List.copyOf(branches));
  }

  /** What is asked, as a line of the card. */
  public String heading() {
    return (confirms ? "Confirm: " : "") + title;
  }

  /** The card as indented text. */
  public String text() {
    StringBuilder text = new StringBuilder();
    write(text, "");
    return text.toString();
  }

  private void write(StringBuilder text, String indent) {
    text.append(indent);
    if (!steps.isEmpty()) {
      text.append(String.join("; ", steps)).append(". ");
    }
    text.append(heading());
    if (minutes > 0) {
      text.append(String.format(Locale.ROOT, " (%.1f min)", minutes));
    }
    text.append('\n');
    for (Branch b : branches) {
      text.append(indent)
          .append("- ")
          .append(b.answer())
          .append(String.format(Locale.ROOT, " (%.0f %%)", 100 * b.probability()))
          .append(":\n");
      b.then().write(text, indent + "    ");
    }
  }
}
