package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A motor's capacitor by what flows through it: {@code C = I / (2 pi f V)}; or as a meter shows it.
 * A run capacitor may be off by its print either way, a start capacitor only above it.
 */
final class CapacitorCheck implements PartCheck {

  /** The usual prints (a share): a run capacitor either way, a start capacitor upwards. */
  private static final double RUN = 0.06;

  private static final double START = 0.20;

  /** So much beyond its print it is worn out (a share); common practice, no source. */
  private static final double WORN = 0.04;

  private static final String START_KIND = "start";

  @Override
  public Card card() {
    return new Card(
        "capacitor",
        "A motor's capacitor",
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
                .optional(),
            Input.choice("kind", "Its kind", "run", "one section of a dual run", START_KIND)
                .optional(),
            Input.figure("percent", "Per cent printed on it", Dimension.SHARE, "6", 1, 40)
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
    boolean start = in.text("kind").equals(START_KIND);
    double print = in.has("percent") ? in.figure("percent") / 100 : start ? START : RUN;
    double lower = start ? 0 : -print;
    double beyond = Math.max(lower - off, off - print);
    CheckResult.Grade grade =
        beyond <= 0
            ? CheckResult.Grade.GOOD
            : beyond <= WORN || off > 0 ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD;
    CheckResult.Writer answer =
        CheckResult.saying(
                grade,
                beyond <= 0
                    ? "Within its print"
                    : off > 0
                        ? "More than its print: read again"
                        : beyond > WORN ? "Worn out" : "Wearing")
            .result("microfarads", 1e6 * farads, "uF")
            .result("off", off, "");
    if (running) {
      answer.because(
          "C = I / (2 pi f V) = %.2f / (2 pi %.0f %.0f) = %.2f uF.",
          in.figure("amperes"), in.figure("hertz", 60), in.figure("volts"), 1e6 * farads);
    }
    return answer
        .because("%+.1f %% of its print.", 100 * off)
        .band(
            "%.0f to %+.0f %% of its print%s",
            100 * lower, 100 * print, in.has("percent") ? "" : ", as is usual; its own print holds")
        .drawn(
            Picture.scale(
                "uF",
                List.of(
                    new Picture.Band(
                        1e6 * in.figure("printed") * (1 + lower - WORN),
                        1e6 * in.figure("printed") * (1 + lower),
                        "wearing",
                        CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(
                        1e6 * in.figure("printed") * (1 + lower),
                        1e6 * in.figure("printed") * (1 + print),
                        "its print",
                        CheckResult.Grade.GOOD)),
                new Picture.Mark(1e6 * farads, 0, "yours")))
        .from("The definition of reactance; where no per cent is printed, common practice.")
        .means(
            grade == CheckResult.Grade.GOOD
                ? "It is not why the motor is slow."
                : start
                    ? "The motor hums and starts slowly or not at all."
                    : "The motor starts slowly, runs hot and moves less air.")
        .next(
            grade == CheckResult.Grade.GOOD
                ? in.text("kind").startsWith("one section")
                    ? "Read its other section to the same common terminal too."
                    : "Look at the motor and the wheel."
                : off > 0
                    ? "Discharge it, all wires off, and read again: a capacitor gains nothing."
                    : "A new one of the same kind and microfarads, and at least the same volts.")
        .done();
  }
}
