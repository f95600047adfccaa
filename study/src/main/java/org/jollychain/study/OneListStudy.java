package org.jollychain.study;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.CandidateTests;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.plan.Proposal;
import org.jollychain.core.plan.TimeCosts;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.Interview;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
import org.jollychain.core.unit.UnitFacts;
import org.jollychain.core.visit.CauseFinder;
import org.jollychain.core.visit.CauseSearch;
import org.jollychain.core.visit.VisitEntry;

/**
 * Circuit and guide as one problem against one after the other: complaints of which a part lies
 * outside of the circuit, the truth drawn from the prior, a fault of the circuit or a cause of the
 * guide. One list is followed to its end; beside it the plan of the circuit alone, and then the
 * checks of the guide. The world is the guide's and the sheet's own: what is measured is the
 * search.
 *
 * <p>Arguments: visits a complaint, then sheets.
 */
public final class OneListStudy {

  private static final int MOST = 40;
  private static final long SEED = 20261201;

  private final Sheet sheet;
  private final Guide guide;
  private final Diagnosis diagnosis;
  private final Planner planner;
  private final CandidateTests questions;
  private final CauseFinder finder;
  private final Random random = new Random(SEED);

  /** What is wrong: a fault of the circuit, or with a sound one a cause outside. */
  private record Truth(Hypothesis circuit, Optional<Cause> cause) {

    private String named() {
      return cause.map(Cause::id).orElseGet(() -> circuit.culprit().id());
    }
  }

  /** How visits went on a sheet. */
  private static final class Score {
    private int visits;
    private int right;
    private int rightAfter;
    private double minutes;
    private double minutesAfter;

    private void add(Score other) {
      visits += other.visits;
      right += other.right;
      rightAfter += other.rightAfter;
      minutes += other.minutes;
      minutesAfter += other.minutesAfter;
    }

    private String line(String name) {
      return String.format(
          Locale.ROOT,
          "%-24s %5d | %.3f %6.1f | %.3f %6.1f | %.2f",
          name,
          visits,
          right / (double) visits,
          minutes / visits,
          rightAfter / (double) visits,
          minutesAfter / visits,
          minutes / minutesAfter);
    }
  }

  private OneListStudy(String key) {
    this.sheet = Sheets.read(key);
    this.guide = Sheets.guide(sheet.family().toString());
    this.diagnosis = new Diagnosis(new UnitModel(sheet));
    this.planner = new Planner(diagnosis);
    this.questions = new CandidateTests(diagnosis.unit());
    this.finder = new CauseFinder(sheet, guide, TimeCosts.USUAL);
  }

  public static void main(String[] args) {
    int visits = args.length > 0 ? Integer.parseInt(args[0]) : 12;
    List<String> keys = args.length > 1 ? List.of(args).subList(1, args.length) : Sheets.keys();
    System.out.println(
        "sheet                    visits | one list: right minutes | one after the other: right minutes | ratio");
    List<Score> scores =
        keys.parallelStream().map(key -> new OneListStudy(key).run(visits)).toList();
    Score all = new Score();
    for (int i = 0; i < keys.size(); i++) {
      all.add(scores.get(i));
      if (scores.get(i).visits > 0) {
        System.out.println(scores.get(i).line(keys.get(i)));
      }
    }
    System.out.println(all.line("all"));
  }

  private Score run(int visits) {
    Score score = new Score();
    for (Complaint complaint : sheet.complaints().values()) {
      Optional<CauseModel> model =
          CauseModel.of(sheet, GuideFindings.by(guide), Optional.of(complaint.id()), List.of());
      if (model.filter(CauseModel::outside).isEmpty()) {
        continue;
      }
      for (int i = 0; i < visits; i++) {
        Truth truth = drawn(complaint, model.get());
        long seed = random.nextLong();
        score.visits++;
        add(score, truth, complaint, seed);
      }
    }
    return score;
  }

  private void add(Score score, Truth truth, Complaint complaint, long seed) {
    Visit together = new Visit(truth, complaint, seed);
    together.follow(true);
    score.right += together.named().equals(truth.named()) ? 1 : 0;
    score.minutes += together.minutes;
    Visit after = new Visit(truth, complaint, seed);
    after.follow(false);
    after.thenTheGuide();
    score.rightAfter += after.named().equals(truth.named()) ? 1 : 0;
    score.minutesAfter += after.minutes;
    if (Boolean.getBoolean("details")) {
      System.out.printf(
          "%s %s: %s -> %s (%.0f min: %s) | %s (%.0f min)%n",
          sheet.key(),
          complaint.id(),
          truth.named(),
          together.named(),
          together.minutes,
          together.steps,
          after.named(),
          after.minutes);
    }
  }

