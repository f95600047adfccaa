package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A sequencer: how long after the call each stage comes in and how long after its end it leaves,
 * against the times printed on it, or against what is usual; first in last out. The times come from
 * a log of what the clamp shows, or are typed one by one. Common practice, no source.
 */
final class SequencerCheck implements PartCheck {

  /**
   * When a stage acts.
   *
   * @param from the event its time runs from
   * @param least earliest (s)
   * @param most latest (s)
   */
  private record Window(String name, String title, String from, double least, double most) {}

  private static final String CALL = "call";
  private static final String END = "call-ends";

  /** What is usual of all that are sold; each bears times of its own. */
  private static final List<Window> WINDOWS =
      List.of(
          new Window("one-in", "Stage 1 in, after the call", CALL, 1, 110),
          new Window("two-in", "Stage 2 in, after the call", CALL, 1, 220),
          new Window("two-out", "Stage 2 out, after the call ends", END, 1, 40),
          new Window("one-out", "Stage 1 out, after the call ends", END, 20, 120));

  private static final Pattern RANGE = Pattern.compile("(\\d+)\\s*(?:-|–|to)\\s*(\\d+)");

  private static final List<String> EVENTS =
      List.of(CALL, "one-in", "two-in", END, "two-out", "one-out");

  @Override
  public Card card() {
    List<Input> inputs = new ArrayList<>();
    inputs.add(
        Input.log(
                "log",
                "A line each as the clamp shows it: seconds, and what happened",
                "0 call\n12 one-in\n58 two-in\n600 call-ends\n615 two-out\n660 one-out")
            .optional());
    for (Window w : WINDOWS) {
      String usual = "%.0f s".formatted((w.least() + w.most()) / 2);
      inputs.add(Input.figure(w.name(), w.title(), Dimension.SECONDS, usual, 0, 3600).optional());
    }
    inputs.add(
        Input.text(
                "printed",
                "Seconds printed on it: 1 in, 2 in, 2 out, 1 out",
                "1-20, 30-90, 1-30, 30-90")
            .optional());
    return new Card(
        "sequencer",
        "A sequencer's stages",
        Set.of(PartKind.SEQUENCER_STAGE, PartKind.SEQUENCER_HEATER),
        List.of("sequencer", "stage", "heat kit", "last in first out"),
        "A clamp on the supply jumps with every stage.",
        inputs);
  }

  @Override
  public CheckResult answer(Inputs in) {
    Map<Window, Double> times = times(in);
    if (times.isEmpty()) {
      throw new InvalidInputsException(
          "log", "has no stage in it yet; log the call and a stage, or type one of the times");
    }
    List<String> off =
        times.entrySet().stream()
            .filter(t -> t.getValue() < t.getKey().least() || t.getValue() > t.getKey().most())
            .map(t -> t.getKey().title())
            .toList();
    boolean order = before(times, 1, 0) || before(times, 3, 2);
    boolean printed = in.has("printed");
    CheckResult.Writer answer =
        CheckResult.saying(
            order
                ? CheckResult.Grade.BAD
                : off.isEmpty() ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
            order
                ? "Wrong order: stage 1 comes in first and leaves last"
                : off.isEmpty()
                    ? printed ? "Within its print" : "Within what is usual"
                    : "Out of its window: " + String.join("; ", off));
    times.forEach(
        (w, seconds) ->
            answer
                .result(w.name(), seconds, Dimension.SECONDS)
                .because(
                    "%s: %.0f s, due %.0f to %.0f s.", w.title(), seconds, w.least(), w.most()));
    return answer
        .band(
            printed
                ? "the seconds printed on it, first in last out"
                : "what is usual, first in last out; the seconds printed on it hold")
        .drawn(
            Picture.scale(
                "s after the call, or its end",
                times.keySet().stream()
                    .map(
                        w ->
                            new Picture.Band(
                                w.least(), w.most(), w.title(), CheckResult.Grade.GOOD))
                    .toList(),
                times.entrySet().stream()
                    .map(t -> new Picture.Mark(t.getValue(), 0, t.getKey().title()))
                    .toArray(Picture.Mark[]::new)))
        .means(
            order
                ? "The blower may leave before the strips are cool."
                : off.isEmpty()
                    ? "It stages as it should."
                    : "Its heater gets too little, or its disc is tired.")
        .next(
            order || !off.isEmpty()
                ? "Read 24 V at its heater and compare the seconds printed on it; with both right, renew it."
                : "Go on to the limits.")
        .done();
  }

  /** Whether one stage acted before the other, each by its place among the windows. */
  private static boolean before(Map<Window, Double> times, int one, int other) {
    Optional<Double> first = timeOf(times, one);
    Optional<Double> second = timeOf(times, other);
    return first.isPresent() && second.isPresent() && first.get() < second.get();
  }

  private static Optional<Double> timeOf(Map<Window, Double> times, int window) {
    return times.entrySet().stream()
        .filter(t -> t.getKey().name().equals(WINDOWS.get(window).name()))
        .map(Map.Entry::getValue)
        .findFirst();
  }

  /** The windows by what is printed, or those that are usual. */
  private static List<Window> windows(Inputs in) {
    if (!in.has("printed")) {
      return WINDOWS;
    }
    Matcher range = RANGE.matcher(in.text("printed"));
    List<Window> printed = new ArrayList<>();
    while (range.find() && printed.size() < WINDOWS.size()) {
      Window usual = WINDOWS.get(printed.size());
      printed.add(
          new Window(
              usual.name(),
              usual.title(),
              usual.from(),
              Double.parseDouble(range.group(1)),
              Double.parseDouble(range.group(2))));
    }
    if (printed.size() < WINDOWS.size() || printed.stream().anyMatch(w -> w.least() >= w.most())) {
      throw new InvalidInputsException(
          "printed", "four ranges of seconds are wanted, like \"1-20, 30-90, 1-30, 30-90\"");
    }
    return printed;
  }

  /** What was typed, and of the log what was not typed, in the order of the windows. */
  private static Map<Window, Double> times(Inputs in) {
    List<StateLog.Line> log =
        in.has("log") ? StateLog.read("log", in.text("log"), false, EVENTS) : List.of();
    Map<Window, Double> times = new LinkedHashMap<>();
    for (Window w : windows(in)) {
      Optional<Double> at = first(log, w.name());
      if (in.has(w.name())) {
        times.put(w, in.figure(w.name()));
      } else if (at.isPresent()) {
        double from =
            first(log, w.from())
                .orElseThrow(
                    () ->
                        new InvalidInputsException(
                            "log",
                            "%s needs a line \"%s\" before it".formatted(w.name(), w.from())));
        if (at.get() < from) {
          throw new InvalidInputsException(
              "log", "%s stands before \"%s\"".formatted(w.name(), w.from()));
        }
        times.put(w, at.get() - from);
      }
    }
    return times;
  }

  private static Optional<Double> first(List<StateLog.Line> log, String event) {
    return log.stream().filter(l -> l.event().equals(event)).map(StateLog.Line::time).findFirst();
  }
}
