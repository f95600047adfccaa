package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * Temperature and pressure of a sterilizer together. On the curve of saturation there is steam and
 * nothing else. Less temperature than the pressure asks for: air is left, by Dalton's law the share
 * {@code 1 - ps(T) / p}. More: superheated, or a sensor that reads high. IAPWS-IF97.
 */
final class SteamCheck implements PartCheck {

  /** What gauge and sensor leave open (K). */
  private static final double TOLERANCE_KELVIN = 1.5;

  @Override
  public Card card() {
    return new Card(
        "steam",
        "Steam: temperature and pressure together",
        Set.of(PartKind.PLATINUM_SENSOR),
        List.of("autoclave", "steam table", "saturation", "134 C", "pressure"),
        "Stand aside; steam burns.",
        List.of(
            Input.figure("celsius", "Temperature shown", Dimension.CELSIUS, "121 C", 0.01, 250),
            Input.figure("pressure", "Pressure shown", Dimension.PASCALS, "15 psi", 0, 4e6)
                .bare("psi"),
            Input.choice("as", "The gauge counts from", "air (gauge)", "nothing (absolute)"),
            Input.figure("altitude", "Above the sea", Dimension.METRES, "0 m", -400, 5000)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double air = Atmosphere.pascals(in.figure("altitude", 0));
    boolean gauge = in.text("as").startsWith("air");
    double absolute = in.figure("pressure") + (gauge ? air : 0);
    double celsius = in.figure("celsius");
    if (absolute < 700) {
      throw new InvalidInputsException(
          "pressure", "nothing boils at so little; is it gauge or absolute?");
    }
    double due = Saturation.pascals(Figures.kelvin(celsius));
    double saturated = Figures.celsiusOf(Saturation.kelvin(absolute));
    double off = celsius - saturated;
    double share = Math.max(0, 1 - due / absolute);
    boolean on = Math.abs(off) <= TOLERANCE_KELVIN;
    CheckResult.Writer answer =
        CheckResult.saying(
                on ? CheckResult.Grade.GOOD : CheckResult.Grade.BAD,
                on
                    ? "On the steam table"
                    : off < 0
                        ? "Pressure above the table: the sensor reads low, or air is left"
                        : "Temperature without pressure: a leak, or the sensor reads high")
            .measured("saturation", saturated, Dimension.CELSIUS, TOLERANCE_KELVIN)
            .result("pressure-due", due / 1000, "kPa")
            .result("absolute", absolute / 1000, "kPa")
            .result("off", off, Dimension.KELVIN)
            .result("air-share", off < 0 ? share : 0, "")
            .because(
                "%.1f kPa absolute (the air about it %.1f kPa) boils at %s.",
                absolute / 1000, air / 1000, Figures.celsius(saturated))
            .because("%s goes with %.1f kPa absolute.", Figures.celsius(celsius), due / 1000);
    if (off < -TOLERANCE_KELVIN) {
      answer.because("If the sensor is right, %s of it is air (Dalton).", Figures.percent(share));
    }
    return answer
        .band("within %.1f K of saturation", TOLERANCE_KELVIN)
        .from("IAPWS-IF97 region 4; ISO 2533 for the air.")
        .means(
            on
                ? "Steam, and nothing else."
                : off < 0
                    ? "What is in it is not as hot as it should be, or hotter than it is told."
                    : "Pressure is lost, or the figure is wrong.")
        .next(
            on
                ? "Let the cycle go on."
                : off < 0
                    ? "Clean the sensor; look at air valve and vent."
                    : "Door gasket, relief and vent; the sensor in ice and boiling water.")
        .drawn(curve(celsius, absolute))
        .done();
  }

  private static Picture curve(double celsius, double absolute) {
    List<Picture.CurvePoint> line =
        IntStream.rangeClosed(90, 140)
            .mapToObj(c -> new Picture.CurvePoint(c, Saturation.pascals(Figures.kelvin(c)) / 1000))
            .toList();
    return new Picture(
        "C",
        "kPa absolute",
        line,
        List.of(),
        List.of(new Picture.Mark(celsius, absolute / 1000, "now")));
  }
}
