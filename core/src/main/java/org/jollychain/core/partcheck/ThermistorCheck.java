package org.jollychain.core.partcheck;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.SensorCurve;
import org.jollychain.core.unit.FactTyped;

/**
 * An NTC thermistor at one temperature, or better at two: against two points of its paper or beta
 * ({@code R = R0 exp(beta (1/T - 1/T0))}), Steinhart and Hart's equation ({@code 1/T = a + b ln R +
 * c (ln R)^3}), or, without a paper, the family it belongs to; what a board would believe; short,
 * open or skewed.
 */
final class ThermistorCheck implements PartCheck {

  /** Off its table (a share); common practice, no source. */
  private static final double BAND = 0.05;

  private static final double THERMOMETER_KELVIN = 1.5;

  /** Ohms at 25 C of what is sold; common practice, no source. */
  private static final Map<String, Double> FAMILIES = families();

  /** The flattest and the steepest of a family (K), and what else one is off (a share). */
  private static final double LEAST_BETA = 3200;

  private static final double MOST_BETA = 4300;
  private static final double FAMILY_BAND = 0.12;
  private static final double FAMILY_CELSIUS = 25;

  private static Map<String, Double> families() {
    Map<String, Double> ohms = new LinkedHashMap<>();
    for (String name : List.of("2.2k", "5k", "10k", "12k", "50k", "100k")) {
      ohms.put(name, OhmsRead.of("family", name));
    }
    return ohms;
  }

  @Override
  public Card card() {
    return new Card(
        "thermistor",
        "A thermistor",
        Set.of(PartKind.THERMISTOR),
        List.of("ntc", "10k", "11.8k", "50k", "sensor", "steinhart"),
        "Its plug off.",
        List.of(
            Input.text(
                    "paper",
                    "Two points of its paper, or one and its beta",
                    "10k at 25C, 5.3k at 40C")
                .optional(),
            Input.choice(
                    "family",
                    "Without a paper: ohms at 25 C",
                    FAMILIES.keySet().toArray(String[]::new))
                .optional(),
            Input.text("ohms", "Ohms read", "11.8k"),
            Input.figure("celsius", "A thermometer beside it", Dimension.CELSIUS, "21 C", -60, 300),
            Input.text("ohms-warm", "Ohms, warmed", "4.2k").optional(),
            Input.figure(
                    "celsius-warm", "The thermometer then", Dimension.CELSIUS, "48 C", -60, 300)
                .optional(),
            Input.text("steinhart", "By Steinhart and Hart: a, b, c", "1.129e-3 2.341e-4 8.775e-8")
                .optional(),
            Input.figure("nominal", "By beta: its ohms", Dimension.OHMS, "10k", 1, 1e7).optional(),
            Input.figure("at", "at", Dimension.CELSIUS, "25 C", -60, 300).optional(),
            Input.figure("beta", "its beta in kelvin", Dimension.SHARE, "3950", 500, 8000)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    Optional<SensorCurve> known = curve(in);
    if (known.isEmpty()) {
      return byFamily(in);
    }
    SensorCurve curve = known.get();
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

  /** The curve its paper gives, by points, beta or coefficients. Empty without a paper. */
  private static Optional<SensorCurve> curve(Inputs in) {
    if (in.has("steinhart")) {
      return Optional.of(steinhart(in.text("steinhart")));
    }
    if (in.has("paper")) {
      try {
        return Optional.of(FactTyped.sensor(in.text("paper")).curve());
      } catch (IllegalArgumentException e) {
        throw new InvalidInputsException("paper", e.getMessage());
      }
    }
    if (in.has("nominal") && in.has("beta")) {
      return Optional.of(
          new SensorCurve.Ntc(
              in.figure("nominal"), in.figure("at", FAMILY_CELSIUS), in.figure("beta")));
    }
    return Optional.empty();
  }

  /** Without its paper: whether it reads like one of its family, or like which one. */
  private static CheckResult byFamily(Inputs in) {
    double read = OhmsRead.of("ohms", in.text("ohms"));
    double celsius = in.figure("celsius");
    String nearest =
        FAMILIES.entrySet().stream()
            .min(Comparator.comparingDouble(f -> Math.abs(Math.log(read / middle(f, celsius)))))
            .orElseThrow()
            .getKey();
    boolean told = in.has("family");
    String family = told ? in.text("family") : nearest;
    double[] due = due(FAMILIES.get(family), celsius);
    boolean open = read >= OhmsRead.OPEN;
    boolean shorted = read < due[0] / 50;
    boolean within = read >= due[0] && read <= due[1];
    boolean followed = true;
    boolean twice = in.has("ohms-warm") && in.has("celsius-warm");
    if (twice) {
      double warm = OhmsRead.of("ohms-warm", in.text("ohms-warm"));
      double[] dueWarm = due(FAMILIES.get(family), in.figure("celsius-warm"));
      followed = warm >= dueWarm[0] && warm <= dueWarm[1];
    }
    CheckResult.Grade grade =
        open || shorted || !followed
            ? CheckResult.Grade.BAD
            : within && twice ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL;
    return CheckResult.saying(
            grade,
            open
                ? "Open"
                : shorted
                    ? "Shorted"
                    : !followed
                        ? "Does not follow when warmed"
                        : within
                            ? "Reads like a %s".formatted(family)
                            : told
                                ? "Not like a %s; nearest is a %s".formatted(family, nearest)
                                : "Like none of the usual families")
        .result("least-ohms", due[0], Dimension.OHMS)
        .result("most-ohms", due[1], Dimension.OHMS)
        .because(
            "At %s a %s reads %s to %s.",
            Figures.celsius(celsius), family, OhmsRead.said(due[0]), OhmsRead.said(due[1]))
        .band(
            "of a family, beta %.0f to %.0f K and %s",
            LEAST_BETA, MOST_BETA, Figures.percent(FAMILY_BAND))
        .drawn(
            Picture.scale(
                "ohm",
                List.of(new Picture.Band(due[0], due[1], family, CheckResult.Grade.GOOD)),
                new Picture.Mark(Math.min(read, 10 * due[1]), 0, "read")))
        .means(
            open || shorted
                ? "Most boards stop with a code."
                : within && twice
                    ? "It is sound, as far as that shows without its paper."
                    : "Its paper decides: two points of it are enough.")
        .next(
            open || shorted || !followed
                ? "Renew it; first its plug."
                : within && twice
                    ? "Look further."
                    : "Type two points of its paper, or warm it: it must fall smoothly.")
        .done();
  }

  private static double middle(Map.Entry<String, Double> family, double celsius) {
    double[] due = due(family.getValue(), celsius);
    return Math.sqrt(due[0] * due[1]);
  }

  /** The least and the most that one of a family has at a temperature (ohm). */
  private static double[] due(double ohms, double celsius) {
    double flat = new SensorCurve.Ntc(ohms, FAMILY_CELSIUS, LEAST_BETA).ohmsAt(celsius);
    double steep = new SensorCurve.Ntc(ohms, FAMILY_CELSIUS, MOST_BETA).ohmsAt(celsius);
    return new double[] {
      Math.min(flat, steep) / (1 + FAMILY_BAND), Math.max(flat, steep) * (1 + FAMILY_BAND)
    };
  }

  private static SensorCurve steinhart(String typed) {
    String[] words = typed.split("[\\s,;]+");
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
