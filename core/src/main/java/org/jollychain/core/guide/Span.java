package org.jollychain.core.guide;

import java.util.ArrayList;
import java.util.List;

/**
 * How long something took in a run that was watched.
 *
 * @param from when it began (s)
 * @param to when it ended (s)
 */
public record Span(Watch.Window window, double from, double to) {

  /** All spans of a window in a run. */
  public static List<Span> of(Watch.Window window, List<Watch.Event> run) {
    List<Span> spans = new ArrayList<>();
    double since = Double.NaN;
    for (Watch.Event e : run) {
      if (e.id().equals(window.to()) && !Double.isNaN(since)) {
        spans.add(new Span(window, since, e.seconds()));
        since = Double.NaN;
      }
      if (e.id().equals(window.from())) {
        since = e.seconds();
      }
    }
    return spans;
  }

  /** Its length (s). */
  public double seconds() {
    return to - from;
  }

  /** Whether it is as long as it has to be. */
  public boolean fits() {
    return seconds() >= window.leastSeconds() && seconds() <= window.mostSeconds();
  }
}
