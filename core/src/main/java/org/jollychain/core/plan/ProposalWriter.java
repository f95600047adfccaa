package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sheet.Access;
import org.jollychain.core.sheet.Sheet;

/** A plan in words. */
final class ProposalWriter {

  private static final double LIKELY = 0.03;
  private static final int MOST_ANSWERS = 4;
  private static final int MOST_NAMED = 3;
  private static final int ALTERNATIVES = 3;
  private static final int USUAL_OVER = 6;

  private final PlanningState state;
  private final Sheet sheet;

  ProposalWriter(PlanningState state) {
    this.state = state;
    this.sheet = state.sheet();
  }

  Plan ask(List<TwoStepLookahead.Option> ranked, Optional<Question> school) {
    Question first = school.orElseGet(() -> ranked.get(0).question());
    List<Proposal> next = new ArrayList<>();
    next.add(
        proposal(
            first, false, school.isPresent() ? "Next in the order chosen." : why(first, ranked)));
    List<String> kinds = new ArrayList<>(List.of(kind(first)));
    for (TwoStepLookahead.Option o : ranked) {
      if (next.size() <= ALTERNATIVES && !kinds.contains(kind(o.question()))) {
        kinds.add(kind(o.question()));
        next.add(
            proposal(
                o.question(),
                false,
                "Settles %s in %s.".formatted(share(o.bits()), minutes(o.move().minutes()))));
      }
    }
    double open = state.belief().bits();
    String say =
        "As open as an even choice among %d.".formatted(Math.max(2, Math.round(Math.pow(2, open))));
    return new Plan(List.copyOf(next), Plan.State.ASK, say, expected(first, ranked));
  }

  /**
   * A quick estimate: as many questions like the best ones as it takes to settle what is open,
   * asked from where the first of them leaves the work, and the confirming test. {@link Forecast}
   * has it exactly.
   */
  private Plan.Expected expected(Question first, List<TwoStepLookahead.Option> ranked) {
    WorkState.Move move = state.move(first);
    List<TwoStepLookahead.Option> usual = ranked.subList(0, Math.min(USUAL_OVER, ranked.size()));
    double bits = usual.stream().mapToDouble(TwoStepLookahead.Option::bits).max().orElse(1);
    double minutes =
        usual.stream()
            .mapToDouble(
                o -> move.after().to(o.question(), sheet, state.policy().costs()).minutes())
            .average()
            .orElse(move.minutes());
    double probes = Math.max(1, state.belief().bits() / bits);
    return new Plan.Expected(1 + probes, move.minutes() + probes * minutes);
  }

  Plan confirm(Question question, int call) {
    String what = title(state.belief().calls().get(call));
    Proposal proposal =
        proposal(
            question,
            true,
            question.reseated()
                ? "The drop may sit in its terminals: see before the %s is renewed.".formatted(what)
                : "The %s leads. Test it by itself before it is condemned.".formatted(what));
    return new Plan(
        List.of(proposal),
        Plan.State.CONFIRM,
        "Confirm the %s.".formatted(what),
        new Plan.Expected(1, proposal.minutes()));
  }

  Plan end(int call, Assessment.Leading leading) {
    boolean found = leading.confirmed();
    String say =
        found
            ? "By its own test: %s. Find what made it fail before it is renewed like for like."
                .formatted(leading.title())
            : PlanningState.closesAgain(state.belief().likeliest(call))
                ? "It points to %s. It has opened by heat and closed again: find what let it overheat."
                    .formatted(leading.title())
                : "Most likely by far: %s. %s".formatted(leading.title(), leading.confirmBy());
    return new Plan(
        List.of(), found ? Plan.State.FOUND : Plan.State.CLEAR, say, new Plan.Expected(0, 0));
  }

