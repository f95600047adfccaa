package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A door with two interlocks in series and a monitor across the line behind them: the interlocks
 * close when the door shuts, the monitor opens before they do. What each reads in each position
 * follows from the circuit; so does what the plug reads with the door shut. Logic of the circuit.
 */
final class DoorInterlocksCheck implements PartCheck {

  private static final double SHORT_OHMS = 1;

  /** An open contact reads OL; fingers and damp read so much (ohm). */
  private static final double OPEN_OHMS = 1e6;

  @Override
  public Card card() {
    return new Card(
        "door-interlocks",
        "Door interlocks with a monitor",
        Set.of(PartKind.DOOR_SWITCH, PartKind.MONITOR_SWITCH),
        List.of("microwave", "door switch", "interlock", "monitor", "latch"),
        "Unplugged, the capacitor proved discharged. Never live.",
        List.of(
            Input.text("first-shut", "First interlock, door shut", "0.1"),
            Input.text("first-open", "First interlock, door open", "OL"),
            Input.text("second-shut", "Second interlock, door shut", "0.1"),
            Input.text("second-open", "Second interlock, door open", "OL"),
            Input.text("monitor-shut", "Monitor, door shut", "OL"),
            Input.text("monitor-open", "Monitor, door open", "0.1"),
            Input.text("plug", "At the plug, door shut", "12").optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    List<String> wrong = new ArrayList<>();
    boolean danger = false;
    for (String which : List.of("first", "second")) {
      boolean shut = closed(in, which + "-shut");
      boolean open = closed(in, which + "-open");
      if (!shut) {
        wrong.add("the %s interlock does not close".formatted(which));
      }
      if (open) {
        wrong.add("the %s interlock is welded".formatted(which));
        danger = true;
      } else if (!isOpen(in, which + "-open")) {
        wrong.add("the %s interlock leaks with the door open: open means OL".formatted(which));
        danger = true;
      }
    }
    if (closed(in, "monitor-shut")) {
      wrong.add("the monitor stays closed: it shorts the line when the door shuts");
      danger = true;
    } else if (!isOpen(in, "monitor-shut")) {
      wrong.add("the monitor leaks with the door shut: open means OL");
      danger = true;
    }
    if (!closed(in, "monitor-open")) {
      wrong.add("the monitor does not close with the door open: it protects nobody");
      danger = true;
    }
    CheckResult.Writer answer =
        CheckResult.saying(
                wrong.isEmpty() ? CheckResult.Grade.GOOD : CheckResult.Grade.BAD,
                wrong.isEmpty()
                    ? "All three as they should be"
                    : "Wrong: " + String.join("; ", wrong))
            .result("wrong", wrong.size(), "");
    if (in.has("plug")) {
      double plug = OhmsRead.of("plug", in.text("plug"));
      answer
          .result("plug-ohms", Math.min(plug, OhmsRead.OPEN), Dimension.OHMS)
          .because(
              plug >= OhmsRead.OPEN
                  ? "OL at the plug with the door shut: the line fuse or a cut-out is open."
                  : plug <= SHORT_OHMS
                      ? "Near 0 at the plug with the door shut: a monitor contact, or with a mechanical timer the primary itself (0.3 to 2 ohm); take the primary's wire off and read again."
                      : "At the plug with the door shut it reads about the primary or the board.");
    }
    return answer
        .because("Door shut: both interlocks closed, monitor open. Door open: the other way round.")
        .because(
            "Shutting, the monitor opens before the interlocks close; opening, they open before it closes.")
        .band("0 to 0.4 ohm closed, OL open")
        .from("Logic of the circuit.")
        .means(
            danger
                ? "The fuse blows, or the door no longer keeps the power off."
                : wrong.isEmpty() ? "The door is not it." : "It does not start.")
        .next(
            wrong.isEmpty()
                ? "Door switches good. Check fuse and control."
                : "Renew all switches of the set, and the fuse; then first power through a switched strip, hands off.")
        .done();
  }

  private static boolean isOpen(Inputs in, String name) {
    return OhmsRead.of(name, in.text(name)) >= OPEN_OHMS;
  }

  private static boolean closed(Inputs in, String name) {
    return OhmsRead.of(name, in.text(name)) <= SHORT_OHMS;
  }
}
