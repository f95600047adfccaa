package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/** Moisture bars: open dry, a wet cloth across them closes. Common practice, no source. */
final class MoistureBarsCheck implements PartCheck {

  /** A wet finger across both reads less (ohm); common practice, no source. */
  private static final double WET_OHMS = 1e6;

  @Override
  public Card card() {
    return new Card(
        "moisture-bars",
        "Moisture bars",
        Set.of(PartKind.MOISTURE_BARS),
        List.of("sensor bars", "stops too soon", "auto dry"),
        "Isolated, their plug off.",
        List.of(
            Input.text("dry", "Ohms, dry and clean", "OL"),
            Input.text("wet", "Ohms with a wet cloth across", "200k")));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double dry = OhmsRead.of("dry", in.text("dry"));
    double wet = OhmsRead.of("wet", in.text("wet"));
    boolean leaks = dry < OhmsRead.OPEN / 4;
    boolean blind = wet >= OhmsRead.OPEN;
    boolean little = !blind && wet > WET_OHMS;
    return CheckResult.saying(
            leaks || blind
                ? CheckResult.Grade.BAD
                : little ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD,
            leaks
                ? "Shorted: auto dry will not end"
                : blind
                    ? "No change when wet"
                    : little ? "Little change: again, with a wet finger across both" : "Sound")
        .result("wet-ohms", Math.min(wet, OhmsRead.OPEN), Dimension.OHMS)
        .because("Dry %s, wet %s.", OhmsRead.said(dry), OhmsRead.said(wet))
        .band("OL dry, less than a megohm wet")
        .means(
            leaks || blind
                ? "The automatic program goes wrong, the timed one does not."
                : "Small loads and a slope fool them, too.")
        .next(
            blind
                ? "Clean off the softener film; then their wires."
                : leaks ? "Renew them, or dry their harness." : "Level the unit; a fuller drum.")
        .done();
  }
}
