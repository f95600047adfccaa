package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.diagnosis.Verdict;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.core.plan.TimeCosts;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sequencing.Position;
import org.jollychain.core.sequencing.TwoStepLookahead;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * Finds why a link opened. The causes of the guide that make such a link open stand against each
 * other by their weights; what the readings say of a failing that is itself a cause bears on it;
 * the checks that were made have narrowed them by Bayes' rule, and the next is the one that tells
 * most for its minutes.
 *
 * <pre>{@code
 * CauseSearch search = new CauseFinder(sheet, guide, costs).search(opinion, evidence, entries);
 * }</pre>
 */
public final class CauseFinder {

  /** A failing that the readings show counts so many times, one they clear so little. */
  private static final double SHOWN = 40;

  private static final double CLEARED = 0.03;

  /** How sure a link has to be open; a tripped one may also just not be pressed in. */
  private static final double OPEN = 0.8;

  /** How sure a failing has to be that the readings show. */
  private static final double SURE = 0.9;

  /** Whom an outcome leaves at least so probable is named. */
  private static final double NAMED = 0.12;

  private final Sheet sheet;
  private final Guide guide;
  private final TimeCosts costs;

  public CauseFinder(Sheet sheet, Guide guide, TimeCosts costs) {
    this.sheet = sheet;
    this.guide = guide;
    this.costs = costs;
  }

  /**
   * How far the search is.
   *
   * @param opinion of the evidence
   * @param told entries that stand, in time
   */
  public CauseSearch search(
      Diagnosis.Opinion opinion, List<? extends Evidence> evidence, List<VisitEntry> told) {
    List<VisitEntry> entries = DerivedChecks.latest(guide, told);
    Assessment assessment = opinion.assessment();
    GuideFindings findings = FoundByGuide.of(guide, entries);
    CauseModel model =
        CauseModel.of(sheet, findings, opinion.beginning().complaint(), evidence).orElseThrow();
    Optional<Part> opened = opened(assessment, entries);
    if (opened.isEmpty() && (!model.outside() || assessment.leading().confirmed())) {
      return CauseSearch.notNeeded(
          "No link is shown to be open that something else would have made open.");
    }
    List<Cause> causes =
        model.causes().stream()
            .filter(
                c ->
                    opened
                        .map(c::concerns)
                        .orElse(c.soundCircuit() && (model.outside(c) || c.from().isPresent())))
            .toList();
    if (causes.isEmpty()) {
      return CauseSearch.notNeeded("The guide knows no cause for this.");
    }
    double[] outside = opened.isPresent() ? new double[0] : outside(causes, opinion, model);
    return search(opened, causes, model.checks(), opinion.assessment(), outside, entries, findings)
        .answered(DerivedChecks.answered(guide, told));
  }

  /** The link whose opening is to be explained: the one that is sure to be, or was renewed. */
  private Optional<Part> opened(Assessment assessment, List<VisitEntry> entries) {
    Set<String> renewed = new HashSet<>();
    entries.stream()
        .filter(e -> e.kind() == VisitEntry.Kind.RENEWED)
        .forEach(e -> renewed.add(e.subject()));
    return assessment.parts().stream()
        .filter(p -> sheet.parts().containsKey(p.id()))
        .filter(
            p ->
                renewed.contains(p.id())
                    || (p.verdict() == Verdict.OPEN || p.verdict() == Verdict.TRIPPED)
                        && p.probability() > OPEN)
        .map(p -> sheet.part(p.id()))
        .filter(
            part -> guide.causes().values().stream().anyMatch(c -> c.opens().contains(part.kind())))
        .findFirst();
  }

