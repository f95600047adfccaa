package org.jollychain.study.field;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.diagnosis.SupplyVerdict;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.CandidateTests;
import org.jollychain.core.plan.Method;
import org.jollychain.core.plan.Order;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.plan.Proposal;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.unit.UnitFacts;
import org.jollychain.study.Sheets;
import org.jollychain.study.StudyProbes;

/**
 * How often the diagnosis is right in the field: {@code ./jolly study field}. One unit in ten has a
 * second fault, one complaint in ten is wrong or not told, three readings in a hundred are slips.
 * Three units in twenty are sound: what is complained of lies outside of their circuit.
 */
public final class FieldStudy {

  private static final double SECOND_FAULTS = 0.1;
  private static final double WRONG_COMPLAINTS = 0.1;
  private static final double OUTSIDE = 0.15;

  /** A complaint of which this much lies outside of the circuit may be told of a sound unit. */
  private static final double MOSTLY_OUTSIDE = 0.5;

  private static final int MOST_QUESTIONS = 60;

  /** Units as the trade makes them, plates read in half; else as the sheet says. */
  private static final boolean AS_TRADE = !"sheet".equals(System.getProperty("world"));

  private final Sheet sheet;
  private final UnitModel told;
  private final Diagnosis diagnosis;
  private final Planner planner;
  private final CandidateTests questions;
  private final List<Probe> everything;
  private final How how;
  private final long seed;

  /** How much is read. */
  enum How {
    FULL("Everything a sheet has to ask, live and isolated"),
    FEW("The few readings a technician takes, where one of them shows the fault"),
    PLAN("What the plan asks, to its stop, where the complaint is of the fault");

    private final String words;

    How(String words) {
      this.words = words;
    }
  }

  private FieldStudy(String key, How how, long seed) {
    this.sheet = Sheets.read(key);
    this.told = new UnitModel(sheet);
    this.diagnosis = AS_TRADE ? new Diagnosis(sheet) : new Diagnosis(told);
    this.planner = new Planner(diagnosis);
    this.questions = new CandidateTests(told);
    StudyProbes probes = new StudyProbes(told);
    this.everything = Stream.concat(probes.live().stream(), probes.isolated().stream()).toList();
    this.how = how;
    this.seed = seed;
  }

  /**
   * @param arguments units a sheet, a seed, then sheets; 200, 1 and all of them where left out
   */
  public static void main(String[] arguments) {
    int units = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200;
    long seed = arguments.length > 1 ? Long.parseLong(arguments[1]) : 1;
    List<String> keys =
        arguments.length > 2 ? List.of(arguments).subList(2, arguments.length) : Sheets.keys();
    String only = System.getProperty("how", "");
    for (How how : How.values()) {
      if (!only.isEmpty() && !how.name().equals(only)) {
        continue;
      }
      System.out.printf("%n%s%n%s%n", how.words, FieldScore.HEADINGS);
      FieldScore all = new FieldScore();
      List<FieldScore> scores =
          keys.parallelStream().map(key -> new FieldStudy(key, how, seed).score(units)).toList();
      for (int i = 0; i < keys.size(); i++) {
        System.out.println(scores.get(i).line(keys.get(i)));
        all.add(scores.get(i));
      }
      System.out.println(all.line("all"));
    }
  }

  private FieldScore score(int units) {
    FieldScore score = new FieldScore();
    int counted = 0;
    for (int i = 0; counted < units && i < 30 * units; i++) {
      Random random = new Random(7_919L * i + 104_729L * seed + sheet.key().hashCode());
      FieldTrade trade = new FieldTrade(random);
      FieldUnit unit =
          FieldUnit.of(
              sheet,
              p -> AS_TRADE ? trade.make(p) : FieldUnit.asTold(p.behaviour(), random),
              random);
      UnitFacts plates = AS_TRADE ? trade.plates(sheet, unit.circuit().sheet()) : UnitFacts.NONE;
      boolean outside = AS_TRADE && Drawn.chance(random, OUTSIDE);
      Told complained = outside ? outside(random) : Told.NOTHING;
      List<FieldFault> wrong = new ArrayList<>();
      if (complained.complaint.isEmpty()) {
        wrong.addAll(faults(new FieldFaults(unit.circuit(), random), random));
        unit.suffer(wrong);
        complained = complaint(unit, random);
      }
      Optional<String> complaint = complained.complaint;
      // what is strange on this unit is so against a sound one of its make
      UnitModel due = AS_TRADE ? new UnitModel(unit.circuit().sheet()) : told;
      FieldVisit visit = new FieldVisit(due, unit, AS_TRADE, random);
      FieldGuide guide = new FieldGuide(Sheets.guide(sheet.family().toString()), random);
      if (wrong.isEmpty()) {
        complaint.ifPresent(c -> guide.suffer(sheet, c));
      }
      switch (how) {
        case FULL -> visit.readAll(everything);
        case FEW -> visit.readFew(complaint);
        case PLAN -> complaint.ifPresent(c -> followPlan(visit, wrong, guide, c, plates));
      }
      if (how == How.PLAN ? complaint.isEmpty() : !shows(wrong, visit)) {
        continue;
      }
      Diagnosis.Opinion opinion =
          diagnosis.opinion(visit.taken(), guide.beginning(complaint, plates));
      Assessment said = opinion.assessment();
      if (how != How.PLAN && sameFor(said.leading().part(), wrong, visit)) {
        continue;
      }
      counted++;
      Optional<String> fault = score.count(sheet, wrong, said, dueSupply(wrong, visit));
      if (complained.truly) {
        boolean explains = explains(opinion, wrong, complaint.orElseThrow());
        score.ended(said, explains);
        if (Boolean.getBoolean("details") && !explains) {
          print(i, "explains nothing", wrong, complaint, visit, said);
        }
      }
      if (Boolean.getBoolean("details") && fault.isPresent()) {
        print(i, fault.get(), wrong, complaint, visit, said);
      }
    }
    return score;
  }

