package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A run of wire: its ohms by size, length and temperature, what it drops and loses, and whether
 * what was read across it is more than that. Copper, 0.00393 a kelvin about 20 C (IEC 60228); AWG
 * sizes at 75 C (NEC chapter 9 table 8, solid, uncoated).
 */
final class WireCheck implements PartCheck {

  private static final double COEFFICIENT = 0.00393;
  private static final double FOOT = Dimension.METRES.parse("1 ft");

  /** A loop on less is judged by its millivolts (V). */
  private static final double SMALL_VOLTS = 1;

  /** What the wiring of a millivolt loop may take (V); common practice, no source. */
  private static final double LOOP_USUAL = 0.020;

  private static final double LOOP_MOST = 0.050;

  /** A joint is in the run where so many times its own drop was read, and this much (V). */
  private static final double JOINT = 1.5;

  private static final double JOINT_VOLTS = 0.005;

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
                .optional(),
            Input.figure("read", "Drop read, there and back", Dimension.VOLTS, "1.4 V", 0, 1000)
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
    double volts = in.figure("volts");
    boolean small = volts < SMALL_VOLTS;
    double usual = small ? LOOP_USUAL : 0.03 * volts;
    double most = small ? LOOP_MOST : 0.05 * volts;
    boolean thin = drop > usual;
    boolean joint =
        in.has("read")
            && in.figure("read") > JOINT * drop
            && in.figure("read") - drop > JOINT_VOLTS;
    CheckResult.Grade grade =
        joint || drop > most
            ? CheckResult.Grade.BAD
            : thin ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD;
    CheckResult.Writer answer =
        CheckResult.saying(
                grade,
                joint ? "More than the wire drops: a joint in it" : "%s dropped, %s of its supply",
                Figures.round(Dimension.VOLTS, drop),
                Figures.percent(share))
            .result("ohms", ohms, Dimension.OHMS)
            .result("drop", drop, Dimension.VOLTS)
            .result("watts", drop * in.figure("amperes"), Dimension.WATTS)
            .result("share", share, "")
            .because(
                "There and back %.1f m of %s at %.0f C: %s.",
                2 * in.figure("length"),
                in.text("size"),
                celsius,
                Figures.round(Dimension.OHMS, ohms))
            .because(
                "V = R I = %.3f x %.3f = %s.",
                ohms, in.figure("amperes"), Figures.round(Dimension.VOLTS, drop));
    if (in.has("read")) {
      answer.because(
          "%s was read: %s more than the wire itself.",
          Figures.round(Dimension.VOLTS, in.figure("read")),
          Figures.round(Dimension.VOLTS, Math.max(0, in.figure("read") - drop)));
    }
    return answer
        .band(
            small
                ? "20 mV for the wiring of a millivolt loop, 50 mV at most"
                : "3 %% on a branch, 5 %% in all")
        .drawn(
            Picture.scale(
                "V",
                List.of(
                    new Picture.Band(0, usual, "usual", CheckResult.Grade.GOOD),
                    new Picture.Band(usual, most, "at most", CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(most, 2 * most, "too much", CheckResult.Grade.BAD)),
                new Picture.Mark(drop, 0, "computed"),
                new Picture.Mark(in.figure("read", drop), 0, "read")))
        .from(
            "NEC chapter 9 table 8, IEC 60228; the band is NEC's informational note on 210.19, from memory; of a millivolt loop common practice.")
        .means(
            joint
                ? "A splice, screw or tab in this run loses the rest."
                : thin ? "It is too thin for its length." : "The wire is not it.")
        .next(
            joint
                ? "Read each joint by itself; remake the one that drops."
                : thin
                    ? small ? "A thicker or a shorter run." : "The electrician."
                    : in.has("read") ? "Look further." : "A drop larger than this sits in a joint.")
        .done();
  }
}
