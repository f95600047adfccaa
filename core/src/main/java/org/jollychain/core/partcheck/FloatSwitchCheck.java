package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A float or flood switch, by hand: it rattles, and reads in both positions. Common practice, no
 * source.
 */
final class FloatSwitchCheck implements PartCheck {

  /** Sound up to here, leads and all (ohm); common practice, no source. */
  private static final double CLOSED_OHMS = 1;

  /** Up to here its contact is dirty (ohm); common practice, no source. */
  private static final double DIRTY_OHMS = 5;

  @Override
  public Card card() {
    return new Card(
        "float",
        "A float or flood switch",
        Set.of(PartKind.FLOOD_SWITCH, PartKind.FLOAT_SWITCH),
        List.of("flood", "float", "leak switch", "base pan"),
        "Isolated, its plug off.",
        List.of(
            Input.text("down", "Ohms, float down and dry", "0.2"),
            Input.text("lifted", "Ohms, float lifted", "OL"),
            Input.choice("rattles", "Does it rattle when shaken?", "yes", "no", "not tried")
                .optional(),
            Input.text("thermistor", "Ohms of a sensor in the same plug", "11.2k").optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double down = OhmsRead.of("down", in.text("down"));
    double lifted = OhmsRead.of("lifted", in.text("lifted"));
    boolean closes = down <= CLOSED_OHMS;
    boolean opens = lifted >= OhmsRead.OPEN;
    boolean dirty = !closes && down <= DIRTY_OHMS && opens;
    boolean jammed = in.text("rattles").equals("no");
    boolean swapped = down >= OhmsRead.OPEN && lifted <= CLOSED_OHMS;
    boolean sensor = down > 1000 && down < OhmsRead.OPEN && Math.abs(lifted / down - 1) < 0.1;
    String verdict =
        sensor
            ? "That is the sensor in the same plug: take the other two pins"
            : swapped
                ? "The other way round: it closes when lifted, or it was held upside down"
                : closes && opens
                    ? jammed ? "Sound, but it does not rattle: free it" : "Sound"
                    : dirty
                        ? "Its contact is dirty: work it, and read again"
                        : !closes ? "Does not close" : "Does not open when lifted";
    CheckResult.Grade grade =
        sensor || swapped || dirty || jammed && closes && opens
            ? CheckResult.Grade.DOUBTFUL
            : closes && opens ? CheckResult.Grade.GOOD : CheckResult.Grade.BAD;
    CheckResult.Writer answer =
        CheckResult.saying(grade, verdict)
            .result("down-ohms", Math.min(down, OhmsRead.OPEN), Dimension.OHMS)
            .because("Down %s, lifted %s.", OhmsRead.said(down), OhmsRead.said(lifted));
    if (in.has("thermistor")) {
      answer.because(
          "The sensor beside it reads %s.",
          OhmsRead.said(OhmsRead.of("thermistor", in.text("thermistor"))));
    }
    return answer
        .band("up to %.1f ohm down, OL lifted", CLOSED_OHMS)
        .means(
            closes && opens
                ? "Look for water or debris under it."
                : "It stops the unit with a dry base, or does not stop it with a wet one.")
        .next(closes && opens ? "Dry the base, find the leak." : "Free or renew it.")
        .done();
  }
}
