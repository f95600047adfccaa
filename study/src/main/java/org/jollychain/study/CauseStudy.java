package org.jollychain.study;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.TimeCosts;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.visit.CauseFinder;
import org.jollychain.core.visit.CauseSearch;
import org.jollychain.core.visit.VisitEntry;

/**
 * How often the cause finder names the right cause, in how many checks and minutes. Causes are
 * drawn by the weights of the guide, checks are answered by its tables; beside it the same checks
 * are made down the list of the guide, with the same stop. The world is the guide's own: what is
 * measured is the search, not the guide.
 *
 * <p>Arguments: visits a sheet, then sheets.
 */
public final class CauseStudy {

  private static final int MOST_CHECKS = 40;
  private static final long SEED = 20261127;

  private final Sheet sheet;
  private final Guide guide;
  private final CauseFinder finder;
  private final Diagnosis diagnosis;
  private final Random random = new Random(SEED);

  private CauseStudy(Sheet sheet, Guide guide) {
    this.sheet = sheet;
    this.guide = guide;
    this.finder = new CauseFinder(sheet, guide, TimeCosts.USUAL);
    this.diagnosis = new Diagnosis(new UnitModel(sheet));
  }

  /** How one visit went. */
  private record Went(boolean right, int checks, double minutes) {}

  public static void main(String[] args) {
    int visits = args.length > 0 ? Integer.parseInt(args[0]) : 200;
    List<String> keys = args.length > 1 ? List.of(args).subList(1, args.length) : Sheets.keys();
    System.out.println(
        "sheet                  causes  bits | right checks /bit minutes | down the list: right checks minutes | ratio");
    double ratios = 0;
    int counted = 0;
    for (String key : keys) {
      Sheet sheet = Sheets.read(key);
      Optional<Double> ratio =
          new CauseStudy(sheet, Sheets.guide(sheet.family().toString())).run(visits);
      if (ratio.isPresent()) {
        ratios += ratio.get();
        counted++;
      }
    }
    System.out.printf(Locale.ROOT, "mean ratio of minutes: %.2f%n", ratios / counted);
  }

  /** The link that most of the causes make open, on its own test twice. */
  private Optional<Part> opened() {
    return sheet.parts().values().stream()
        .filter(p -> isolatedOhms(p).isPresent())
        .max(
            Comparator.comparingDouble(
                p ->
                    guide.causes().values().stream()
                        .filter(c -> c.opens().contains(p.kind()))
                        .mapToDouble(Cause::weight)
                        .sum()));
  }

  private Optional<Probe> isolatedOhms(Part part) {
    return sheet.situations().values().stream()
        .filter(s -> !s.supplyOn() && part.stateIn(s) != ContactState.OPEN)
        .findFirst()
        .map(s -> Probe.across(MeterFunction.OHMS, part, s.id()).lifted(Set.of(part.from())));
  }

  private Optional<Double> run(int visits) {
    Part part = opened().orElseThrow();
    Probe probe = isolatedOhms(part).orElseThrow();
    List<Evidence> open = new ArrayList<>();
    for (String id : List.of("a", "b")) {
      open.add(
          Entry.answering(new Question.Measure(probe), id, Optional.of(Instant.EPOCH), "OL")
              .on(sheet, Meters.USUAL));
    }
    Diagnosis.Opinion opinion = diagnosis.opinion(open, Optional.empty());
    CauseSearch first = finder.search(opinion, List.of(), List.of());
    if (first.state() != CauseSearch.State.ASK) {
      System.out.printf("%-22s nothing to find: %s%n", sheet.key(), first.say());
      return Optional.empty();
    }
    double[] p = first.causes().stream().mapToDouble(CauseSearch.Suspected::probability).toArray();
    double bits = Distribution.bits(p);
    double[] best = new double[3];
    double[] down = new double[3];
    for (int i = 0; i < visits; i++) {
      String truth = drawn(first);
      long answers = random.nextLong();
      add(best, visit(opinion, truth, new Random(answers), false));
      add(down, visit(opinion, truth, new Random(answers), true));
    }
    System.out.printf(
        Locale.ROOT,
        "%-22s %5d  %5.2f | %.3f %5.2f %4.2f %6.1f | %.3f %5.2f %6.1f | %.2f   (%s)%n",
        sheet.key(),
        p.length,
        bits,
        best[0] / visits,
        best[1] / visits,
        best[1] / visits / bits,
        best[2] / visits,
        down[0] / visits,
        down[1] / visits,
        down[2] / visits,
        best[2] / down[2],
        part.title());
    return Optional.of(best[2] / down[2]);
  }

  private static void add(double[] sum, Went went) {
    sum[0] += went.right ? 1 : 0;
    sum[1] += went.checks;
    sum[2] += went.minutes;
  }

  private String drawn(CauseSearch first) {
    double all = first.causes().stream().mapToDouble(CauseSearch.Suspected::probability).sum();
    double left = random.nextDouble() * all;
    for (CauseSearch.Suspected s : first.causes()) {
      left -= s.probability();
      if (left <= 0) {
        return s.id();
      }
    }
    return first.causes().get(0).id();
  }

  private Went visit(Diagnosis.Opinion opinion, String truth, Random answers, boolean downTheList) {
    List<VisitEntry> told = new ArrayList<>();
    List<String> list = List.copyOf(guide.checks().keySet());
    double minutes = 0;
    boolean on = false;
    for (int i = 0; i < MOST_CHECKS; i++) {
      CauseSearch now = finder.search(opinion, List.of(), told);
      if (now.state() != CauseSearch.State.ASK || downTheList && i >= list.size()) {
        return new Went(now.causes().get(0).id().equals(truth), i, minutes);
      }
      Check check = guide.checks().get(downTheList ? list.get(i) : now.next().get(0).id());
      boolean after = check.power() == Check.Power.ANY ? on : check.power() == Check.Power.ON;
      minutes +=
          check.minutes()
              + (after == on ? 0 : after ? TimeCosts.USUAL.energise() : TimeCosts.USUAL.isolate());
      on = after;
      told.add(
          new VisitEntry(
              VisitEntry.Kind.CHECK, check.id(), outcome(check, check.likelihood(truth), answers)));
    }
    throw new IllegalStateException("the search does not end");
  }

  /** The outcome of a check, drawn by its likelihoods. */
  static String outcome(Check check, double[] likelihood, Random answers) {
    double left = answers.nextDouble();
    List<String> outcomes = List.copyOf(check.outcomes().keySet());
    for (int i = 0; i < likelihood.length; i++) {
      left -= likelihood[i];
      if (left <= 0) {
        return outcomes.get(i);
      }
    }
    return outcomes.get(outcomes.size() - 1);
  }
}
