package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A hot-surface igniter: cold ohms, how soon it glows, its current. Its ohms are its kind's, not
 * one maker's: between the ends of the band every figure is sound. Common practice, no source.
 */
final class IgniterCheck implements PartCheck {

  /**
   * What it is made of.
   *
   * @param low the least ohms of a sound one, cold
   * @param high the most
   * @param from the soonest it glows (s)
   * @param to the latest
   */
  private record Kind(String name, double low, double high, double from, double to) {}

  private static final List<Kind> KINDS =
      List.of(
          new Kind("not known", 8, 400, 3, 45),
          new Kind("carbide: grey, a spiral or an M", 40, 400, 15, 45),
          new Kind("nitride: dark, a thin blade", 8, 80, 3, 15));

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
            Input.choice(
                    "kind", "What it is", KINDS.stream().map(Kind::name).toArray(String[]::new))
                .optional(),
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
                .optional(),
            Input.choice("in-series", "In series with an oven's safety valve?", "no", "yes")
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double ohms = OhmsRead.of("ohms", in.text("ohms"));
    boolean open = ohms >= OhmsRead.OPEN;
    Kind kind =
        KINDS.stream()
            .filter(k -> k.name().equals(in.text("kind")))
            .findFirst()
            .orElse(KINDS.get(0));
    boolean within = ohms >= kind.low() && ohms <= kind.high();
    boolean slow = in.figure("glows", 0) > kind.to();
    boolean little =
        in.has("rated") && in.has("amperes") && in.figure("amperes") < 0.95 * in.figure("rated");
    // only there does its current have to open something
    boolean weak = little && in.text("in-series").equals("yes");
    CheckResult.Writer answer =
        CheckResult.saying(
            open || weak
                ? CheckResult.Grade.BAD
                : within && !slow && !little ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
            open
                ? "Open"
                : weak
                    ? "Weak: it draws too little to open its valve"
                    : little
                        ? "Draws little: that matters in series with an oven's valve"
                        : slow ? "Slow" : within ? "Sound cold" : "Out of its usual band");
    if (!open) {
      answer.measured("ohms", ohms, Dimension.OHMS, Figures.twice(MeterFunction.OHMS, ohms));
    }
    if (in.has("glows")) {
      answer.because(
          "Glows after %.0f s; %.0f to %.0f s is usual.",
          in.figure("glows"), kind.from(), kind.to());
    }
    if (in.has("amperes")) {
      answer.result("amperes", in.figure("amperes"), Dimension.AMPERES);
    }
    return answer
        .because(
            "Cold %s; every figure from %.0f to %.0f ohm is sound.",
            OhmsRead.said(ohms), kind.low(), kind.high())
        .band("%.0f to %.0f ohm cold; glows within %.0f s", kind.low(), kind.high(), kind.to())
        .drawn(
            Picture.scale(
                "ohm, cold",
                List.of(
                    new Picture.Band(0, kind.low(), "too few", CheckResult.Grade.BAD),
                    new Picture.Band(kind.low(), kind.high(), "usual", CheckResult.Grade.GOOD),
                    new Picture.Band(
                        kind.high(), 1.5 * kind.high(), "too many", CheckResult.Grade.BAD)),
                new Picture.Mark(Math.min(ohms, 1.5 * kind.high()), 0, open ? "OL" : "yours")))
        .means(
            open
                ? "No glow, no gas."
                : weak || slow
                    ? "It tires; the flame comes late or not at all."
                    : "Glow and no flame: look at the coils next.")
        .next(open || weak ? "Renew it; hold it by the ceramic." : "Watch three burns.")
        .done();
  }
}
