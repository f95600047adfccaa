package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.ServiceBand;

/**
 * A control transformer: volts in and out against its plate, how far they fall under load, and what
 * its rating lets it carry, {@code I = VA / V}.
 */
final class TransformerCheck implements PartCheck {

  /** Hardly loaded it shows so much more (a share); common practice, no source. */
  private static final double UNLOADED_ABOVE = ServiceBand.CONTROL_TRANSFORMER.above();

  private static final double LOADED_BELOW = 0.1;

  @Override
  public Card card() {
    return new Card(
        "transformer",
        "A control transformer",
        Set.of(PartKind.TRANSFORMER_PRIMARY, PartKind.TRANSFORMER_SECONDARY),
        List.of("24 V", "40 VA", "secondary", "transformer"),
        "Live: only with a permit.",
        List.of(
            Input.figure("primary", "Volts on its plate, in", Dimension.VOLTS, "240 V", 1, 1000),
            Input.figure("secondary", "Volts on its plate, out", Dimension.VOLTS, "24 V", 1, 1000),
            Input.figure("va", "VA on its plate", Dimension.SHARE, "40", 1, 5000),
            Input.figure("in", "Volts read at the primary", Dimension.VOLTS, "238 V", 0, 1000),
            Input.figure("out", "Volts read at the secondary", Dimension.VOLTS, "27 V", 0, 1000),
            Input.figure("loaded", "The same under load", Dimension.VOLTS, "25 V", 0, 1000)
                .optional(),
            Input.figure("amperes", "Current of the load", Dimension.AMPERES, "0.9 A", 0, 200)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double fed = in.figure("in") / in.figure("primary");
    double due = in.figure("secondary") * fed;
    double out = in.figure("out");
    double most = in.figure("va") / in.figure("secondary");
    boolean over = in.figure("amperes", 0) > most;
    boolean sags = in.has("loaded") && in.figure("loaded") < due * (1 - LOADED_BELOW);
    String verdict;
    CheckResult.Grade grade = CheckResult.Grade.BAD;
    if (fed < 0.1) {
      verdict = "Not fed: nothing at its primary";
    } else if (out < 0.1 * due) {
      verdict = "Dead: fed, and nothing comes out";
    } else if (out < due * (1 - LOADED_BELOW)) {
      verdict = "Weak: too little comes out";
    } else if (over) {
      verdict = "Overloaded";
    } else if (sags) {
      verdict = "Falls too far under load";
    } else if (in.figure("primary") > 220 && in.figure("in") > 196 && in.figure("in") < 217) {
      verdict = "Sound, on another tap than its supply: move to the 208 V tap";
      grade = CheckResult.Grade.DOUBTFUL;
    } else {
      verdict = "Sound";
      grade =
          out > due * (1 + UNLOADED_ABOVE) ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD;
    }
    CheckResult.Writer answer =
        CheckResult.saying(grade, verdict)
            .result("expected-volts", due, Dimension.VOLTS)
            .result("most-amperes", most, Dimension.AMPERES)
            .because(
                "%.0f / %.0f of %.0f V is %.1f V; unloaded up to %.0f %% more is usual.",
                in.figure("in"),
                in.figure("primary"),
                in.figure("secondary"),
                due,
                100 * UNLOADED_ABOVE)
            .because(
                "I = VA / V = %.0f / %.0f = %.2f A at most.",
                in.figure("va"), in.figure("secondary"), most);
    if (in.has("loaded") && in.figure("loaded") > 0) {
      double regulation = out / in.figure("loaded") - 1;
      answer
          .result("regulation", regulation, "")
          .because("Loaded it falls by %s.", Figures.percent(regulation));
    }
    return answer
        .band("%.1f to %.1f V", due * (1 - LOADED_BELOW), due * (1 + UNLOADED_ABOVE))
        .drawn(
            Picture.scale(
                "V out",
                List.of(
                    new Picture.Band(0, due * (1 - LOADED_BELOW), "weak", CheckResult.Grade.BAD),
                    new Picture.Band(
                        due * (1 - LOADED_BELOW),
                        due * (1 + UNLOADED_ABOVE),
                        "sound",
                        CheckResult.Grade.GOOD)),
                in.has("loaded")
                    ? new Picture.Mark[] {
                      new Picture.Mark(out, 0, "unloaded"),
                      new Picture.Mark(in.figure("loaded"), 0, "loaded")
                    }
                    : new Picture.Mark[] {new Picture.Mark(out, 0, "yours")}))
        .from("The ratio of its plate; the bands are common practice, no source.")
        .means(
            grade == CheckResult.Grade.GOOD
                ? "It feeds its circuit."
                : "Its circuit is not fed as it should be.")
        .next(
            out < 0.1 * due && fed >= 0.1
                ? "Its fuse; then find the short that blew it (wires of the thermostat, coils), before a new one goes in."
                : "Look at what it feeds.")
        .done();
  }
}
