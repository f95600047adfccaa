package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jollychain.core.diagnosis.Assessment.Account;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.diagnosis.Assessment.Staircase;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.inference.FurtherFaults;
import org.jollychain.core.inference.Fused;
import org.jollychain.core.inference.HypothesisSpace;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;

/**
 * Weighs every fault of a sheet by the evidence and says what is known: Bayes' rule over explicit
 * hypotheses, each predicting every reading by the solved circuit. Safe for use by many threads;
 * the same evidence in any order gives the same assessment.
 */
public final class Diagnosis {

  /** From here on a supply is met by lines about a soft one (standard deviations). */
  private static final double SOFT = 1.2;

  /** How often evidence is weighed again, unless there is so much that it takes seconds. */
  private static final int MOST_LOOKS = 3;

  private static final int MANY = 300;

  /** Where more readings than this make no sense, nothing is looked for that would explain them. */
  private static final int HOPELESS = 6;

  /** Beside the first fault. */
  private static final int MOST_FURTHER = 2;

  /** So many parts are noticed beside what is sought. */
  private static final int MOST_NOTICED = 3;

  private final Sheet sheet;
  private final boolean example;
  private final UnitsMet met;
  private final Hypotheses hypotheses;
  private final Map<String, List<MeasurementModel.Counterfactual>> alsoBad;
  private final Map<Before, HypothesisSpace> priors = new ConcurrentHashMap<>();
  private final Fused fused;
  private final UnitModel unit;

  /**
   * What is known before anything is read.
   *
   * @param complaint what the customer sees, an id of the sheet's complaints
   * @param findings what was found by the guide
   * @param facts what the unit's plate and paper say
   */
  public record Beginning(Optional<String> complaint, GuideFindings findings, UnitFacts facts) {

    /** Nothing. */
    public static final Beginning PLAIN = with(Optional.empty());

    /** A complaint alone. */
    public static Beginning with(Optional<String> complaint) {
      return new Beginning(complaint, GuideFindings.NONE, UnitFacts.NONE);
    }
  }

  /**
   * Of a unit that is like the sheet's example, as far as the trade's bands go: its own values come
   * from its paper and from what is read of it.
   */
  public Diagnosis(Sheet sheet) {
    this(new UnitModel(sheet), true);
  }

  /**
   * The same, of a sheet whose circuit is solved already.
   *
   * @param nominal the sheet's
   */
  public static Diagnosis ofExample(UnitModel nominal) {
    return new Diagnosis(nominal, true);
  }

  /**
   * Of a unit that is just as its sheet says: every value on it is printed on the unit.
   *
   * @param unit the nominal one
   */
  public Diagnosis(UnitModel unit) {
    this(unit, false);
  }

  private Diagnosis(UnitModel unit, boolean example) {
    this.sheet = unit.sheet();
    this.unit = unit;
    this.example = example;
    this.hypotheses = new Hypotheses(unit);
    List<Hypothesis> all = hypotheses.all(Optional.empty());
    this.met = new UnitsMet(unit, example, all);
    this.fused = new Fused(unit, all);
    this.alsoBad = AlsoBad.of(sheet, hypotheses, example);
  }

  public Sheet sheet() {
    return sheet;
  }

  /**
   * @param evidence not struck out, in any order
   * @param complaint what the customer sees, an id of the sheet's complaints
   * @throws EvidenceException when the complaint is not one of the sheet's
   */
  public Assessment assess(List<? extends Evidence> evidence, Optional<String> complaint) {
    return opinion(evidence, complaint).assessment();
  }

  /**
   * The assessment together with the belief it rests on.
   *
   * @param beliefs every hypothesis that is not ruled out, the most probable first
   * @param unit as far as it is known now
   * @param beginning what was known before anything was read
   * @param told all that is complained of, what the job was opened with at the head
   */
  public record Opinion(
      Assessment assessment,
      List<Posterior.Entry> beliefs,
      UnitModel unit,
      Beginning beginning,
      List<Complaint> told) {}

  /**
   * As {@link #assess}, for whoever goes on using it.
   *
   * @throws EvidenceException when the complaint is not one of the sheet's
   */
  public Opinion opinion(List<? extends Evidence> evidence, Optional<String> complaint) {
    return opinion(evidence, Beginning.with(complaint));
  }

