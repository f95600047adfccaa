package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Check;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.TwoStepLookahead;
import org.jollychain.core.sheet.Access;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/** A plan in words. */
final class ProposalWriter {

  private static final int MOST_ANSWERS = 4;
  private static final int ALTERNATIVES = 3;
  private static final int USUAL_OVER = 6;

  private final PlanningState state;
  private final PlanningProblem problem;
  private final Sheet sheet;
  private final OwnTests proofs;

  ProposalWriter(PlanningState state) {
    this.state = state;
    this.sheet = state.sheet();
    this.problem = state.problem();
    this.proofs = new OwnTests(state);
  }

  Plan ask(
      List<TwoStepLookahead.Option<Question, WorkState>> ranked, Question first, boolean inOrder) {
    List<Proposal> next = new ArrayList<>();
    next.add(
        proposal(first, false, inOrder ? "Next in the order chosen." : Reasons.of(state, first)));
    List<String> kinds = new ArrayList<>(List.of(kind(first)));
    for (TwoStepLookahead.Option<Question, WorkState> o : ranked) {
      if (next.size() <= ALTERNATIVES && !kinds.contains(kind(o.test()))) {
        kinds.add(kind(o.test()));
        next.add(proposal(o.test(), false, Reasons.of(state, o.test())));
      }
    }
    double open = state.believed().bits();
    String say =
        "As open as an even choice among %d.".formatted(Math.max(2, Math.round(Math.pow(2, open))));
    return plan(List.copyOf(next), Plan.State.ASK, say, expected(first, ranked));
  }

  /**
   * A quick estimate: as many questions like the best ones as it takes to settle what is open,
   * asked from where the first of them leaves the work, and the confirming test. {@link Forecast}
   * has it exactly.
   */
  private Plan.Expected expected(
      Question first, List<TwoStepLookahead.Option<Question, WorkState>> ranked) {
    WorkState.Move move = state.move(first);
    List<TwoStepLookahead.Option<Question, WorkState>> usual =
        ranked.subList(0, Math.min(USUAL_OVER, ranked.size()));
    double bits = usual.stream().mapToDouble(TwoStepLookahead.Option::bits).max().orElse(1);
    double minutes =
        usual.stream()
            .mapToDouble(o -> move.after().to(o.test(), sheet, problem.policy().costs()).minutes())
            .average()
            .orElse(move.minutes());
    double probes = Math.max(1, state.believed().bits() / bits);
    return new Plan.Expected(1 + probes, move.minutes() + probes * minutes);
  }

  Plan confirm(Question question, int call) {
    String what = problem.culprits().get(call).title(sheet);
    if (problem.culprits().get(call) instanceof Culprit.OutsideCause) {
      return confirming(
          question,
          "It is most likely outside of the circuit: %s. Look before it is put right."
              .formatted(what),
          "Outside of the circuit, most likely: %s.".formatted(what));
    }
    String why =
        question.reseated()
            ? "The drop may sit in its terminals: see before the %s is renewed."
            : "The %s leads. Test it by itself before it is condemned.";
    return confirming(question, why.formatted(what), "Confirm the %s.".formatted(what));
  }

  /** What alone decides is read once more. */
  Plan again(Question question, int call) {
    String what = problem.culprits().get(call).title(sheet);
    return confirming(
        question,
        "One reading alone decides against the %s. Touch the leads together, then read it once more with firm contact."
            .formatted(what),
        "Once more, before the %s is condemned.".formatted(what));
  }

  private Plan confirming(Question question, String why, String say) {
    Proposal proposal = proposal(question, true, why);
    return plan(
        List.of(proposal), Plan.State.CONFIRM, say, new Plan.Expected(1, proposal.minutes()));
  }

  private Plan plan(List<Proposal> next, Plan.State how, String say, Plan.Expected expected) {
    return new Plan(next, how, say, proofs.confirmBy(), expected);
  }