  /**
   * @param checks that are meant for the sheet and the complaint
   * @param outside how probable each cause is where no link opened, what was found considered
   */
  private CauseSearch search(
      Optional<Part> opened,
      List<Cause> causes,
      List<Check> checks,
      Assessment assessment,
      double[] outside,
      List<VisitEntry> entries,
      GuideFindings findings) {
    CauseProblem problem = new CauseProblem(causes, checks, costs);
    double unknown = opened.map(Part::kind).map(CauseModel::unknown).orElse(CauseModel.UNKNOWN);
    List<List<String>> because = new ArrayList<>();
    double[] weights = new double[causes.size() + 1];
    for (int i = 0; i < causes.size(); i++) {
      List<String> reasons = new ArrayList<>();
      if (findings.putRight().contains(causes.get(i).id())) {
        reasons.add("It was put right, and what is complained of stayed.");
      }
      weights[i] = causes.get(i).weight() * bearing(causes.get(i), assessment, reasons);
      weights[causes.size()] += unknown * causes.get(i).weight();
      because.add(reasons);
    }
    boolean ofLink = opened.isPresent();
    int[] states = IntStream.range(0, weights.length).toArray();
    Distribution believed =
        Distribution.of(weights.length, states, states, ofLink ? weights : outside);
    Set<Check> made = new HashSet<>();
    Set<String> shown = new HashSet<>();
    Set<String> said = new HashSet<>();
    boolean on = false;
    for (VisitEntry e : entries) {
      if (e.kind() == VisitEntry.Kind.CHECK && guide.checks().containsKey(e.subject())) {
        Check check = guide.checks().get(e.subject());
        made.add(check);
        on = problem.step(on, check).after();
        OutcomeTable table = problem.outcomes(check);
        // outside of a link that opened, what was found is in the beliefs already
        believed = ofLink ? believed.given(table, check.indexOf(e.value())) : believed;
        told(causes, check, e.value(), because);
        Optional.ofNullable(check.shows().get(e.value())).ifPresent(shown::add);
      } else if (e.kind() == VisitEntry.Kind.CAUSE && !e.subject().equals(VisitEntry.NO_CAUSE)) {
        said.add(e.subject());
      } else if (e.kind() == VisitEntry.Kind.STAYS && !ofLink) {
        said.removeAll(findings.putRight());
        shown.removeAll(findings.putRight());
      }
    }
    List<Check> open = checks.stream().filter(c -> !made.contains(c)).toList();
    Position<Check, Boolean> now = new Position<>(problem, believed, on, open, made);
    List<CauseSearch.Suspected> suspected = suspected(causes, believed, shown, said, because);
    List<CauseSearch.Next> next = ranked(now).stream().map(o -> next(o, causes)).toList();
    CauseSearch.State state = state(suspected, next, entries);
    return new CauseSearch(
        opened.map(Part::id),
        opened.filter(p -> p.kind().wearsOut()).isPresent(),
        state,
        suspected,
        believed.byGroup()[causes.size()],
        next,
        List.of(),
        say(state, suspected));
  }

  /**
   * How probable each cause is beside the faults of the circuit, where no link opened. The last
   * entry is for everything else.
   */
  private static double[] outside(List<Cause> causes, Diagnosis.Opinion opinion, CauseModel model) {
    double[] all = model.probabilities(opinion.beliefs());
    double[] p = new double[causes.size() + 1];
    double told = 0;
    for (int i = 0; i < causes.size(); i++) {
      p[i] = all[model.causes().indexOf(causes.get(i))];
      told += p[i];
    }
    p[causes.size()] = 1 - told;
    return p;
  }

  /** The best first; once a cause leads, what would show it. */
  private static List<TwoStepLookahead.Option<Check, Boolean>> ranked(
      Position<Check, Boolean> now) {
    Optional<Check> own = now.end().flatMap(now::confirming);
    List<TwoStepLookahead.Option<Check, Boolean>> all =
        new ArrayList<>(TwoStepLookahead.ranked(now));
    all.sort(Comparator.comparing(o -> own.filter(o.test()::equals).isEmpty()));
    return all;
  }

  /** What the readings say of a failing of the circuit that is itself a cause. */
  private double bearing(Cause cause, Assessment assessment, List<String> reasons) {
    if (cause.from().isEmpty()) {
      return 1;
    }
    double factor = 1;
    for (PartAssessment p : assessment.parts()) {
      if (!sheet.parts().containsKey(p.id())
          || sheet.part(p.id()).kind() != cause.from().get().kind()) {
        continue;
      }
      double failed =
          p.modes().stream()
              .filter(m -> m.mode().toString().equals(cause.from().get().mode()))
              .mapToDouble(Assessment.ModeProbability::probability)
              .sum();
      if (failed > SURE) {
        reasons.add("The readings show it: %s.".formatted(p.title()));
        return SHOWN;
      }
      if (p.verdict() == Verdict.SOUND) {
        reasons.add("The %s passed its own test.".formatted(p.title()));
        factor = CLEARED;
      }
    }
    return factor;
  }