  /**
   * The same where more is known than the complaint.
   *
   * @throws EvidenceException when the complaint is not one of the sheet's
   */
  public Opinion opinion(List<? extends Evidence> evidence, Beginning beginning) {
    List<Flag> flags = new ArrayList<>();
    UnitsMet.Known known = met.known(usable(evidence, beginning, flags), beginning.facts);
    List<Complaint> told = ComplaintTold.all(sheet, beginning.complaint, evidence);
    Posterior posterior = weigh(known, beginning);
    Map<String, PartAssessment> noticed = new LinkedHashMap<>();
    for (int again = 0; again < MOST_NOTICED; again++) {
      Noticed beside = new Noticed(known.lines().usual(), posterior, told);
      Optional<String> part = example ? beside.part() : Optional.empty();
      if (part.isEmpty()) {
        break;
      }
      PartAssessment judged =
          new Verdicts(sheet, known.lines().usual(), alsoBad, posterior, known.unit())
              .assess(sheet.part(part.get()));
      noticed.put(part.get(), beside.said(judged));
      flags.add(beside.flag(judged));
      known = met.aside(known, beginning.facts, part.get(), beside.ohms(part.get()));
      posterior = weigh(known, beginning);
    }
    MeasurementModel measurements = known.lines().usual();
    Verdicts verdicts = new Verdicts(sheet, measurements, alsoBad, posterior, known.unit());
    List<PartAssessment> parts =
        verdicts.all().stream().map(p -> noticed.getOrDefault(p.id(), p)).toList();
    flags.addAll(new Warnings(measurements.unit(), posterior, verdicts).all(parts));
    boolean misfit = flags.stream().anyMatch(f -> f.kind() == Flag.Kind.MISFIT);
    Staircases staircases = new Staircases(measurements.unit(), posterior);
    List<Staircase> paths = new ArrayList<>();
    unit.chains().forEach((chain, situation) -> paths.add(staircases.of(chain, situation)));
    Optional<Account> account =
        unit.chains().entrySet().stream()
            .flatMap(e -> staircases.account(e.getKey(), e.getValue()).stream())
            .findFirst();
    double unexplained = posterior.probability(h -> h.kind() == Hypothesis.Kind.NOT_ON_SHEET);
    EvidenceInWords judging = new EvidenceInWords(measurements, posterior);
    Leading leading = new LeadingSuspect(measurements, posterior, verdicts).leading(misfit);
    flags.addAll(unexplained(leading, posterior, told));
    Assessment assessment =
        new Assessment(
            Elimination.said(unit, told, parts, leading),
            new SupplyJudgement(measurements, posterior).judge(),
            leading,
            paths,
            account,
            Warnings.merged(flags),
            inOrder(evidence).stream().map(e -> e.as(judging)).toList(),
            unexplained,
            known.unit().plates(sheet, beginning.facts));
    return new Opinion(assessment, beliefs(posterior), measurements.unit(), beginning, told);
  }

  /** Where one part is found and several things are complained of, those it does not explain. */
  private List<Flag> unexplained(Leading leading, Posterior posterior, List<Complaint> told) {
    return told.size() < 2 || !leading.confirmed()
        ? List.of()
        : told.stream()
            .filter(c -> !posterior.leader().hypothesis().bringsAbout(c, unit))
            .map(
                c ->
                    new Flag(
                        Flag.Kind.UNEXPLAINED,
                        List.of(),
                        "The %s does not explain \"%s\": look for that too."
                            .formatted(leading.title(), c.title())))
            .toList();
  }

  /**
   * What is believed after the evidence: every hypothesis with its probability, the most probable
   * first; those that are ruled out left out.
   *
   * @param evidence not struck out, in any order
   * @param complaint what the customer sees, an id of the sheet's complaints
   */
  public List<Posterior.Entry> beliefs(
      List<? extends Evidence> evidence, Optional<String> complaint) {
    return beliefs(evidence, Beginning.with(complaint));
  }

  /** The same where more is known than the complaint. */
  public List<Posterior.Entry> beliefs(List<? extends Evidence> evidence, Beginning beginning) {
    return beliefs(
        weigh(
            met.known(usable(evidence, beginning, new ArrayList<>()), beginning.facts), beginning));
  }

  private static List<Posterior.Entry> beliefs(Posterior posterior) {
    return posterior.all().stream().map(posterior::onSheet).toList();
  }

  /** What every reading should be under every hypothesis, of which all are in their order. */
  public MeasurementModel measurements() {
    return met.example().usual();
  }

  public UnitModel unit() {
    return unit;
  }

  /**
   * Where the readings show a soft supply, or misfit, or are taken to come and go, they are also
   * weighed with lines that are true of a soft one: what a load draws from it is far from straight
   * in its impedance. What explains them better holds.
   */
  private Posterior weigh(UnitsMet.Known known, Beginning beginning) {
    Posterior usual = weigh(known.lines().usual(), known.evidence(), beginning);
    boolean passing = usual.believable().get(0).otherwise().isPresent();
    boolean fits =
        usual.softness() < SOFT
            && usual.unexplained().size() < Thresholds.USUAL.misfits()
            && !passing;
    if (fits || !worthMore(usual)) {
      return usual;
    }
    Posterior soft = weigh(known.lines().onSoftSupply(), known.evidence(), beginning);
    return soft.logEvidence() > usual.logEvidence() ? soft : usual;
  }

