package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Thresholds;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sequencing.SequencingProblem;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * The search for a fault as a problem of test sequencing: the hypotheses are the states, grouped by
 * the culprit they blame; the candidate tests of the sheet are the tests; minutes and exposure are
 * the price.
 */
final class PlanningProblem implements SequencingProblem<Question, WorkState> {

  /** A question that settles less is not worth asking (bit). */
  private static final double LEAST_BITS = 0.03;

  /** Nobody likes to be asked what tells next to nothing. */
  private static final double LEAST_BITS_SEEN = 0.1;

  /** A supply is blamed once so many readings between its own terminals were taken. */
  private static final int SUPPLY_READINGS = 2;

  private static final double NEGLIGIBLE = 1e-5;

  /** Combinations as rare as this are one group. */
  private static final double RARE = 0.002;

  private final Sheet sheet;
  private final CandidateTests questions;
  private final Map<Question, OutcomeModel> outcomeModels;
  private final Policy policy;
  private final boolean unsafe;
  private final Optional<Complaint> complaint;
  private final ChainPlaces places;
  private final List<Culprit> culprits = new ArrayList<>();
  private final List<Hypothesis> likeliest = new ArrayList<>();
  private final Distribution believed;

  /**
   * @param beliefs the most probable first
   * @param unsafe whether nobody should put power on
   * @param complaint what the customer sees
   */
  PlanningProblem(
      Sheet sheet,
      CandidateTests questions,
      Map<Question, OutcomeModel> outcomeModels,
      Policy policy,
      List<Posterior.Entry> beliefs,
      boolean unsafe,
      Optional<Complaint> complaint) {
    this.sheet = sheet;
    this.complaint = complaint;
    this.places = new ChainPlaces(questions.unit(), complaint);
    this.unsafe = unsafe;
    this.questions = questions;
    this.outcomeModels = outcomeModels;
    this.policy = policy;
    List<Posterior.Entry> kept =
        beliefs.stream().filter(b -> b.probability() > NEGLIGIBLE).toList();
    List<Culprit> blamed = kept.stream().map(b -> b.hypothesis().culprit()).toList();
    Map<Culprit, Double> mass = new HashMap<>();
    for (int i = 0; i < kept.size(); i++) {
      mass.merge(blamed.get(i), kept.get(i).probability(), Double::sum);
    }
    Map<Culprit, Integer> groups = new HashMap<>();
    int[] groupOf = new int[kept.size()];
    for (int i = 0; i < groupOf.length; i++) {
      Hypothesis h = kept.get(i).hypothesis();
      Culprit culprit = blamed.get(i);
      groupOf[i] =
          groups.computeIfAbsent(
              mass.get(culprit) < RARE ? culprit.rare() : culprit,
              c -> {
                culprits.add(c);
                likeliest.add(h);
                return culprits.size() - 1;
              });
    }
    this.believed =
        Distribution.of(
            culprits.size(),
            kept.stream().mapToInt(Posterior.Entry::index).toArray(),
            groupOf,
            kept.stream().mapToDouble(Posterior.Entry::probability).toArray());
  }

  Sheet sheet() {
    return sheet;
  }

  Policy policy() {
    return policy;
  }

  Optional<Complaint> complaint() {
    return complaint;
  }

  /** Whether the complaint is of this situation. */
  boolean complainedIn(String situation) {
    return complaint.filter(c -> c.situation().equals(situation)).isPresent();
  }

  UnitModel unit() {
    return questions.unit();
  }

  /** Where along the chain things lie. */
  ChainPlaces places() {
    return places;
  }

  /** What lies parallel to a part, so that a wire has to come off before its ohms tell. */
  Optional<Part> bypass(Part part) {
    return questions.bypass(part);
  }

  /** The groups: whom to blame. */
  List<Culprit> culprits() {
    return culprits;
  }

  /** The most probable hypothesis that blames it, by its place among the groups. */
  Hypothesis likeliest(int culprit) {
    return likeliest.get(culprit);
  }

