package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.inference.HypothesisSpace;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** Why something is asked: a sentence of physics, and one of cost. */
final class Reasons implements Question.Kinds<String> {

  /** From here on the part itself is what makes a question good. */
  private static final double LIKELY = 0.15;

  /** From here on most of it lies outside of the circuit (a probability). */
  private static final double MOSTLY = 0.5;

  private final PlanningState state;
  private final Sheet sheet;

  private Reasons(PlanningState state) {
    this.state = state;
    this.sheet = state.sheet();
  }

  static String of(PlanningState state, Question question) {
    Reasons reasons = new Reasons(state);
    List<String> all = new ArrayList<>(List.of(question.as(reasons)));
    question
        .part()
        .flatMap(reasons::likeliest)
        .or(() -> reasons.cost(question))
        .ifPresent(all::add);
    return String.join(" ", all);
  }

  @Override
  public String measure(Question.Measure m) {
    Probe probe = m.at();
    Optional<Part> part = probe.part().map(sheet::part);
    boolean volts = probe.function().dimension() == Dimension.VOLTS;
    if (volts && probe.atTerminals(sheet)) {
      return Manners.supplyMeasured(state)
          ? "It shows which conductor of the supply is missing."
          : Manners.nothingMeasured(state)
              ? "The supply first: without it nothing else tells anything."
              : "Is the supply there, in this state of the unit?";
    }
    if (probe.function().clamps()) {
      return "Current through the %s shows that its whole way is closed."
          .formatted(part.orElseThrow().title());
    }
    if (volts) {
      return part.map(p -> volts(p, sheet.situation(probe.situation())))
          .orElse(
              "Full supply at %s: all before it passes. Less: it is open before it."
                  .formatted(probe.red()));
    }
    return part.map(p -> ohms(p, m)).orElseGet(() -> ohms(probe));
  }

  private String volts(Part part, Situation situation) {
    if (part.actsAsLoad()) {
      return "Full supply across the %s blames the %s itself, none what feeds it."
          .formatted(part.title(), part.title());
    }
    return part.stateIn(situation) == ContactState.OPEN
        ? "Here the %s must stand open: the full supply across it shows that both its sides are fed."
            .formatted(part.title())
        : "Closed it drops next to nothing; open it holds the full supply.";
  }

  private String ohms(Part part, Question.Measure m) {
    Probe probe = m.at();
    if (probe.celsius().isPresent()) {
      return "Heated past its rating it must open.";
    }
    Situation situation = sheet.situation(probe.situation());
    if (part.actsAsLink() && part.stateIn(situation) == ContactState.OPEN) {
      return "It must stand open here: near 0 Ω means it is welded.";
    }
    String test = "Its own test: %s is due.".formatted(due(state.problem().outcomeModel(m), probe));
    return probe.liftedAt().isEmpty()
        ? test + " No wire has to come off."
        : state
            .problem()
            .bypass(part)
            .map(
                way ->
                    "%s The wire comes off because the %s lies parallel."
                        .formatted(test, way.title()))
            .orElse(test);
  }

  private String due(OutcomeModel outcomes, Probe probe) {
    double due = outcomes.values()[outcomes.table().classOf()[HypothesisSpace.SOUND]];
    return ReadingWords.of(probe.function(), due, sheet.supply());
  }

  private String ohms(Probe probe) {
    if (probe.black().equals(sheet.supply().terminals().get("earth"))) {
      return probe.liftedAt().isEmpty()
          ? "Nothing sound leads to the case: OL is due."
          : "Read alone, with its wires off: nothing sound leads to the case, OL is due.";
    }
    Optional<Part> load = state.problem().places().loadBetween(probe.red(), probe.black());
    if (load.isPresent()) {
      return "The whole circuit in one reading, %s due: is it the circuit, or what switches it?"
          .formatted(due(state.problem().outcomeModel(new Question.Measure(probe)), probe));
    }
    int links = state.problem().places().linksBetween(probe.red(), probe.black());
    return "One reading for %d links: near 0 Ω clears them all.".formatted(links);
  }

  @Override
  public String runs(Question.Runs runs) {
    return "It costs a glance and shows what is fed.";
  }

  @Override
  public String look(Question.Look look) {
    return "A look takes seconds: what is burnt shows.";
  }

  @Override
  public String check(Question.GuideCheck check) {
    if (!check.check().why().isEmpty()) {
      return check.check().why();
    }
    double outside = 0;
    double[] byCulprit = state.believed().byGroup();
    for (int c = 0; c < byCulprit.length; c++) {
      boolean cause = state.problem().culprits().get(c) instanceof Culprit.OutsideCause;
      outside += cause ? byCulprit[c] : 0;
    }
    return outside > MOSTLY
        ? "It tells causes outside of the circuit apart, which no probe does."
        : check.access().isEmpty()
            ? "It tells what is suspected apart, and nothing is opened for it."
            : "It tells what is suspected apart.";
  }

  @Override
  public String plate(Question.Plate plate) {
    return "It was read as few such parts are: another rating, or bad? Its plate tells in half a minute.";
  }

  @Override
  public String code(Question.Code code) {
    return "The control may have seen it; its code costs nothing.";
  }

  /** Whether the part is what is suspected most. */
  private Optional<String> likeliest(String part) {
    int leading = state.problem().leading();
    double probability = state.believed().byGroup()[leading];
    return state.problem().culprits().get(leading).part().filter(part::equals).isPresent()
            && probability > LIKELY
        ? Optional.of("It is the likeliest (%s).".formatted(ReadingWords.percent(probability)))
        : Optional.empty();
  }

  private Optional<String> cost(Question question) {
    WorkState.Move move = state.move(question);
    boolean shut = state.at().place().open().size() < sheet.access().size();
    return move.opening() == 0 && shut && question instanceof Question.Measure
        ? Optional.of("Nothing more has to be opened for it.")
        : Optional.empty();
  }
}
