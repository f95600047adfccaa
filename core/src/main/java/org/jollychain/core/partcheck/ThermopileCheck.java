package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A thermopile and what it holds open: its volts without load less the drop in itself and along the
 * loop is what the valve gets. A source gives most to a load of its own ohms, a quarter of {@code
 * V^2 / R} (maximum power). A thermocouple holds a magnet, no valve's coil: it is judged by its own
 * volts alone.
 */
final class ThermopileCheck implements PartCheck {

  /** A sound pile keeps more of its open volts under load (a share); common practice, no source. */
  private static final double SAG = 0.5;

  private static final String PILE = "thermopile, 250 to 750 mV";
  private static final String COUPLE = "thermocouple, 20 to 35 mV";

  /** What a thermocouple gives without load, and what it keeps with its magnet on (V). */
  private static final double COUPLE_OPEN = 0.020;

  private static final double COUPLE_CLOSED = 0.008;

  /** No thermocouple gives more (V). */
  private static final double COUPLE_MOST = 0.060;

  @Override
  public Card card() {
    return new Card(
        "thermopile",
        "A thermopile and its loop",
        Set.of(PartKind.VALVE, PartKind.SPILL_SWITCH, PartKind.THERMOSTAT),
        List.of("millivolt", "pilot", "750 mV", "generator", "thermocouple"),
        "",
        List.of(
            Input.figure(
                "open", "Volts of the pile without load", Dimension.VOLTS, "540 mV", 0.001, 2),
            Input.figure(
                "closed", "The same with the valve calling", Dimension.VOLTS, "320 mV", 0, 2),
            Input.figure("valve", "Volts at the valve then", Dimension.VOLTS, "270 mV", 0, 2)
                .optional(),
            Input.figure("ohms", "Ohms of the valve", Dimension.OHMS, "2.5", 0.1, 100).optional(),
            Input.choice("kind", "What the pilot heats", PILE, COUPLE).optional(),
            Input.figure("holds", "Volts at which it holds", Dimension.VOLTS, "180 mV", 0.001, 2)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double open = in.figure("open");
    double closed = in.figure("closed");
    if (in.text("kind").equals(COUPLE)) {
      return ofCouple(open, closed);
    }
    if (!in.has("kind") && open < COUPLE_MOST) {
      return CheckResult.saying(CheckResult.Grade.DOUBTFUL, "Reads like a thermocouple")
          .because(
              "%.0f mV without load: no thermopile, but what a thermocouple gives.", 1000 * open)
          .means("A thermopile this low is dead; a thermocouple this high is sound.")
          .next("Choose which it is: one thin copper lead is a thermocouple's.")
          .done();
    }
    for (String needed : List.of("valve", "ohms")) {
      if (!in.has(needed)) {
        throw new InvalidInputsException(needed, "is missing, to judge the loop of a thermopile");
      }
    }
    double valve = in.figure("valve");
    if (closed > open * 1.05 || valve > closed * 1.1) {
      throw new InvalidInputsException(
          valve > closed * 1.1 ? "valve" : "closed",
          "cannot be more than what feeds it; fields in the right order?");
    }
    double amperes = valve / in.figure("ohms");
    double lost = Math.max(0, closed - valve);
    double inner = amperes > 0 ? Math.max(0, open - closed) / amperes : 0;
    double loop = amperes > 0 ? lost / amperes : 0;
    double holds = in.figure("holds", 0.18);
    boolean weak = open < 0.35;
    boolean sags = closed < SAG * open;
    boolean lossy = lost > 0.1;
    boolean enough = valve >= holds;
    return CheckResult.saying(
            enough
                ? lossy ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD
                : CheckResult.Grade.BAD,
            enough
                ? lossy ? "Holds, but the loop loses too much" : "Holds"
                : weak
                    ? "The pile is weak: the valve does not get enough"
                    : sags
                        ? "The pile sags under load: pile or pilot"
                        : lossy
                            ? "Too much voltage lost in the loop: the valve does not get enough"
                            : "The valve does not get enough")
        .result("amperes", amperes, Dimension.AMPERES)
        .result("loop-ohms", loop, Dimension.OHMS)
        .result("loop-volts", lost, Dimension.VOLTS)
        .result("pile-ohms", inner, Dimension.OHMS)
        .result("valve-watts", amperes * valve, Dimension.WATTS)
        .result("most-watts", inner > 0 ? open * open / (4 * inner) : 0, Dimension.WATTS)
        .because(
            "I = %.0f mV / %.1f ohm = %.0f mA.", 1000 * valve, in.figure("ohms"), 1000 * amperes)
        .because(
            "The loop loses %.0f mV, that is %.2f ohm; the pile itself has %.2f ohm.",
            1000 * lost, loop, inner)
        .because(
            "Each tenth of an ohm less along the loop gives the valve about %.0f mV more.",
            1000 * 0.1 * amperes)
        .band(
            "15 to 20 mV along a long run is usual, 100 mV across a closed switch is not; the valve holds from %.0f mV",
            1000 * holds)
        .drawn(
            Picture.scale(
                "mV",
                List.of(
                    new Picture.Band(0, 1000 * holds, "drops out", CheckResult.Grade.BAD),
                    new Picture.Band(1000 * holds, 1000 * open, "holds", CheckResult.Grade.GOOD)),
                new Picture.Mark(1000 * valve, 0, "valve"),
                new Picture.Mark(1000 * closed, 0, "closed"),
                new Picture.Mark(1000 * open, 0, "open")))
        .from("Ohm's law and maximum power; the bands are common practice, no source.")
        .means(
            enough
                ? "The valve stays open while it calls."
                : "The valve drops out though the thermostat calls.")
        .next(
            lossy && (enough || !weak && !sags)
                ? "Clean and tighten every joint of the loop."
                : enough
                    ? "Go on."
                    : weak || sags
                        ? "Pilot flame about the upper third of the pile; then a new pile."
                        : "Check the valve operator coil.")
        .done();
  }

  private static CheckResult ofCouple(double open, double closed) {
    if (closed > open * 1.05) {
      throw new InvalidInputsException("closed", "cannot be more than without load");
    }
    boolean weak = open < COUPLE_OPEN;
    boolean sags = closed < COUPLE_CLOSED;
    boolean sound = !weak && !sags;
    return CheckResult.saying(
            sound ? CheckResult.Grade.GOOD : CheckResult.Grade.BAD,
            sound ? "Sound" : weak ? "Weak without load" : "Sags with its magnet on")
        .result("open", open, Dimension.VOLTS)
        .result("closed", closed, Dimension.VOLTS)
        .because("%.1f mV without load, %.1f mV with its magnet on.", 1000 * open, 1000 * closed)
        .band(
            "from %.0f mV without load, from %.0f mV with its magnet on",
            1000 * COUPLE_OPEN, 1000 * COUPLE_CLOSED)
        .drawn(
            Picture.scale(
                "mV",
                List.of(
                    new Picture.Band(0, 1000 * COUPLE_CLOSED, "drops out", CheckResult.Grade.BAD),
                    new Picture.Band(
                        1000 * COUPLE_CLOSED, 1000 * COUPLE_OPEN, "loaded", CheckResult.Grade.GOOD),
                    new Picture.Band(
                        1000 * COUPLE_OPEN, 1000 * COUPLE_MOST, "open", CheckResult.Grade.GOOD)),
                new Picture.Mark(1000 * closed, 0, "closed"),
                new Picture.Mark(1000 * open, 0, "open")))
        .means(
            sound
                ? "If the pilot still does not stay, it is the magnet or its joint."
                : "The magnet does not get enough to hold the pilot open.")
        .next(
            sound
                ? "Its nut finger-tight and a quarter turn, its seat clean; then the magnet."
                : "Pilot flame about its tip, its joint clean; then a new thermocouple.")
        .done();
  }
}
