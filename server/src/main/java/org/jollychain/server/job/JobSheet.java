package org.jollychain.server.job;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.OffsetDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.SupplyVerdict;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.visit.CauseSearch;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.Proof;
import org.jollychain.core.visit.Timeline;
import org.jollychain.core.visit.Visit;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.unit.UnitFactsView;

/**
 * What is left with the customer: the story in plain sentences, every reading beside what was to be
 * expected, the potential along the chain where it was measured, and what keeps it from coming
 * back. All of it is made from the entries.
 *
 * @param story heading and sentence
 * @param readings that stand
 */
record JobSheet(
    String title,
    List<String> about,
    List<Line> story,
    List<Reading> readings,
    Optional<StaircasePaper> before,
    Optional<StaircasePaper> after,
    List<Line> prevention) {

  /** Readings on one sheet of paper; the rest is in the log. */
  private static final int MOST_READINGS = 24;

  private static final int LEAST_READ = 2;

  private static final int MOST_UNTESTED = 10;

  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  /** A heading and what is said under it. */
  record Line(String heading, String text) {}

  record Reading(String place, String shown, String expected) {}

  /** A staircase under its heading. */
  record Drawn(String heading, StaircasePaper drawing) {}

  /** For its template. */
  Map<String, Object> printed() {
    return Map.of("sheet", this, "stairs", stairs());
  }

  private List<Drawn> stairs() {
    List<Drawn> stairs = new ArrayList<>();
    before.ifPresent(s -> stairs.add(new Drawn("Along the chain, as measured", s)));
    after.ifPresent(
        s -> stairs.add(new Drawn("For comparison, computed: the same chain when it is sound", s)));
    return stairs;
  }

  /** Where the boxes of its drawings lie, as CSS. */
  String rules() {
    List<Drawn> stairs = stairs();
    return IntStream.range(0, stairs.size())
        .mapToObj(i -> stairs.get(i).drawing().rules("s" + i))
        .collect(Collectors.joining("\n"));
  }

  static JobSheet of(JobView view) {
    Job job = view.job();
    Visit visit = view.visit();
    Assessment assessment = view.assessment();
    OffsetDateTime end = job.end();
    List<String> about = new ArrayList<>();
    about.add(view.sheetTitle());
    add(about, job.unitModel());
    add(about, job.unitPlace());
    about.add(
        job.closedAt() == null ? "open, as of " + DAY.format(end) : "closed " + DAY.format(end));
    add(about, job.technician());
    Optional<Assessment.Staircase> chain = chain(assessment).filter(JobSheet::measured);
    return new JobSheet(
        "%s %s"
            .formatted(job.unitTag(), job.unitTitle().equals(job.unitTag()) ? "" : job.unitTitle())
            .strip(),
        about,
        story(view),
        assessment.evidence().stream()
            .limit(MOST_READINGS)
            .map(e -> new Reading(e.place(), e.shown(), e.ifSound()))
            .toList(),
        chain.map(c -> StaircasePaper.of(c, Assessment.Tread::read)),
        chain
            .filter(c -> job.closedAs() == Outcome.REPAIRED)
            .map(c -> StaircasePaper.of(c, t -> Optional.of(t.expected()))),
        visit.prevention().stream()
            .map(p -> new Line(DAY.format(end.plusMonths(p.months())), p.title()))
            .toList());
  }

  private static void add(List<String> about, String text) {
    if (!text.isEmpty()) {
      about.add(text);
    }
  }

  /** The chain in which what leads stands, or the first. */
  private static Optional<Assessment.Staircase> chain(Assessment assessment) {
    String part = assessment.leading().part();
    return assessment.paths().stream()
        .filter(p -> p.risers().stream().anyMatch(r -> r.part().equals(part)))
        .findFirst()
        .or(() -> assessment.paths().stream().findFirst());
  }

  /** Whether there is something measured to draw: on paper stands no volt that nobody read. */
  private static boolean measured(Assessment.Staircase chain) {
    return chain.treads().stream().filter(t -> t.read().isPresent()).count() >= LEAST_READ;
  }

  /** Whether a cause was found and no link had opened. */
  private static boolean outside(CauseSearch cause) {
    return cause.state() == CauseSearch.State.FOUND && cause.opened().isEmpty();
  }

  private static List<Line> story(JobView view) {
    Job job = view.job();
    Visit visit = view.visit();
    Assessment a = view.assessment();
    List<Line> story = new ArrayList<>();
    say(story, "Complaint", view.complaintTitle());
    say(story, "In the customer's words", job.customerWords());
    say(story, "Plate and paper", printed(view.print()));
    say(story, "Put right at once", answered(visit.simple(), VisitEntry.NO));
    say(
        story,
        "Supply",
        a.supply().verdict() == SupplyVerdict.UNMEASURED
            ? "not measured"
            : a.supply().verdict().toString().replace('-', ' ')
                + (a.supply().because().isEmpty() ? "" : ": " + a.supply().because().get(0)));
    say(
        story,
        "What was wrong",
        a.leading().confirmed()
            ? "%s, by its own test.".formatted(PlainText.sentence(a.leading().title()))
            : outside(visit.cause())
                ? "Nothing in the circuit; what was found lies outside of it."
                : a.leading().probability() > 0.5
                    ? "Not shown by a test of its own. Most likely: %s."
                        .formatted(a.leading().title())
                    : "No test failed. Suspected: %s.".formatted(a.leading().title()));
    say(story, "Not tested", untested(a));
    say(story, "Cause", cause(view));
    say(story, "Put right", answered(visit.actions(), VisitEntry.YES));
    say(story, "Still there", stayed(view));
    say(
        story,
        "Renewed",
        visit.renewed().stream()
            .map(
                r ->
                    "%s (%s)%s"
                        .formatted(
                            r.title(),
                            r.printed().isEmpty() ? "no rating to be read" : r.printed(),
                            r.failed() ? "" : ", without a failed test of its own"))
            .collect(Collectors.joining("; ")));
    say(
        story,
        "Left in",
        visit.sets().stream()
            .flatMap(s -> s.members().stream())
            .filter(m -> !m.kept().isEmpty() && !m.renewed())
            .map(m -> "%s: %s".formatted(m.title(), m.kept()))
            .collect(Collectors.joining("; ")));
    say(story, "Proved", proofs(visit, VisitEntry.YES));
    for (Timeline run : visit.timelines()) {
      String spans =
          run.spans().stream()
              .map(s -> "%s %.0f s".formatted(s.title(), s.to() - s.from()))
              .collect(Collectors.joining("; "));
      String means = String.join(" ", run.meanings());
      say(story, "Watched", "%s. %s. %s".formatted(run.title(), spans, means).strip());
    }
    say(story, "Does not hold", proofs(visit, VisitEntry.NO));
    say(
        story,
        "Outcome",
        (job.closedAs() == Outcome.UNSAID
                ? ""
                : PlainText.sentence(job.closedAs().toString().replace('-', ' ')) + ". ")
            + job.outcome());
    return story;
  }

  /** What the unit says of itself, as it was typed. */
  private static String printed(UnitFactsView print) {
    Map<String, String> titles =
        print.asked().stream()
            .collect(Collectors.toMap(UnitFactsView.Asked::part, UnitFactsView.Asked::title));
    return print.facts().stream()
        .filter(f -> f.struckAt() == null)
        .map(f -> "%s %s".formatted(titles.getOrDefault(f.part(), f.part()), f.said()))
        .collect(Collectors.joining("; "));
  }

  /** The parts along the chain in question that nobody took a reading of. */
  private static String untested(Assessment a) {
    List<String> titles =
        chain(a).stream()
            .flatMap(c -> a.unread(c).stream())
            .map(Assessment.PartAssessment::title)
            .toList();
    String more = titles.size() > MOST_UNTESTED ? "; and %d more" : "";
    return titles.stream().limit(MOST_UNTESTED).collect(Collectors.joining("; "))
        + more.formatted(titles.size() - MOST_UNTESTED);
  }

  private static String cause(JobView view) {
    CauseSearch search = view.visit().cause();
    if (search.state() == CauseSearch.State.NOT_FOUND) {
      return view.entries().stream()
          .filter(l -> l.struckAt() == null && l.kind() == VisitEntry.Kind.CAUSE)
          .map(
              l ->
                  "None found. %s."
                      .formatted(PlainText.sentence(l.value()).replaceFirst("\\.+$", "")))
          .reduce((first, last) -> last)
          .orElse("");
    }
    return search.state() == CauseSearch.State.FOUND
        ? search.say().replaceFirst("^Found: ", "")
        : "";
  }

  /** After what work a complaint was still there. */
  private static String stayed(JobView view) {
    Map<String, String> actions =
        view.visit().actions().stream()
            .collect(Collectors.toMap(Visit.Item::id, Visit.Item::title));
    List<String> said = new ArrayList<>();
    List<String> done = new ArrayList<>();
    view.entries().stream()
        .filter(line -> line.struckAt() == null)
        .forEach(
            line -> {
              switch (line.kind()) {
                case DONE -> {
                  if (!line.value().equals(VisitEntry.NO)) {
                    done.add(actions.getOrDefault(line.subject(), line.subject()));
                  }
                }
                case STAYS -> said.add("After: %s.".formatted(String.join("; ", done)));
                default -> {}
              }
            });
    return said.stream().distinct().collect(Collectors.joining(" "));
  }

  private static String answered(List<Visit.Item> items, String answer) {
    return items.stream()
        .filter(i -> i.answer().equals(answer))
        .map(Visit.Item::title)
        .collect(Collectors.joining("; "));
  }

  /** What was read is told with what it had to be. */
  private static String proofs(Visit visit, String answer) {
    return visit.proofs().stream()
        .filter(p -> p.answer().equals(answer))
        .map(
            p ->
                Stream.concat(
                        Stream.of(p.title()),
                        p.figures().stream().filter(Proof.Figure::told).map(JobSheet::figure))
                    .collect(Collectors.joining(": ")))
        .collect(Collectors.joining("; "));
  }

  private static String figure(Proof.Figure f) {
    return "%s %s%s%s"
        .formatted(
            f.read(),
            f.unit(),
            f.title().isEmpty() ? "" : " at the " + f.title(),
            due(f).map(" (due: %s)"::formatted).orElse(""));
  }

  private static Optional<String> due(Proof.Figure f) {
    String low = f.low().map(JobSheet::toThreeFigures).orElse("");
    String high = f.high().map(JobSheet::toThreeFigures).orElse("");
    return low.isEmpty() && high.isEmpty()
        ? Optional.empty()
        : Optional.of(
            low.isEmpty()
                ? high + " or less"
                : high.isEmpty() ? low + " or more" : low + " to " + high);
  }

  private static String toThreeFigures(double value) {
    return BigDecimal.valueOf(value).round(new MathContext(3)).stripTrailingZeros().toPlainString();
  }

  private static void say(List<Line> story, String heading, String text) {
    if (!text.isBlank()) {
      story.add(new Line(heading, text));
    }
  }
}
