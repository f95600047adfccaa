package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/**
 * What shows that a repair holds.
 *
 * @param minutes within which it has to be seen (min); 0 where time does not matter
 * @param note what goes with it, may be empty
 * @param answer {@code yes}, {@code no}, or empty where nothing was said yet
 * @param figures to be read; one at least before it holds
 */
public record Proof(
    String id, String title, double minutes, String note, String answer, List<Figure> figures) {

  /** What was tried, with what was read. */
  String tried() {
    String read =
        figures.stream()
            .filter(Figure::told)
            .map(f -> f.read() + " " + f.unit())
            .collect(Collectors.joining(", "));
    return title
        + (read.isEmpty() ? "" : ": " + read)
        + (answer.equals(VisitEntry.NO) ? ": does not hold" : "");
  }

  /** Between a proof and the load whose current it is. */
  private static final String OF = "/";

  private static final Set<PartKind> HEATERS =
      EnumSet.of(PartKind.HEATING_ELEMENT, PartKind.IGNITER);

  private static final Pattern READ = Pattern.compile("(\\d{1,7}(?:[.,]\\d{1,4})?)\\s*(\\S*)");

  /**
   * A figure of a proof.
   *
   * @param id by which it is told
   * @param title what it is read at; empty where the proof says it
   * @param unit it is read in
   * @param low least that will do; empty where the unit's paper says it
   * @param high most that will do
   * @param read the number that was typed, without its unit; empty before one is typed
   * @param before what was read on the visit before; empty where nothing was
   * @param fits whether it was told and is within its bounds
   */
  public record Figure(
      String id,
      String title,
      String unit,
      Optional<Double> low,
      Optional<Double> high,
      String read,
      String before,
      boolean fits) {

    /** Whether it was told. */
    public boolean told() {
      return !read.isEmpty();
    }
  }

  /**
   * The proofs of a guide. The current of a heater is measured live: where that is not permitted it
   * is not asked for.
   *
   * @param complaints all that is complained of
   * @param currents what a clamp has to show
   */
  static List<Proof> of(
      Guide guide, Sheet sheet, List<Complaint> complaints, Told told, List<Expectation> currents) {
    List<Proof> proofs = new ArrayList<>();
    for (Guide.Proof p : guide.proofs().values()) {
      if ((!p.current() || told.live()) && p.applies().to(sheet, complaints)) {
        List<Figure> figures =
            p.current() ? amperes(p, sheet, told, currents) : figure(p, told).stream().toList();
        proofs.add(
            new Proof(
                p.id(),
                p.title(),
                p.withinMinutes(),
                p.watch().isEmpty() ? "" : "Or by the stopwatch.",
                answer(guide, told, p, figures),
                figures));
      }
    }
    return proofs;
  }

  private static List<Figure> amperes(
      Guide.Proof proof, Sheet sheet, Told told, List<Expectation> currents) {
    return currents.stream()
        .filter(c -> HEATERS.contains(sheet.part(c.load()).kind()))
        .map(
            c ->
                figure(
                    proof.id() + OF + c.load(),
                    "%s, %s".formatted(c.title(), c.situation()),
                    new Guide.Figure("A", Optional.of(c.low()), Optional.of(c.high())),
                    told))
        .toList();
  }

  private static Optional<Figure> figure(Guide.Proof proof, Told told) {
    return proof.figure().map(f -> figure(proof.id(), "", f, told));
  }

  private static Figure figure(String id, String title, Guide.Figure sought, Told told) {
    String read = value(told.lastOfProof(VisitEntry.Kind.MEASURED, id));
    double value = read.isEmpty() ? Double.NaN : Double.parseDouble(read);
    boolean fits =
        !read.isEmpty()
            && sought.from().filter(l -> value < l).isEmpty()
            && sought.to().filter(h -> value > h).isEmpty();
    return new Figure(
        id,
        title,
        sought.unit(),
        sought.from(),
        sought.to(),
        read,
        value(told.before(VisitEntry.Kind.MEASURED, id)),
        fits);
  }

  /**
   * The technician's own answer comes first. Without one the figures answer, and without figures
   * the last run that was watched. A figure without bounds does not answer: only the unit's paper
   * says what is right.
   */
  private static String answer(Guide guide, Told told, Guide.Proof proof, List<Figure> figures) {
    List<Figure> read =
        figures.stream()
            .filter(Figure::told)
            .filter(f -> f.low().isPresent() || f.high().isPresent())
            .toList();
    return told.lastOfProof(VisitEntry.Kind.PROVED, proof.id())
        .map(VisitEntry::value)
        .or(
            () ->
                read.isEmpty()
                    ? Optional.empty()
                    : Optional.of(yes(read.stream().allMatch(Figure::fits))))
        .or(
            () ->
                told.lastOfProof(VisitEntry.Kind.WATCHED, proof.watch())
                    .map(e -> Timeline.of(guide.watches().get(proof.watch()), e.value()))
                    .map(t -> yes(t.fits())))
        .orElse("");
  }

  private static String yes(boolean holds) {
    return holds ? VisitEntry.YES : VisitEntry.NO;
  }

  /**
   * Makes sure that a figure can be told of a proof.
   *
   * @throws EvidenceException when the guide has no such figure, or the text is not a number
   */
  static void checkFigure(Sheet sheet, Guide guide, String subject, String typed) {
    int of = subject.indexOf(OF);
    String id = of < 0 ? subject : subject.substring(0, of);
    Guide.Proof proof = guide.proofs().get(id);
    if (proof == null || proof.figure().isEmpty() && !proof.current()) {
      throw new EvidenceException(
          "subject", "there is no proof \"%s\" that has a figure".formatted(id));
    }
    Collection<String> parts = sheet.parts().keySet();
    if (proof.current() && (of < 0 || !parts.contains(subject.substring(of + 1)))) {
      throw new EvidenceException(
          "subject", "say whose current it is, as in \"%s%selement\"".formatted(id, OF));
    }
    String unit = proof.figure().map(Guide.Figure::unit).orElse("A");
    Matcher read = READ.matcher(typed.strip());
    if (!read.matches() || !(read.group(2).isEmpty() || read.group(2).equalsIgnoreCase(unit))) {
      throw new EvidenceException(
          "value", "\"%s\" is no figure in %s; type it like 4.2".formatted(typed, unit));
    }
  }

  /**
   * Makes sure that a proof by a figure does not hold before one was read.
   *
   * @throws EvidenceException when none was
   */
  static void checkRead(Guide.Proof proof, List<VisitEntry> told) {
    boolean read =
        told.stream()
            .filter(e -> e.kind() == VisitEntry.Kind.MEASURED)
            .map(VisitEntry::subject)
            .anyMatch(s -> s.equals(proof.id()) || s.startsWith(proof.id() + OF));
    if (!read && (proof.current() || proof.figure().isPresent())) {
      throw new EvidenceException(
          "value",
          "type what was read first: \"%s\" is proved by a figure".formatted(proof.title()));
    }
  }

  /** A figure that was checked, without its unit. */
  private static String value(Optional<VisitEntry> told) {
    return told.map(e -> READ.matcher(e.value().strip()))
        .filter(Matcher::matches)
        .map(m -> m.group(1).replace(',', '.'))
        .orElse("");
  }
}
