package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.SupplyVerdict;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/**
 * How far a step is.
 *
 * @param title of the step
 * @param note why it is so, in some words
 */
public record Progress(Step step, String title, State state, String note) {

  /** How a step stands. */
  public enum State {
    /** Nothing was done of it yet. */
    OPEN,
    /** The work is here. */
    HERE,
    DONE,
    /** Done, but something speaks against it. */
    DOUBTFUL,
    /** There is nothing to be done of it on this visit. */
    NOT_NEEDED;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  private Progress(Step step, State state, String note) {
    this(step, step.title(), state, note);
  }

  /**
   * How far every step of a visit is.
   *
   * @param visit what its steps have to offer
   * @param begun whether something was read or seen of the unit
   */
  static List<Progress> of(
      Sheet sheet, Visit visit, Told told, boolean begun, Assessment assessment, Plan plan) {
    boolean confirmed = assessment.leading().confirmed() && plan.state() != Plan.State.CONFIRM;
    boolean found = told.closed() || confirmed;
    Optional<Part> toRenew =
        Optional.ofNullable(sheet.parts().get(assessment.leading().part()))
            .filter(Progress::renewedWhenFailed);
    boolean outside =
        visit.cause().state() == CauseSearch.State.FOUND && visit.cause().opened().isEmpty();
    Progress arrive = arrive(visit, told, begun);
    List<Progress> steps =
        new ArrayList<>(
            List.of(
                arrive,
                supply(assessment.supply().verdict()),
                getIn(visit, told),
                walk(found || outside, arrive.state == State.HERE, plan),
                outside && !confirmed
                    ? new Progress(Step.CONFIRM, State.NOT_NEEDED, "outside of the circuit")
                    : confirm(found, plan.state(), visit),
                cause(visit.cause(), told.closed()),
                putRight(visit, confirmed ? toRenew : Optional.empty(), confirmed || outside),
                prove(visit),
                told.closed()
                    ? new Progress(Step.SIGN_OFF, State.DONE, "closed")
                    : new Progress(Step.SIGN_OFF, State.OPEN, "not yet")));
    boolean nothing = arrive.state != State.HERE && plan.next().isEmpty();
    return found || outside
        ? atWork(steps, Step.CAUSE, told)
        : nothing ? atWork(steps, Step.PROVE, told) : List.copyOf(steps);
  }

  /**
   * Once the fault is found, or nothing is left to ask, the work is at the first step that is not
   * over.
   *
   * @param from the first that is looked at
   */
  private static List<Progress> atWork(List<Progress> steps, Step from, Told told) {
    if (told.closed()) {
      return List.copyOf(steps);
    }
    for (int i = from.ordinal(); i < steps.size(); i++) {
      Progress p = steps.get(i);
      if (p.state == State.OPEN) {
        steps.set(i, new Progress(p.step, State.HERE, p.note));
        break;
      }
      if (p.state == State.DOUBTFUL) {
        break;
      }
    }
    return List.copyOf(steps);
  }

  /**
   * A job begins here, until its cautions were read and its simple things answered, they were
   * passed over on purpose, or something was read of the unit.
   */
  private static Progress arrive(Visit visit, Told told, boolean measured) {
    long unread = visit.hazards().stream().filter(h -> h.answer().isEmpty()).count();
    long open = visit.simple().stream().filter(s -> s.answer().isEmpty()).count();
    boolean begun =
        told.closed() || measured || told.said(VisitEntry.Kind.PASSED, Step.ARRIVE.toString());
    if (unread + open > 0 && !begun) {
      return new Progress(
          Step.ARRIVE,
          State.HERE,
          open == 0
              ? "%d cautions".formatted(unread)
              : "%d cautions, %d simple things".formatted(unread, open));
    }
    if (told.complaint().isEmpty()) {
      return new Progress(Step.ARRIVE, State.OPEN, "no complaint told");
    }
    return new Progress(Step.ARRIVE, State.DONE, told.complaint());
  }

  private static Progress supply(SupplyVerdict verdict) {
    State state =
        switch (verdict) {
          case SOUND -> State.DONE;
          case UNMEASURED -> State.OPEN;
          default -> State.DOUBTFUL;
        };
    return new Progress(Step.SUPPLY, state, verdict.toString().replace('-', ' '));
  }

  private static Progress getIn(Visit visit, Told told) {
    int open = told.open().size();
    if (open > 0) {
      return told.closed()
          ? new Progress(Step.GET_IN, State.DOUBTFUL, "%d left open".formatted(open))
          : new Progress(Step.GET_IN, State.DONE, "%d open".formatted(open));
    }
    boolean was = visit.accesses().stream().anyMatch(a -> a.answer().equals(VisitEntry.NO));
    return was
        ? new Progress(Step.GET_IN, State.DONE, "all closed again")
        : new Progress(Step.GET_IN, State.OPEN, "nothing opened");
  }

