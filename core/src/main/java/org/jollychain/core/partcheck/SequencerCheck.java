package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;

/**
 * A sequencer: how long after the call each stage comes in and how long after its end it leaves,
 * against its windows, last in first out. Common practice, no source.
 */
final class SequencerCheck implements PartCheck {

  /** When a stage acts (s). */
  private record Window(String name, String title, double least, double most) {}

  private static final List<Window> WINDOWS =
      List.of(
          new Window("one-in", "Stage 1 in, after the call", 1, 20),
          new Window("two-in", "Stage 2 in, after the call", 30, 90),
          new Window("two-out", "Stage 2 out, after the call ends", 1, 30),
          new Window("one-out", "Stage 1 out, after the call ends", 30, 90));

  @Override
  public Card card() {
    return new Card(
        "sequencer",
        "A sequencer's stages",
        Set.of(PartKind.SEQUENCER_STAGE, PartKind.SEQUENCER_HEATER),
        List.of("sequencer", "stage", "heat kit", "last in first out"),
        "A clamp on the supply jumps with every stage.",
        WINDOWS.stream()
            .map(
                w ->
                    Input.figure(
                            w.name(),
                            w.title(),
                            Dimension.SECONDS,
                            "%.0f s".formatted((w.least() + w.most()) / 2),
                            0,
                            3600)
                        .optional())
            .toList());
  }

  @Override
  public CheckResult answer(Inputs in) {
    if (WINDOWS.stream().noneMatch(w -> in.has(w.name()))) {
      throw new InvalidInputsException("one-in", "type at least one of the times");
    }
    List<String> off = new ArrayList<>();
    CheckResult.Writer answer = null;
    boolean order =
        in.has("one-out") && in.has("two-out") && in.figure("one-out") < in.figure("two-out");
    for (Window w : WINDOWS) {
      if (in.has(w.name()) && (in.figure(w.name()) < w.least() || in.figure(w.name()) > w.most())) {
        off.add(w.title());
      }
    }
    answer =
        CheckResult.saying(
            order
                ? CheckResult.Grade.BAD
                : off.isEmpty() ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
            order
                ? "Wrong order: the first in left first"
                : off.isEmpty()
                    ? "Within its windows"
                    : "Out of its window: " + String.join("; ", off));
    for (Window w : WINDOWS) {
      if (in.has(w.name())) {
        answer
            .result(w.name(), in.figure(w.name()), Dimension.SECONDS)
            .because(
                "%s: %.0f s, due %.0f to %.0f s.",
                w.title(), in.figure(w.name()), w.least(), w.most());
      }
    }
    return answer
        .band("in after 1-20 and 30-90 s, out after 1-30 and 30-90 s, last in first out")
        .drawn(
            Picture.scale(
                "s after the call, or its end",
                WINDOWS.stream()
                    .filter(w -> in.has(w.name()))
                    .map(
                        w ->
                            new Picture.Band(
                                w.least(), w.most(), w.title(), CheckResult.Grade.GOOD))
                    .toList(),
                WINDOWS.stream()
                    .filter(w -> in.has(w.name()))
                    .map(w -> new Picture.Mark(in.figure(w.name()), 0, w.title()))
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
}
