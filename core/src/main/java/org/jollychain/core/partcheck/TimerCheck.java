package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A timer swept over its dial: where its contact was closed against its chart, its motor's ohms. A
 * contact closed where the chart has it open is welded. Common practice, no source.
 */
final class TimerCheck implements PartCheck {

  private static final double MOTOR_LOW = 1000;
  private static final double MOTOR_HIGH = 6000;

  @Override
  public Card card() {
    return new Card(
        "timer",
        "A timer over its dial",
        Set.of(PartKind.TIMER_CONTACT, PartKind.TIMER_MOTOR, PartKind.SELECTOR),
        List.of("timer", "dial", "advance", "timer motor 2500"),
        "Isolated, the wires of the contact off, the dial turned by hand the way it turns.",
        List.of(
            Input.text("chart", "Closed by its chart, in degrees or minutes", "10-60, 80-100"),
            Input.log(
                "log",
                "A line each: place on the dial, open or closed",
                "0 open\n15 closed\n70 open"),
            Input.text("motor", "Ohms of its motor", "2500").optional()));
  }

  private record Stretch(double from, double to) {
    boolean holds(double at) {
      return at >= from && at <= to;
    }
  }

  @Override
  public CheckResult answer(Inputs in) {
    List<Stretch> chart = chart(in.text("chart"));
    List<StateLog.Line> log =
        StateLog.read("log", in.text("log"), false, List.of("open", "closed"));
    List<String> wrong = new ArrayList<>();
    boolean welded = false;
    boolean dead = false;
    for (StateLog.Line l : log) {
      boolean due = chart.stream().anyMatch(s -> s.holds(l.time()));
      boolean closed = l.event().equals("closed");
      if (closed != due) {
        wrong.add("%s at %.0f, due %s".formatted(l.event(), l.time(), due ? "closed" : "open"));
        welded |= closed;
        dead |= !closed;
      }
    }
    // a contact that fails is right somewhere
    boolean turned = log.size() > 1 && wrong.size() == log.size();
    boolean motorBad = false;
    CheckResult.Writer answer =
        CheckResult.saying(
            wrong.isEmpty()
                ? CheckResult.Grade.GOOD
                : turned ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.BAD,
            wrong.isEmpty()
                ? "As its chart"
                : turned
                    ? "Wrong at every place: other wires, or another zero of the dial"
                    : welded && !dead
                        ? "Welded: closed where it should be open"
                        : "Burnt: open where it should be closed");
    if (in.has("motor")) {
      double ohms = OhmsRead.of("motor", in.text("motor"));
      motorBad = ohms >= OhmsRead.OPEN;
      answer
          .result("motor-ohms", Math.min(ohms, OhmsRead.OPEN), Dimension.OHMS)
          .because(
              "Its motor reads %s; %.0f to %.0f ohm is usual.",
              OhmsRead.said(ohms), MOTOR_LOW, MOTOR_HIGH);
    }
    answer.because("%d places swept, %d of them not as its chart.", log.size(), wrong.size());
    wrong.forEach(w -> answer.because("%s.", w));
    return answer
        .result("places", log.size(), "")
        .result("wrong", wrong.size(), "")
        .band("as its chart at every place of the dial")
        .drawn(
            Picture.scale(
                "place on the dial",
                chart.stream()
                    .map(c -> new Picture.Band(c.from(), c.to(), "closed", CheckResult.Grade.GOOD))
                    .toList(),
                log.stream()
                    .map(l -> new Picture.Mark(l.time(), 0, l.event()))
                    .toArray(Picture.Mark[]::new)))
        .means(
            motorBad
                ? "It does not advance by itself: its motor is open."
                : wrong.isEmpty()
                    ? "Its contact does as it should."
                    : "The program goes wrong there.")
        .next(
            turned
                ? "Find its two wires in the chart again, and where its dial begins."
                : wrong.isEmpty() && !motorBad
                    ? "Look further along the chain."
                    : "Renew the timer.")
        .done();
  }

  private static List<Stretch> chart(String text) {
    List<Stretch> all = new ArrayList<>();
    for (String one : text.split("[,;]")) {
      String[] ends = one.strip().split("\\s*(?:-|to)\\s*");
      try {
        Stretch s = new Stretch(Double.parseDouble(ends[0]), Double.parseDouble(ends[1]));
        if (s.to() < s.from()) {
          throw new InvalidInputsException(
              "chart", "\"%s\" ends before it begins".formatted(one.strip()));
        }
        all.add(s);
      } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
        throw new InvalidInputsException(
            "chart", "\"%s\" is no stretch, like \"10-60\"".formatted(one.strip()));
      }
    }
    return all;
  }
}
