package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.diagnosis.SupplyVerdict;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.Watch;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Proposal;
import org.jollychain.core.plan.TimeCosts;
import org.jollychain.core.sheet.Access;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;

/**
 * A visit as it stands: what every step has to offer and how far it is. A pure function of sheet,
 * guide, evidence and entries.
 *
 * @param hazards to be read
 * @param simple simple things first
 * @param supply where what feeds the unit is measured
 * @param accesses of the sheet; answered {@code yes} while open
 * @param actions that put the causes found right, then the others
 * @param renewed parts, with what they are compared by
 * @param sets parts that are renewed together
 * @param proofs of the repair
 * @param watches runs to be watched with a stopwatch
 * @param timelines runs that were watched
 * @param before runs that were watched on the visit before
 * @param currents what a clamp has to show
 * @param prevention of the causes found
 * @param summary what was found and done, in a sentence or two
 * @param ends how it ends as it stands
 * @param next what to do next, in a few words
 */
public record Visit(
    List<Progress> progress,
    List<Item> hazards,
    List<Item> simple,
    List<SupplyPicture> supply,
    List<Item> accesses,
    CauseSearch cause,
    List<Item> actions,
    List<Renewal> renewed,
    List<PartSet> sets,
    List<Proof> proofs,
    List<ToWatch> watches,
    List<Timeline> timelines,
    List<Timeline> before,
    List<Expectation> currents,
    List<Guide.Prevention> prevention,
    String summary,
    Outcome ends,
    String next) {

  /** The step at which the work is, if it is at one. */
  public Optional<Progress> here() {
    return here(progress);
  }

  private static Optional<Progress> here(List<Progress> steps) {
    return steps.stream().filter(p -> p.state() == Progress.State.HERE).findFirst();
  }

  /**
   * Something to be read, done or answered.
   *
   * @param note what goes with it, may be empty
   * @param minutes it takes (min); 0 where that is not said
   * @param answer {@code yes}, {@code no}, or empty where nothing was said yet
   * @param due whether it matters now
   */
  public record Item(
      String id, String title, String note, double minutes, String answer, boolean due) {}

  /**
   * A part that was renewed.
   *
   * @param printed on the new one
   * @param read whether the old one was read; else it is compared with the sheet's example
   * @param verdict of the comparison
   * @param settled whether it is told that it is the right one for this unit
   * @param failed whether a test of its own has shown the old one bad; else it was renewed with
   *     another, or to prevent
   */
  public record Renewal(
      String part,
      String title,
      String printed,
      boolean read,
      Replacement.Verdict verdict,
      List<String> compared,
      List<String> differences,
      boolean settled,
      boolean failed) {}

  /**
   * A run to be watched.
   *
   * @param events by id, in words
   * @param windows how long what may take, in words
   */
  public record ToWatch(
      String id, String title, String note, Map<String, String> events, List<String> windows) {

    private static ToWatch of(Watch watch) {
      return new ToWatch(
          watch.id(),
          watch.title(),
          watch.note(),
          watch.events(),
          watch.windows().values().stream()
              .map(w -> "%s: %s".formatted(w.title(), Timeline.band(w)))
              .toList());
    }
  }

  /**
   * A visit as it stands.
   *
   * @param guide of the unit's family, if there is one
   * @param evidence that stands
   * @param opinion of it
   */
  public static Visit of(
      Optional<Guide> guide,
      Told told,
      List<? extends Evidence> evidence,
      Diagnosis.Opinion opinion,
      Plan plan) {
    UnitModel unit = opinion.unit();
    Assessment assessment = opinion.assessment();
    Sheet sheet = unit.sheet();
    CauseSearch cause =
        guide
            .map(
                g ->
                    new CauseFinder(sheet, g, TimeCosts.USUAL)
                        .search(opinion, evidence, told.entries()))
            .orElse(CauseSearch.notNeeded("There is no guide for this family yet."));
    List<Cause> found = found(guide, cause);
    List<Expectation> currents = Expectation.of(unit, assessment.supply().heatShare());
    Visit visit =
        new Visit(
            List.of(),
            guide.map(g -> hazards(g, told)).orElse(List.of()),
            guide.map(g -> simple(g, sheet, told, opinion.told())).orElse(List.of()),
            SupplyPicture.of(unit, evidence, assessment.supply().verdict() == SupplyVerdict.SOUND),
            accesses(sheet, told, plan),
            cause,
            guide.map(g -> actions(g, sheet, told, found)).orElse(List.of()),
            renewed(sheet, opinion.beginning().facts(), told, assessment),
            PartSet.of(sheet, assessment.leading(), told),
            guide.map(g -> Proof.of(g, sheet, opinion.told(), told, currents)).orElse(List.of()),
            guide
                .map(g -> g.watches().values().stream().map(ToWatch::of).toList())
                .orElse(List.of()),
            guide.map(g -> Timeline.of(g, told.entries())).orElse(List.of()),
            guide.map(g -> Timeline.before(g, told.earlier())).orElse(List.of()),
            currents,
            guide.map(g -> prevention(g, found)).orElse(List.of()),
            "",
            Outcome.UNSAID,
            "");
    boolean begun = evidence.stream().anyMatch(e -> !(e instanceof ComplaintTold));
    List<Progress> steps = Progress.of(sheet, visit, told, begun, assessment, plan);
    Summary summary = Summary.of(visit, assessment, found, opinion.told());
    return visit.told(steps, summary, visit.next(steps, plan));
  }

  private Visit told(List<Progress> steps, Summary summary, String next) {
    return new Visit(
        steps,
        hazards,
        simple,
        supply,
        accesses,
        cause,
        actions,
        renewed,
        sets,
        proofs,
        watches,
        timelines,
        before,
        currents,
        prevention,
        summary.words(),
        summary.ends(),
        next);
  }

  /** What stands first at the step where the work is. */
  private String next(List<Progress> steps, Plan plan) {
    return here(steps)
        .map(
            here ->
                switch (here.step()) {
                  case ARRIVE -> firstOpen(simple);
                  case CAUSE ->
                      cause.next().stream().findFirst().map(CauseSearch.Next::title).orElse("");
                  case PUT_RIGHT -> firstOpen(actions.stream().filter(Item::due).toList());
                  case PROVE ->
                      proofs.stream()
                          .filter(p -> p.answer().isEmpty())
                          .map(Proof::title)
                          .findFirst()
                          .orElse("");
                  case SIGN_OFF -> "Sign off";
                  default -> plan.next().stream().findFirst().map(Proposal::title).orElse("");
                })
        .orElse("");
  }

  private static String firstOpen(List<Item> items) {
    return items.stream().filter(i -> i.answer().isEmpty()).map(Item::title).findFirst().orElse("");
  }

  private static List<Cause> found(Optional<Guide> guide, CauseSearch search) {
    return search.causes().stream()
        .filter(CauseSearch.Suspected::found)
        .map(s -> guide.orElseThrow().causes().get(s.id()))
        .toList();
  }

  private static List<Item> hazards(Guide guide, Told told) {
    return guide.hazards().entrySet().stream()
        .map(
            h ->
                new Item(
                    h.getKey(),
                    h.getValue(),
                    "",
                    0,
                    told.said(VisitEntry.Kind.READ, h.getKey()) ? VisitEntry.YES : "",
                    true))
        .toList();
  }

  private static List<Item> simple(
      Guide guide, Sheet sheet, Told told, List<Complaint> complaints) {
    return guide.simple().values().stream()
        .filter(s -> s.applies().to(sheet, complaints))
        .map(
            s ->
                new Item(
                    s.id(),
                    s.title(),
                    "",
                    s.minutes(),
                    answer(told, VisitEntry.Kind.GIVEN, s.id()),
                    true))
        .toList();
  }

  private static String answer(Told told, VisitEntry.Kind kind, String subject) {
    return told.last(kind, subject).map(VisitEntry::value).orElse("");
  }

  /** Those that the next question needs open are due. */
  private static List<Item> accesses(Sheet sheet, Told told, Plan plan) {
    Set<String> open = told.open();
    List<String> steps = plan.next().isEmpty() ? List.of() : plan.next().get(0).steps();
    List<Item> items = new ArrayList<>();
    for (Access a : sheet.access().values()) {
      items.add(
          new Item(
              a.id(),
              a.title(),
              String.join("; ", a.hazards()),
              a.minutes(),
              open.contains(a.id())
                  ? VisitEntry.YES
                  : told.said(VisitEntry.Kind.CLOSED, a.id()) ? VisitEntry.NO : "",
              steps.contains(a.title()) || steps.contains(a.titleOff())));
    }
    return items;
  }

  private static List<Item> actions(Guide guide, Sheet sheet, Told told, List<Cause> found) {
    Set<String> due = new LinkedHashSet<>();
    found.forEach(c -> due.addAll(c.putRight()));
    return Stream.concat(
            due.stream(),
            guide.actions().keySet().stream()
                .filter(a -> !due.contains(a) && fits(a, guide, sheet)))
        .map(guide.actions()::get)
        .map(
            a ->
                new Item(
                    a.id(),
                    a.title(),
                    "",
                    a.minutes(),
                    told.last(VisitEntry.Kind.DONE, a.id())
                        .map(e -> e.value().isEmpty() ? VisitEntry.YES : e.value())
                        .orElse(""),
                    due.contains(a.id())))
        .toList();
  }

  /** Whether this sheet can need the action. A dryer with a duct has no condenser to clean. */
  private static boolean fits(String action, Guide guide, Sheet sheet) {
    List<Cause> causes =
        guide.causes().values().stream().filter(c -> c.putRight().contains(action)).toList();
    return causes.isEmpty() || causes.stream().anyMatch(c -> c.fits(sheet.identify()));
  }

  private static List<Renewal> renewed(
      Sheet sheet, UnitFacts facts, Told told, Assessment assessment) {
    List<String> all =
        told.of(VisitEntry.Kind.RENEWED).map(VisitEntry::subject).distinct().toList();
    return all.stream()
        .map(
            id -> {
              Part part = sheet.part(id);
              String printed = answer(told, VisitEntry.Kind.RENEWED, id);
              Replacement by = Replacement.of(part, facts.of(id), printed);
              return new Renewal(
                  id,
                  part.title(),
                  printed,
                  by.read(),
                  by.verdict(),
                  by.compared(),
                  by.differences(),
                  by.settled(),
                  assessment.parts().stream()
                      .anyMatch(
                          p ->
                              p.id().equals(id)
                                  && !p.verdict().passed()
                                  && !p.verdict().undecided()));
            })
        .toList();
  }

  private static List<Guide.Prevention> prevention(Guide guide, List<Cause> found) {
    return found.stream()
        .flatMap(c -> c.prevents().stream())
        .distinct()
        .map(guide.prevention()::get)
        .toList();
  }
}
