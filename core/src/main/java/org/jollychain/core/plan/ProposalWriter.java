package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.SupplyAdvice;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.TwoStepLookahead;
import org.jollychain.core.sheet.Access;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.ThermalRating;

/** A plan in words. */
final class ProposalWriter {

  private static final int MOST_ANSWERS = 4;
  private static final int ALTERNATIVES = 3;
  private static final int USUAL_OVER = 6;

  private final PlanningState state;
  private final PlanningProblem problem;
  private final Sheet sheet;

  ProposalWriter(PlanningState state) {
    this.state = state;
    this.sheet = state.sheet();
    this.problem = state.problem();
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
    return new Plan(next, how, say, confirmBy(), expected);
  }

  /**
   * What would confirm what leads. A suspect's own test is the one that would be proposed, so that
   * it obeys permit, reach and what was skipped.
   */
  private String confirmBy() {
    Hypothesis leader = problem.leader();
    Culprit first = leader.first();
    Optional<Part> byHand = first.part().map(sheet::part).filter(this::buttonToLookAt);
    if (byHand.isPresent()) {
      return "Look at the reset button of the %s: out, it has tripped, and what overheated it comes first."
          .formatted(byHand.get().title());
    }
    Optional<Question> due = problem.confirming(leader, state.at().made(), false);
    boolean once =
        leader.supplyFault().isPresent()
            || first.part().map(sheet::part).filter(problem::judgedByItsCall).isPresent();
    Optional<Question> own = once ? due : due.or(() -> problem.confirming(leader, Set.of(), false));
    if (own.isPresent()) {
      List<String> lifted = own.get().probe().map(p -> List.copyOf(p.liftedAt())).orElse(List.of());
      String off = lifted.isEmpty() ? "" : ", wire off at " + String.join(" and ", lifted);
      String again = due.isEmpty() ? ", once more with firm contact" : "";
      String situation = sheet.situation(own.get().situation()).title();
      return "%s%s%s (%s).".formatted(own.get().title(sheet), off, again, situation);
    }
    return switch (leader.kind()) {
      case SOUND -> "Run it through a whole cycle: it must heat, and cycle on its control.";
      case NOT_ON_SHEET -> "Compare the wiring with the maker's diagram.";
      case FAULTY ->
          leader.supplyFault().isPresent()
              ? SupplyAdvice.of(leader.supplyFault().get(), sheet.supply().system())
              : switch (leader.modeOf(first).orElseThrow()) {
                case NOT_MADE -> "Give the command and see whether the contact closes.";
                case INTERMITTENT ->
                    "Renew what is burnt or loose in %s or its terminals, then prove it at work."
                        .formatted(first.said(sheet));
                default ->
                    first.part().filter(this::switched).isPresent()
                        ? ofContact(sheet.part(first.part().get()))
                        : first.part().flatMap(p -> sheet.part(p).kind().firstLook()).isPresent()
                            ? sheet.part(first.part().get()).kind().firstLook().get()
                            : "No test of %s by itself is left that may be made: permit, method, or points out of reach."
                                .formatted(first.said(sheet));
              };
    };
  }

  private boolean switched(String part) {
    return sheet.part(part).kind().is(PartKind.Trait.WELDS);
  }

  /** One that is reset by hand has most likely tripped; nobody has looked at its button yet. */
  private boolean buttonToLookAt(Part part) {
    List<Question> own =
        state.at().made().stream()
            .filter(q -> q.part().filter(part.id()::equals).isPresent())
            .toList();
    return part.comesBack(ThermalRating.Reset.MANUAL)
        && !own.isEmpty()
        && own.stream().noneMatch(Question.Look.class::isInstance);
  }

  Plan end(int call, Assessment.Leading leading) {
    boolean found = leading.confirmed();
    String say =
        found
            ? "By its own test: %s. Find what made it fail before it is renewed like for like."
                .formatted(leading.title())
            : closesAgain(problem.likeliest(call))
                ? "It points to %s. It opened by heat: let it cool, find what let it overheat, then read it again."
                    .formatted(leading.title())
                : "Most likely by far: %s. %s".formatted(leading.title(), confirmBy());
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
        ? ofContact(part.get())
        : confirmBy();
  }

  /** A contact that no test of its own shows to be dead is said to be what it is. */
  private String ofContact(Part contact) {
    boolean seenOpen =
        state.at().made().stream()
            .anyMatch(
                q ->
                    q.part().filter(contact.id()::equals).isPresent()
                        && sheet.situation(q.situation()).supplyOn());
    return seenOpen
        ? "It stands open though it is called: the %s, or what drives it. Listen for it when it is called, look at its joints and measure its drive before it is renewed."
            .formatted(contact.title())
        : "The %s or what drives it: give the command and listen for it, look at its joints. Without a failed test it is not renewed."
            .formatted(contact.title());
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
        hazards(question, move));
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
    } else if (!move.after().live()) {
      hazards.add("Isolated, locked off and proved dead, the meter proved before and after.");
    }
    if (question.probe().flatMap(Probe::celsius).isPresent()) {
      hazards.add("Hot: no flame, gloves, no hotter than said; let it cool before it goes back.");
    }
    for (String id : WorkState.accesses(sheet, question)) {
      Access access = sheet.access().get(id);
      hazards.addAll(access.hazards());
    }
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
    return Answers.of(state, question).stream()
        .limit(MOST_ANSWERS)
        .map(a -> new Proposal.Expect(a.shown(), a.meaning(), a.chance()))
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