  private static List<FieldFault> faults(FieldFaults faults, Random random) {
    List<FieldFault> wrong = new ArrayList<>(List.of(faults.any()));
    if (Drawn.chance(random, SECOND_FAULTS)) {
      FieldFault second = faults.any();
      if (!second.culprit().equals(wrong.get(0).culprit())) {
        wrong.add(second);
      }
    }
    return wrong;
  }

  /** Works through the plan, of circuit and guide, to its end. */
  private void followPlan(
      FieldVisit visit,
      List<FieldFault> wrong,
      FieldGuide guide,
      String complaint,
      UnitFacts plates) {
    UnitFacts facts = plates;
    Policy policy = Policy.of(Method.MIXED, Order.BEST_VALUE, true);
    for (int i = 0; i < MOST_QUESTIONS; i++) {
      Diagnosis.Opinion opinion =
          diagnosis.opinion(visit.taken(), guide.beginning(Optional.of(complaint), facts));
      List<Proposal> next = planner.plan(opinion, visit.taken(), policy).next();
      if (next.isEmpty()) {
        if (guide.stays(opinion, visit.taken())) {
          continue;
        }
        return;
      }
      Proposal first = next.get(0);
      if (first.kind() == Question.Kind.PLATE) {
        // those that can be read were read on arrival
        facts = facts.and(sheet, first.across().orElseThrow(), "not readable");
      } else if (first.check().isPresent()) {
        guide.make(first.check().get());
      } else {
        visit.answer(questions.byId(first.id()).orElseThrow(), wrong);
      }
    }
  }

  /** Whether a test of its own, or the supply's, showed something of every fault. */
  private boolean shows(List<FieldFault> wrong, FieldVisit visit) {
    return wrong.stream()
        .allMatch(f -> visit.odd().stream().anyMatch(p -> f.ofSupply() ? ofSupply(p) : of(f, p)));
  }

  private boolean of(FieldFault fault, Probe probe) {
    return probe.part().map(fault.culprit()::equals).orElse(false)
        || fault.kind().equals("grounded")
            && probe.black().equals(sheet.supply().terminals().get("earth"))
            && sheet.part(fault.culprit()).touches(probe.red());
  }

  private boolean ofSupply(Probe probe) {
    return probe.part().isEmpty()
        && !probe.function().needsDeadCircuit()
        && probe.atTerminals(sheet);
  }

  /** Whether another part, open, would have shown the same at every reading: nobody can tell. */
  private boolean sameFor(String answer, List<FieldFault> wrong, FieldVisit visit) {
    return wrong.size() == 1
        && sheet.parts().containsKey(answer)
        && !FieldScore.blamed(sheet, wrong, answer)
        && visit.taken().stream()
            .map(e -> ((Reading) e).probe())
            .allMatch(
                p -> {
                  Situation s = sheet.situation(p.situation());
                  double open = shown(p, List.of(Change.open(answer)));
                  double truly = shown(p, wrong.get(0).changes().apply(s));
                  double slack =
                      p.function().needsDeadCircuit() ? 0.5 : 0.03 * sheet.supply().volts();
                  return Math.abs(open - truly) < slack + 0.1 * Math.max(open, truly);
                });
  }

  private double shown(Probe probe, List<Change> changes) {
    double value =
        Meter.GENERAL.read(told.in(probe.situation(), probe.conditions(sheet, changes)), probe);
    return Math.min(Meter.GENERAL.overLimitOhms(), Math.abs(value));
  }

