package org.jollychain.core.guide;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A run to be watched with a stopwatch: its events, how far apart they have to come, and what a run
 * means that does not fit. Times are in seconds from the first event.
 *
 * @param note how it is done
 * @param events what is told, by id, in words
 */
public record Watch(
    String id,
    String title,
    String note,
    Map<String, String> events,
    Map<String, Window> windows,
    Map<String, Pattern> patterns) {

  /**
   * Something that happened.
   *
   * @param seconds after the first event (s)
   */
  public record Event(String id, double seconds) {}

  /**
   * How long the next {@code to} may take after a {@code from}. Every {@code from} begins a span;
   * one that another {@code from} follows before any {@code to} has none.
   *
   * @param leastSeconds at least so long (s)
   * @param mostSeconds at most so long (s); infinite where there is no end
   */
  public record Window(
      String id, String title, String from, String to, double leastSeconds, double mostSeconds) {}

  /**
   * A shape of a run that means something.
   *
   * @param means in words
   * @param countsAs the outcome of a check of the guide that it amounts to
   */
  public record Pattern(String id, Shape shape, String means, Optional<CountsAs> countsAs) {}

  /** An outcome of a check. */
  public record CountsAs(String check, String outcome) {}

  /** What a run has to look like. */
  public sealed interface Shape {

    /** Whether a run looks like it. */
    boolean isIn(List<Event> run);
  }

  /** The one event comes directly after the other, at least once. */
  public record Followed(String first, String then) implements Shape {

    @Override
    public boolean isIn(List<Event> run) {
      return IntStream.range(1, run.size())
          .anyMatch(i -> run.get(i - 1).id().equals(first) && run.get(i).id().equals(then));
    }
  }

  /** At first the one event follows the other, later something else does. */
  public record Fading(String first, String then) implements Shape {

    @Override
    public boolean isIn(List<Event> run) {
      boolean was = false;
      for (int i = 0; i + 1 < run.size(); i++) {
        if (run.get(i).id().equals(first)) {
          boolean follows = run.get(i + 1).id().equals(then);
          if (was && !follows) {
            return true;
          }
          was |= follows;
        }
      }
      return false;
    }
  }

  /** Events that came, but not in this order. */
  public record OutOfOrder(List<String> order) implements Shape {

    @Override
    public boolean isIn(List<Event> run) {
      List<String> came = run.stream().map(Event::id).filter(order::contains).distinct().toList();
      return !came.equals(order.stream().filter(came::contains).toList());
    }
  }

  /** Spans longer or shorter than their window. */
  public record Outside(Window window, boolean late) implements Shape {

    @Override
    public boolean isIn(List<Event> run) {
      return Span.of(window, run).stream()
          .anyMatch(
              s -> late ? s.seconds() > window.mostSeconds() : s.seconds() < window.leastSeconds());
    }
  }

  /** An event that never came. */
  public record Missing(String event) implements Shape {

    @Override
    public boolean isIn(List<Event> run) {
      return run.stream().noneMatch(e -> e.id().equals(event));
    }
  }
}
