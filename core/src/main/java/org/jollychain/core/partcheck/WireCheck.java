package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A run of wire: its ohms by size, length and temperature, what it drops and loses. Copper, 0.00393
 * a kelvin about 20 C (IEC 60228); AWG sizes at 75 C (NEC chapter 9 table 8, solid, uncoated).
 */
final class WireCheck implements PartCheck {

  private static final double COEFFICIENT = 0.00393;
  private static final double FOOT = Dimension.METRES.parse("1 ft");

  /** At 20 C (ohm/km), IEC 60228 class 1. */
  private static final Map<String, Double> METRIC =
      Map.of(
          "0.75 mm2",
          24.5,
          "1 mm2",
          18.1,
          "1.5 mm2",
          12.1,
          "2.5 mm2",
          7.41,
          "4 mm2",
          4.61,
          "6 mm2",
          3.08,
          "10 mm2",
          1.83);

  /** At 75 C (ohm/kft), NEC chapter 9 table 8, from memory but 14, 12 and 10. */
  private static final Map<String, Double> AWG =
      Map.of(
          "18 AWG", 7.77, "16 AWG", 4.89, "14 AWG", 3.07, "12 AWG", 1.93, "10 AWG", 1.21, "8 AWG",
          0.764);

  @Override
  public Card card() {
    return new Card(
        "wire",
        "What a run of wire drops",
        Set.of(PartKind.WIRE, PartKind.CORD),
        List.of("awg", "mm2", "cord", "voltage drop", "thermostat wire"),
        "",
        List.of(
            Input.choice(
                "size",
                "Its size",
                Stream.concat(AWG.keySet().stream(), METRIC.keySet().stream())
                    .sorted()
                    .toArray(String[]::new)),
            Input.figure("length", "One way", Dimension.METRES, "30 ft", 0, 2000),
            Input.figure("amperes", "Current", Dimension.AMPERES, "15 A", 0, 400),
            Input.figure("volts", "Volts of its supply", Dimension.VOLTS, "120 V", 0.05, 1000),
            Input.figure("celsius", "Its temperature", Dimension.CELSIUS, "30 C", -40, 120)
                .optional()));
  }

  /** Of one metre at a temperature (ohm). */
  static double ohmsPerMetre(String size, double celsius) {
    Double metric = METRIC.get(size);
    return metric != null
        ? metric / 1000 * (1 + COEFFICIENT * (celsius - 20))
        : AWG.get(size)
            / (1000 * FOOT)
            * (1 + COEFFICIENT * (celsius - 20))
            / (1 + COEFFICIENT * 55);
  }

  @Override
  public CheckResult answer(Inputs in) {
    double celsius = in.figure("celsius", 30);
    double ohms = 2 * in.figure("length") * ohmsPerMetre(in.text("size"), celsius);
    double drop = ohms * in.figure("amperes");
    double share = drop / in.figure("volts");
    CheckResult.Grade grade =
        share <= 0.03
            ? CheckResult.Grade.GOOD
            : share <= 0.05 ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD;
    return CheckResult.saying(
            grade, "%.2f V dropped, %s of its supply", drop, Figures.percent(share))
        .result("ohms", ohms, Dimension.OHMS)
        .result("drop", drop, Dimension.VOLTS)
        .result("watts", drop * in.figure("amperes"), Dimension.WATTS)
        .result("share", share, "")
        .because(
            "There and back %.1f m of %s at %.0f C: %s.",
            2 * in.figure("length"), in.text("size"), celsius, Figures.round(Dimension.OHMS, ohms))
        .because("V = R I = %.3f x %.1f = %.2f V.", ohms, in.figure("amperes"), drop)
        .band("3 %% on a branch, 5 %% in all")
        .drawn(
            Picture.scale(
                "% of the supply",
                List.of(
                    new Picture.Band(0, 3, "branch", CheckResult.Grade.GOOD),
                    new Picture.Band(3, 5, "in all", CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(5, 10, "too much", CheckResult.Grade.BAD)),
                new Picture.Mark(100 * share, 0, "yours")))
        .from(
            "NEC chapter 9 table 8, IEC 60228; the band is NEC's informational note on 210.19, from memory.")
        .means(
            grade == CheckResult.Grade.GOOD
                ? "The wire is not it."
                : "It is too thin for its length.")
        .next(
            grade == CheckResult.Grade.GOOD
                ? "A drop larger than this sits in a joint."
                : "The electrician.")
        .done();
  }
}