  private static Progress walk(boolean found, boolean arriving, Plan plan) {
    if (arriving) {
      return new Progress(Step.WALK, State.OPEN, "after the simple things");
    }
    if (found || plan.state() == Plan.State.CONFIRM || plan.state() == Plan.State.CLEAR) {
      return new Progress(Step.WALK, State.DONE, "it is clear");
    }
    return plan.next().isEmpty()
        ? new Progress(Step.WALK, State.DONE, "nothing left to ask")
        : new Progress(Step.WALK, State.HERE, "here");
  }

  private static Progress confirm(boolean found, Plan.State plan, Visit visit) {
    if (found) {
      return new Progress(Step.CONFIRM, State.DONE, "by its own test");
    }
    if (!visit.renewed().isEmpty()) {
      // the reading that showed it was struck out since, or there never was one
      return new Progress(
          Step.CONFIRM,
          State.DOUBTFUL,
          "%s renewed; no failed test of it stands".formatted(visit.renewed().get(0).title()));
    }
    return switch (plan) {
      case CONFIRM -> new Progress(Step.CONFIRM, State.HERE, "here");
      case CLEAR -> new Progress(Step.CONFIRM, State.DOUBTFUL, "not by its own test");
      default -> new Progress(Step.CONFIRM, State.OPEN, "no suspect yet");
    };
  }

  private static Progress cause(CauseSearch search, boolean closed) {
    return switch (search.state()) {
      case NOT_NEEDED -> new Progress(Step.CAUSE, State.NOT_NEEDED, "none is asked for");
      case FOUND -> new Progress(Step.CAUSE, State.DONE, search.causes().get(0).title());
      case NOT_FOUND -> new Progress(Step.CAUSE, State.DONE, "not found, said why");
      case ASK, NOTHING_LEFT ->
          closed
              ? new Progress(Step.CAUSE, State.DOUBTFUL, "not looked for")
              : new Progress(
                  Step.CAUSE,
                  State.OPEN,
                  search.opened().isPresent() ? "why did it open?" : "outside of the circuit?");
    };
  }

  /** Joints are mended; what is spent, trips or heats is renewed once it has failed. */
  private static boolean renewedWhenFailed(Part part) {
    return part.kind().is(PartKind.Trait.ONE_SHOT)
        || part.thermal().isPresent()
        || part.actsAsLoad();
  }

  private static Progress putRight(Visit visit, Optional<Part> toRenew, boolean confirmed) {
    List<Visit.Item> due = visit.actions().stream().filter(Visit.Item::due).toList();
    boolean different =
        visit.renewed().stream().anyMatch(r -> r.verdict() == Replacement.Verdict.DIFFERENT);
    if (different) {
      return new Progress(Step.PUT_RIGHT, State.DOUBTFUL, "a part is not the same");
    }
    long left = due.stream().filter(a -> a.answer().isEmpty()).count();
    boolean done =
        !visit.renewed().isEmpty()
            || visit.actions().stream().anyMatch(a -> a.answer().equals(VisitEntry.YES))
            || visit.simple().stream().anyMatch(s -> s.answer().equals(VisitEntry.NO));
    Optional<Part> old =
        toRenew.filter(p -> visit.renewed().stream().noneMatch(r -> r.part().equals(p.id())));
    if (done && left == 0 && old.isPresent()) {
      return new Progress(
          Step.PUT_RIGHT, State.OPEN, "%s not renewed".formatted(old.get().title()));
    }
    Optional<PartSet.Member> partner =
        visit.sets().stream().flatMap(s -> s.open().stream()).findFirst();
    if (done && left == 0 && !visit.renewed().isEmpty() && partner.isPresent()) {
      return new Progress(
          Step.PUT_RIGHT, State.OPEN, "and the %s?".formatted(partner.get().title()));
    }
    Optional<Visit.Renewal> unsettled =
        visit.renewed().stream().filter(r -> !r.settled()).findFirst();
    if (done && left == 0 && unsettled.isPresent()) {
      return new Progress(
          Step.PUT_RIGHT, State.OPEN, "rating of the new %s?".formatted(unsettled.get().title()));
    }
    if (done && left == 0) {
      return new Progress(Step.PUT_RIGHT, State.DONE, "done");
    }
    String note =
        done ? "%d to do".formatted(left) : confirmed ? "nothing done yet" : "nothing found yet";
    return new Progress(Step.PUT_RIGHT, State.OPEN, note);
  }

  private static Progress prove(Visit visit) {
    long failed = visit.proofs().stream().filter(p -> p.answer().equals(VisitEntry.NO)).count();
    long held = visit.proofs().stream().filter(p -> p.answer().equals(VisitEntry.YES)).count();
    if (failed > 0) {
      return new Progress(Step.PROVE, State.DOUBTFUL, "%d do not hold".formatted(failed));
    }
    return held > 0 && held == visit.proofs().size()
        ? new Progress(Step.PROVE, State.DONE, "all hold")
        : new Progress(
            Step.PROVE,
            State.OPEN,
            held == 0 ? "not yet" : "%d of %d hold".formatted(held, visit.proofs().size()));
  }
}