  Plan nothing() {
    String open = named(state.belief().byCall());
    String say =
        state.may().isEmpty()
            ? "Nothing is left that may be asked: permit, method, or points out of reach. Open remain: %s."
                .formatted(open)
            : "Nothing that may be asked is worth its minutes. Open remain: %s.".formatted(open);
    return new Plan(
        List.of(),
        state.may().isEmpty() ? Plan.State.NOTHING_LEFT : Plan.State.NOTHING_WORTH,
        say,
        new Plan.Expected(0, 0));
  }

  private Proposal proposal(Question question, boolean confirms, String why) {
    OutcomeModel outcomes = state.outcomeModels().get(question);
    Belief.Split split = state.belief().split(outcomes);
    WorkState.Move move = state.move(question);
    Optional<Probe> probe =
        question instanceof Question.Measure m ? Optional.of(m.probe()) : Optional.empty();
    return new Proposal(
        CandidateTests.id(question),
        Proposal.Kind.of(question),
        probe.map(p -> p.function().toString()),
        probe.filter(p -> !p.function().clamps()).map(Probe::red),
        probe.filter(p -> !p.function().clamps()).map(Probe::black),
        probe.map(Probe::part).orElseGet(() -> partOf(question)),
        question.situation(),
        probe.map(p -> List.copyOf(p.liftedAt())).orElse(List.of()),
        probe.flatMap(Probe::celsius),
        question.reseated(),
        title(question),
        move.steps(),
        expect(question, outcomes, split),
        why,
        move.minutes(),
        move.opening(),
        state.belief().bits() - split.bitsLeft(),
        confirms,
        hazards(question, move));
  }

  private static Optional<String> partOf(Question question) {
    if (question instanceof Question.Runs r) {
      return Optional.of(r.part());
    }
    return question instanceof Question.Look look ? Optional.of(look.part()) : Optional.empty();
  }

  /** What the work comes to as it stands. */
  String standing() {
    String named = named(state.belief().byCall());
    return named.substring(0, 1).toUpperCase(Locale.ROOT) + named.substring(1);
  }

  String title(Question question) {
    if (question instanceof Question.Measure m) {
      Probe p = m.probe();
      String word = p.function().word();
      return p.part()
          .map(
              id ->
                  "%s %s the %s%s"
                      .formatted(
                          capital(word),
                          p.function().clamps() ? "through" : "across",
                          sheet.part(id).title(),
                          m.reseated()
                              ? ", its terminals put on again"
                              : p.celsius().map(" at %.0f °C"::formatted).orElse("")))
          .orElseGet(() -> "%s from %s to %s".formatted(capital(word), p.red(), p.black()));
    }
    if (question instanceof Question.Runs r) {
      return "Does the %s run?".formatted(sheet.part(r.part()).title());
    }
    return question instanceof Question.Look look
        ? "Look at the %s and its terminals".formatted(sheet.part(look.part()).title())
        : "Which code does it show?";
  }

  private static String capital(String word) {
    return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
  }

  /** What must be minded, of the power and of all that has to be opened. */
  private List<String> hazards(Question question, WorkState.Move move) {
    List<String> hazards = new ArrayList<>();
    if (move.exposed()) {
      hazards.add("Live: one hand, insulated probes, a meter fit for the place.");
    } else if (!move.after().live()) {
      hazards.add("Isolated, locked off and proved dead, the meter proved before and after.");
    }
    if (question instanceof Question.Measure m && m.probe().celsius().isPresent()) {
      hazards.add("Hot: no flame, gloves, no hotter than said; let it cool before it goes back.");
    }
    for (String id : WorkState.accesses(sheet, question)) {
      Access access = sheet.access().get(id);
      hazards.addAll(access.hazards());
    }
    return hazards.stream().distinct().toList();
  }

