package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
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
import org.jollychain.core.diagnosis.Assessment.SupplyAssessment;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Draw;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.sheet.Supply;

/**
 * Weighs every fault of a sheet by the evidence and says what is known: Bayes' rule over explicit
 * hypotheses, each predicting every reading by the solved circuit. Safe for use by many threads;
 * the same evidence in any order gives the same assessment.
 */
public final class Diagnosis {

  private static final double CAP_WHEN_MISFIT = 0.9;
  private static final int MISFITS = 2;

  /**
   * A way to the case where the sheet has none looks like a leak of a part near it, and hides it.
   */
  private static final int MISFITS_OF_A_LEAK = 1;

  /** A slip that fits misleads what is read after it; where little is known, coarse ones fit. */
  private static final List<Dimension> FINEST_FIRST =
      List.of(Dimension.OHMS, Dimension.VOLTS, Dimension.AMPERES);

  /** From here on a supply is met by lines about a soft one (standard deviations). */
  private static final double SOFT = 1.2;

  private static final double SO_SOFT = 2;

  /** How often evidence is weighed again, unless there is so much that it takes seconds. */
  private static final int MOST_LOOKS = 3;

  private static final int MANY = 300;

  private static final double CONFIRM_FROM = 0.9;
  private static final double SUPPLY_BLAMED = 0.8;
  private static final double CONTRADICTED = 0.02;
  private static final double FAILED_TEST = 0.01;
  private static final double GHOST_OHMS = 1e6;
  private static final double GHOST_VOLTS = 5;
  private static final double LIVE_VOLTS = 2;

  private final Sheet sheet;
  private final Expectations expectations;
  private volatile Optional<Expectations> onSoftSupply = Optional.empty();
  private final Hypotheses hypotheses;
  private final Map<String, List<Expectations.AlsoBad>> alsoBad;
  private final Expectations.AlsoBad deadLine;
  private final Map<Optional<String>, Prior> priors = new ConcurrentHashMap<>();
  private final SoundUnit unit;

