package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A closed contact or joint by its drop under load: {@code R = V / I}, and what is lost in it,
 * {@code P = V I}. A terminal sheds a watt or two; beyond that it browns, then burns (Joule).
 */
final class ContactCheck implements PartCheck {

  /** A sound closed contact drops so much at most (V); common practice, no source. */
  private static final double SOUND_VOLTS = 0.2;

  /** From here a joint burns (W); common practice, no source. */
  private static final double BURNS_WATTS = 20;

  /** From here it gets hot (W); common practice, no source. */
  private static final double WARM_WATTS = 2;

  /** Below this a joint is dirty rather than burnt (W); common practice, no source. */
  private static final double DIRTY_WATTS = 0.5;

  /** More of its supply a contact may not take, however low that is; common practice, no source. */
  private static final double TIRED_SHARE = 0.05;

  /** Most of the supply: it does not close (a share). */
  private static final double OPEN_SHARE = 0.5;

  @Override
  public Card card() {
    return new Card(
        "contact",
        "A closed contact or joint under load",
        Set.of(
            PartKind.RELAY_CONTACT,
            PartKind.CONTACTOR,
            PartKind.TIMER_CONTACT,
            PartKind.SELECTOR,
            PartKind.DOOR_SWITCH,
            PartKind.CONNECTOR,
            PartKind.WIRE,
            PartKind.THERMOSTAT,
            PartKind.CYCLING_THERMOSTAT,
            PartKind.LIMIT),
        List.of("drop", "1.2 V", "voltage drop", "terminal", "burnt joint", "millivolt"),
        "Live: only with a permit, one hand, the load running.",
        List.of(
            Input.figure(
                "drop", "Volts across it, load running", Dimension.VOLTS, "1.2 V", 0, 1000),
            Input.figure("amperes", "Current through it", Dimension.AMPERES, "20 A", 0, 400),
            Input.figure("supply", "Volts of the supply", Dimension.VOLTS, "240 V", 0.1, 1000)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double drop = in.figure("drop");
    double amperes = in.figure("amperes");
    if (amperes == 0) {
      return CheckResult.saying(
              CheckResult.Grade.DOUBTFUL, "No current flows: the reading proves nothing")
          .because("Without current every closed contact reads 0 V.")
          .next("Call for heat so that its load runs, and read again.")
          .done();
    }
    double watts = drop * amperes;
    boolean open = in.has("supply") && drop > OPEN_SHARE * in.figure("supply");
    boolean share = in.has("supply") && drop > TIRED_SHARE * in.figure("supply");
    boolean sound = drop <= SOUND_VOLTS && watts < WARM_WATTS && !share;
    boolean dirty = !sound && watts < DIRTY_WATTS;
    CheckResult.Grade grade =
        open || watts >= BURNS_WATTS
            ? CheckResult.Grade.BAD
            : sound ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL;
    String verdict =
        open
            ? "Open"
            : watts >= BURNS_WATTS
                ? "Burns: an overheating connection"
                : sound
                    ? "Closed and sound"
                    : drop <= SOUND_VOLTS && !share
                        ? "Warm: it drops little, but carries much"
                        : "Tired: it drops too much";
    return CheckResult.saying(grade, verdict)
        .measured(
            "ohms",
            drop / amperes,
            Dimension.OHMS,
            Figures.twice(MeterFunction.VOLTS_AC, drop) / amperes)
        .result("watts", watts, Dimension.WATTS)
        .because(
            "R = V / I = %.3f / %.1f = %s.",
            drop, amperes, Figures.round(Dimension.OHMS, drop / amperes))
        .because("P = V I = %.1f W, all of it as heat in the joint.", watts)
        .band(
            "up to %.1f V; from %.0f W it warms, from %.0f W it burns",
            SOUND_VOLTS, WARM_WATTS, BURNS_WATTS)
        .from("Joule's law; the bands are common practice, no source.")
        .means(
            sound
                ? "It passes its current."
                : "It gets worse: heat oxidises it, and more is lost in it.")
        .next(
            sound
                ? "Go on along the chain."
                : dirty
                    ? "At so little current clean it, push it home, and read again."
                    : "Renew the contact, or the terminal with its piece of wire; look at the other end.")
        .drawn(
            Picture.scale(
                "W in the joint",
                List.of(
                    new Picture.Band(0, WARM_WATTS, "cool", CheckResult.Grade.GOOD),
                    new Picture.Band(WARM_WATTS, BURNS_WATTS, "warm", CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(BURNS_WATTS, 4 * BURNS_WATTS, "burns", CheckResult.Grade.BAD)),
                new Picture.Mark(Math.min(watts, 4 * BURNS_WATTS), 0, "now")))
        .done();
  }
}
