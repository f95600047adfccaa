package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/** A run capacitor by what flows through it: {@code C = I / (2 pi f V)}; or as a meter shows it. */
final class CapacitorCheck implements PartCheck {

  private static final double BAND = 0.06;
  private static final double WORN = 0.10;

  @Override
  public Card card() {
    return new Card(
        "capacitor",
        "A run capacitor",
        Set.of(PartKind.MOTOR),
        List.of("microfarad", "uF", "capacitor", "blower"),
        "It holds its charge: discharge it by the maker's way before it is touched.",
        List.of(
            Input.figure("printed", "Printed on it", Dimension.FARADS, "7.5 uF", 1e-8, 1e-3),
            Input.figure(
                    "amperes", "Current through it, running", Dimension.AMPERES, "1.05 A", 0.01, 50)
                .optional(),
            Input.figure("volts", "Volts across it, running", Dimension.VOLTS, "370 V", 10, 1000)
                .optional(),
            Input.figure("hertz", "Mains", Dimension.HERTZ, "60 Hz", 40, 70).optional(),
            Input.figure(
                    "read",
                    "What a meter shows, out of the unit",
                    Dimension.FARADS,
                    "7.1 uF",
                    0,
                    1e-3)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    boolean running = in.has("amperes") && in.has("volts");
    if (!running && !in.has("read")) {
      throw new InvalidInputsException(
          "read", "type what the meter shows, or the current and volts it runs with");
    }
    double farads =
        running
            ? in.figure("amperes") / (2 * Math.PI * in.figure("hertz", 60) * in.figure("volts"))
            : in.figure("read");
    double off = farads / in.figure("printed") - 1;
    CheckResult.Grade grade =
        Math.abs(off) <= BAND
            ? CheckResult.Grade.GOOD
            : Math.abs(off) <= WORN ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD;
    CheckResult.Writer answer =
        CheckResult.saying(
                grade,
                grade == CheckResult.Grade.GOOD
                    ? "Within its print"
                    : off < 0
                        ? grade == CheckResult.Grade.BAD ? "Worn out" : "Wearing"
                        : "More than its print: read again")
            .result("microfarads", 1e6 * farads, "uF")
            .result("off", off, "");
    if (running) {
      answer.because(
          "C = I / (2 pi f V) = %.2f / (2 pi %.0f %.0f) = %.2f uF.",
          in.figure("amperes"), in.figure("hertz", 60), in.figure("volts"), 1e6 * farads);
    }
    return answer
        .because("%+.1f %% of its print.", 100 * off)
        .band("%.0f %% either way; beyond %.0f %% renewed", 100 * BAND, 100 * WORN)
        .drawn(
            Picture.scale(
                "uF",
                List.of(
                    new Picture.Band(
                        1e6 * in.figure("printed") * (1 - WORN),
                        1e6 * in.figure("printed") * (1 - BAND),
                        "wearing",
                        CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(
                        1e6 * in.figure("printed") * (1 - BAND),
                        1e6 * in.figure("printed") * (1 + BAND),
                        "its print",
                        CheckResult.Grade.GOOD)),
                new Picture.Mark(1e6 * farads, 0, "yours")))
        .from("The definition of reactance; the band is the usual print of run capacitors.")
        .means(
            off < -BAND
                ? "The blower starts slowly, runs hot and moves less air."
                : "It is not why the blower is slow.")
        .next(
            grade == CheckResult.Grade.GOOD
                ? "Look at the motor and the wheel."
                : off > 0
                    ? "Discharge it, both wires off, and read again; a run capacitor gains nothing."
                    : "A new one with the same microfarads and at least the same volts.")
        .done();
  }
}
