package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A gas burner watched: glow, flame, off, in seconds. How long each trial took, how many were good,
 * and what the pattern means. Common practice, no source.
 */
final class BurnerLogCheck implements PartCheck {

  private static final double LONGEST_TRIAL = 90;

  /** A shorter flame was lost (s); common practice, no source. */
  private static final double LOST_SECONDS = 15;

  @Override
  public Card card() {
    return new Card(
        "burner-log",
        "A gas burner's trials",
        Set.of(
            PartKind.IGNITER,
            PartKind.VALVE_COIL,
            PartKind.FLAME_SENSOR_CONTACT,
            PartKind.FLAME_ROD),
        List.of("glow", "flame", "gas dryer", "ignition", "lockout"),
        "",
        List.of(
            Input.log(
                "log",
                "A line each: seconds, glow, flame or off",
                "0 glow\n32 flame\n1300 off\n1450 glow")));
  }

  @Override
  public CheckResult answer(Inputs in) {
    List<StateLog.Line> log =
        StateLog.read("log", in.text("log"), false, List.of("glow", "flame", "off"));
    int trials = 0;
    int good = 0;
    int late = 0;
    int lost = 0;
    boolean faded = false;
    double longest = 0;
    double burnt = 0;
    for (int i = 0; i < log.size(); i++) {
      StateLog.Line now = log.get(i);
      StateLog.Line next = i + 1 < log.size() ? log.get(i + 1) : null;
      if (now.event().equals("glow") && next != null) {
        trials++;
        double took = next.time() - now.time();
        longest = Math.max(longest, took);
        if (next.event().equals("flame")) {
          good++;
          late += took > LONGEST_TRIAL ? 1 : 0;
        } else {
          faded |= good > 0;
        }
      }
      if (now.event().equals("flame") && next != null) {
        burnt += next.time() - now.time();
        lost += next.time() - now.time() < LOST_SECONDS ? 1 : 0;
      }
    }
    boolean none = log.stream().noneMatch(l -> l.event().equals("glow"));
    String verdict =
        none
            ? "No glow"
            : faded
                ? "Flame at first, then glow alone: the coils open when warm"
                : trials > 0 && good == 0
                    ? "Glow and no flame"
                    : lost > 0
                        ? "Flame lost within seconds"
                        : good < trials
                            ? "A trial without flame"
                            : late > 0 ? "Late" : "Every trial good";
    CheckResult.Grade grade =
        none || faded || good == 0
            ? CheckResult.Grade.BAD
            : late > 0 || lost > 0 || good < trials
                ? CheckResult.Grade.DOUBTFUL
                : CheckResult.Grade.GOOD;
    return CheckResult.saying(grade, verdict)
        .result("trials", trials, "")
        .result("good", good, "")
        .result("longest-trial", longest, Dimension.SECONDS)
        .result("burnt", burnt, Dimension.SECONDS)
        .because("%d trials, %d with flame; the longest took %.0f s.", trials, good, longest)
        .band("flame within %.0f s of the glow, burn after burn", LONGEST_TRIAL)
        .drawn(picture(log))
        .means(
            none
                ? "Igniter, its harness, the flame sensor open, or no call."
                : faded || good == 0
                    ? "The valve does not open."
                    : lost > 0
                        ? "It lights and does not stay: what proves the flame, or the gas, gives way."
                        : good < trials
                            ? "It does not light every time: igniter or gas at their limit."
                            : "It burns as it should.")
        .next(
            none
                ? "Ohms of the igniter cold."
                : faded
                    ? "On a dryer renew the coils as a set; elsewhere look at what proves the flame."
                    : good == 0
                        ? "Coils, then the gas supply, then the valve."
                        : lost > 0 || good < trials
                            ? "Watch three burns, with the meter on."
                            : "Go on.")
        .done();
  }

  /** What it did from event to event. */
  private static Picture picture(List<StateLog.Line> log) {
    List<Picture.Band> bands = new ArrayList<>();
    for (int i = 0; i + 1 < log.size(); i++) {
      StateLog.Line now = log.get(i);
      double end = log.get(i + 1).time();
      boolean late = now.event().equals("glow") && end - now.time() > LONGEST_TRIAL;
      if (!now.event().equals("off")) {
        bands.add(
            new Picture.Band(
                now.time(),
                end,
                now.event(),
                now.event().equals("flame")
                    ? CheckResult.Grade.GOOD
                    : late ? CheckResult.Grade.BAD : CheckResult.Grade.DOUBTFUL));
      }
    }
    return Picture.scale(
        "s",
        bands,
        log.stream()
            .map(l -> new Picture.Mark(l.time(), 0, l.event()))
            .toArray(Picture.Mark[]::new));
  }
}
