package org.jollychain.study;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.CandidateTests;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.plan.Proposal;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.simulation.Interview;
import org.jollychain.core.simulation.SimulatedUnit;
import org.jollychain.core.simulation.VirtualMeter;
import org.jollychain.core.unit.UnitFacts;

/**
 * The plan followed to its end on simulated units, as a page to be read aloud: {@code ./jolly study
 * walks} writes {@code docs/guide/walks.md}. Every sheet, live and isolated, three faults each: for
 * one complaint after another its likeliest cause, the second and the fourth; then the likeliest
 * cause outside of the circuit, where the guide knows one. At the end what is proposed first for
 * every complaint of every sheet.
 */
public final class Walks {

  private static final List<Integer> RANKS = List.of(0, 1, 3);
  private static final int MOST_QUESTIONS = 60;

  /** Pulling a plug does not count as opening the unit (min). */
  private static final double AT_THE_PLUG = 1.5;

  private final Sheet sheet;
  private final UnitModel nominal;
  private final Diagnosis diagnosis;
  private final Planner planner;
  private final CandidateTests questions;
  private final Guide guide;
  private final List<String> firsts = new ArrayList<>();
  private int opening;
  private final StringBuilder text = new StringBuilder();

  private Walks(String key) {
    this.sheet = Sheets.read(key);
    this.diagnosis = new Diagnosis(new UnitModel(sheet));
    this.nominal = diagnosis.unit();
    this.planner = new Planner(diagnosis);
    this.questions = new CandidateTests(nominal);
    this.guide = Sheets.guide(sheet.family().toString());
  }

  /**
   * @param keys sheets; all of them where left out
   */
  public static void main(String[] keys) {
    List<String> all = keys.length > 0 ? List.of(keys) : Sheets.keys();
    System.out.println("# Walks");
    System.out.println();
    System.out.println(
        "The plan followed to its end on simulated units, written by `./jolly study walks`. What is wrong is said in the headings; the plan does not know it.");
    List<Walks> walked = all.parallelStream().map(Walks::new).peek(Walks::all).toList();
    walked.forEach(w -> System.out.print(w.text));
    int proposed = walked.stream().mapToInt(w -> w.firsts.size()).sum();
    int opening = walked.stream().mapToInt(w -> w.opening).sum();
    System.out.printf(
        Locale.ROOT,
        "%n## What is proposed first%n%nFor every complaint of every sheet, live and isolated: %d first proposals, %d of them open nothing or open the unit only where nothing free tells .3 of it (%.3f).%n%n| sheet | complaint | live | first | min | opening |%n|---|---|---|---|---|---|%n",
        proposed,
        proposed - opening,
        1 - opening / (double) proposed);
    walked.stream().flatMap(w -> w.firsts.stream()).forEach(System.out::println);
  }

  private void all() {
    text.append("\n## %s\n".formatted(sheet.title()));
    List<Complaint> complaints = List.copyOf(sheet.complaints().values());
    for (boolean live : List.of(true, false)) {
      for (int i = 0; i < RANKS.size(); i++) {
        Complaint complaint = complaints.get(i % complaints.size());
        List<Hypothesis> causes = causes(complaint);
        walk(
            complaint,
            causes.get(Math.min(RANKS.get(i), causes.size() - 1)),
            Optional.empty(),
            live);
      }
    }
    for (Complaint complaint : complaints) {
      outside(complaint).ifPresent(cause -> walk(complaint, sound(), Optional.of(cause), true));
      first(complaint, true);
      first(complaint, false);
    }
  }

  private Hypothesis sound() {
    return new Hypothesis(Hypothesis.Kind.SOUND, List.of(), 1);
  }

  /** The likeliest cause outside of the circuit, where most of the complaint lies there. */
  private Optional<Cause> outside(Complaint complaint) {
    return Optional.of(complaint)
        .filter(c -> c.outside() > 0.5)
        .flatMap(c -> causes(c, GuideFindings.by(guide)))
        .flatMap(
            model ->
                model.causes().stream()
                    .filter(model::outside)
                    .max(Comparator.comparingDouble(Cause::weight)));
  }

  private Optional<CauseModel> causes(Complaint complaint, GuideFindings findings) {
    return CauseModel.of(sheet, findings, Optional.of(complaint.id()), List.of());
  }

  private Diagnosis.Beginning beginning(Complaint complaint, GuideFindings findings) {
    return new Diagnosis.Beginning(Optional.of(complaint.id()), findings, UnitFacts.NONE);
  }

  /** What is proposed first, and whether something free would have told as much. */
  private void first(Complaint complaint, boolean live) {
    Optional<String> told = Optional.of(complaint.id());
    Diagnosis.Opinion opinion =
        diagnosis.opinion(List.of(), beginning(complaint, GuideFindings.by(guide)));
    List<Proposal> next = planner.plan(opinion, List.of(), Policy.usual(live)).next();
    if (next.isEmpty()) {
      return;
    }
    Proposal first = next.get(0);
    boolean needless =
        first.opening() > AT_THE_PLUG
            && next.stream()
                .anyMatch(p -> p.opening() <= AT_THE_PLUG && p.bits() > 0.3 * first.bits());
    opening += needless ? 1 : 0;
    firsts.add(
        String.format(
            Locale.ROOT,
            "| %s | %s | %s | %s%s | %.1f | %.1f |",
            sheet.key(),
            complaint.title(),
            live ? "yes" : "no",
            needless ? "(!) " : "",
            first.title(),
            first.minutes(),
            first.opening()));
  }