  /** By the prior: single faults of the circuit, and the causes outside of it by their weights. */
  private Truth drawn(Complaint complaint, CauseModel model) {
    List<Posterior.Entry> all =
        diagnosis.beliefs(List.of(), Optional.of(complaint.id())).stream()
            .filter(b -> b.hypothesis().kind() != Hypothesis.Kind.NOT_ON_SHEET)
            .filter(b -> b.hypothesis().faults().size() <= 1)
            .filter(b -> b.hypothesis().intermittent().isEmpty())
            .toList();
    double left =
        random.nextDouble() * all.stream().mapToDouble(Posterior.Entry::probability).sum();
    Hypothesis circuit = all.get(0).hypothesis();
    for (Posterior.Entry b : all) {
      left -= b.probability();
      if (left <= 0) {
        circuit = b.hypothesis();
        break;
      }
    }
    if (circuit.kind() != Hypothesis.Kind.SOUND) {
      return new Truth(circuit, Optional.empty());
    }
    List<Cause> causes = model.causes().stream().filter(model::outside).toList();
    double weight = random.nextDouble() * causes.stream().mapToDouble(Cause::weight).sum();
    for (Cause cause : causes) {
      weight -= cause.weight();
      if (weight <= 0) {
        return new Truth(circuit, Optional.of(cause));
      }
    }
    return new Truth(circuit, Optional.of(causes.get(0)));
  }

  /** One visit. */
  private final class Visit {
    private final Truth truth;
    private final Complaint complaint;
    private final Random answers;
    private final Interview interview;
    private final List<Evidence> evidence = new ArrayList<>();
    private final List<CheckMade> checks = new ArrayList<>();
    private final List<String> steps = new ArrayList<>();
    private double minutes;

    private Visit(Truth truth, Complaint complaint, long seed) {
      this.truth = truth;
      this.complaint = complaint;
      this.answers = new Random(seed);
      this.interview =
          new Interview(
              new SimulatedUnit(sheet, truth.circuit.faults(), 5),
              new VirtualMeter(Meter.GENERAL, 3),
              seed);
    }

    private GuideFindings findings(boolean byGuide) {
      return byGuide ? GuideFindings.by(Optional.of(guide), checks) : GuideFindings.NONE;
    }

    private Diagnosis.Opinion opinion(boolean byGuide) {
      return diagnosis.opinion(
          evidence,
          new Diagnosis.Beginning(Optional.of(complaint.id()), findings(byGuide), UnitFacts.NONE));
    }

    private void follow(boolean byGuide) {
      Optional<String> told = Optional.of(complaint.id());
      for (int i = 0; i < MOST; i++) {
        List<Proposal> next =
            planner.plan(opinion(byGuide), evidence, Policy.usual(true)).next().stream()
                .filter(p -> p.kind() != Question.Kind.PLATE)
                .toList();
        if (next.isEmpty() || next.get(0).reseated()) {
          return;
        }
        Proposal first = next.get(0);
        minutes += first.minutes();
        steps.add(first.id());
        if (first.check().isPresent()) {
          make(guide.checks().get(first.check().get()));
        } else {
          evidence.add(interview.answer(questions.byId(first.id()).orElseThrow()));
        }
      }
    }

    private void make(Check check) {
      double[] likelihood = check.likelihood(truth.cause.map(Cause::id).orElse(""));
      checks.add(new CheckMade(check.id(), CauseStudy.outcome(check, likelihood, answers)));
    }

    /** Once the circuit is through, the checks of the guide. */
    private void thenTheGuide() {
      for (int i = 0; i < MOST; i++) {
        List<VisitEntry> told =
            checks.stream()
                .map(c -> new VisitEntry(VisitEntry.Kind.CHECK, c.check(), c.outcome()))
                .toList();
        CauseSearch search = finder.search(opinion(true), evidence, told);
        if (search.state() != CauseSearch.State.ASK) {
          return;
        }
        CauseSearch.Next next = search.next().get(0);
        minutes += next.minutes();
        make(guide.checks().get(next.id()));
      }
    }

    /** Who is blamed most: a part, or a cause of the guide where the circuit is sound. */
    private String named() {
      Diagnosis.Opinion opinion = opinion(true);
      CauseModel model =
          CauseModel.of(sheet, findings(true), Optional.of(complaint.id()), evidence).orElseThrow();
      double[] p = model.probabilities(opinion.beliefs());
      int most = 0;
      for (int i = 1; i < model.causes().size(); i++) {
        most = p[i] > p[most] ? i : most;
      }
      return p[most] > opinion.assessment().leading().probability()
              || opinion.assessment().leading().part().equals("unit")
          ? model.causes().get(most).id()
          : opinion.assessment().leading().part();
    }
  }
}
