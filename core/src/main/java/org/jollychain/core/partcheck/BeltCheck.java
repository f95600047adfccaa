package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * The belt by hand: how the drum turns, and its switch if it has one. Common practice, no source.
 */
final class BeltCheck implements PartCheck {

  @Override
  public Card card() {
    return new Card(
        "belt",
        "The belt, by hand",
        Set.of(PartKind.BELT_SWITCH),
        List.of("belt", "drum turns freely", "belt switch", "idler"),
        "Unplugged.",
        List.of(
            Input.choice(
                "drum",
                "The drum by hand",
                "drags and springs back a little",
                "spins far too freely",
                "hardly turns"),
            Input.text("switch", "Ohms of its belt switch", "0.1").optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    boolean off = in.text("drum").startsWith("spins");
    boolean stuck = in.text("drum").startsWith("hardly");
    boolean shown = in.has("switch") && OhmsRead.of("switch", in.text("switch")) >= OhmsRead.OPEN;
    CheckResult.Writer answer =
        CheckResult.saying(
            stuck || off && shown
                ? CheckResult.Grade.BAD
                : off ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD,
            off
                ? shown ? "Belt off or torn" : "Belt off? Feel it"
                : stuck ? "Something holds the drum" : "The belt is on");
    if (in.has("switch")) {
      double ohms = OhmsRead.of("switch", in.text("switch"));
      boolean open = ohms >= OhmsRead.OPEN;
      answer
          .result("switch-ohms", Math.min(ohms, OhmsRead.OPEN), Dimension.OHMS)
          .because(
              open == off
                  ? "Its switch says the same."
                  : open
                      ? "Its switch is open with the belt on: the switch or its lever."
                      : "Its switch is closed with the belt off: bridged or welded.");
    }
    return answer
        .because("A drum with its belt drags the motor along and springs back a little.")
        .means(
            off
                ? "Some units do not start at all without it; some drums on rollers spin free with it."
                : stuck ? "Rollers, glides, something caught." : "The belt is not it.")
        .next(
            off
                ? "A new belt; look at idler and rollers."
                : stuck ? "Belt off, motor and drum each by hand." : "Look further.")
        .done();
  }
}