  private List<Proposal.Expect> expect(
      Question question, OutcomeModel outcomes, Belief.Split split) {
    if (question.reseated()) {
      double gone = split.chance()[outcomes.words().indexOf(OutcomeModel.AS_SOUND)];
      return List.of(
          new Proposal.Expect(OutcomeModel.AS_SOUND, "it was in its terminals: renew those", gone),
          new Proposal.Expect("as before", "it is the part itself", 1 - gone));
    }
    double[] byClass = state.belief().byClass(outcomes);
    return IntStream.range(0, split.chance().length)
        .filter(j -> split.chance()[j] > LIKELY)
        .boxed()
        .sorted(Comparator.comparingDouble((Integer j) -> split.chance()[j]).reversed())
        .limit(MOST_ANSWERS)
        .flatMap(
            j ->
                outcomes
                    .shown(j, byClass)
                    .map(s -> new Proposal.Expect(s, named(split.byCall()[j]), split.chance()[j]))
                    .stream())
        .toList();
  }

  /** The few that matter of a belief. */
  private String named(double[] byCall) {
    List<Call> calls = state.belief().calls();
    List<Integer> order =
        IntStream.range(0, byCall.length)
            .boxed()
            .sorted(Comparator.comparingDouble((Integer d) -> byCall[d]).reversed())
            .toList();
    if (byCall[order.get(0)] >= PlanningState.STRONG) {
      return "it is " + said(calls.get(order.get(0)));
    }
    List<String> names = new ArrayList<>();
    double told = 0;
    for (int d : order) {
      if (names.size() == MOST_NAMED || told > PlanningState.STRONG) {
        break;
      }
      names.add(said(calls.get(d)));
      told += byCall[d];
    }
    String list =
        names.size() == 1
            ? names.get(0)
            : String.join(", ", names.subList(0, names.size() - 1))
                + " or "
                + names.get(names.size() - 1);
    return told > PlanningState.STRONG ? list : list + ", or something else";
  }

  private String said(Call call) {
    return switch (call.what()) {
      case "unit" -> "nothing wrong now";
      case "not-on-sheet" -> "something not on the sheet";
      case "two-faults" -> "two faults at once";
      default -> "the " + title(call);
    };
  }

  private String title(Call call) {
    List<String> names = new ArrayList<>();
    for (String id : call.what().split(" \\+ ")) {
      names.add(
          sheet.parts().containsKey(id)
              ? sheet.part(id).title()
              : id.startsWith("control:")
                  ? "command \"%s\"".formatted(sheet.commands().get(id.substring(8)).title())
                  : id);
    }
    return String.join(" and the ", names);
  }

  private String why(Question first, List<TwoStepLookahead.Option> ranked) {
    TwoStepLookahead.Option best = ranked.get(0);
    String told = "Settles %s in %s".formatted(share(best.bits()), minutes(best.move().minutes()));
    return ranked.stream()
        .skip(1)
        .filter(o -> !kind(o.question()).equals(kind(first)))
        .findFirst()
        .map(
            o ->
                "%s; \"%s\" would settle %s in %s%s."
                    .formatted(
                        told,
                        title(o.question()),
                        percent(o.bits()),
                        minutes(o.move().minutes()),
                        o.bits() > best.bits() ? ", but leave more to do after" : ""))
        .orElse(told + ".");
  }

  private String share(double bits) {
    return percent(bits) + " of what is open";
  }

  private String percent(double bits) {
    return String.format(Locale.ROOT, "%.0f %%", 100 * bits / state.belief().bits());
  }

  private static String minutes(double minutes) {
    return String.format(Locale.ROOT, minutes < 10 ? "%.1f min" : "%.0f min", minutes);
  }

  /** In what way something is found out: alternatives should differ in it. */
  private String kind(Question question) {
    if (question instanceof Question.Measure m) {
      MeterFunction function = m.probe().function();
      boolean supply =
          sheet.supplyPoints().contains(m.probe().red())
              && sheet.supplyPoints().contains(m.probe().black());
      return function + (supply ? " supply" : m.probe().part().isPresent() ? " part" : " run");
    }
    return Proposal.Kind.of(question).toString();
  }
}