  private static void told(
      List<Cause> causes, Check check, String outcome, List<List<String>> because) {
    int at = check.indexOf(outcome);
    double usual = check.otherwise()[at];
    for (int i = 0; i < causes.size(); i++) {
      double ratio = check.likelihood(causes.get(i).id())[at] / usual;
      if (ratio > 2 || ratio < 0.5) {
        because
            .get(i)
            .add(
                "%s: %s speaks %s it."
                    .formatted(
                        check.title(),
                        check.outcomes().get(outcome),
                        ratio > 1 ? "for" : "against"));
      }
    }
  }

  private List<CauseSearch.Suspected> suspected(
      List<Cause> causes,
      Distribution believed,
      Set<String> shown,
      Set<String> said,
      List<List<String>> because) {
    double[] p = believed.byGroup();
    double all =
        IntStream.range(0, causes.size())
            .filter(i -> shown.contains(causes.get(i).id()))
            .mapToDouble(i -> p[i])
            .sum();
    return IntStream.range(0, causes.size())
        .mapToObj(
            i -> {
              Cause c = causes.get(i);
              return new CauseSearch.Suspected(
                  c.id(),
                  c.title(),
                  p[i],
                  shown.contains(c.id()),
                  said.contains(c.id())
                      // the only one there is has still to be looked at
                      || p[i] >= CauseModel.FOUND && !because.get(i).isEmpty()
                      || shown.contains(c.id()) && all >= CauseModel.SEEN && p[i] >= NAMED,
                  because.get(i),
                  c.putRight().stream().map(a -> guide.actions().get(a).title()).toList());
            })
        .sorted(
            Comparator.comparing((CauseSearch.Suspected s) -> !s.found())
                .thenComparing(s -> -s.probability()))
        .toList();
  }

  private static CauseSearch.Next next(
      TwoStepLookahead.Option<Check, Boolean> option, List<Cause> causes) {
    Check check = option.test();
    List<CauseSearch.Outcome> outcomes = new ArrayList<>();
    int at = 0;
    for (String id : check.outcomes().keySet()) {
      outcomes.add(
          new CauseSearch.Outcome(
              id,
              check.outcomes().get(id),
              option.split().chance()[at],
              named(option.split().byGroup()[at], causes)));
      at++;
    }
    return new CauseSearch.Next(
        check.id(),
        check.title(),
        check.power(),
        option.step().minutes(),
        check.why(),
        check.hazards(),
        outcomes,
        option.bits(),
        check.bench().map(b -> PartChecks.withKey(b.key()).card()));
  }

  /** The likeliest two, and whether others remain. */
  private static String named(double[] byCause, List<Cause> causes) {
    List<Integer> likely =
        IntStream.range(0, causes.size())
            .boxed()
            .filter(i -> byCause[i] >= NAMED)
            .sorted(Comparator.comparing(i -> -byCause[i]))
            .limit(2)
            .toList();
    if (likely.isEmpty()) {
      return "none of them stands out";
    }
    double named = likely.stream().mapToDouble(i -> byCause[i]).sum();
    String titles = causes.get(likely.get(0)).title();
    if (likely.size() > 1) {
      titles += " or " + within(causes.get(likely.get(1)).title());
    }
    return named > SURE ? titles : titles + ", or others";
  }

  private static String within(String title) {
    return title.substring(0, 1).toLowerCase(Locale.ROOT) + title.substring(1);
  }

  private static CauseSearch.State state(
      List<CauseSearch.Suspected> suspected,
      List<CauseSearch.Next> next,
      List<VisitEntry> entries) {
    boolean found = suspected.stream().anyMatch(CauseSearch.Suspected::found);
    boolean given =
        entries.stream()
            .anyMatch(
                e -> e.kind() == VisitEntry.Kind.CAUSE && e.subject().equals(VisitEntry.NO_CAUSE));
    return found
        ? CauseSearch.State.FOUND
        : given
            ? CauseSearch.State.NOT_FOUND
            : next.isEmpty() ? CauseSearch.State.NOTHING_LEFT : CauseSearch.State.ASK;
  }

  private static String say(CauseSearch.State state, List<CauseSearch.Suspected> suspected) {
    List<String> found =
        suspected.stream()
            .filter(CauseSearch.Suspected::found)
            .map(CauseSearch.Suspected::title)
            .toList();
    return switch (state) {
      case FOUND -> "Found: %s.".formatted(String.join("; ", found));
      case NOT_FOUND -> "No cause was found.";
      case NOTHING_LEFT ->
          "Nothing is left to check. Most likely: %s.".formatted(suspected.get(0).title());
      case NOT_NEEDED -> "";
      case ASK -> "Most likely so far: %s.".formatted(suspected.get(0).title());
    };
  }
}