  /** The most probable culprit, by its place among the groups. */
  int leading() {
    double[] byCulprit = believed.byGroup();
    int most = 0;
    for (int c = 1; c < byCulprit.length; c++) {
      most = byCulprit[c] > byCulprit[most] ? c : most;
    }
    return most;
  }

  /** The most probable hypothesis that blames the most probable culprit. */
  Hypothesis leader() {
    return likeliest(leading());
  }

  Distribution believed() {
    return believed;
  }

  OutcomeModel outcomeModel(Question question) {
    return outcomeModels.get(question);
  }

  @Override
  public OutcomeTable outcomes(Question question) {
    return outcomeModels.get(question).table();
  }

  WorkState.Move move(WorkState from, Question question) {
    return from.to(question, sheet, policy.costs());
  }

  @Override
  public Step<WorkState> step(WorkState from, Question question) {
    WorkState.Move move = move(from, question);
    return new Step<>(move.minutes(), move.price(policy.costs()), move.after());
  }

  @Override
  public double leastBits(Question question) {
    return question instanceof Question.Measure ? LEAST_BITS : LEAST_BITS_SEEN;
  }

  @Override
  public double endsAt(int culprit) {
    return culprits.get(culprit).suspect()
        ? Thresholds.USUAL.strong()
        : Thresholds.USUAL.strongWithoutSuspect();
  }

  @Override
  public Optional<Question> confirming(int culprit, Set<Question> asked) {
    return confirming(likeliest(culprit), asked, false);
  }

  /**
   * The test of a suspect itself that it has not had, and that the policy allows.
   *
   * @param confirmed it may have failed its own test already: then what is left is to see whether a
   *     drop goes with its terminals put on again
   */
  Optional<Question> confirming(Hypothesis suspect, Set<Question> asked, boolean confirmed) {
    Stream<Question> tests =
        suspect.supplyFault().isPresent()
            ? ofSupply(asked)
            : suspect
                .ofParts()
                .flatMap(
                    f ->
                        confirmed
                            ? reseated(f).stream()
                            : Stream.concat(own(f).stream(), reseated(f).stream()));
    return tests
        .filter(q -> outcomeModels.containsKey(q) && !asked.contains(q))
        .filter(this::possible)
        .findFirst();
  }

  private Stream<Question> ofSupply(Set<Question> asked) {
    return policy.livePermit() && supplyReadings(asked) < SUPPLY_READINGS
        ? questions.supply().stream().filter(q -> asked.stream().noneMatch(a -> samePlaces(a, q)))
        : Stream.empty();
  }

  private static boolean samePlaces(Question asked, Question question) {
    return asked instanceof Question.Measure a
        && question instanceof Question.Measure q
        && a.at().red().equals(q.at().red())
        && a.at().black().equals(q.at().black());
  }

  /** In whatever situation. */
  private long supplyReadings(Set<Question> asked) {
    return asked.stream()
        .flatMap(q -> q.probe().stream())
        .filter(p -> !p.function().needsDeadCircuit() && !p.function().clamps())
        .filter(p -> p.atTerminals(sheet))
        .count();
  }

  private Optional<Question> own(Fault.OfPart fault) {
    Part part = sheet.part(fault.part());
    return switch (fault.mode()) {
      case STUCK -> questions.openOhms(part);
      case CASE_LEAK -> questions.caseOhms(part);
      case NOT_MADE, INTERMITTENT -> Optional.empty();
      case DROPPING -> {
        Optional<Question> drop = policy.livePermit() ? questions.drop(part) : Optional.empty();
        yield drop.isPresent() ? drop : questions.closedOhms(part);
      }
      default ->
          part.actsAsSource() && policy.livePermit()
              ? questions.drop(part)
              : questions.closedOhms(part).or(() -> held(part));
    };
  }

  /** What stands open without power is read where it should be closed. */
  private Optional<Question> held(Part contact) {
    if (!policy.livePermit() || !contact.actsAsLink()) {
      return Optional.empty();
    }
    return complaint
        .map(said -> questions.drop(contact, said.situation()))
        .orElseGet(() -> questions.drop(contact));
  }

