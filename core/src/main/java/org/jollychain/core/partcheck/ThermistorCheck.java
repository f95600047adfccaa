package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.SensorCurve;

/**
 * An NTC thermistor at one temperature, or better at two: against beta ({@code R = R0 exp(beta (1/T
 * - 1/T0))}) or Steinhart and Hart's equation ({@code 1/T = a + b ln R + c (ln R)^3}); what a board
 * would believe; short, open or skewed.
 */
final class ThermistorCheck implements PartCheck {

  /** Off its table (a share); common practice, no source. */
  private static final double BAND = 0.05;

  private static final double THERMOMETER_KELVIN = 1.5;

  @Override
  public Card card() {
    return new Card(
        "thermistor",
        "A thermistor",
        Set.of(PartKind.THERMISTOR),
        List.of("ntc", "10k", "11.8k", "50k", "sensor", "steinhart"),
        "Its plug off.",
        List.of(
            Input.figure("nominal", "Its nominal ohms", Dimension.OHMS, "10k", 1, 1e7),
            Input.figure("at", "at", Dimension.CELSIUS, "25 C", -60, 300),
            Input.figure("beta", "Its beta in kelvin", Dimension.SHARE, "3950", 500, 8000),
            Input.text("ohms", "Ohms read", "11.8k"),
            Input.figure("celsius", "A thermometer beside it", Dimension.CELSIUS, "21 C", -60, 300),
            Input.text("ohms-warm", "Ohms, warmed", "4.2k").optional(),
            Input.figure(
                    "celsius-warm", "The thermometer then", Dimension.CELSIUS, "48 C", -60, 300)
                .optional(),
            Input.text(
                    "steinhart",
                    "a, b, c of Steinhart and Hart in place of beta",
                    "1.129e-3 2.341e-4 8.775e-8")
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    SensorCurve curve = curve(in);
    double read = OhmsRead.of("ohms", in.text("ohms"));
    double celsius = in.figure("celsius");
    double due = curve.ohmsAt(celsius);
    boolean slip = Math.abs(read / due / 1000 - 1) < 0.3 || Math.abs(read / due * 1000 - 1) < 0.3;
    if (read >= OhmsRead.OPEN || read < due / 50 && !slip) {
      boolean open = read >= OhmsRead.OPEN;
      return CheckResult.saying(CheckResult.Grade.BAD, open ? "Open" : "Shorted")
          .result("expected-ohms", due, Dimension.OHMS)
          .because("At %s it should read %s.", Figures.celsius(celsius), OhmsRead.said(due))
          .means(
              open
                  ? "Most boards stop with a code; some take it for very cold, and heat."
                  : "Most boards stop with a code; some take it for very hot, and do not heat.")
          .next("Renew it; first its plug.")
          .done();
    }
    double believed = curve.celsiusAt(read);
    double slope = Math.abs(curve.ohmsAt(celsius + 1) - due) / due;
    double allowed = BAND + THERMOMETER_KELVIN * slope;
    double off = read / due - 1;
    boolean good = Math.abs(off) <= allowed;
    boolean twice = in.has("ohms-warm") && in.has("celsius-warm");
    boolean falls = true;
    if (twice) {
      double warm = OhmsRead.of("ohms-warm", in.text("ohms-warm"));
      double dueWarm = curve.ohmsAt(in.figure("celsius-warm"));
      double slopeWarm = Math.abs(curve.ohmsAt(in.figure("celsius-warm") + 1) - dueWarm) / dueWarm;
      falls = Math.abs(warm / dueWarm - 1) <= BAND + THERMOMETER_KELVIN * slopeWarm;
    }
    CheckResult.Grade grade =
        slip
            ? CheckResult.Grade.DOUBTFUL
            : !good || !falls
                ? CheckResult.Grade.BAD
                : twice ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL;
    String verdict =
        slip
            ? "A thousand times off: a slip of the prefix, read it again"
            : !good
                ? off > 0
                    ? "Skewed: the board believes it colder"
                    : "Skewed: the board believes it hotter"
                : !falls
                    ? "Does not follow its table when warmed"
                    : twice ? "Follows its table" : "On its table at this one temperature";
    return CheckResult.saying(grade, verdict)
        .result("expected-ohms", due, Dimension.OHMS)
        .measured(
            "celsius",
            believed,
            Dimension.CELSIUS,
            Figures.twice(MeterFunction.OHMS, read) / read / slope)
        .result("error", believed - celsius, Dimension.KELVIN)
        .result("off", off, "")
        .because("At %s it should read %s.", Figures.celsius(celsius), OhmsRead.said(due))
        .because("%s is what it shows at %s.", OhmsRead.said(read), Figures.celsius(believed))
        .band(
            "%s of its table, and what the thermometer leaves open (%.1f K)",
            Figures.percent(BAND), THERMOMETER_KELVIN)
        .from(
            in.has("steinhart")
                ? "Steinhart and Hart (1968); the band is common practice."
                : "The two-parameter equation of an NTC; the band is common practice.")
        .means(
            slip
                ? "%s was meant, most likely."
                    .formatted(OhmsRead.said(read < due ? read * 1000 : read / 1000))
                : !good
                    ? "The unit is off by as many degrees."
                    : !falls
                        ? "Right at one temperature and wrong at another: it has aged."
                        : twice ? "It is sound." : "One point does not clear it.")
        .next(
            slip
                ? "Look at the k or M beside the figure."
                : twice || !good
                    ? good && falls ? "Look further." : "Renew it; its paper's table first."
                    : "Warm it in the hand or in water: it must fall smoothly.")
        .drawn(
            new Picture(
                "C",
                "ohm",
                IntStream.rangeClosed(0, 20)
                    .mapToObj(i -> new Picture.CurvePoint(5.0 * i, curve.ohmsAt(5.0 * i)))
                    .toList(),
                List.of(),
                List.of(new Picture.Mark(celsius, read, "read"))))
        .done();
  }

  private static SensorCurve curve(Inputs in) {
    if (!in.has("steinhart")) {
      return new SensorCurve.Ntc(in.figure("nominal"), in.figure("at"), in.figure("beta"));
    }
    String[] words = in.text("steinhart").split("[\\s,;]+");
    if (words.length == 3) {
      try {
        return new SensorCurve.SteinhartHart(
            Double.parseDouble(words[0]),
            Double.parseDouble(words[1]),
            Double.parseDouble(words[2]));
      } catch (NumberFormatException e) {
        // said below
      }
    }
    throw new InvalidInputsException(
        "steinhart", "three figures, like \"1.129e-3 2.341e-4 8.775e-8\"");
  }
}