  /** The best order of the evidence, then every further fault that it calls for. */
  private Posterior weigh(
      MeasurementModel measurements, List<Evidence> usable, Beginning beginning) {
    HypothesisSpace space = prior(beginning, usable);
    Posterior posterior = inBestOrder(measurements, usable, space);
    for (int further = 0; further < MOST_FURTHER && worthMore(posterior); further++) {
      Optional<HypothesisSpace> wider = FurtherFaults.of(measurements, space, posterior);
      if (wider.isEmpty()) {
        return posterior;
      }
      space = wider.get();
      posterior = new Posterior(sheet, measurements, posterior.evidence(), space);
    }
    return posterior;
  }

  /** Neither so much evidence that it takes seconds, nor so little sense in it. */
  private static boolean worthMore(Posterior posterior) {
    return posterior.evidence().size() <= MANY && posterior.unexplained().size() <= HOPELESS;
  }

  /**
   * A slip that fits is taken for a reading, and what is read after it for slips. So where the
   * leader leaves several readings unexplained, the evidence is weighed once more with these at the
   * head, as long as that explains it better.
   */
  private Posterior inBestOrder(
      MeasurementModel measurements, List<Evidence> usable, HypothesisSpace space) {
    Posterior posterior = new Posterior(sheet, measurements, usable, space);
    int looks = usable.size() > MANY ? 0 : MOST_LOOKS;
    for (int again = 0; again < looks; again++) {
      Set<Evidence> unexplained = new LinkedHashSet<>(posterior.unexplained());
      if (unexplained.size() < Thresholds.USUAL.misfits()) {
        return posterior;
      }
      List<Evidence> order = new ArrayList<>(unexplained);
      posterior.evidence().stream().filter(e -> !unexplained.contains(e)).forEach(order::add);
      Posterior other = new Posterior(sheet, measurements, order, space);
      if (other.logEvidence() <= posterior.logEvidence()) {
        return posterior;
      }
      posterior = other;
    }
    return posterior;
  }

  /** What the prior hangs on. */
  private record Before(Optional<String> complaint, Set<String> live, boolean outside) {}

  private HypothesisSpace prior(Beginning beginning, List<Evidence> usable) {
    Optional<Complaint> said = beginning.complaint.map(sheet.complaints()::get);
    boolean trips =
        ComplaintTold.all(sheet, beginning.complaint, usable).stream()
            .anyMatch(c -> c.how() == Complaint.How.TRIPS);
    Set<String> live = trips ? Set.of() : fused.live(usable);
    Optional<CauseModel> causes =
        CauseModel.of(sheet, beginning.findings, beginning.complaint, usable);
    boolean outside = causes.filter(CauseModel::bringsAbout).isPresent();
    HypothesisSpace space =
        priors.computeIfAbsent(
            new Before(beginning.complaint, live, outside),
            k ->
                new HypothesisSpace(
                    hypotheses.all(said, outside).stream()
                        .map(h -> fused.weighed(h, k.live))
                        .toList()));
    return beginning.findings.nothing()
        ? space
        : causes
            .map(c -> space.weighed(h -> h.weighing(h.prior() * c.likelihood(h))))
            .orElse(space);
  }

  /** In canonical order. */
  private static List<Evidence> inOrder(List<? extends Evidence> evidence) {
    record Keyed(String key, Evidence evidence) {}
    return evidence.stream()
        .map(e -> new Keyed(e.canonical(), e))
        .sorted(Comparator.comparing(Keyed::key))
        .map(Keyed::evidence)
        .toList();
  }

  /** In canonical order, without what cannot be evidence, and what was told at the beginning. */
  private List<Evidence> usable(
      List<? extends Evidence> evidence, Beginning beginning, List<Flag> flags) {
    Unusable unusable = new Unusable(unit);
    List<Evidence> usable = new ArrayList<>();
    for (Evidence e : evidence) {
      Optional<Flag> flag = e instanceof Reading r ? unusable.flag(r) : Optional.empty();
      flag.ifPresent(flags::add);
      boolean again =
          e instanceof ComplaintTold c
              && beginning.complaint.filter(c.complaint()::equals).isPresent();
      if (flag.isEmpty() && !again && !(e instanceof Reading r && unusable.saysNothing(r))) {
        usable.add(e);
      }
    }
    return inOrder(usable);
  }
}
