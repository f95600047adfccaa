package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/** A hot-surface igniter: cold ohms, how soon it glows, its current. Common practice, no source. */
final class IgniterCheck implements PartCheck {

  private static final double LOW_OHMS = 40;
  private static final double HIGH_OHMS = 400;
  private static final double GLOWS_SECONDS = 30;

  @Override
  public Card card() {
    return new Card(
        "igniter",
        "A hot-surface igniter",
        Set.of(PartKind.IGNITER),
        List.of("glow", "glow bar", "hsi", "75 ohm"),
        "Cold and isolated; by its ceramic, never by its element.",
        List.of(
            Input.text("ohms", "Cold ohms", "75"),
            Input.figure(
                    "glows", "Seconds until it glows yellow", Dimension.SECONDS, "20 s", 0, 600)
                .optional(),
            Input.figure("amperes", "Its current, glowing", Dimension.AMPERES, "3.2 A", 0, 20)
                .optional(),
            Input.figure(
                    "rated",
                    "Current its valve or paper asks for",
                    Dimension.AMPERES,
                    "3.2 A",
                    0.1,
                    20)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double ohms = OhmsRead.of("ohms", in.text("ohms"));
    boolean open = ohms >= OhmsRead.OPEN;
    boolean within = ohms >= LOW_OHMS && ohms <= HIGH_OHMS;
    boolean slow = in.figure("glows", 0) > GLOWS_SECONDS;
    boolean weak =
        in.has("rated") && in.has("amperes") && in.figure("amperes") < 0.95 * in.figure("rated");
    CheckResult.Writer answer =
        CheckResult.saying(
            open || weak
                ? CheckResult.Grade.BAD
                : within && !slow ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
            open
                ? "Open"
                : weak
                    ? "Weak: it draws too little to open its valve"
                    : slow ? "Slow" : within ? "Sound cold" : "Out of its usual band");
    if (!open) {
      answer.measured("ohms", ohms, Dimension.OHMS, Figures.twice(MeterFunction.OHMS, ohms));
    }
    if (in.has("glows")) {
      answer.because(
          "Glows after %.0f s; 15 to %.0f s is usual.", in.figure("glows"), GLOWS_SECONDS);
    }
    if (in.has("amperes")) {
      answer.result("amperes", in.figure("amperes"), Dimension.AMPERES);
    }
    return answer
        .because(
            "Cold %s; %.0f to %.0f ohm is usual, often 50 to 100.",
            OhmsRead.said(ohms), LOW_OHMS, HIGH_OHMS)
        .band("%.0f to %.0f ohm cold; glows within %.0f s", LOW_OHMS, HIGH_OHMS, GLOWS_SECONDS)
        .drawn(
            Picture.scale(
                "ohm, cold",
                List.of(
                    new Picture.Band(0, LOW_OHMS, "too few", CheckResult.Grade.BAD),
                    new Picture.Band(LOW_OHMS, HIGH_OHMS, "usual", CheckResult.Grade.GOOD),
                    new Picture.Band(
                        HIGH_OHMS, 1.5 * HIGH_OHMS, "too many", CheckResult.Grade.BAD)),
                new Picture.Mark(Math.min(ohms, 1.5 * HIGH_OHMS), 0, open ? "OL" : "yours")))
        .means(
            open
                ? "No glow, no gas."
                : weak || slow
                    ? "It tires; the valve opens late or not at all."
                    : "Glow and no flame: look at the coils next.")
        .next(open || weak ? "Renew it; hold it by the ceramic." : "Watch three burns.")
        .done();
  }
}
