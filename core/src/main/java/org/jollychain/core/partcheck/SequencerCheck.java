package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A sequencer: how long after the call each stage comes in and how long after its end it leaves,
 * against its windows, last in first out. The times come from a log of what the clamp shows, or are
 * typed one by one. Common practice, no source.
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

  private static final List<Window> WINDOWS =
      List.of(
          new Window("one-in", "Stage 1 in, after the call", CALL, 1, 20),
          new Window("two-in", "Stage 2 in, after the call", CALL, 30, 90),
          new Window("two-out", "Stage 2 out, after the call ends", END, 1, 30),
          new Window("one-out", "Stage 1 out, after the call ends", END, 30, 90));

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
    Double twoOut = times.get(WINDOWS.get(2));
    Double oneOut = times.get(WINDOWS.get(3));
    boolean order = twoOut != null && oneOut != null && oneOut < twoOut;
    CheckResult.Writer answer =
        CheckResult.saying(
            order
                ? CheckResult.Grade.BAD
                : off.isEmpty() ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
            order
                ? "Wrong order: the first in left first"
                : off.isEmpty()
                    ? "Within its windows"
                    : "Out of its window: " + String.join("; ", off));
    times.forEach(
        (w, seconds) ->
            answer
                .result(w.name(), seconds, Dimension.SECONDS)
                .because(
                    "%s: %.0f s, due %.0f to %.0f s.", w.title(), seconds, w.least(), w.most()));
    return answer
        .band("in after 1-20 and 30-90 s, out after 1-30 and 30-90 s, last in first out")
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
                    : "Its heater or disc tires; 24 V at its heater first.")
        .next(order || !off.isEmpty() ? "Renew the sequencer." : "Go on to the limits.")
        .done();
  }

  /** What was typed, and of the log what was not typed, in the order of the windows. */
  private static Map<Window, Double> times(Inputs in) {
    List<StateLog.Line> log =
        in.has("log") ? StateLog.read("log", in.text("log"), false, EVENTS) : List.of();
    Map<Window, Double> times = new LinkedHashMap<>();
    for (Window w : WINDOWS) {
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
