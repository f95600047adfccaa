package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/** A flame rod: microamperes with flame, volts to earth without. Common practice, no source. */
final class FlameRodCheck implements PartCheck {

  private static final double LEAST = 0.7e-6;
  private static final double GOOD = 2e-6;

  @Override
  public Card card() {
    return new Card(
        "flame-rod",
        "A flame rod",
        Set.of(PartKind.FLAME_ROD),
        List.of("microamps", "flame sense", "rectification", "uA"),
        "The rod is never touched with power on.",
        List.of(
            Input.figure(
                    "amperes",
                    "Current in series, flame burning",
                    Dimension.AMPERES,
                    "3.1 uA",
                    0,
                    1e-3)
                .bare("uA"),
            Input.figure(
                    "volts",
                    "Volts from rod to earth without flame",
                    Dimension.VOLTS,
                    "98 V",
                    0,
                    300)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double a = in.figure("amperes");
    CheckResult.Grade grade =
        a >= GOOD
            ? CheckResult.Grade.GOOD
            : a >= LEAST ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD;
    CheckResult.Writer answer =
        CheckResult.saying(
                grade,
                grade == CheckResult.Grade.GOOD
                    ? "Flame is seen"
                    : grade == CheckResult.Grade.DOUBTFUL ? "Weak" : "Flame is not seen")
            .result("microamperes", 1e6 * a, "uA");
    if (in.has("volts")) {
      answer.because(
          in.figure("volts") > 50
              ? "The board sends its volts to the rod."
              : in.figure("volts") > 5
                  ? "Boards differ: some send 24 V to the rod, others about 100 V."
                  : "No volts at the rod: its wire or the board.");
    }
    return answer
        .because(
            "%.1f uA; %.1f is the least, from %.0f it is sure.", 1e6 * a, 1e6 * LEAST, 1e6 * GOOD)
        .band(
            "%.1f uA at least, %.0f uA to be sure; about 100 V to earth without flame",
            1e6 * LEAST, 1e6 * GOOD)
        .drawn(
            Picture.scale(
                "uA",
                List.of(
                    new Picture.Band(0, 1e6 * LEAST, "not seen", CheckResult.Grade.BAD),
                    new Picture.Band(1e6 * LEAST, 1e6 * GOOD, "weak", CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(1e6 * GOOD, 6, "seen", CheckResult.Grade.GOOD)),
                new Picture.Mark(1e6 * a, 0, "yours")))
        .means(
            grade == CheckResult.Grade.GOOD
                ? "It is not why it locks out."
                : "The board shuts the gas though it burns.")
        .next(
            grade == CheckResult.Grade.GOOD
                ? "Go on."
                : "Clean it with fine steel wool; its place in the flame, the ground of the burner, the polarity of the supply.")
        .done();
  }
}