  public Diagnosis(Sheet sheet) {
    this.sheet = sheet;
    this.unit = new SoundUnit(sheet);
    this.expectations = new Expectations(unit);
    this.hypotheses = new Hypotheses(unit);
    this.deadLine =
        new Expectations.AlsoBad(
            -1, List.of(Change.open(Supply.conductor(sheet.supply().system().outward()))));
    this.alsoBad = Verdicts.alsoBad(sheet, hypotheses);
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
   */
  public record Opinion(Assessment assessment, List<Belief> beliefs) {}

  /**
   * As {@link #assess}, for whoever goes on reckoning with it.
   *
   * @throws EvidenceException when the complaint is not one of the sheet's
   */
  public Opinion opinion(List<? extends Evidence> evidence, Optional<String> complaint) {
    List<Flag> flags = new ArrayList<>();
    List<Evidence> usable = usable(evidence, flags);
    Weighing weighing = weigh(usable, complaint);
    Verdicts verdicts = new Verdicts(sheet, expectations, alsoBad, weighing);
    List<PartAssessment> parts = verdicts.all();
    flagReadings(weighing, flags);
    for (PartAssessment part : parts) {
      if (verdicts.provesNothing(part)) {
        List<String> ids =
            verdicts.readingsOf(sheet.part(part.id())).stream().map(Reading::id).toList();
        flags.add(
            new Flag(
                Flag.Kind.NO_CURRENT,
                ids,
                "Next to no voltage across the %s proves nothing: nothing is shown to flow through it."
                    .formatted(part.title())));
      }
    }
    parts.stream().filter(this::staysClosed).map(Diagnosis::bypass).forEach(flags::add);
    boolean misfit = flags.stream().anyMatch(f -> f.kind() == Flag.Kind.MISFIT);
    Staircases staircases = new Staircases(unit, weighing);
    List<Staircase> paths = new ArrayList<>();
    unit.chains().forEach((chain, situation) -> paths.add(staircases.of(chain, situation)));
    Optional<Account> account =
        unit.chains().entrySet().stream()
            .flatMap(e -> staircases.account(e.getKey(), e.getValue()).stream())
            .findFirst();
    double unexplained = weighing.probability(h -> h.kind() == Hypothesis.Kind.NOT_ON_SHEET);
    Assessment assessment =
        new Assessment(
            parts,
            supply(weighing),
            leading(weighing, verdicts, misfit),
            paths,
            account,
            List.copyOf(flags),
            evidence.stream()
                .sorted(Comparator.comparing(Diagnosis::canonical))
                .map(e -> judged(e, weighing))
                .toList(),
            unexplained);
    return new Opinion(assessment, beliefs(weighing));
  }

  /** A link that has to open by heat, and does not. */
  private boolean staysClosed(PartAssessment part) {
    return part.verdict() == Verdict.STUCK
        && sheet.part(part.id()).thermal().isPresent()
        && sheet.part(part.id()).kind() != PartKind.THERMOSTAT;
  }

  private static Flag bypass(PartAssessment part) {
    return new Flag(
        Flag.Kind.BYPASS_SUSPECTED,
        List.of(),
        "The %s stays closed where it must be open: stuck or bypassed. Stop using the unit until it is renewed like for like."
            .formatted(part.title()));
  }

  /**
   * What is believed after the evidence: every hypothesis with its probability, the most probable
   * first; those that are ruled out left out.
   *
   * @param evidence not struck out, in any order
   * @param complaint what the customer sees, an id of the sheet's complaints
   */
  public List<Belief> beliefs(List<? extends Evidence> evidence, Optional<String> complaint) {
    return beliefs(weigh(usable(evidence, new ArrayList<>()), complaint));
  }

  private static List<Belief> beliefs(Weighing weighing) {
    return weighing.all().stream()
        .filter(w -> w.probability() > 0)
        .map(w -> new Belief(w.hypothesis(), w.index(), w.probability()))
        .toList();
  }

  /**
   * A hypothesis and how likely it is now.
   *
   * @param index the place among all of the sheet's of the one whose circuit it has now
   */
  public record Belief(Hypothesis hypothesis, int index, double probability) {}

  /** What may come of each of these questions. */
  public Map<Question, Outlook> outlooks(Collection<? extends Question> questions) {
    List<Hypothesis> all = prior(Optional.empty()).all();
    return new Outlooks(expectations, new Sightings(unit), all).learn(questions);
  }

  public SoundUnit unit() {
    return unit;
  }

  /**
   * Where the readings show a soft supply, or misfit, they are also weighed with lines that are
   * true of a soft one: what a load draws from it is far from straight in its impedance. What
   * explains them better holds.
   */
  private Weighing weigh(List<Evidence> usable, Optional<String> complaint) {
    Weighing usual = weigh(expectations, usable, complaint);
    if (usual.softness() < SOFT && usual.unexplained().size() < MISFITS) {
      return usual;
    }
    Weighing soft = weigh(onSoftSupply(), usable, complaint);
    return soft.logEvidence() > usual.logEvidence() ? soft : usual;
  }

  private Expectations onSoftSupply() {
    if (onSoftSupply.isEmpty()) {
      Draw soft = name -> name.equals(Network.SOURCE_OHMS) ? SO_SOFT : 0;
      onSoftSupply = Optional.of(new Expectations(sheet, soft));
    }
    return onSoftSupply.get();
  }

  /**
   * A slip that fits is taken for a reading, and what is read after it for slips. So where the
   * leader leaves several readings unexplained, the evidence is weighed once more with these at the
   * head, as long as that explains it better.
   */
  private Weighing weigh(
      Expectations expectations, List<Evidence> usable, Optional<String> complaint) {
    Weighing weighing = new Weighing(sheet, expectations, usable, prior(complaint));
    int looks = usable.size() > MANY ? 0 : MOST_LOOKS;
    for (int again = 0; again < looks; again++) {
      Set<Evidence> unexplained = new LinkedHashSet<>(weighing.unexplained());
      if (unexplained.size() < MISFITS) {
        return weighing;
      }
      List<Evidence> order = new ArrayList<>(unexplained);
      weighing.evidence().stream().filter(e -> !unexplained.contains(e)).forEach(order::add);
      Weighing other = new Weighing(sheet, expectations, order, prior(complaint));
      if (other.logEvidence() <= weighing.logEvidence()) {
        return weighing;
      }
      weighing = other;
    }
    return weighing;
  }

  private Prior prior(Optional<String> complaint) {
    return priors.computeIfAbsent(
        complaint, c -> new Prior(hypotheses.all(c.map(this::complaint))));
  }

  private Assessment.Judged judged(Evidence e, Weighing weighing) {
    if (e instanceof Observation o) {
      return new Assessment.Judged(
          o.id(), sheet.part(o.part()).title() + " runs", o.runs().toString(), "", "");
    }
    if (e instanceof Inspection i) {
      String finding = i.finding().toString().replace('-', ' ');
      return new Assessment.Judged(i.id(), sheet.part(i.part()).title(), finding, "", "");
    }
    if (e instanceof CodeShown c) {
      return new Assessment.Judged(
          c.id(),
          "display",
          c.code().map(k -> k + ", " + sheet.codes().get(k).title()).orElse("no code"),
          "",
          "");
    }
    Reading r = (Reading) e;
    List<Change> leader =
        weighing.believable().get(0).hypothesis().changesIn(sheet.situation(r.situation()));
    return new Assessment.Judged(
        r.id(),
        Wording.place(sheet, r.probe()),
        Wording.shown(r),
        would(List.of(), r),
        would(leader, r));
  }

  /** What a reading would show with these changes; nothing for one that is no evidence. */
  private String would(List<Change> changes, Reading r) {
    MeterFunction function = r.probe().function();
    boolean live = sheet.situation(r.situation()).supplyOn();
    if (function == MeterFunction.CELSIUS || function.needsDeadCircuit() && live) {
      return "";
    }
    if (r.probe().eitherWay(sheet)) {
      return "either";
    }
    return Wording.expected(r.meter(), function, expectations.line(changes, r).mean());
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

  /** In canonical order, without what cannot be evidence. */
  private List<Evidence> usable(List<? extends Evidence> evidence, List<Flag> flags) {
    List<Evidence> usable = new ArrayList<>();
    for (Evidence e : evidence) {
      boolean live = sheet.situation(e.situation()).supplyOn();
      if (e instanceof Reading r && r.probe().function().needsDeadCircuit() && live) {
        flags.add(
            hazard(
                r,
                "Never %s on a live circuit: it harms the meter and you, and the reading says nothing. Isolate, prove dead, then read."
                    .formatted(r.probe().function().word())));
      } else if (e instanceof Reading r
          && !live
          && r.probe().function().dimension() == Dimension.VOLTS
          && r.shown() instanceof Shown.Figure f
          && Math.abs(f.value()) > LIVE_VOLTS) {
        flags.add(
            hazard(
                r,
                "%s with the unit isolated: it is not dead. Stop, find what feeds it, lock it off and prove it dead."
                    .formatted(Wording.said(sheet, r))));
      } else if (!(e instanceof Reading r
          && (r.shown() instanceof Shown.Nothing
              || r.probe().function() == MeterFunction.CELSIUS
              || r.probe().eitherWay(sheet)))) {
        usable.add(e);
      }
    }
    usable.sort(Comparator.comparing(Diagnosis::canonical));
    return List.copyOf(usable);
  }

  private static Flag hazard(Reading reading, String text) {
    return new Flag(Flag.Kind.HAZARD, List.of(reading.id()), text);
  }

  private static String canonical(Evidence e) {
    if (e instanceof Reading r) {
      return "1 %s %s %s %s %s %s %s"
          .formatted(
              FINEST_FIRST.indexOf(r.probe().function().dimension()),
              r.probe().function(),
              r.situation(),
              r.probe().red(),
              r.probe().black(),
              r.shown(),
              r.id());
    }
    if (e instanceof Inspection i) {
      return "2 %s %s %s".formatted(i.part(), i.finding(), i.id());
    }
    if (e instanceof CodeShown c) {
      return "3 %s %s %s".formatted(c.situation(), c.code().orElse(""), c.id());
    }
    Observation o = (Observation) e;
    return "0 %s %s %s %s".formatted(o.situation(), o.part(), o.runs(), o.id());
  }

  private void flagReadings(Weighing weighing, List<Flag> flags) {
    Weighing.Weighed leader = weighing.believable().get(0);
    List<String> misfits = new ArrayList<>();
    for (Evidence e : weighing.evidence()) {
      Track.Explained how = weighing.explained(leader, e);
      if (e instanceof Reading r) {
        if (how == Track.Explained.AS_PREFIX) {
          flags.add(
              new Flag(
                  Flag.Kind.SLIP,
                  List.of(e.id()),
                  "%s fits only with another prefix: a thousand times more or less."
                      .formatted(Wording.said(sheet, r))));
        } else if (how == Track.Explained.AS_SLIP) {
          if (!repeated(weighing, leader, r)) {
            misfits.add(e.id());
          }
          flags.add(
              new Flag(
                  Flag.Kind.SLIP,
                  List.of(e.id()),
                  "%s does not fit the rest: repeat it with firm contact."
                      .formatted(Wording.said(sheet, r))));
        }
        ghost(leader, r).ifPresent(flags::add);
        parallel(r).ifPresent(flags::add);
      }
    }
    boolean offSheet = weighing.leader().hypothesis().kind() == Hypothesis.Kind.NOT_ON_SHEET;
    boolean leak = leader.hypothesis().ofParts().anyMatch(f -> f.mode() == FaultMode.CASE_LEAK);
    if (misfits.size() >= (leak ? MISFITS_OF_A_LEAK : MISFITS) || offSheet) {
      flags.add(
          new Flag(
              Flag.Kind.MISFIT,
              List.copyOf(misfits),
              "No fault on this sheet explains the readings; the circuit may differ from the sheet."));
    }
    if (leader.hypothesis().manifold()) {
      flags.add(
          new Flag(
              Flag.Kind.TWO_FAULTS, List.of(), "Two faults at once explain the readings best."));
    }
  }

  /** Whether the same was read again, and fits: then the first was a slip of the hand. */
  private static boolean repeated(Weighing weighing, Weighing.Weighed leader, Reading slip) {
    return weighing.evidence().stream()
        .anyMatch(
            e ->
                e instanceof Reading r
                    && r.probe().equals(slip.probe())
                    && weighing.explained(leader, r) == Track.Explained.AS_READ);
  }

  private Optional<Flag> ghost(Weighing.Weighed leader, Reading r) {
    boolean highImpedance =
        r.probe().function() == MeterFunction.VOLTS_AC && sheet.situation(r.situation()).supplyOn();
    if (!highImpedance || !(r.shown() instanceof Shown.Figure f) || f.value() < GHOST_VOLTS) {
      return Optional.empty();
    }
    Solution solution =
        unit.in(r.situation(), leader.hypothesis().changesIn(sheet.situation(r.situation())));
    double behind = solution.ohmsBetween(r.probe().red(), r.probe().black()).abs();
    return behind < GHOST_OHMS
        ? Optional.empty()
        : Optional.of(
            new Flag(
                Flag.Kind.GHOST,
                List.of(r.id()),
                "%s may be a ghost on a floating wire; the low-impedance input would collapse it."
                    .formatted(Wording.said(sheet, r))));
  }

  private Optional<Flag> parallel(Reading r) {
    if (!r.probe().function().needsDeadCircuit()
        || r.probe().part().isEmpty()
        || !r.probe().liftedAt().isEmpty()) {
      return Optional.empty();
    }
    Part part = sheet.part(r.probe().part().get());
    return bridged(part, r.situation())
        ? Optional.of(
            new Flag(
                Flag.Kind.PARALLEL_PATH,
                List.of(r.id()),
                "The %s is bridged by the rest of the circuit: take the wire off at %s and read again."
                    .formatted(part.title(), part.from())))
        : Optional.empty();
  }

  /** True where an ohmmeter still finds a way around an open part. */
  private boolean bridged(Part part, String situation) {
    double around =
        unit.in(situation, List.of(Change.open(part.id())))
            .ohmsBetween(part.from(), part.to())
            .re();
    return around < Meter.GENERAL.overLimitOhms();
  }

  private SupplyAssessment supply(Weighing weighing) {
    double fault = weighing.probability(h -> h.supplyFault().isPresent());
    List<Reading> live = new ArrayList<>();
    for (Evidence e : weighing.evidence()) {
      if (e instanceof Reading r
          && r.probe().function().dimension() == Dimension.VOLTS
          && sheet.supplyPoints().contains(r.probe().red())
          && sheet.supplyPoints().contains(r.probe().black())) {
        live.add(r);
      }
    }
    List<String> because = new ArrayList<>();
    live.forEach(r -> because.add(supplyReason(r)));
    Optional<Double> heat = live.stream().findFirst().map(r -> heatShare(weighing, r));
    heat.ifPresent(
        h ->
            because.add(
                "Heat goes with the square of the voltage: %s of nominal."
                    .formatted(Dimension.SHARE.format(h))));
    Optional<SupplyVerdict> blamed =
        fault < SUPPLY_BLAMED
            ? Optional.empty()
            : weighing.all().stream()
                .flatMap(w -> w.hypothesis().supplyFault().stream())
                .findFirst()
                .flatMap(f -> Kebab.read(SupplyVerdict.class, f.toString()));
    double dead = weighing.ratioIfAlso("supply", deadLine);
    SupplyVerdict verdict =
        blamed.orElse(
            !live.isEmpty() && fault < 0.2 && dead < CONTRADICTED
                ? SupplyVerdict.SOUND
                : SupplyVerdict.UNMEASURED);
    if (because.isEmpty()) {
      because.add(
          "No supply reading yet: %s to %s first."
              .formatted(sheet.supply().outwardPoint(), sheet.supply().homewardPoint()));
    }
    return new SupplyAssessment(verdict, fault, heat, because);
  }

  /**
   * What a heater between the outer terminals gets of its nominal power, by the voltage that is now
   * believed there, whichever terminals were read.
   */
  private double heatShare(Weighing weighing, Reading live) {
    Probe outer = Probe.of(sheet.supply(), live.situation());
    double volts = weighing.believed(weighing.believable().get(0), outer).mean();
    return Math.pow(volts / sheet.supply().volts(), 2);
  }

  private String supplyReason(Reading r) {
    double sound = expectations.line(List.of(), r.probe()).mean();
    return "%s, nominal %s.".formatted(Wording.said(sheet, r), Dimension.VOLTS.format(sound));
  }

  private Leading leading(Weighing weighing, Verdicts verdicts, boolean misfit) {
    Hypothesis h = weighing.leader().hypothesis();
    double probability = weighing.probability(other -> sameCall(h, other));
    if (misfit) {
      probability = Math.min(probability, CAP_WHEN_MISFIT);
    }
    String title = verdicts.title(h);
    if (h.kind() == Hypothesis.Kind.SOUND) {
      return new Leading(
          "unit",
          "sound",
          title,
          probability,
          false,
          "Run it through a whole cycle: it must heat, and cycle on its control.");
    }
    if (h.kind() == Hypothesis.Kind.NOT_ON_SHEET) {
      return new Leading(
          "not-on-sheet",
          "unknown",
          title,
          probability,
          false,
          "Compare the wiring with the maker's diagram.");
    }
    if (h.supplyFault().isPresent()) {
      return new Leading(
          "supply",
          h.supplyFault().get().toString(),
          title,
          probability,
          false,
          "Measure at the outlet, then at the breaker, before the unit is opened.");
    }
    Fault.OfPart fault = (Fault.OfPart) h.faults().get(0);
    Part part = sheet.parts().get(fault.part());
    if (part == null || fault.mode() == FaultMode.NOT_MADE) {
      return new Leading(
          fault.part(),
          fault.mode().toString(),
          title,
          probability,
          false,
          "Give the command and see whether the contact closes.");
    }
    boolean confirmed =
        !misfit
            && probability >= CONFIRM_FROM
            && failedOwnTest(weighing, verdicts, part, fault.mode());
    return new Leading(
        part.id(),
        fault.mode().toString(),
        title,
        probability,
        confirmed,
        confirmBy(part, fault.mode()));
  }

  /**
   * Hypotheses that call for the same thing to be done: the first part at fault, however it is at
   * fault.
   */
  private static boolean sameCall(Hypothesis a, Hypothesis b) {
    if (a.kind() != b.kind() || a.kind() != Hypothesis.Kind.FAULTY) {
      return a.kind() == b.kind();
    }
    if (a.supplyFault().isPresent() || b.supplyFault().isPresent()) {
      return a.supplyFault().equals(b.supplyFault());
    }
    return b.modeOf(((Fault.OfPart) a.faults().get(0)).part()).isPresent();
  }

  /** A reading on the suspect itself that a sound one would not have given. */
  private boolean failedOwnTest(Weighing weighing, Verdicts verdicts, Part part, FaultMode mode) {
    Weighing.Weighed leader = weighing.leader();
    List<Evidence> evidence = weighing.evidence();
    List<Reading> own = verdicts.readingsOf(part);
    for (int i = 0; i < evidence.size(); i++) {
      if (evidence.get(i) instanceof Reading r
          && (own.contains(r) || mode == FaultMode.CASE_LEAK && toCase(part, r))
          && (r.probe().function().needsDeadCircuit() || mode == FaultMode.DROPPING)) {
        Track alone = weighing.source();
        Track.Noise noise = Track.Noise.of(sheet.supply().volts(), r);
        alone.absorb(expectations.line(List.of(), r), r, noise);
        Track blamed = weighing.source();
        List<Change> bad =
            leader
                .hypothesis()
                .intermittent()
                .map(Fault.OfPart::changes)
                .orElseGet(() -> leader.hypothesis().changesIn(sheet.situation(r.situation())));
        blamed.absorb(expectations.line(bad, r), r, noise);
        if (alone.logLikelihood() - blamed.logLikelihood() < Math.log(FAILED_TEST)) {
          return true;
        }
      }
    }
    return false;
  }

  /** From an end of a part to the case. */
  private boolean toCase(Part part, Reading r) {
    String earth = sheet.supply().terminals().getOrDefault("earth", "");
    return part.touches(r.probe().red()) && r.probe().black().equals(earth)
        || part.touches(r.probe().black()) && r.probe().red().equals(earth);
  }

  private String confirmBy(Part part, FaultMode mode) {
    if (mode == FaultMode.DROPPING) {
      return "Read the live drop across the %s while the load draws its current, or isolate and re-seat it."
          .formatted(part.title());
    }
    if (mode == FaultMode.CASE_LEAK) {
      return "Isolate, prove dead, lift the wires of the %s and read ohms from it to the case: OL is sound."
          .formatted(part.title());
    }
    if (mode == FaultMode.INTERMITTENT) {
      return "Renew what is burnt or loose in the %s or its terminals, then prove it under load."
          .formatted(part.title());
    }
    Optional<Situation> off =
        sheet.situations().values().stream().filter(s -> !s.supplyOn()).findFirst();
    String lift =
        off.filter(s -> bridged(part, s.id())).map(s -> ", wire off at " + part.from()).orElse("");
    return "Isolate, prove dead, and read ohms across the %s%s.".formatted(part.title(), lift);
  }
}