  /** What may be said of the supply; between the legs alone one cannot tell one dead from both. */
  private Set<SupplyVerdict> dueSupply(List<FieldFault> wrong, FieldVisit visit) {
    Set<Probe> read =
        visit.taken().stream()
            .filter(Reading.class::isInstance)
            .map(e -> ((Reading) e).probe())
            .filter(this::ofSupply)
            .collect(Collectors.toSet());
    if (read.isEmpty() || read.stream().anyMatch(visit::slippedAt)) {
      return Set.of();
    }
    Optional<SupplyVerdict> is =
        wrong.stream()
            .filter(FieldFault::ofSupply)
            .map(f -> Kebab.read(SupplyVerdict.class, f.kind()).orElseThrow())
            .findFirst();
    boolean dead =
        is.stream().anyMatch(Set.of(SupplyVerdict.DEAD, SupplyVerdict.DEAD_LEG)::contains);
    boolean outerOnly = read.stream().allMatch(p -> p.atOuterTerminals(sheet));
    return dead && outerOnly && sheet.supply().lines().size() > 1
        ? Set.of(SupplyVerdict.DEAD, SupplyVerdict.DEAD_LEG, SupplyVerdict.LOW)
        : Set.of(is.orElse(SupplyVerdict.SOUND));
  }

  /**
   * What the customer tells.
   *
   * @param truly whether it is what the unit does
   */
  private record Told(Optional<String> complaint, boolean truly) {

    private static final Told NOTHING = new Told(Optional.empty(), false);
  }

  /** What the customer sees, now and then something else, now and then nothing. */
  private Told complaint(FieldUnit unit, Random random) {
    List<Complaint> all = List.copyOf(sheet.complaints().values());
    if (Drawn.chance(random, WRONG_COMPLAINTS)) {
      return random.nextBoolean()
          ? new Told(Optional.of(Drawn.one(random, all).id()), false)
          : Told.NOTHING;
    }
    return one(all.stream().filter(c -> seen(c, unit)).toList(), random);
  }

  /** What mostly comes from outside of the circuit, where a sound unit does it. */
  private Told outside(Random random) {
    return one(
        sheet.complaints().values().stream()
            .filter(c -> c.outside() >= MOSTLY_OUTSIDE)
            .filter(c -> told.shows(c.ofAnyPart(), List.of()))
            .toList(),
        random);
  }

  private static Told one(List<Complaint> fit, Random random) {
    return fit.isEmpty() ? Told.NOTHING : new Told(Optional.of(Drawn.one(random, fit).id()), true);
  }

  /** Whether what leads is what brought the complaint about, or might have. */
  private boolean explains(Diagnosis.Opinion opinion, List<FieldFault> wrong, String complaint) {
    Complaint said = sheet.complaints().get(complaint);
    Hypothesis leader = opinion.beliefs().get(0).hypothesis();
    return wrong.size() == 1
            && FieldScore.blamed(sheet, wrong, opinion.assessment().leading().part())
        || told.shows(
            leader.kind() == Hypothesis.Kind.SOUND ? said.ofAnyPart() : said,
            leader.changesIn(sheet.situation(said.situation())));
  }

  private boolean seen(Complaint complaint, FieldUnit unit) {
    return complaint.how() == Complaint.How.ALWAYS
        && complaint.suspects().isEmpty()
        && complaint.runs().stream().allMatch(p -> unit.share(p, complaint.situation()) > 0.5)
        && complaint.notRunning().stream()
            .allMatch(p -> unit.share(p, complaint.situation()) < 0.5);
  }

  private void print(
      int number,
      String fault,
      List<FieldFault> wrong,
      Optional<String> complaint,
      FieldVisit visit,
      Assessment said) {
    Assessment.Leading l = said.leading();
    System.out.printf(
        "  %s: %s %d [%s]: %s -> %s %s %.2f, supply %s%n",
        fault,
        sheet.key(),
        number,
        complaint.orElse(""),
        wrong,
        l.part(),
        l.mode(),
        l.probability(),
        said.supply().verdict());
    said.parts().stream()
        .filter(p -> p.probability() > 0.5)
        .forEach(
            p ->
                System.out.printf(
                    "      %s %s %.2f: %s%n", p.id(), p.verdict(), p.probability(), p.because()));
    System.out.printf("      supply: %s%n", said.supply());
    said.flags().forEach(f -> System.out.printf("      flag %s%n", f));
    if (Boolean.getBoolean("readings")) {
      System.out.printf(
          "- {case: %s, sheet: %s, complaint: %s, read: %s}%n",
          number,
          sheet.key(),
          complaint.orElse("none"),
          visit.taken().stream()
              .map(e -> e instanceof Reading r ? shorthand(r) : "\"" + e.canonical() + "\"")
              .toList());
    }
  }

  /** As the field's cases of the core's tests are written. */
  private String shorthand(Reading r) {
    Probe p = r.probe();
    String shown =
        r.shown() instanceof Shown.Figure f
            ? BigDecimal.valueOf(f.value())
                .setScale((int) Math.round(-Math.log10(f.resolution())), RoundingMode.HALF_EVEN)
                .toPlainString()
            : "OL";
    return "\"%s %s %s %s%s\""
        .formatted(
            p.situation(),
            p.function().clamps() ? "amps" : p.function().toString(),
            p.part().orElse(p.red() + "-" + p.black()),
            shown,
            p.liftedAt().isEmpty() ? "" : " lifted " + String.join(" ", p.liftedAt()));
  }
}
