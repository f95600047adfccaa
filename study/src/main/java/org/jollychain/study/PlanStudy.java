package org.jollychain.study;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.CandidateTests;
import org.jollychain.core.plan.Method;
import org.jollychain.core.plan.Order;
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
 * How many probes and minutes it takes: {@code ./jolly study plan}. Units as customers bring them
 * in: a fault drawn by the base rates among those that cause the complaint, every parameter within
 * its spread, a meter within its specification. Each is worked on to the end in every order, by the
 * same diagnosis and to the same stop, where the fault is found; whether it sits in terminals is
 * not asked.
 */
public final class PlanStudy {

  private static final int MOST_QUESTIONS = 60;

  private final Sheet sheet;
  private final UnitModel nominal;
  private final Planner planner;
  private final Diagnosis diagnosis;
  private final CandidateTests questions;
  private final Method method;

  private PlanStudy(String key, Method method) {
    this.sheet = Sheets.read(key);
    this.nominal = new UnitModel(sheet);
    this.diagnosis = new Diagnosis(new UnitModel(sheet));
    this.planner = new Planner(diagnosis);
    this.questions = new CandidateTests(nominal);
    this.method = method;
  }

  /**
   * @param arguments units a sheet, then sheets; 60 and all of them where left out
   */
  public static void main(String[] arguments) {
    int units = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 60;
    List<String> keys =
        arguments.length > 1 ? List.of(arguments).subList(1, arguments.length) : Sheets.keys();
    Method method = Method.valueOf(System.getProperty("method", "MIXED"));
    System.out.println(
        "sheet                  bits | best: right condemned probes /bit asked minutes (opened) | most frequent: right probes minutes | along: right probes minutes | ratio to frequent, along");
    List<Row> rows =
        keys.parallelStream().map(key -> new PlanStudy(key, method).row(units)).toList();
    double freq = 0;
    double along = 0;
    for (int i = 0; i < keys.size(); i++) {
      System.out.println(rows.get(i).line(keys.get(i)));
      freq += rows.get(i).ratio(Order.MOST_FREQUENT_FIRST);
      along += rows.get(i).ratio(Order.ALONG_THE_WIRE);
    }
    System.out.printf(
        Locale.ROOT,
        "mean ratio of minutes: to most frequent first %.2f, to along the wire %.2f%n",
        freq / keys.size(),
        along / keys.size());
  }

  /** What one order came to over all units. */
  private static final class Tally {
    private int units;
    private int right;
    private int condemned;
    private double probes;
    private double questions;
    private double minutes;
    private double opening;
  }

  private record Row(double bits, List<Tally> byOrder) {

    Tally of(Order order) {
      return byOrder.get(order.ordinal());
    }

    double ratio(Order other) {
      return of(Order.BEST_VALUE).minutes / of(other).minutes;
    }

    String line(String key) {
      Tally best = of(Order.BEST_VALUE);
      Tally freq = of(Order.MOST_FREQUENT_FIRST);
      Tally along = of(Order.ALONG_THE_WIRE);
      int n = best.units;
      return String.format(
          Locale.ROOT,
          "%-22s %.2f | %.3f %.3f %.2f %.2f %.2f %.1f (%.1f) | %.3f %.2f %.1f | %.3f %.2f %.1f | %.2f %.2f",
          key,
          bits,
          (double) best.right / n,
          (double) best.condemned / n,
          best.probes / n,
          best.probes / n / bits,
          best.questions / n,
          best.minutes / n,
          (best.minutes - best.opening) / n,
          (double) freq.right / n,
          freq.probes / n,
          freq.minutes / n,
          (double) along.right / n,
          along.probes / n,
          along.minutes / n,
          ratio(Order.MOST_FREQUENT_FIRST),
          ratio(Order.ALONG_THE_WIRE));
    }
  }

