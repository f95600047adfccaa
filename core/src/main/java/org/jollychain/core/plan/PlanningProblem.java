package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
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
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sequencing.Distribution;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sequencing.SequencingProblem;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * The search for a fault as a problem of test sequencing: the hypotheses are the states, grouped by
 * the culprit they blame, a sound circuit divided by the causes outside of it that the guide knows;
 * the candidate tests of the sheet and the checks of the guide are the tests; minutes and exposure
 * are the price.
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
  private final Policy policy;
  private final Bounds bounds;
  private final List<Complaint> told;
  private final ChainPlaces places;
  private final StateTables tables;
  private final List<Culprit> culprits = new ArrayList<>();
  private final List<Hypothesis> likeliest = new ArrayList<>();
  private final Distribution believed;

  /**
   * @param beliefs the most probable first
   * @param unsafe whether nobody should put power on
   * @param told what the customer sees, the main complaint at the head
   * @param otherwise what may be asked beside the circuit
   */
  PlanningProblem(
      Sheet sheet,
      CandidateTests questions,
      Map<Question, OutcomeModel> outcomeModels,
      Policy policy,
      List<Posterior.Entry> beliefs,
      boolean unsafe,
      List<Complaint> told,
      StateTables.Beside otherwise) {
    this.sheet = sheet;
    this.told = told;
    this.places = new ChainPlaces(questions.unit(), told);
    this.bounds = new Bounds(questions.unit(), policy, told, unsafe);
    this.questions = questions;
    this.policy = policy;
    this.tables = new StateTables(sheet, complaint(), outcomeModels, beliefs, otherwise);
    List<StateTables.State> kept = tables.states();
    List<Culprit> blamed = kept.stream().map(StateTables.State::culprit).toList();
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
            kept.stream().mapToInt(StateTables.State::place).toArray(),
            groupOf,
            kept.stream().mapToDouble(StateTables.State::probability).toArray());
  }

  Sheet sheet() {
    return sheet;
  }

  Policy policy() {
    return policy;
  }

  /** What the job was opened with, or the first that was told. */
  Optional<Complaint> complaint() {
    return told.stream().findFirst();
  }

  /** Whether the complaint is of this situation. */
  boolean complainedIn(String situation) {
    return bounds.complainedIn(situation);
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
    return tables.of(question);
  }

  @Override
  public OutcomeTable outcomes(Question question) {
    return outcomeModel(question).table();
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
    if (culprits.get(culprit) instanceof Culprit.OutsideCause) {
      return showing(culprit).findAny().isPresent() ? CauseModel.SEEN : CauseModel.FOUND;
    }
    return culprits.get(culprit).suspect()
        ? Thresholds.USUAL.strong()
        : Thresholds.USUAL.strongWithoutSuspect();
  }

  @Override
  public Optional<Question> confirming(int culprit, Set<Question> asked) {
    return confirming(culprit, asked, false);
  }

  /**
   * @param confirmed whether it has failed its own test already
   */
  Optional<Question> confirming(int culprit, Set<Question> asked, boolean confirmed) {
    return culprits.get(culprit) instanceof Culprit.OutsideCause outside
        ? showing(culprit)
            .filter(q -> !tables.shown(outside.cause()))
            .filter(q -> !asked.contains(q) && mayBeMade(q))
            .min(Comparator.comparingDouble(q -> q.check().minutes()))
            .map(Question.class::cast)
        : confirming(likeliest(culprit), asked, confirmed);
  }

  /** The checks of the guide that may show a cause outright. */
  private Stream<Question.GuideCheck> showing(int culprit) {
    Culprit.OutsideCause cause = (Culprit.OutsideCause) culprits.get(culprit);
    return checks().filter(q -> q.check().shows().containsValue(cause.cause()));
  }

  /** The checks of the guide. */
  Stream<Question.GuideCheck> checks() {
    return tables.beside().stream()
        .filter(Question.GuideCheck.class::isInstance)
        .map(Question.GuideCheck.class::cast);
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
        .filter(q -> tables.knows(q) && !asked.contains(q))
        .filter(bounds::possible)
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
    return complaint()
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
    return Stream.concat(questions.all().stream(), tables.beside().stream())
        .filter(q -> !asked.contains(q) && mayBeMade(q))
        .toList();
  }

  /** What permit, method, reach or skipping keeps from being asked; nothing that does harm. */
  Stream<Question> barred(Set<Question> asked) {
    return questions.all().stream()
        .filter(q -> !asked.contains(q) && !mayBeMade(q) && !bounds.powers(q) && !q.reseated())
        .filter(q -> bounds.comesAbout(sheet.situation(q.situation())));
  }

  /** Whether no permit for live work is wanting for it. */
  boolean permitted(Question question) {
    return policy.livePermit() || !sheet.situation(question.situation()).supplyOn();
  }

  /** Whether permit, method, reach and what was skipped allow it. */
  boolean mayBeMade(Question question) {
    return bounds.allow(question) && bounds.possible(question);
  }
}
