package org.jollychain.core.visit;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.Span;
import org.jollychain.core.guide.Watch;
import org.jollychain.core.text.Nearest;

/**
 * A run as it was watched, held against what it has to be.
 *
 * @param watch id of what was watched
 * @param events in time
 * @param spans how long each thing took
 * @param meanings what the run means where it does not fit, in words
 * @param fits whether it shows what it has to show
 */
public record Timeline(
    String watch,
    String title,
    List<Moment> events,
    List<Stretch> spans,
    List<String> meanings,
    boolean fits) {

  private static final int MOST_EVENTS = 100;

  /** Nobody watches longer (s). */
  private static final double LONGEST_SECONDS = 86_400;

  /**
   * Something that happened.
   *
   * @param seconds after the first event (s)
   */
  public record Moment(String id, String title, double seconds) {}

  /**
   * How long something took.
   *
   * @param from when it began (s)
   * @param to when it ended (s)
   * @param band how long it has to take, in words; empty where that does not matter
   */
  public record Stretch(String title, double from, double to, String band, boolean fits) {}

  /**
   * Reads a run as an entry tells it: {@code glow 0; flame 32.4; off 250}.
   *
   * @param typed events with their times in seconds, from any beginning
   * @throws EvidenceException when it is no such run
   */
  static List<Watch.Event> run(Watch watch, String typed) {
    List<Watch.Event> run = new ArrayList<>();
    for (String one : typed.split(";")) {
      String[] words = one.strip().split("\\s+");
      if (words.length != 2) {
        throw wrong(
            "\"%s\" is no event with its time, like \"%s 32.4\"", one.strip(), first(watch));
      }
      if (!watch.events().containsKey(words[0])) {
        throw wrong(
            "there is no event \"%s\"%s",
            words[0], Nearest.suggestion(words[0], watch.events().keySet()));
      }
      run.add(new Watch.Event(words[0], seconds(words[1])));
    }
    if (run.size() > MOST_EVENTS) {
      throw wrong("%d events are too many for one run; at most %d", run.size(), MOST_EVENTS);
    }
    double start = run.get(0).seconds();
    for (int i = 1; i < run.size(); i++) {
      if (run.get(i).seconds() < run.get(i - 1).seconds()) {
        throw wrong("%s came before %s", run.get(i).id(), run.get(i - 1).id());
      }
    }
    return run.stream().map(e -> new Watch.Event(e.id(), e.seconds() - start)).toList();
  }

  private static double seconds(String typed) {
    double seconds;
    try {
      seconds = Double.parseDouble(typed);
    } catch (NumberFormatException e) {
      throw wrong("\"%s\" is no time in seconds", typed);
    }
    if (!(seconds >= 0 && seconds <= LONGEST_SECONDS)) {
      throw wrong("%s s is no time of a run; it lasts a day at most", typed);
    }
    return seconds;
  }

  private static String first(Watch watch) {
    return watch.events().keySet().iterator().next();
  }

  private static EvidenceException wrong(String why, Object... about) {
    return new EvidenceException("value", why.formatted(about));
  }

  /** Every run that was watched on the visit before, as far as this guide can read it. */
  static List<Timeline> before(Guide guide, List<VisitEntry> earlier) {
    List<Timeline> runs = new ArrayList<>();
    for (VisitEntry e : earlier) {
      try {
        runs.addAll(of(guide, List.of(e)));
      } catch (EvidenceException changed) {
        // its guide had other events then
      }
    }
    return runs;
  }

  /** Every run that was watched, in the order they were told. */
  static List<Timeline> of(Guide guide, List<VisitEntry> entries) {
    return entries.stream()
        .filter(e -> e.kind() == VisitEntry.Kind.WATCHED)
        .filter(e -> guide.watches().containsKey(e.subject()))
        .map(e -> of(guide.watches().get(e.subject()), e.value()))
        .toList();
  }

  static Timeline of(Watch watch, String typed) {
    List<Watch.Event> run = run(watch, typed);
    List<Span> spans =
        watch.windows().values().stream().flatMap(w -> Span.of(w, run).stream()).toList();
    List<String> meanings = seen(watch, run).map(Watch.Pattern::means).toList();
    return new Timeline(
        watch.id(),
        watch.title(),
        run.stream().map(e -> new Moment(e.id(), watch.events().get(e.id()), e.seconds())).toList(),
        spans.stream()
            .map(s -> new Stretch(s.window().title(), s.from(), s.to(), band(s.window()), s.fits()))
            .toList(),
        meanings,
        meanings.isEmpty() && !spans.isEmpty() && spans.stream().allMatch(Span::fits));
  }

  static Stream<Watch.Pattern> seen(Watch watch, List<Watch.Event> run) {
    return watch.patterns().values().stream().filter(p -> p.shape().isIn(run));
  }

  static String band(Watch.Window window) {
    boolean ends = Double.isFinite(window.mostSeconds());
    if (window.leastSeconds() > 0 && ends) {
      return "%s to %s".formatted(said(window.leastSeconds()), said(window.mostSeconds()));
    }
    return ends
        ? "up to " + said(window.mostSeconds())
        : window.leastSeconds() > 0 ? "at least " + said(window.leastSeconds()) : "";
  }

  private static String said(double seconds) {
    return seconds < 120
        ? String.format(Locale.ROOT, "%.0f s", seconds)
        : BigDecimal.valueOf(seconds / 60)
                .round(new MathContext(4))
                .stripTrailingZeros()
                .toPlainString()
            + " min";
  }
}
