package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A start switch, pressed and let go: one that stays closed restarts the unit at the door. Common
 * practice, no source.
 */
final class StartSwitchCheck implements PartCheck {

  /** Sound up to here, leads and all (ohm); common practice, no source. */
  private static final double CLOSED_OHMS = 1;

  /** Up to here its contact is dirty (ohm); common practice, no source. */
  private static final double DIRTY_OHMS = 5;

  @Override
  public Card card() {
    return new Card(
        "start-switch",
        "A start switch",
        Set.of(PartKind.START_SWITCH),
        List.of("start", "push to start", "restarts"),
        "Isolated, its wires off.",
        List.of(
            Input.text("pressed", "Ohms, pressed", "0.1"),
            Input.text("let-go", "Ohms, let go", "OL"),
            Input.choice("restarts", "Does it start by itself when the door shuts?", "no", "yes")
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double pressed = OhmsRead.of("pressed", in.text("pressed"));
    double free = OhmsRead.of("let-go", in.text("let-go"));
    boolean welded = free <= CLOSED_OHMS || in.text("restarts").equals("yes");
    boolean dead = pressed > DIRTY_OHMS;
    boolean dirty = !dead && pressed > CLOSED_OHMS;
    return CheckResult.saying(
            welded || dead
                ? CheckResult.Grade.BAD
                : dirty ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD,
            welded
                ? "Welded: it starts by itself when the door shuts"
                : dead
                    ? "Does not close"
                    : dirty ? "Its contact is dirty: work it, and read again" : "Sound")
        .result("pressed-ohms", Math.min(pressed, OhmsRead.OPEN), Dimension.OHMS)
        .because("Pressed %s, let go %s.", OhmsRead.said(pressed), OhmsRead.said(free))
        .band("up to %.1f ohm pressed, OL let go", CLOSED_OHMS)
        .means(
            welded
                ? "Somebody with a hand in the drum is in danger."
                : dead ? "It never starts." : "Look further.")
        .next(welded || dead ? "Renew it." : "Door switch, then motor.")
        .done();
  }
}
