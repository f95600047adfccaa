package org.jollychain.core.diagnosis;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment.Account;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.diagnosis.Assessment.Staircase;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.FurtherFaults;
import org.jollychain.core.inference.HypothesisSpace;
import org.jollychain.core.inference.KnownUnit;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.ParameterSample;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.PartKind;
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

  private static final double SO_SOFT = 2;

  /** How often evidence is weighed again, unless there is so much that it takes seconds. */
  private static final int MOST_LOOKS = 3;

  private static final int MANY = 300;

  /** Where more readings than this make no sense, nothing is looked for that would explain them. */
  private static final int HOPELESS = 6;

  /** Beside the first fault. */
  private static final int MOST_FURTHER = 2;

  /** So many parts are noticed beside what is sought. */
  private static final int MOST_NOTICED = 3;

  /** Units like one that were met last: their lines are kept. */
  private static final int MOST_UNITS = 24;

  private final Sheet sheet;
  private final boolean example;
  private final Lines lines;
  private final Cache<Unit, Lines> units = Caffeine.newBuilder().maximumSize(MOST_UNITS).build();
  private final Hypotheses hypotheses;
  private final Map<String, List<MeasurementModel.Counterfactual>> alsoBad;
  private final Map<Beginning, HypothesisSpace> priors = new ConcurrentHashMap<>();
  private final UnitModel unit;

  /**
   * What is known before anything is read.
   *
   * @param complaint what the customer sees, an id of the sheet's complaints
   * @param harmed kinds of parts that something found has made open more often
   * @param facts what the unit's plate and paper say
   */
  public record Beginning(Optional<String> complaint, Set<PartKind> harmed, UnitFacts facts) {

    /** Nothing. */
    public static final Beginning PLAIN = with(Optional.empty());

    /** A complaint alone. */
    public static Beginning with(Optional<String> complaint) {
      return new Beginning(complaint, Set.of(), UnitFacts.NONE);
    }
  }

  /** A unit as far as it differs from the sheet's example. */
  private record Unit(UnitFacts facts, Map<String, KnownUnit.Value> values) {}

  /** What every reading should be on one unit; on a soft supply once that is called for. */
  private final class Lines {
    private final MeasurementModel usual;
    private volatile Optional<MeasurementModel> soft = Optional.empty();

    Lines(MeasurementModel usual) {
      this.usual = usual;
    }

    MeasurementModel onSoftSupply() {
      if (soft.isEmpty()) {
        ParameterSample about = name -> name.equals(Network.SOURCE_OHMS) ? SO_SOFT : 0;
        soft = Optional.of(new MeasurementModel(usual.unit().sheet(), about, usual.hypotheses()));
      }
      return soft.get();
    }
  }

  /** A part is so many times likelier open where what opens it was found: common practice. */
  private static final double HARMED = 4;

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
    UnitModel known =
        example ? new UnitModel(KnownUnit.of(unit, UnitFacts.NONE, List.of()).on(sheet)) : unit;
    this.lines = new Lines(new MeasurementModel(known, all));
    this.alsoBad = Verdicts.alsoBad(sheet, hypotheses, example);
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
   */
  public record Opinion(
      Assessment assessment, List<Posterior.Entry> beliefs, UnitModel unit, Beginning beginning) {}

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
    Known known = known(usable(evidence, flags), beginning);
    Posterior posterior = weigh(known, beginning);
    Map<String, PartAssessment> noticed = new LinkedHashMap<>();
    for (int again = 0; again < MOST_NOTICED; again++) {
      Noticed beside =
          new Noticed(known.lines.usual, posterior, beginning.complaint.map(this::complaint));
      Optional<String> part = example ? beside.part() : Optional.empty();
      if (part.isEmpty()) {
        break;
      }
      PartAssessment judged =
          new Verdicts(sheet, known.lines.usual, alsoBad, posterior, known.unit)
              .assess(sheet.part(part.get()));
      noticed.put(part.get(), beside.said(judged));
      flags.add(beside.flag(judged));
      known = aside(known, beginning.facts, part.get(), beside.ohms(part.get()));
      posterior = weigh(known, beginning);
    }
    MeasurementModel measurements = known.lines.usual;
    Verdicts verdicts = new Verdicts(sheet, measurements, alsoBad, posterior, known.unit);
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
    Evidence.Kinds<Assessment.Judged> judging = judging(measurements, posterior);
    Assessment assessment =
        new Assessment(
            parts,
            new SupplyJudgement(measurements, posterior).judge(),
            new LeadingSuspect(measurements, posterior, verdicts).leading(misfit),
            paths,
            account,
            merged(flags),
            inOrder(evidence).stream().map(e -> e.as(judging)).toList(),
            unexplained,
            plates(known.unit, beginning.facts));
    return new Opinion(assessment, beliefs(posterior), measurements.unit(), beginning);
  }

  /** Parts that were read as few are, or unlike their like, and whose plate nobody looked at. */
  private List<String> plates(KnownUnit known, UnitFacts facts) {
    return sheet.parts().keySet().stream()
        .filter(
            p ->
                known.odd().contains(p)
                    || known.unlike().stream().anyMatch(like -> like.contains(p)))
        .filter(p -> !facts.looked(p))
        .toList();
  }

  /** What is to be minded of several readings in the same words is said once. */
  private static List<Flag> merged(List<Flag> flags) {
    Map<String, Flag> merged = new LinkedHashMap<>();
    for (Flag flag : flags) {
      merged.merge(
          flag.text(),
          flag,
          (a, b) ->
              new Flag(
                  a.kind(),
                  Stream.concat(a.evidence().stream(), b.evidence().stream()).distinct().toList(),
                  a.text()));
    }
    return List.copyOf(merged.values());
  }

  /** Evidence, and the unit that it is of. */
  private record Known(KnownUnit unit, Lines lines, List<Evidence> evidence) {}

  private Known known(List<Evidence> usable, Beginning beginning) {
    KnownUnit known = KnownUnit.of(unit, beginning.facts, usable);
    if (!example) {
      return new Known(known.asOnSheet(), lines, usable);
    }
    return new Known(
        known, lines(known, beginning.facts), known.warmed(beginning.facts.on(sheet), usable));
  }

  private Lines lines(KnownUnit known, UnitFacts facts) {
    return facts.byPart().isEmpty() && known.asExample(unit)
        ? lines
        : units.get(
            new Unit(facts, known.values()),
            u ->
                new Lines(
                    new MeasurementModel(
                        new UnitModel(known.on(u.facts.on(sheet))), lines.usual.hypotheses())));
  }

  /**
   * The same unit with a part taken as it was read: what is known of it is no longer weighed.
   *
   * @param ohms of it, where it is a load (ohm)
   */
  private Known aside(Known known, UnitFacts facts, String part, Optional<Double> ohms) {
    KnownUnit unitNow = ohms.map(o -> known.unit.with(part, o)).orElse(known.unit);
    List<Evidence> others =
        known.evidence.stream().filter(e -> ohms.isPresent() || !isOf(e, part)).toList();
    return new Known(unitNow, lines(unitNow, facts), others);
  }

  private static boolean isOf(Evidence e, String part) {
    return e instanceof Reading r && r.probe().part().filter(part::equals).isPresent();
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
    return beliefs(weigh(known(usable(evidence, new ArrayList<>()), beginning), beginning));
  }

  private static List<Posterior.Entry> beliefs(Posterior posterior) {
    return posterior.all().stream().map(posterior::onSheet).toList();
  }

  /** What every reading should be under every hypothesis, of which all are in their order. */
  public MeasurementModel measurements() {
    return lines.usual;
  }

  public UnitModel unit() {
    return unit;
  }

  /**
   * Where the readings show a soft supply, or misfit, or are taken to come and go, they are also
   * weighed with lines that are true of a soft one: what a load draws from it is far from straight
   * in its impedance. What explains them better holds.
   */
  private Posterior weigh(Known known, Beginning beginning) {
    Posterior usual = weigh(known.lines.usual, known.evidence, beginning);
    boolean passing = usual.believable().get(0).otherwise().isPresent();
    boolean fits =
        usual.softness() < SOFT
            && usual.unexplained().size() < Thresholds.USUAL.misfits()
            && !passing;
    if (fits || !worthMore(usual)) {
      return usual;
    }
    Posterior soft = weigh(known.lines.onSoftSupply(), known.evidence, beginning);
    return soft.logEvidence() > usual.logEvidence() ? soft : usual;
  }

  /** The best order of the evidence, then every further fault that it calls for. */
  private Posterior weigh(
      MeasurementModel measurements, List<Evidence> usable, Beginning beginning) {
    HypothesisSpace space = prior(beginning);
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

  private HypothesisSpace prior(Beginning beginning) {
    return priors.computeIfAbsent(
        beginning,
        b ->
            new HypothesisSpace(
                hypotheses.all(b.complaint.map(this::complaint)).stream()
                    .map(h -> isHarm(h, b.harmed) ? h.weighing(HARMED * h.prior()) : h)
                    .toList()));
  }

  private boolean isHarm(Hypothesis h, Set<PartKind> harmed) {
    return h.ofParts().anyMatch(f -> f.opens() && harmed.contains(sheet.part(f.part()).kind()));
  }

  /** What each kind of evidence is in words, beside what was to be expected of it. */
  private Evidence.Kinds<Assessment.Judged> judging(
      MeasurementModel measurements, Posterior posterior) {
    return new Evidence.Kinds<>() {
      @Override
      public Assessment.Judged reading(Reading r) {
        List<Change> leader =
            posterior.believable().get(0).hypothesis().changesIn(sheet.situation(r.situation()));
        return new Assessment.Judged(
            r.id(),
            Wording.place(sheet, r.probe()),
            Wording.shown(r),
            would(measurements, List.of(), r),
            would(measurements, leader, r));
      }

      @Override
      public Assessment.Judged observation(Observation o) {
        return seen(o, sheet.part(o.part()).title() + " runs", o.runs().toString());
      }

      @Override
      public Assessment.Judged inspection(Inspection i) {
        return seen(i, sheet.part(i.part()).title(), i.finding().toString().replace('-', ' '));
      }

      @Override
      public Assessment.Judged code(CodeShown c) {
        return seen(
            c,
            "display",
            c.code().map(k -> k + ", " + sheet.codes().get(k).title()).orElse("no code"));
      }

      private Assessment.Judged seen(Evidence e, String place, String shown) {
        return new Assessment.Judged(e.id(), place, shown, "", "");
      }
    };
  }

  /** What a reading would show with these changes; nothing for one that is no evidence. */
  private String would(MeasurementModel measurements, List<Change> changes, Reading r) {
    MeterFunction function = r.probe().function();
    boolean live = sheet.situation(r.situation()).supplyOn();
    if (function == MeterFunction.CELSIUS || function.needsDeadCircuit() && live) {
      return "";
    }
    if (r.probe().eitherWay(sheet)) {
      return "either";
    }
    return Wording.expected(r.meter(), function, measurements.due(changes, r));
  }

  private Complaint complaint(String id) {
    Complaint complaint = sheet.complaints().get(id);
    if (complaint == null) {
      throw new EvidenceException(
          "complaint",
          "there is no complaint \"%s\" on this sheet; there are %s"
              .formatted(id, String.join(", ", sheet.complaints().keySet())));
    }
    return complaint;
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

  /** In canonical order, without what cannot be evidence. */
  private List<Evidence> usable(List<? extends Evidence> evidence, List<Flag> flags) {
    Unusable unusable = new Unusable(unit);
    List<Evidence> usable = new ArrayList<>();
    for (Evidence e : evidence) {
      Optional<Flag> flag = e instanceof Reading r ? unusable.flag(r) : Optional.empty();
      flag.ifPresent(flags::add);
      if (flag.isEmpty() && !(e instanceof Reading r && unusable.saysNothing(r))) {
        usable.add(e);
      }
    }
    return inOrder(usable);
  }
}
