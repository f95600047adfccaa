package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * On and off with their times and temperatures: who is cycling, how much of the time it heats, what
 * the pattern means. Common practice, no source.
 */
final class CycleLogCheck implements PartCheck {

  /** An outlet is cooler than the control by less (K); common practice, no source. */
  private static final double WELL_BELOW_KELVIN = 12;

  @Override
  public Card card() {
    return new Card(
        "cycle-log",
        "Cycles of a heater",
        Set.of(PartKind.CYCLING_THERMOSTAT, PartKind.THERMOSTAT, PartKind.LIMIT),
        List.of("cycling", "on off", "duty", "short cycling", "limit cycling"),
        "",
        List.of(
            Input.figure("control", "Its control opens at", Dimension.CELSIUS, "68 C", -40, 400),
            Input.figure("limit", "Its limit opens at", Dimension.CELSIUS, "118 C", -40, 500),
            Input.log(
                "log",
                "A line each: minutes, temperature where the thermometer is, on or off",
                "0 22C on\n6 69C off\n8 61C on")));
  }

  @Override
  public CheckResult answer(Inputs in) {
    List<StateLog.Line> log = StateLog.read("log", in.text("log"), true, List.of("on", "off"));
    List<Double> ons = new ArrayList<>();
    List<Double> offs = new ArrayList<>();
    List<Double> offAt = new ArrayList<>();
    for (int i = 1; i < log.size(); i++) {
      StateLog.Line before = log.get(i - 1);
      StateLog.Line now = log.get(i);
      if (!before.event().equals(now.event())) {
        (before.event().equals("on") ? ons : offs).add(now.time() - before.time());
        if (now.event().equals("off")) {
          offAt.add(now.celsius());
        }
      }
    }
    if (offAt.isEmpty()) {
      double hottest = log.stream().mapToDouble(StateLog.Line::celsius).max().orElseThrow();
      boolean over = hottest > in.figure("control") + 10;
      return CheckResult.saying(
              over ? CheckResult.Grade.BAD : CheckResult.Grade.DOUBTFUL,
              over ? "It does not go off: stuck or welded" : "It has not gone off yet")
          .result("hottest", hottest, Dimension.CELSIUS)
          .because(
              "Up to %s; its control opens at %s.",
              Figures.celsius(hottest), Figures.celsius(in.figure("control")))
          .drawn(picture(in, log))
          .means(over ? "Its thermostat or its contact does not open." : "Go on.")
          .next(
              over ? "Switch it off; the thermostat, then its contact." : "Wait for the first off.")
          .done();
    }
    double on = mean(ons);
    double off = mean(offs);
    double at = mean(offAt);
    double duty = off > 0 ? on / (on + off) : 1;
    boolean byLimit = Math.abs(at - in.figure("limit")) < Math.abs(at - in.figure("control"));
    boolean below = at < in.figure("control") - WELL_BELOW_KELVIN;
    boolean shortOnes = on < 1;
    CheckResult.Grade grade =
        byLimit
            ? CheckResult.Grade.BAD
            : shortOnes || below ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD;
    return CheckResult.saying(
            grade,
            byLimit
                ? "Cycles on its limit"
                : below
                    ? "Goes off below its control: a limit at the heater, or blocked air"
                    : shortOnes ? "Short cycles on its control" : "Cycles on its control")
        .result("on", on, Dimension.MINUTES)
        .result("off", off, Dimension.MINUTES)
        .result("off-at", at, Dimension.CELSIUS)
        .result("duty", duty, "")
        .because("On %.1f min, off %.1f min: %s of its heat.", on, off, Figures.percent(duty))
        .because(
            "It goes off at %s; control %s, limit %s.",
            Figures.celsius(at),
            Figures.celsius(in.figure("control")),
            Figures.celsius(in.figure("limit")))
        .band("off nearer to its control than to its limit; on for more than a minute")
        .drawn(picture(in, log))
        .means(
            below && !byLimit
                ? "Something other than its control opens; the heater is hotter than the outlet."
                : byLimit
                    ? "Heat does not leave, or the control does not open."
                    : "Control and limit each do their work.")
        .next(
            below || byLimit
                ? "Air first; then the control in slow heat. Not the limit."
                : "Nothing.")
        .done();
  }

  /** Temperature over minutes, against where its control and its limit open. */
  private static Picture picture(Inputs in, List<StateLog.Line> log) {
    return new Picture(
        "min",
        "C",
        log.stream().map(l -> new Picture.CurvePoint(l.time(), l.celsius())).toList(),
        List.of(
            line(in.figure("control"), "control opens", CheckResult.Grade.GOOD),
            line(in.figure("limit"), "limit opens", CheckResult.Grade.BAD)),
        log.stream().map(l -> new Picture.Mark(l.time(), l.celsius(), l.event())).toList());
  }

  private static Picture.Band line(double celsius, String title, CheckResult.Grade grade) {
    return new Picture.Band(celsius - 0.5, celsius + 0.5, title, grade);
  }

  private static double mean(List<Double> all) {
    return all.stream().mapToDouble(d -> d).average().orElse(0);
  }
}
