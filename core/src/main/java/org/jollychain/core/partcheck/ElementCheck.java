package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A heating element: its ohms from watts and volts, {@code R = V^2 / P}, hot ones a few per cent
 * above cold ones; the watts it gives at the volts there are, {@code P = V^2 / R}; how many coils
 * of several are left; where along the coil a leak sits, from its ohms to the case at either end.
 */
final class ElementCheck implements PartCheck {

  /** Cold ohms may be so far off (a share); common practice, no source. */
  private static final double BAND = 0.10;

  /** A prefix slipped: read so many times too large or too small. */
  private static final double SLIP = 1000;

  private static final double OFF_BY_SLIP = 0.3;

  /** Less than so much of its ohms no other rating has, nor more than as many times (a share). */
  private static final double OTHER_RATING = 0.1;

  /** Fingers and a damp filling read so much to the case (ohm); common practice, no source. */
  private static final double DAMP_OHMS = 1e5;

  @Override
  public Card card() {
    return new Card(
        "element",
        "A heating element",
        Set.of(PartKind.HEATING_ELEMENT, PartKind.BIAS_HEATER, PartKind.SEQUENCER_HEATER),
        List.of("4500 W", "12.8", "heater", "strip", "coil", "kettle element", "grounded"),
        "Isolated and cold, both wires off.",
        List.of(
            Input.figure("watts", "Rated power", Dimension.WATTS, "4500 W", 0.1, 50_000),
            Input.figure("volts", "Rated voltage", Dimension.VOLTS, "240 V", 1, 1000),
            Input.text("ohms", "Ohms read across it", "12.8").optional(),
            Input.figure("supply", "Volts read at it", Dimension.VOLTS, "236 V", 0, 1000)
                .optional(),
            Input.figure("coils", "Coils of it, side by side", Dimension.SHARE, "1", 1, 6)
                .optional(),
            Input.text("case-one", "Ohms from one end to its case", "OL").optional(),
            Input.text("case-other", "Ohms from the other end", "OL").optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double volts = in.figure("volts");
    double due = volts * volts / in.figure("watts");
    double supply = in.figure("supply", volts);
    if (in.has("case-one")) {
      double one = OhmsRead.of("case-one", in.text("case-one"));
      double other = in.has("case-other") ? OhmsRead.of("case-other", in.text("case-other")) : one;
      if (Math.min(one, other) < OhmsRead.OPEN) {
        return leak(in, due, one, other);
      }
    }
    if (!in.has("ohms")) {
      return heat(
              CheckResult.saying(
                  CheckResult.Grade.PLAIN, "%s cold", Figures.round(Dimension.OHMS, due)),
              due,
              supply,
              volts)
          .result("expected-ohms", due, Dimension.OHMS)
          .because(due(volts, in.figure("watts"), due))
          .from("Ohm's law; the band is common practice, no source.")
          .band(
              "%s to %s",
              Figures.round(Dimension.OHMS, due * (1 - BAND)),
              Figures.round(Dimension.OHMS, due * (1 + BAND)))
          .drawn(picture(due, due))
          .done();
    }
    double read = OhmsRead.of("ohms", in.text("ohms"));
    return judged(in, due, read, supply, volts);
  }

  private static String due(double volts, double watts, double ohms) {
    return "R = V^2 / P = %.0f^2 / %.0f = %.2f ohm.".formatted(volts, watts, ohms);
  }

  private static CheckResult judged(
      Inputs in, double due, double read, double supply, double volts) {
    double ratio = read / due;
    int coils = (int) Math.round(in.figure("coils", 1));
    CheckResult.Writer answer;
    if (read >= OhmsRead.OPEN) {
      answer =
          CheckResult.saying(CheckResult.Grade.BAD, "Open")
              .means("No current can flow through it.")
              .next("Renew it; look for where it arced.");
    } else if (Math.abs(ratio - 1) <= BAND) {
      answer =
          CheckResult.saying(CheckResult.Grade.GOOD, "Sound")
              .means("It heats as it should at its volts.")
              .next("To its case it must read OL, too.");
    } else if (slip(ratio, SLIP) || slip(ratio, 1 / SLIP)) {
      answer =
          CheckResult.saying(
                  CheckResult.Grade.DOUBTFUL,
                  "A thousand times off: a slip of the prefix, read it again")
              .means(
                  "%s was meant, most likely."
                      .formatted(
                          Figures.round(Dimension.OHMS, ratio > 1 ? read / SLIP : read * SLIP)))
              .next("Look at the k or M beside the figure.");
    } else if (ratio < OTHER_RATING) {
      answer =
          CheckResult.saying(CheckResult.Grade.BAD, "Shorted")
              .means("It blows the fuse or trips the breaker.")
              .next("Renew it; both wires off, read once more to be sure.");
    } else if (coils > 1 && left(ratio, coils) > 0) {
      int left = left(ratio, coils);
      answer =
          CheckResult.saying(CheckResult.Grade.BAD, "%d of %d coils left", left, coils)
              .means(
                  "%s of its heat is missing."
                      .formatted(Figures.percent(1 - (double) left / coils)))
              .next("Renew it.");
    } else if (ratio > 1 / OTHER_RATING) {
      answer =
          CheckResult.saying(CheckResult.Grade.BAD, "Too many ohms")
              .means("It gives less than a tenth of its heat: it is open in all but name.")
              .next("Read it again at its own tabs, both wires off; then renew it.");
    } else {
      answer =
          CheckResult.saying(CheckResult.Grade.DOUBTFUL, "Another rating? Read its plate")
              .means("At %.0f V it is an element of %.0f W.".formatted(volts, volts * volts / read))
              .next("Take its watts from its own plate; its amperes under load decide.");
    }
    answer.result("expected-ohms", due, Dimension.OHMS);
    if (read < OhmsRead.OPEN) {
      answer.measured("ohms", read, Dimension.OHMS, Figures.twice(MeterFunction.OHMS, read));
      answer.because(
          "Read %s, %+.1f %% of that.", Figures.round(Dimension.OHMS, read), 100 * (ratio - 1));
    }
    heat(answer, read, supply, volts);
    return answer
        .because(due(volts, volts * volts / due, due))
        .band(
            "%.0f %% either way: %s to %s",
            100 * BAND,
            Figures.round(Dimension.OHMS, due * (1 - BAND)),
            Figures.round(Dimension.OHMS, due * (1 + BAND)))
        .from("Ohm's law; the band is common practice, no source.")
        .drawn(picture(due, Math.min(read, 3 * due)))
        .done();
  }

  private static boolean slip(double ratio, double by) {
    return Math.abs(ratio / by - 1) < OFF_BY_SLIP;
  }

  /** How many of some equal coils side by side such a ratio is; 0 where it is no such. */
  private static int left(double ratio, int coils) {
    for (int left = coils - 1; left > 0; left--) {
      if (Math.abs(ratio * left / coils - 1) <= BAND) {
        return left;
      }
    }
    return 0;
  }

  private static CheckResult.Writer heat(
      CheckResult.Writer answer, double ohms, double supply, double volts) {
    if (ohms <= 0 || ohms >= OhmsRead.OPEN) {
      return answer;
    }
    double watts = supply * supply / ohms;
    return answer
        .result("watts", watts, Dimension.WATTS)
        .result("heat-share", supply * supply / (volts * volts), "")
        .because(
            "At %.0f V it gives %.0f W; heat goes with the square of the volts.", supply, watts);
  }

  /** Two readings to the case add up to the coil and twice the leak itself. */
  private static CheckResult leak(Inputs in, double due, double one, double other) {
    double through = Math.max(0, (one + other - due) / 2);
    double along = Math.max(0, Math.min(1, (one - through) / due));
    boolean damp = Math.min(one, other) >= DAMP_OHMS;
    CheckResult.Writer answer =
        CheckResult.saying(
                damp ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD,
                damp ? "Damp, or your fingers: dry it and read again" : "Touches its case")
            .result("leak-ohms", through, Dimension.OHMS)
            .because(
                "%s from one end and %s from the other; the coil itself is %s.",
                OhmsRead.said(one), OhmsRead.said(other), OhmsRead.said(due));
    if (in.has("case-other") && one + other < 4 * due) {
      answer
          .result("along", along, "")
          .because("So it touches at %s of its length from the first end.", Figures.percent(along));
    }
    return answer
        .band("OL to its case; under %s it is bad", Figures.round(Dimension.OHMS, DAMP_OHMS))
        .means(
            damp
                ? "A damp filling reads 1 to 20 MΩ, and so do two hands on the probes."
                : "It heats with the contact open, or trips; the case may be live.")
        .next(
            damp
                ? "Probes without fingers; dry it; then an insulation tester at 500 V."
                : "Renew it. No power meanwhile.")
        .done();
  }

  private static Picture picture(double due, double read) {
    return Picture.scale(
        "ohm",
        List.of(
            new Picture.Band(
                OTHER_RATING * due,
                due * (1 - BAND),
                "another rating?",
                CheckResult.Grade.DOUBTFUL),
            new Picture.Band(due * (1 - BAND), due * (1 + BAND), "sound", CheckResult.Grade.GOOD),
            new Picture.Band(
                due * (1 + BAND), 3 * due, "another rating?", CheckResult.Grade.DOUBTFUL)),
        new Picture.Mark(read, 0, "read"));
  }
}
