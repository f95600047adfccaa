package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * Air by what warms it: {@code W = rho cp V dT}, so that {@code V = W / (rho cp dT)}, the density
 * by altitude and temperature (ideal gas, ISO 2533).
 */
final class AirflowCheck implements PartCheck {

  /** Of air (J/(kg K)). */
  private static final double HEAT_CAPACITY = 1006;

  private static final double CFM = Dimension.CUBIC_METRES_PER_SECOND.parse("1 cfm");

  /** What two thermometers leave open (K). */
  private static final double THERMOMETERS = 1.4;

  /** More than so many times its flow it does not move: some of the heat is missing. */
  private static final double TOO_MUCH = 1.4;

  @Override
  public Card card() {
    return new Card(
        "airflow",
        "Airflow by temperature rise",
        Set.of(PartKind.HEATING_ELEMENT, PartKind.MOTOR),
        List.of("temperature rise", "cfm", "heat kit", "filter", "blower"),
        "Both thermometers out of sight of the strips, the unit steady for ten minutes.",
        List.of(
            Input.figure("watts", "Heat given", Dimension.WATTS, "10 kW", 100, 200_000),
            Input.figure("in", "Air before", Dimension.CELSIUS, "20 C", -40, 60),
            Input.figure("out", "Air after", Dimension.CELSIUS, "42 C", -40, 200),
            Input.figure("altitude", "Above the sea", Dimension.METRES, "0 m", -400, 5000)
                .optional(),
            Input.figure(
                    "due",
                    "Airflow it should have",
                    Dimension.CUBIC_METRES_PER_SECOND,
                    "1200 cfm",
                    0.005,
                    20)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double rise = in.figure("out") - in.figure("in");
    if (rise < 1) {
      throw new InvalidInputsException(
          "out", "it is no warmer than before: is the heat on, the fields the right way round?");
    }
    double density =
        Atmosphere.density(Atmosphere.pascals(in.figure("altitude", 0)), in.figure("in"));
    double flow = in.figure("watts") / (density * HEAT_CAPACITY * rise);
    CheckResult.Writer answer;
    if (in.has("due")) {
      double share = flow / in.figure("due");
      answer =
          CheckResult.saying(
                  share < 0.8
                      ? CheckResult.Grade.BAD
                      : share < 0.9 || share > TOO_MUCH
                          ? CheckResult.Grade.DOUBTFUL
                          : CheckResult.Grade.GOOD,
                  share < 0.8
                      ? "Too little air"
                      : share < 0.9
                          ? "Little air"
                          : share > TOO_MUCH ? "Too much air to be true: less heat" : "Air enough")
              .result("share", share, "")
              .drawn(
                  Picture.scale(
                      "cfm",
                      List.of(
                          new Picture.Band(
                              0, 0.8 * in.figure("due") / CFM, "too little", CheckResult.Grade.BAD),
                          new Picture.Band(
                              0.8 * in.figure("due") / CFM,
                              0.9 * in.figure("due") / CFM,
                              "little",
                              CheckResult.Grade.DOUBTFUL),
                          new Picture.Band(
                              0.9 * in.figure("due") / CFM,
                              1.3 * in.figure("due") / CFM,
                              "enough",
                              CheckResult.Grade.GOOD)),
                      new Picture.Mark(flow / CFM, 0, "yours")));
    } else {
      answer =
          CheckResult.saying(
              CheckResult.Grade.PLAIN, "%.0f cfm (%.0f m3/h)", flow / CFM, flow * 3600);
    }
    return answer
        .measured("airflow", flow, Dimension.CUBIC_METRES_PER_SECOND, flow * THERMOMETERS / rise)
        .result("cfm", flow / CFM, "cfm")
        .result("rise", rise, Dimension.KELVIN)
        .result("density", density, "kg/m3")
        .because(
            "V = W / (rho cp dT) = %.0f / (%.3f x %.0f x %.1f) = %.3f m3/s.",
            in.figure("watts"), density, HEAT_CAPACITY, rise, flow)
        .band(in.has("due") ? "nine tenths of its flow at least" : "")
        .from("Ideal gas; ISO 2533 for the altitude.")
        .means("Twice the rise is half the air.")
        .next(
            in.has("due") && flow / in.figure("due") > TOO_MUCH
                ? "A strip is out: amperes of each."
                : "Filter, coil, registers; then blower, capacitor, speed tap.")
        .done();
  }
}
