package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A thermal link: opens once, at its rated functioning temperature or up to 10 K below it (IEC
 * 60691). Kept warm for long below that it ages and opens too; its holding temperature is the most
 * it may be kept at.
 */
final class OneShotCheck implements PartCheck {

  private static final double BELOW_KELVIN = 10;

  /** Where makers give none: so far below it may be kept (K); common practice, no source. */
  private static final double HOLDING_KELVIN = 25;

  /** With the leads of a usual meter; common practice, no source. */
  private static final double SOUND_OHMS = 1;

  @Override
  public Card card() {
    return new Card(
        "one-shot",
        "A one-shot link: why is it open, and what replaces it",
        Set.of(PartKind.THERMAL_FUSE, PartKind.THERMAL_CUTOFF),
        List.of("thermal fuse", "cut-off", "tco", "91C", "tf", "blown"),
        "It never resets, and is never bridged.",
        List.of(
            Input.figure(
                "rated", "Rated functioning temperature", Dimension.CELSIUS, "91 C", 40, 320),
            Input.text("reads", "The meter shows, wires off", "OL"),
            Input.figure(
                    "warmest", "Warmest it is in sound work", Dimension.CELSIUS, "70 C", -40, 320)
                .optional(),
            Input.figure("years", "Its age", Dimension.YEARS, "9 years", 0, 60).optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double rated = in.figure("rated");
    boolean open = OhmsRead.of("reads", in.text("reads")) > 1e6;
    double ohms = OhmsRead.of("reads", in.text("reads"));
    boolean sound = ohms <= SOUND_OHMS;
    double warmest = in.figure("warmest", rated - 2 * HOLDING_KELVIN);
    boolean aged = warmest > rated - HOLDING_KELVIN;
    CheckResult.Writer answer =
        CheckResult.saying(
                sound ? CheckResult.Grade.GOOD : CheckResult.Grade.BAD,
                sound
                    ? "Whole"
                    : open
                        ? aged ? "Open: kept too warm, or overheated" : "Open, cause unknown"
                        : "Not sound: a worn joint in it")
            .result("opens-from", rated - BELOW_KELVIN, Dimension.CELSIUS)
            .result("opens-to", rated, Dimension.CELSIUS)
            .result("holding", rated - HOLDING_KELVIN, Dimension.CELSIUS)
            .because(
                "Opens between %s and %s; kept above about %s it ages.",
                Figures.celsius(rated - BELOW_KELVIN),
                Figures.celsius(rated),
                Figures.celsius(rated - HOLDING_KELVIN));
    if (in.has("warmest")) {
      answer.because(
          "In sound work it is at %s, %.0f K below its rating.",
          Figures.celsius(warmest), rated - warmest);
    }
    return answer
        .band("+0/-10 K of the rated functioning temperature")
        .drawn(
            Picture.scale(
                "C",
                List.of(
                    new Picture.Band(
                        rated - 2 * HOLDING_KELVIN,
                        rated - HOLDING_KELVIN,
                        "held for years",
                        CheckResult.Grade.GOOD),
                    new Picture.Band(
                        rated - HOLDING_KELVIN,
                        rated - BELOW_KELVIN,
                        "ages",
                        CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(rated - BELOW_KELVIN, rated, "opens", CheckResult.Grade.BAD)),
                new Picture.Mark(warmest, 0, "in work")))
        .from("IEC 60691; holding temperature: common practice, no source.")
        .means(
            sound
                ? "It says that nothing got as hot as that; not that nothing got hot."
                : "It did its job, or it aged; which of the two the cause has to tell.")
        .next(
            sound
                ? "Look further along the chain."
                : "Find why it was hot; then a new one with the same temperature, amperes and volts.")
        .done();
  }
}
