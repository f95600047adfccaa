package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A disc out of the unit, heated slowly with a thermometer on it and left to cool: where it opened
 * and closed again, against its rating. The disc lags behind what warms it, so that a fast rise
 * shows too much: with a time constant of half a minute it is {@code rate / 2} behind. Common
 * practice, no source.
 */
final class DiscHeatUpCheck implements PartCheck {

  /** So far either way a disc may open (K); common practice, no source. */
  private static final double TOLERANCE_KELVIN = 6;

  /** Faster, and the thermometer and the disc are not as warm (K/min). */
  private static final double FASTEST = 6;

  /** Cooled so far, a disc that resets by itself is closed. */
  private static final double ROOM_CELSIUS = 27;

  /** Half a minute of lag. */
  private static final double LAG_MINUTES = 0.5;

  @Override
  public Card card() {
    return new Card(
        "disc-heat-up",
        "A disc heated slowly",
        Set.of(PartKind.LIMIT, PartKind.CYCLING_THERMOSTAT, PartKind.THERMOSTAT),
        List.of("heat up", "thermostat", "limit", "opens at", "never opens"),
        "Slow heat, no flame, the thermometer on the disc. Never a one-shot or a hand-reset part.",
        List.of(
            Input.figure("opens-at", "Rated to open at", Dimension.CELSIUS, "121 C", -40, 400),
            Input.figure("closes-at", "Rated to close at", Dimension.CELSIUS, "99 C", -60, 400)
                .optional(),
            Input.figure("tolerance", "Allowed either way", Dimension.KELVIN, "6 K", 1, 40)
                .optional(),
            Input.log(
                "log",
                "A line each: time in minutes, temperature, open or closed",
                "0 21C closed\n5 60C closed\n12 118C closed\n12.5 121C open")));
  }

  @Override
  public CheckResult answer(Inputs in) {
    List<StateLog.Line> log = StateLog.read("log", in.text("log"), true, List.of("open", "closed"));
    double rated = in.figure("opens-at");
    double allowed = in.figure("tolerance", TOLERANCE_KELVIN);
    Optional<StateLog.Line> opened = first(log, "open", 0);
    double hottest = log.stream().mapToDouble(StateLog.Line::celsius).max().orElseThrow();
    if (opened.isEmpty()) {
      boolean due = hottest > rated + allowed;
      return CheckResult.saying(
              due ? CheckResult.Grade.BAD : CheckResult.Grade.DOUBTFUL,
              due ? "Never opens" : "Not warm enough yet")
          .result("hottest", hottest, Dimension.CELSIUS)
          .because(
              "Closed up to %s; rated to open at %s.",
              Figures.celsius(hottest), Figures.celsius(rated))
          .band("%.0f K either way of its rating", allowed)
          .means(due ? "It protects nothing." : "Nothing is shown until it is past its rating.")
          .next(due ? "Renew it with one of the same rating, and its partner." : "Go on, slowly.")
          .drawn(picture(log, rated, allowed))
          .done();
    }
    int at = log.indexOf(opened.get());
    double rate = rate(log, at);
    double celsius = opened.get().celsius();
    double off = celsius - rated;
    boolean fast = rate > FASTEST;
    boolean within = Math.abs(off) <= allowed + (fast ? LAG_MINUTES * rate : 0);
    Optional<StateLog.Line> closed = first(log, "closed", at);
    double cold = in.figure("closes-at", ROOM_CELSIUS + allowed) - allowed;
    boolean stays = closed.isEmpty() && coolest(log, at) <= cold;
    CheckResult.Grade grade =
        !within || stays
            ? CheckResult.Grade.BAD
            : fast ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.GOOD;
    CheckResult.Writer answer =
        CheckResult.saying(
                grade,
                within && stays
                    ? "Opens within its band, and does not close again"
                    : within
                        ? fast
                            ? "Opens about where it should; heated too fast to trust"
                            : "Opens within its band"
                        : off < 0 ? "Opens too early" : "Opens too late")
            .measured("opened-at", celsius, Dimension.CELSIUS, 2 + LAG_MINUTES * rate)
            .result("off", off, Dimension.KELVIN)
            .result("rate", rate, "K/min")
            .because(
                "Opened at %s, rated %s: %+.1f K.",
                Figures.celsius(celsius), Figures.celsius(rated), off)
            .because(
                "Warmed by %.1f K a minute; it lags about %.1f K behind.",
                rate, LAG_MINUTES * rate);
    if (closed.isPresent()) {
      answer
          .result("closed-at", closed.get().celsius(), Dimension.CELSIUS)
          .because("Closed again at %s.", Figures.celsius(closed.get().celsius()));
    } else if (in.has("closes-at") && coolest(log, at) < in.figure("closes-at") - allowed) {
      answer.because("It had not closed again at %s.", Figures.celsius(coolest(log, at)));
    }
    return answer
        .band("%.0f K either way of its rating; not faster than %.0f K a minute", allowed, FASTEST)
        .means(
            stays
                ? "It stays open when cold: what it feeds never comes on again."
                : within
                    ? "It is sound; look for what overheated it."
                    : off < 0
                        ? "It opens in normal work: the unit goes off and on."
                        : "What it protects gets too hot.")
        .next(
            within && !stays
                ? "Put it back; after a blown cut-off renew both as a set."
                : "Renew it with one of the same rating.")
        .drawn(picture(log, rated, allowed))
        .done();
  }

  private static Optional<StateLog.Line> first(List<StateLog.Line> log, String state, int from) {
    return log.subList(from, log.size()).stream().filter(l -> l.event().equals(state)).findFirst();
  }

  private static double coolest(List<StateLog.Line> log, int from) {
    return log.subList(from, log.size()).stream()
        .mapToDouble(StateLog.Line::celsius)
        .min()
        .orElseThrow();
  }

  /** How fast it warmed up to where it opened (K/min). */
  private static double rate(List<StateLog.Line> log, int at) {
    if (at == 0) {
      return 0;
    }
    StateLog.Line before = log.get(at - 1);
    StateLog.Line now = log.get(at);
    double minutes = now.time() - before.time();
    return minutes > 0 ? Math.max(0, (now.celsius() - before.celsius()) / minutes) : 0;
  }

  private static Picture picture(List<StateLog.Line> log, double rated, double allowed) {
    List<Picture.CurvePoint> ramp = new ArrayList<>();
    List<Picture.Mark> marks = new ArrayList<>();
    String before = "";
    for (StateLog.Line l : log) {
      ramp.add(new Picture.CurvePoint(l.time(), l.celsius()));
      if (!l.event().equals(before) && !before.isEmpty()) {
        marks.add(new Picture.Mark(l.time(), l.celsius(), l.event()));
      }
      before = l.event();
    }
    return new Picture(
        "min",
        "C",
        ramp,
        List.of(
            new Picture.Band(
                rated - allowed, rated + allowed, "opens here", CheckResult.Grade.GOOD)),
        marks);
  }
}