  /** Whether it stands open without power, so that no ohms show it dead. */
  boolean judgedByItsCall(Part contact) {
    return contact.actsAsLink() && questions.closedOhms(contact).isEmpty();
  }

  /** A drop is in the part or in its terminals; to put them on again tells. */
  private Optional<Question> reseated(Fault.OfPart fault) {
    return fault.mode() == FaultMode.DROPPING
        ? questions
            .reseated(sheet.part(fault.part()))
            .filter(q -> policy.livePermit() || !sheet.situation(q.situation()).supplyOn())
        : Optional.empty();
  }

  /** All that may be asked and has not been. */
  List<Question> open(Set<Question> asked) {
    return questions.all().stream().filter(q -> !asked.contains(q) && mayBeMade(q)).toList();
  }

  /** What permit, method, reach or skipping keeps from being asked; nothing that does harm. */
  Stream<Question> barred(Set<Question> asked) {
    return questions.all().stream()
        .filter(q -> !asked.contains(q) && !mayBeMade(q) && !powers(q) && !q.reseated())
        .filter(q -> comesAbout(sheet.situation(q.situation())));
  }

  /** Whether no permit for live work is wanting for it. */
  boolean permitted(Question question) {
    return policy.livePermit() || !sheet.situation(question.situation()).supplyOn();
  }

  /** Whether permit, method, reach and what was skipped allow it. */
  boolean mayBeMade(Question question) {
    return allowed(question) && possible(question);
  }

  /** Whether it does no harm, was not skipped, and probes and unit get there. */
  private boolean possible(Question question) {
    return !powers(question)
        && !skipped(question)
        && reached(question)
        && comesAbout(sheet.situation(question.situation()));
  }

  /**
   * Whether the unit gets there: nothing gets hot where what should run before stands still, as it
   * is complained of.
   */
  private boolean comesAbout(Situation situation) {
    if (complaint.isEmpty()
        || complaint.get().how() != Complaint.How.ALWAYS
        || complainedIn(situation.id())
        || situation.after().isEmpty()) {
      return true;
    }
    Situation before = sheet.situation(situation.after().get());
    return complaint.get().notRunning().stream()
            .noneMatch(load -> unit().runs(load, unit().in(before.id())))
        && comesAbout(before);
  }

  private boolean skipped(Question question) {
    return !policy.skipped().isEmpty() && policy.skipped().contains(question.id());
  }

  /** Whether probes get to all the points of a question. */
  private boolean reached(Question question) {
    if (question instanceof Question.Measure m && !m.at().function().clamps()) {
      return !policy.unreachable().contains(m.at().red())
          && !policy.unreachable().contains(m.at().black())
          && m.at().liftedAt().stream().noneMatch(policy.unreachable()::contains);
    }
    return true;
  }

  /** Whether it would put power on where nobody should. */
  private boolean powers(Question question) {
    return unsafe && sheet.situation(question.situation()).supplyOn();
  }

  /** Whether method and permit have it; what is put on again is only for a suspect. */
  private boolean allowed(Question question) {
    if (!(question instanceof Question.Measure m)) {
      return true;
    }
    if (m.reseated()) {
      return false;
    }
    Probe probe = m.at();
    if (!sheet.situation(probe.situation()).supplyOn()) {
      return policy.method() == Method.MIXED
          || policy.method() == Method.ISOLATED_OHMS
          || !policy.livePermit();
    }
    if (!policy.livePermit()) {
      return false;
    }
    boolean volts = probe.function().dimension() == Dimension.VOLTS;
    boolean supply = probe.atTerminals(sheet);
    return switch (policy.method()) {
      case MIXED -> true;
      case ISOLATED_OHMS -> false;
      case LIVE_DROPS -> supply || probe.part().isPresent();
      case LIVE_TO_REFERENCE -> supply || !volts || probe.part().isEmpty();
    };
  }
}
