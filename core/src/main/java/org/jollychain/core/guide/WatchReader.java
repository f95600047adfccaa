package org.jollychain.core.guide;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.text.SourceNode;

/** Reads a run to be watched from a guide. */
final class WatchReader {

  private static final double SECONDS = 60;

  private WatchReader() {}

  static Watch watch(String id, SourceNode at, Map<String, Check> checks) {
    Map<String, String> events = at.child("events").each((e, title) -> title.text());
    Map<String, Watch.Window> windows =
        at.child("windows").each((w, window) -> window(w, window, events));
    return new Watch(
        id,
        at.child("title").text(),
        at.child("note").text(""),
        events,
        windows,
        at.child("patterns").each((p, pattern) -> pattern(p, pattern, events, windows, checks)));
  }

  private static Watch.Window window(String id, SourceNode at, Map<String, String> events) {
    SourceNode most = at.child("at-most");
    Watch.Window window =
        new Watch.Window(
            id,
            at.child("title").text(),
            event(at.child("from"), events),
            event(at.child("to"), events),
            SECONDS * at.child("at-least").quantity(Dimension.MINUTES, 0),
            most.present()
                ? SECONDS * most.quantity(Dimension.MINUTES, 0)
                : Double.POSITIVE_INFINITY);
    if (window.mostSeconds() <= window.leastSeconds()) {
      most.wrong("must be longer than at-least");
    }
    return window;
  }

  private static String event(SourceNode at, Map<String, String> events) {
    GuideReader.refuseUnknown(at, "event", events.keySet());
    return at.text();
  }

  private static Watch.Pattern pattern(
      String id,
      SourceNode at,
      Map<String, String> events,
      Map<String, Watch.Window> windows,
      Map<String, Check> checks) {
    List<Watch.Shape> shapes = new ArrayList<>();
    pair(at.child("followed"), events)
        .ifPresent(p -> shapes.add(new Watch.Followed(p.get(0), p.get(1))));
    pair(at.child("fading"), events)
        .ifPresent(p -> shapes.add(new Watch.Fading(p.get(0), p.get(1))));
    if (at.child("not-in-order").present()) {
      List<String> order =
          at.child("not-in-order").items().stream().map(e -> event(e, events)).toList();
      shapes.add(new Watch.OutOfOrder(order));
    }
    outside(at.child("late"), windows, true).ifPresent(shapes::add);
    outside(at.child("early"), windows, false).ifPresent(shapes::add);
    if (at.child("missing").present()) {
      shapes.add(new Watch.Missing(event(at.child("missing"), events)));
    }
    if (shapes.size() != 1) {
      at.wrongKey(
          "a pattern says one of followed, fading, not-in-order, late, early and missing; here are %d"
              .formatted(shapes.size()));
    }
    Watch.Shape shape = shapes.isEmpty() ? new Watch.Missing("") : shapes.get(0);
    return new Watch.Pattern(
        id, shape, at.child("means").text(), countsAs(at.child("counts-as"), checks));
  }

  private static Optional<List<String>> pair(SourceNode at, Map<String, String> events) {
    if (!at.present()) {
      return Optional.empty();
    }
    List<String> pair = at.items().stream().map(e -> event(e, events)).toList();
    if (pair.size() != 2) {
      at.wrong("must be two events, like [glow, flame]");
      return Optional.empty();
    }
    return Optional.of(pair);
  }

  private static Optional<Watch.Shape> outside(
      SourceNode at, Map<String, Watch.Window> windows, boolean late) {
    if (!at.present()) {
      return Optional.empty();
    }
    GuideReader.refuseUnknown(at, "window", windows.keySet());
    return Optional.ofNullable(windows.get(at.text())).map(w -> new Watch.Outside(w, late));
  }

  private static Optional<Watch.CountsAs> countsAs(SourceNode at, Map<String, Check> checks) {
    if (!at.present()) {
      return Optional.empty();
    }
    SourceNode check = at.child("check");
    GuideReader.refuseUnknown(check, "check", checks.keySet());
    SourceNode outcome = at.child("outcome");
    if (checks.containsKey(check.text())) {
      GuideReader.refuseUnknown(outcome, "outcome", checks.get(check.text()).outcomes().keySet());
    }
    return Optional.of(new Watch.CountsAs(check.text(), outcome.text()));
  }
}
