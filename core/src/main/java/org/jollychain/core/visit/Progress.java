package org.jollychain.core.visit;

import java.util.List;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.SupplyVerdict;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.quantity.Kebab;

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
    DOUBTFUL;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  private static final String LATER = "comes later";

  private Progress(Step step, State state, String note) {
    this(step, step.title(), state, note);
  }

  /**
   * How far every step of a visit is.
   *
   * @param complaint what the customer sees, in words; empty where nothing was told
   * @param closed whether the visit is over
   */
  public static List<Progress> of(
      String complaint, boolean closed, Assessment assessment, Plan plan) {
    boolean confirmed = assessment.leading().confirmed() && plan.state() != Plan.State.CONFIRM;
    boolean found = closed || confirmed;
    return Stream.concat(
            Stream.of(
                arrive(complaint),
                supply(assessment.supply().verdict()),
                new Progress(Step.GET_IN, State.OPEN, LATER),
                walk(found, plan.state()),
                confirm(found, plan.state())),
            Stream.of(Step.CAUSE, Step.PUT_RIGHT, Step.PROVE, Step.SIGN_OFF)
                .map(step -> new Progress(step, State.OPEN, LATER)))
        .toList();
  }

  private static Progress arrive(String complaint) {
    return complaint.isEmpty()
        ? new Progress(Step.ARRIVE, State.OPEN, "no complaint told")
        : new Progress(Step.ARRIVE, State.DONE, complaint);
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

  private static Progress walk(boolean found, Plan.State plan) {
    boolean leads = found || plan == Plan.State.CONFIRM || plan == Plan.State.CLEAR;
    return leads
        ? new Progress(Step.WALK, State.DONE, "a suspect leads")
        : new Progress(Step.WALK, State.HERE, "here");
  }

  private static Progress confirm(boolean found, Plan.State plan) {
    if (found) {
      return new Progress(Step.CONFIRM, State.DONE, "by its own test");
    }
    return switch (plan) {
      case CONFIRM -> new Progress(Step.CONFIRM, State.HERE, "here");
      case CLEAR -> new Progress(Step.CONFIRM, State.DOUBTFUL, "not by its own test");
      default -> new Progress(Step.CONFIRM, State.OPEN, "no suspect yet");
    };
  }
}
