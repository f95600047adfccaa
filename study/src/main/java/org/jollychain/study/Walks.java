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

/**
 * The plan followed to its end on simulated units, as a page to be read aloud: {@code ./jolly study
 * walks} writes {@code docs/guide/walks.md}. Every sheet, live and isolated, three faults each: for
 * one complaint after another its likeliest cause, the second and the fourth.
 */
public final class Walks {

  private static final List<Integer> RANKS = List.of(0, 1, 3);
  private static final int MOST_QUESTIONS = 60;

  private final Sheet sheet;
  private final UnitModel nominal;
  private final Diagnosis diagnosis;
  private final Planner planner;
  private final CandidateTests questions;
  private final StringBuilder text = new StringBuilder();

  private Walks(String key) {
    this.sheet = Sheets.read(key);
    this.diagnosis = new Diagnosis(new UnitModel(sheet));
    this.nominal = diagnosis.unit();
    this.planner = new Planner(diagnosis);
    this.questions = new CandidateTests(nominal);
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
    all.parallelStream().map(key -> new Walks(key).all()).forEachOrdered(System.out::print);
  }

  private String all() {
    text.append("\n## %s\n".formatted(sheet.title()));
    List<Complaint> complaints = List.copyOf(sheet.complaints().values());
    for (boolean live : List.of(true, false)) {
      for (int i = 0; i < RANKS.size(); i++) {
        Complaint complaint = complaints.get(i % complaints.size());
        List<Hypothesis> causes = causes(complaint);
        walk(complaint, causes.get(Math.min(RANKS.get(i), causes.size() - 1)), live);
      }
    }
    return text.toString();
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

  private void walk(Complaint complaint, Hypothesis truth, boolean live) {
    text.append(
        "\n### %s: \"%s\", %s\n\n"
            .formatted(live ? "Live" : "Isolated", complaint.title(), truth.title(sheet)));
    Interview interview =
        new Interview(
            new SimulatedUnit(sheet, truth.faults(), 5), new VirtualMeter(Meter.GENERAL, 3), 1);
    Optional<String> told = Optional.of(complaint.id());
    Policy policy = Policy.usual(live);
    List<Evidence> evidence = new ArrayList<>();
    double minutes = 0;
    for (int step = 1; step <= MOST_QUESTIONS; step++) {
      Diagnosis.Opinion opinion = diagnosis.opinion(evidence, told);
      Plan plan = planner.plan(opinion, evidence, told, policy);
      if (plan.next().isEmpty()) {
        text.append("%d. **%s** %s\n".formatted(step, plan.state(), plan.say()));
        break;
      }
      Proposal next = plan.next().get(0);
      minutes += next.minutes();
      Evidence answer = interview.answer(questions.byId(next.id()).orElseThrow());
      evidence.add(answer);
      write(step, next, shown(evidence, told, answer));
    }
    text.append("\n%s minutes.\n".formatted(Math.round(minutes)));
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
