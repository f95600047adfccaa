package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.SensorCurve;

/**
 * A platinum sensor, IEC 60751: ohms at a temperature and temperature from ohms, the resistance of
 * its leads taken off, its error in degrees against its class ({@code A: 0.15 + 0.002 |t|}, {@code
 * B: 0.30 + 0.005 |t|}).
 */
final class PlatinumCheck implements PartCheck {

  private static final int STEPS = 60;

  /** So far off an oven's own offset takes it (K); common practice, no source. */
  private static final double NOTED_KELVIN = 8;

  @Override
  public Card card() {
    return new Card(
        "platinum",
        "A platinum sensor",
        Set.of(PartKind.PLATINUM_SENSOR),
        List.of("pt100", "pt1000", "rtd", "1080", "oven sensor", "138.5"),
        "Its plug off.",
        List.of(
            Input.choice("type", "Which", "Pt1000", "Pt100", "Pt500"),
            Input.text("ohms", "Ohms read", "1078"),
            Input.figure(
                "celsius", "A thermometer beside it", Dimension.CELSIUS, "20 C", -200, 850),
            Input.figure("leads", "Ohms of leads and wires", Dimension.OHMS, "0.2", 0, 100)
                .optional(),
            Input.choice("class", "Its class", "B", "A").optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double zero = Double.parseDouble(in.text("type").substring(2));
    SensorCurve.Platinum curve = new SensorCurve.Platinum(zero);
    double celsius = in.figure("celsius");
    double read = OhmsRead.of("ohms", in.text("ohms"));
    double due = curve.ohmsAt(celsius);
    if (read >= OhmsRead.OPEN || read < zero * 0.1) {
      boolean open = read >= OhmsRead.OPEN;
      return CheckResult.saying(CheckResult.Grade.BAD, open ? "Open" : "Shorted")
          .result("expected-ohms", due, Dimension.OHMS)
          .because("At %s it should read %s.", Figures.celsius(celsius), OhmsRead.said(due))
          .from("IEC 60751.")
          .means(
              open
                  ? "The board believes that it is very hot, or shows a code."
                  : "The board believes that it is very cold.")
          .next("Renew it; first its plug.")
          .done();
    }
    double net = read - in.figure("leads", 0);
    double believed = curve.celsiusAt(net);
    double error = believed - celsius;
    double klass =
        in.text("class").equals("A")
            ? 0.15 + 0.002 * Math.abs(celsius)
            : 0.3 + 0.005 * Math.abs(celsius);
    double slope = (curve.ohmsAt(celsius + 1) - due);
    double meter = Figures.twice(MeterFunction.OHMS, read) / slope;
    double allowed = klass + meter + 1;
    boolean good = Math.abs(error) <= allowed;
    boolean noted = !good && Math.abs(error) <= NOTED_KELVIN;
    return CheckResult.saying(
            good
                ? CheckResult.Grade.GOOD
                : noted ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD,
            good
                ? "On its curve"
                : error > 0
                    ? "Reads high: the board believes it hotter"
                    : "Reads low: the board believes it colder")
        .result("expected-ohms", due, Dimension.OHMS)
        .measured("celsius", believed, Dimension.CELSIUS, meter)
        .result("error", error, Dimension.KELVIN)
        .result("class", klass, Dimension.KELVIN)
        .because(
            "R(%.1f C) = %.0f (1 + 3.9083e-3 t - 5.775e-7 t^2) = %.2f ohm.", celsius, zero, due)
        .because("%.2f ohm without its leads is %s.", net, Figures.celsius(believed))
        .band("class %.2f K, meter %.1f K, thermometer 1 K", klass, meter)
        .from("IEC 60751.")
        .means(
            good
                ? "At this temperature it is right; warm it and look again."
                : "The unit is off by as many degrees.")
        .next(
            good
                ? "A second temperature clears it."
                : noted
                    ? "Note it: the oven's offset takes so much. Its sheath must read OL to both wires."
                    : "Clean its plug and read again; then renew it.")
        .drawn(
            new Picture(
                "C",
                "ohm",
                IntStream.rangeClosed(0, STEPS)
                    .mapToObj(i -> new Picture.CurvePoint(5.0 * i, curve.ohmsAt(5.0 * i)))
                    .toList(),
                List.of(),
                List.of(new Picture.Mark(celsius, net, "read"))))
        .done();
  }
}
