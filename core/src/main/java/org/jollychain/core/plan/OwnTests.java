package org.jollychain.core.plan;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.diagnosis.SupplyAdvice;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.ThermalRating;

/** What would prove that what leads is at fault, in words. */
final class OwnTests {

  private final PlanningState state;
  private final PlanningProblem problem;
  private final Sheet sheet;

  OwnTests(PlanningState state) {
    this.state = state;
    this.problem = state.problem();
    this.sheet = state.sheet();
  }

  /**
   * What would confirm what leads. A suspect's own test is the one that would be proposed, so that
   * it obeys permit, reach and what was skipped.
   */
  String confirmBy() {
    if (problem.culprits().get(problem.leading()) instanceof Culprit.OutsideCause) {
      return problem
          .confirming(problem.leading(), state.at().made(), false)
          .map(q -> q.title(sheet) + ".")
          .orElse("Put it right, then prove it.");
    }
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

  /** A contact that no test of its own shows to be dead is said to be what it is. */
  String ofContact(Part contact) {
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
}