  Plan end(int call, Assessment.Leading leading) {
    if (problem.culprits().get(call) instanceof Culprit.OutsideCause cause) {
      String say =
          "Outside of the circuit: %s. Put it right, then prove it.".formatted(cause.title(sheet));
      return plan(List.of(), Plan.State.CLEAR, say, new Plan.Expected(0, 0));
    }
    boolean found = leading.confirmed();
    String say =
        found
            ? "By its own test: %s. Find what made it fail before it is renewed like for like."
                .formatted(leading.title())
            : closesAgain(problem.likeliest(call))
                ? "It points to %s. It opened by heat: let it cool, find what let it overheat, then read it again."
                    .formatted(leading.title())
                : "Most likely by far: %s. %s".formatted(leading.title(), proofs.confirmBy());
    return plan(
        List.of(), found ? Plan.State.FOUND : Plan.State.CLEAR, say, new Plan.Expected(0, 0));
  }

  /** Whether it may have opened by heat and closed again. */
  private boolean closesAgain(Hypothesis h) {
    return h.ofParts()
        .anyMatch(
            f ->
                f.mode() == FaultMode.TRIPPED
                    || f.mode() == FaultMode.INTERMITTENT
                        && sheet.part(f.part()).thermal().isPresent()
                        && f.opens());
  }

  /** Where nothing may be asked that would tell. */
  Plan nothing() {
    if (!state.at().open().isEmpty()) {
      return settled(problem.leading());
    }
    String open = new Suspects(problem).placed(state.believed().byGroup());
    String say =
        "Nothing is left that may be asked: permit, method, or points out of reach. Open remain: %s."
            .formatted(open);
    return plan(List.of(), Plan.State.NOTHING_LEFT, say, new Plan.Expected(0, 0));
  }

  /**
   * Where one stops like a person: what is known, what it would take to know more, what is done
   * now.
   */
  Plan settled(int leader) {
    Culprit culprit = problem.culprits().get(leader);
    String known = standing() + ". What is left to ask would settle little.";
    return plan(
        List.of(),
        Plan.State.NOTHING_WORTH,
        Stream.of(Optional.of(known), barred(culprit), Optional.of(practised(culprit)))
            .flatMap(Optional::stream)
            .collect(Collectors.joining(" ")),
        new Plan.Expected(0, 0));
  }

  /** What would tell more if it were permitted, not skipped, in reach and of the method chosen. */
  private Optional<String> barred(Culprit leader) {
    boolean supply = leader instanceof Culprit.OfSupply;
    return state
        .barred()
        .max(
            Comparator.comparing((Question q) -> supply && Manners.ofSupply(q, sheet))
                .thenComparing(q -> problem.complainedIn(q.situation()))
                .thenComparingDouble(state::settles))
        .map(
            q ->
                problem.permitted(q)
                    ? "To know more it takes \"%s\", which was left out.".formatted(q.title(sheet))
                    : "To know more it has to be measured with power on%s, by someone permitted to."
                        .formatted(
                            q.part().map(p -> " at the " + sheet.part(p).title()).orElse("")));
  }

  /** What masters do with it now. */
  private String practised(Culprit culprit) {
    if (culprit instanceof Culprit.OutsideCause) {
      return "Put it right and see whether that ends it: %s.".formatted(culprit.title(sheet));
    }
    if (!culprit.suspect()) {
      return "Run it through a whole cycle. If it works: not reproduced; name what is suspected on the job sheet and follow up in a week.";
    }
    Optional<Part> part = culprit.part().map(sheet::part);
    List<String> partners =
        part.map(p -> p.partners().stream().map(o -> sheet.part(o).title()).toList())
            .orElse(List.of());
    if (!partners.isEmpty()) {
      return "It is renewed together with the %s.".formatted(String.join(" and the ", partners));
    }
    if (problem
        .likeliest(problem.leading())
        .ofParts()
        .anyMatch(f -> f.mode() == FaultMode.TRIPPED)) {
      return "The %s opens by heat and closes again once it is cool: find what overheats it, then watch it through a whole cycle."
          .formatted(culprit.title(sheet));
    }
    return part.filter(p -> p.kind().is(PartKind.Trait.WELDS)).isPresent()
        ? proofs.ofContact(part.get())
        : proofs.confirmBy();
  }