  private Row row(int units) {
    List<Tally> byOrder = new ArrayList<>();
    for (Order ignored : Order.values()) {
      byOrder.add(new Tally());
    }
    double bits = 0;
    int drawn = 0;
    List<Complaint> complaints =
        sheet.complaints().values().stream()
            .filter(c -> c.how() != Complaint.How.COMES_AND_GOES)
            .toList();
    for (int i = 0; drawn < units && i < 20 * units; i++) {
      Random random = new Random(1000L * i + 17);
      Complaint complaint = complaints.get(random.nextInt(complaints.size()));
      Optional<Hypothesis> truth = draw(complaint, random);
      if (truth.isEmpty()) {
        continue;
      }
      drawn++;
      for (Order order :
          Boolean.getBoolean("best") ? new Order[] {Order.BEST_VALUE} : Order.values()) {
        bits += work(truth.get(), complaint, order, i, byOrder.get(order.ordinal()));
      }
    }
    return new Row(bits / drawn / (Boolean.getBoolean("best") ? 1 : 3), byOrder);
  }

  /** By the prior once the complaint is told, its severity within the grid's step. */
  private Optional<Hypothesis> draw(Complaint complaint, Random random) {
    List<Hypothesis> causes =
        new Hypotheses(nominal)
            .all(Optional.of(complaint)).stream()
                .filter(h -> h.kind() == Hypothesis.Kind.FAULTY && h.intermittent().isEmpty())
                .filter(h -> h.faults().size() == 1 && h.faults().get(0).failed().isPresent())
                .filter(
                    h ->
                        nominal.shows(
                            complaint, h.changesIn(sheet.situation(complaint.situation()))))
                .toList();
    double at = random.nextDouble() * causes.stream().mapToDouble(Hypothesis::prior).sum();
    for (Hypothesis h : causes) {
      at -= h.prior();
      if (at <= 0) {
        double deviate = random.nextGaussian();
        Fault f = h.faults().get(0);
        List<Change> drawn = f.changes().stream().map(c -> c.drawn(deviate)).toList();
        return Optional.of(new Hypothesis(h.kind(), List.of(f.doing(drawn)), h.prior()));
      }
    }
    return Optional.empty();
  }

  /** Works on a unit to the end and counts. */
  private double work(Hypothesis truth, Complaint complaint, Order order, long seed, Tally tally) {
    Policy policy = Policy.of(method, order, true);
    Interview interview =
        new Interview(
            new SimulatedUnit(sheet, truth.faults(), 31 * seed + 5),
            new VirtualMeter(Meter.GENERAL, 17 * seed + 3),
            seed);
    Optional<String> told = Optional.of(complaint.id());
    List<Evidence> evidence = new ArrayList<>();
    Diagnosis.Opinion opinion = diagnosis.opinion(evidence, told);
    double bits = planner.bits(opinion);
    tally.units++;
    for (int i = 0; i < MOST_QUESTIONS; i++) {
      Plan plan = planner.plan(opinion, evidence, policy);
      Optional<Proposal> first =
          plan.next().stream().filter(p -> p.kind() != Question.Kind.PLATE).findFirst();
      if (first.isEmpty()) {
        break;
      }
      Proposal next = first.get();
      if (next.reseated()) {
        break;
      }
      tally.probes += next.kind() == Question.Kind.MEASURE ? 1 : 0;
      tally.questions++;
      tally.minutes += next.minutes();
      tally.opening += next.opening();
      evidence.add(interview.answer(questions.byId(next.id()).orElseThrow()));
      opinion = diagnosis.opinion(evidence, told);
    }
    String part = opinion.assessment().leading().part();
    double sure = opinion.assessment().leading().probability();
    boolean right = truth.culprit().id().equals(part) || sameContact(truth, part);
    tally.right += right ? 1 : 0;
    tally.condemned += !right && sure > 0.9 && sheet.parts().containsKey(part) ? 1 : 0;
    Map<String, String> said = new HashMap<>();
    opinion.assessment().evidence().forEach(j -> said.put(j.id(), j.place() + "=" + j.shown()));
    if (Boolean.getBoolean("details") && order == Order.BEST_VALUE) {
      System.out.printf(
          "%s %d: %s -> %s %.3f in %d: %s%n",
          sheet.key(),
          seed,
          truth.title(sheet),
          part,
          sure,
          evidence.size(),
          evidence.stream().map(e -> said.get(e.id())).toList());
    }
    return bits;
  }

  /** A missing command is right for a contact that hangs on it alone. */
  private boolean sameContact(Hypothesis truth, String part) {
    return truth.culprit() instanceof Culprit.OfCommand missing
        && sheet.parts().containsKey(part)
        && sheet.part(part).madeWhen().commands().contains(missing.command());
  }
}
