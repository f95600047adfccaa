package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A coil: relay, solenoid, gas valve. Practitioners' bands differ; they stand side by side and the
 * one that is used is named. A buzzer is silent above some tens of ohms, so that a sound coil is
 * "open" to it. Common practice, no source.
 */
final class CoilCheck implements PartCheck {

  /** A buzzer is silent from here (ohm); common practice, no source. */
  private static final double BUZZER_OHMS = 50;

  /**
   * A school's band.
   *
   * @param low end (ohm)
   * @param high end (ohm)
   */
  private record School(String title, double low, double high) {

    boolean holds(double ohms) {
      return ohms >= low && ohms <= high;
    }
  }

  private static final Map<String, List<School>> SCHOOLS =
      Map.of(
          "gas valve, two pins",
          List.of(new School("300-2000 ohm", 300, 2000), new School("1000-1300 ohm", 1000, 1300)),
          "gas valve, three pins",
          List.of(
              new School("300-2000 ohm between neighbours", 300, 2000),
              new School("1300-1400 ohm", 1300, 1400),
              new School("500-600 ohm", 500, 600)),
          "relay or contactor 24 V",
          List.of(new School("8-700 ohm", 8, 700)),
          "relay or contactor mains",
          List.of(new School("50-3000 ohm", 50, 3000)),
          "water or steam valve",
          List.of(new School("20-1500 ohm by its voltage", 20, 1500)),
          "timer motor",
          List.of(new School("1000-6000 ohm", 1000, 6000)));

  /** No clamp of the trade sees less (A); common practice, no source. */
  private static final double CLAMP_SEES_AMPERES = 0.2;

  @Override
  public Card card() {
    return new Card(
        "coil",
        "A coil, solenoid or valve",
        Set.of(PartKind.VALVE_COIL, PartKind.RELAY_COIL, PartKind.VALVE, PartKind.TIMER_MOTOR),
        List.of("gas valve coil", "solenoid", "relay", "1300", "coil ohms"),
        "Isolated, its plug off.",
        List.of(
            Input.choice(
                "coil", "What coil", SCHOOLS.keySet().stream().sorted().toArray(String[]::new)),
            Input.text("ohms", "Ohms read", "1300"),
            Input.figure("partner", "Ohms of its partner", Dimension.OHMS, "1310", 0, 1e7)
                .optional(),
            Input.choice("buzzer", "What the buzzer did", "not used", "silent", "sounds")
                .optional(),
            Input.figure(
                    "amperes", "A clamp about its wire, called", Dimension.AMPERES, "0.09 A", 0, 20)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double ohms = OhmsRead.of("ohms", in.text("ohms"));
    List<School> schools = SCHOOLS.get(in.text("coil"));
    School used = schools.get(0);
    boolean pair = in.has("partner");
    boolean gas = in.text("coil").startsWith("gas valve");
    boolean unlike = pair && !gas && Math.abs(ohms / in.figure("partner") - 1) > 0.15;
    CheckResult.Writer answer;
    if (ohms >= OhmsRead.OPEN) {
      answer =
          CheckResult.saying(CheckResult.Grade.BAD, "Open")
              .means("It cannot pull.")
              .next("Renew it; coils of a gas valve as a pair.");
    } else if (ohms < 1) {
      answer =
          CheckResult.saying(CheckResult.Grade.BAD, "Shorted")
              .means("It takes its fuse or board with it.")
              .next("Renew it, and look what fed it.");
    } else if (used.holds(ohms)) {
      answer =
          CheckResult.saying(
                  unlike ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD,
                  unlike ? "In its band, but unlike its partner" : "In its band")
              .means("Cold it is sound. Weak coils pass on ohms and let go when hot.")
              .next("Where it heats at first and then no more, renew both as a pair.");
    } else {
      answer =
          CheckResult.saying(CheckResult.Grade.DOUBTFUL, "Outside the usual range")
              .means("Its own paper decides.")
              .next("See the tech sheet.");
    }
    if (ohms < OhmsRead.OPEN) {
      answer.measured("ohms", ohms, Dimension.OHMS, Figures.twice(MeterFunction.OHMS, ohms));
    }
    for (School school : schools) {
      answer.because("%s: %s.", school.title(), school.holds(ohms) ? "in" : "out");
    }
    if (in.text("buzzer").equals("silent") && ohms > BUZZER_OHMS && ohms < OhmsRead.OPEN) {
      answer.because(
          "A buzzer is silent above about %.0f ohm: it says nothing of a coil.", BUZZER_OHMS);
    }
    in.optional("amperes")
        .ifPresent(
            a ->
                answer.because(
                    a >= CLAMP_SEES_AMPERES
                        ? "Current flows: it is energized."
                        : "A clamp does not see so little: this says nothing of a coil."));
    if (pair && gas) {
      answer.because("The coils of a gas valve differ by design: unlike ones may both be sound.");
    }
    if (in.text("coil").endsWith("three pins")) {
      answer.because("Read all three pairs of pins: the outer pair is the sum of the other two.");
    }
    if (ohms < OhmsRead.OPEN) {
      answer.drawn(
          Picture.scale(
              "ohm",
              List.of(new Picture.Band(used.low(), used.high(), "used", CheckResult.Grade.GOOD)),
              new Picture.Mark(ohms, 0, "yours")));
    }
    return answer.band("used: %s", used.title()).done();
  }
}