  private Proposal proposal(Question question, boolean confirms, String why) {
    OutcomeModel outcomes = problem.outcomeModel(question);
    Distribution.Split split = state.split(question);
    WorkState.Move move = state.move(question);
    Optional<Probe> probe = question.probe();
    return new Proposal(
        question.id(),
        question.kind(),
        probe.map(p -> p.function().toString()),
        probe.filter(p -> !p.function().clamps()).map(Probe::red),
        probe.filter(p -> !p.function().clamps()).map(Probe::black),
        question.part(),
        question.situation(),
        probe.map(p -> List.copyOf(p.liftedAt())).orElse(List.of()),
        probe.flatMap(Probe::celsius),
        question.reseated(),
        question.title(sheet),
        move.steps(),
        expect(question, outcomes, split),
        why,
        move.minutes(),
        move.opening(),
        state.settles(question),
        confirms,
        hazards(question, move),
        check(question).map(Check::id),
        check(question).flatMap(Check::bench).map(b -> PartChecks.withKey(b.key()).card()));
  }

  private static Optional<Check> check(Question question) {
    return question instanceof Question.GuideCheck c ? Optional.of(c.check()) : Optional.empty();
  }

  /** What the work comes to as it stands. */
  String standing() {
    String named = new Suspects(problem).placed(state.believed().byGroup());
    return PlainText.sentence(named);
  }

  /** What must be minded, of the power and of all that has to be opened. */
  private List<String> hazards(Question question, WorkState.Move move) {
    List<String> hazards = new ArrayList<>();
    if (move.exposed()) {
      hazards.add("Live: one hand, insulated probes, a meter fit for the place.");
    } else if (!move.after().live() && !question.asItStands()) {
      hazards.add("Isolated, locked off and proved dead, the meter proved before and after.");
    }
    if (question.probe().flatMap(Probe::celsius).isPresent()) {
      hazards.add("Hot: no flame, gloves, no hotter than said; let it cool before it goes back.");
    }
    for (String id : WorkState.accesses(sheet, question)) {
      Access access = sheet.access().get(id);
      hazards.addAll(access.hazards());
    }
    check(question).ifPresent(c -> hazards.addAll(c.hazards()));
    return hazards.stream().distinct().toList();
  }

  private List<Proposal.Expect> expect(
      Question question, OutcomeModel outcomes, Distribution.Split split) {
    if (question.reseated()) {
      double gone = split.chance()[outcomes.words().indexOf(OutcomeModel.AS_SOUND)];
      return List.of(
          new Proposal.Expect(OutcomeModel.AS_SOUND, "it was in its terminals: renew those", gone),
          new Proposal.Expect("as before", "it is the part itself", 1 - gone));
    }
    if (check(question).isPresent()) {
      return outcomes(check(question).get(), outcomes, split);
    }
    return Answers.of(state, question).stream()
        .limit(MOST_ANSWERS)
        .map(a -> new Proposal.Expect(a.shown(), a.meaning(), a.chance()))
        .toList();
  }

  /** All of a check's, in the order of the guide: each is a key. */
  private List<Proposal.Expect> outcomes(
      Check check, OutcomeModel outcomes, Distribution.Split split) {
    Suspects suspects = new Suspects(problem);
    List<String> ids = List.copyOf(check.outcomes().keySet());
    return IntStream.range(0, outcomes.answers())
        .mapToObj(
            j ->
                new Proposal.Expect(
                    outcomes.words().get(j),
                    split.chance()[j] > 0 ? suspects.names(split.byGroup()[j]) : "",
                    split.chance()[j],
                    ids.get(j)))
        .toList();
  }

  /** In what way something is found out: alternatives should differ in it. */
  private String kind(Question question) {
    if (question instanceof Question.Measure m) {
      MeterFunction function = m.at().function();
      return function
          + (m.at().atTerminals(sheet) ? " supply" : m.at().part().isPresent() ? " part" : " run");
    }
    return question.kind().toString();
  }
}