  /** The likeliest fault of each culprit that causes it, the likeliest culprit first. */
  private List<Hypothesis> causes(Complaint complaint) {
    Map<Culprit, List<Hypothesis>> byCulprit =
        new Hypotheses(nominal)
            .all(Optional.of(complaint)).stream()
                .filter(h -> h.kind() == Hypothesis.Kind.FAULTY && h.intermittent().isEmpty())
                .filter(h -> h.faults().size() == 1)
                .filter(
                    h ->
                        nominal.shows(
                            complaint, h.changesIn(sheet.situation(complaint.situation()))))
                .collect(
                    Collectors.groupingBy(
                        Hypothesis::culprit, LinkedHashMap::new, Collectors.toList()));
    return byCulprit.values().stream()
        .sorted(Comparator.comparingDouble(Walks::mass).reversed())
        .map(of -> of.stream().max(Comparator.comparingDouble(Hypothesis::prior)).orElseThrow())
        .toList();
  }

  private static double mass(List<Hypothesis> of) {
    return of.stream().mapToDouble(Hypothesis::prior).sum();
  }

  /**
   * @param outside what is wrong beside the circuit, if anything is
   */
  private void walk(Complaint complaint, Hypothesis truth, Optional<Cause> outside, boolean live) {
    text.append(
        "\n### %s: \"%s\", %s\n\n"
            .formatted(
                live ? "Live" : "Isolated",
                complaint.title(),
                outside.map(Cause::title).orElseGet(() -> truth.title(sheet))));
    Interview interview =
        new Interview(
            new SimulatedUnit(sheet, truth.faults(), 5), new VirtualMeter(Meter.GENERAL, 3), 1);
    Optional<String> told = Optional.of(complaint.id());
    Policy policy = Policy.usual(live);
    List<Evidence> evidence = new ArrayList<>();
    List<CheckMade> checks = new ArrayList<>();
    double minutes = 0;
    for (int step = 1; step <= MOST_QUESTIONS; step++) {
      GuideFindings findings = GuideFindings.by(Optional.of(guide), checks);
      Diagnosis.Opinion opinion = diagnosis.opinion(evidence, beginning(complaint, findings));
      Plan plan = planner.plan(opinion, evidence, policy);
      if (plan.next().isEmpty()) {
        text.append("%d. **%s** %s\n".formatted(step, plan.state(), plan.say()));
        break;
      }
      Proposal next = plan.next().get(0);
      minutes += next.minutes();
      if (next.check().isPresent()) {
        Check check = guide.checks().get(next.check().get());
        String outcome = likeliest(check, truth, outside, complaint);
        checks.add(new CheckMade(check.id(), outcome));
        write(step, next, check.outcomes().get(outcome));
        continue;
      }
      Evidence answer = interview.answer(questions.byId(next.id()).orElseThrow());
      evidence.add(answer);
      write(step, next, shown(evidence, told, answer));
    }
    text.append("\n%s minutes.\n".formatted(Math.round(minutes)));
  }

  /** What comes of a check most often, with what is wrong. */
  private String likeliest(
      Check check, Hypothesis truth, Optional<Cause> outside, Complaint complaint) {
    double[] outcomes =
        outside
            .map(c -> check.likelihood(c.id()))
            .orElseGet(
                () ->
                    causes(complaint, GuideFindings.by(guide))
                        .map(model -> model.outcomes(check, truth))
                        .orElseThrow());
    int most = 0;
    for (int j = 1; j < outcomes.length; j++) {
      most = outcomes[j] > outcomes[most] ? j : most;
    }
    return List.copyOf(check.outcomes().keySet()).get(most);
  }

  private String shown(List<Evidence> evidence, Optional<String> told, Evidence answer) {
    return diagnosis.opinion(evidence, told).assessment().evidence().stream()
        .filter(j -> j.id().equals(answer.id()))
        .map(j -> j.shown())
        .findFirst()
        .orElseThrow();
  }

  private void write(int step, Proposal next, String shown) {
    String first = next.steps().isEmpty() ? "" : String.join("; ", next.steps()).concat(". ");
    text.append(
        "%d. %s**%s%s** (%s min). %s\n"
            .formatted(
                step,
                first,
                next.confirms() ? "Confirm: " : "",
                next.title(),
                String.format(Locale.ROOT, "%.1f", next.minutes()),
                next.why()));
    Stream.concat(
            next.expect().stream()
                .map(
                    e ->
                        "%s: %s (%.0f %%)"
                            .formatted(e.shown(), e.meaning(), 100 * e.probability())),
            Stream.of("**→ " + shown + "**"))
        .forEach(line -> text.append("   - ").append(line).append('\n'));
  }
}
