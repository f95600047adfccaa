package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment.Measured;
import org.jollychain.core.diagnosis.Assessment.ModeProbability;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.inference.Counterfactuals;
import org.jollychain.core.inference.KnownUnit;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.MeasurementModel.Counterfactual;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * What is said of each part, and why.
 *
 * <p>A part is called at fault when the hypotheses that blame it carry enough of the belief. It is
 * called good only by what a bad one would have contradicted: the same evidence is weighed again
 * with the part also open (does it pass?) and also bad under load (is it sound?). Zero volts with
 * nothing flowing contradicts neither, and so says nothing.
 */
final class Verdicts {

  /** What a joint turns into heat for long (W): common practice, no source. */
  private static final double WORN_WATTS = 5;

  private static final double BURNS_WATTS = 25;
  private static final double BURNS_TWICE = 2;

  private static final Thresholds LIMITS = Thresholds.USUAL;

  private static final double SMALL_SHARE = 0.02;
  private static final double FLOWING_SHARE = 0.01;

  /** Less is what strays let through (A). */
  private static final double FLOWING_AMPERES = 1e-4;

  private final Sheet sheet;
  private final MeasurementModel measurements;
  private final Map<String, List<Counterfactual>> alsoBad;
  private final Posterior posterior;
  private final KnownUnit unit;
  private final OwnReadings taken;
  private final Counterfactuals counterfactuals;
  private final Map<Culprit, Map<FaultMode, Double>> byCulprit;

  Verdicts(
      Sheet sheet,
      MeasurementModel measurements,
      Map<String, List<Counterfactual>> alsoBad,
      Posterior posterior,
      KnownUnit unit) {
    this.sheet = sheet;
    this.unit = unit;
    this.measurements = measurements;
    this.alsoBad = alsoBad;
    this.posterior = posterior;
    this.taken = new OwnReadings(posterior);
    this.counterfactuals = new Counterfactuals(posterior);
    this.byCulprit = byCulprit(posterior);
  }

  List<PartAssessment> all() {
    List<PartAssessment> all = new ArrayList<>();
    sheet.parts().values().forEach(part -> all.add(assess(part)));
    sheet
        .commands()
        .values()
        .forEach(
            command -> {
              Culprit missing = new Culprit.OfCommand(command.id());
              List<ModeProbability> modes = modes(missing);
              if (!modes.isEmpty()) {
                double probability = sum(modes);
                String because = "No contact that waits for it is closed if it is not given.";
                all.add(
                    new PartAssessment(
                        missing.id(),
                        command.title(),
                        probability >= LIMITS.blamed() ? Verdict.OPEN : Verdict.UNTESTED,
                        probability,
                        modes,
                        Optional.empty(),
                        "",
                        List.of(because)));
              }
            });
    return all;
  }

  PartAssessment assess(Part part) {
    List<ModeProbability> modes = modes(new Culprit.OfPart(part.id()));
    double probability = sum(modes);
    List<Reading> own = taken.of(part);
    Optional<Measured> measured =
        own.stream().filter(this::isLiveDrop).reduce((a, b) -> b).map(r -> measured(part, r));
    List<String> because = new ArrayList<>();
    own.forEach(r -> because.add(direct(part, r)));
    Verdict verdict;
    if (probability >= LIMITS.blamed()) {
      verdict = blamed(part.id(), modes);
      measured.ifPresent(m -> because.add(cost(m)));
      if (verdict == Verdict.DROPPING) {
        measured.flatMap(Verdicts::wear).ifPresent(because::add);
      }
      if (verdict == Verdict.OPEN
          && modes.stream()
              .anyMatch(m -> m.mode() == FaultMode.NOT_MADE && m.probability() > 0.01)) {
        because.add("Not closed: not commanded, or open. Make sure that " + commandsOf(part) + ".");
      }
    } else {
      List<Counterfactual> worse = alsoBad.get(part.id());
      double open = counterfactuals.ratioIfAlso(part.id(), worse.get(0));
      double bad = open > LIMITS.contradicted() ? open : 0;
      for (int i = 1; i < worse.size() && bad <= LIMITS.contradicted(); i++) {
        bad = Math.max(bad, counterfactuals.ratioIfAlso(part.id(), worse.get(i)));
      }
      boolean fits =
          Inspection.found(Inspection.Finding.BENCH_PASSED, part.id(), posterior.evidence())
              || Math.max(open, bad) <= LIMITS.contradicted();
      if (probability < LIMITS.doubted() && measured.filter(m -> burns(part, m)).isPresent()) {
        verdict = Verdict.DROPPING;
        because.add(cost(measured.get()));
        wear(measured.get()).ifPresent(because::add);
      } else if (probability < LIMITS.doubted() && fits) {
        verdict = Verdict.SOUND;
        measured.filter(m -> m.amperes() > 0).ifPresent(m -> because.add(cost(m)));
      } else if (probability < LIMITS.doubted() && open <= LIMITS.excluded()) {
        verdict = Verdict.PASSES;
      } else {
        verdict = own.isEmpty() && open > LIMITS.bearsOn() ? Verdict.UNTESTED : Verdict.UNCLEAR;
        because.add(
            own.stream().anyMatch(this::isSmallDrop)
                ? "That proves nothing yet: no current is shown to flow through it."
                : "Nothing read so far tells it from an open one.");
      }
      if (verdict.passed()) {
        strongestAgainst(part).ifPresent(because::add);
        verdict = new Reservations(sheet, unit).on(part, own, verdict, because);
      }
    }
    if (own.stream()
        .anyMatch(r -> part.stateIn(sheet.situation(r.situation())) == ContactState.EITHER)) {
      because.add("Between its two temperatures either state is sound: warm or cool it to know.");
    }
    comesAndGoes(modes).ifPresent(because::add);
    String reading = own.isEmpty() ? "" : Wording.shown(own.get(own.size() - 1));
    return new PartAssessment(
        part.id(), part.title(), verdict, probability, modes, measured, reading, because);
  }

  private static Optional<String> comesAndGoes(List<ModeProbability> modes) {
    return modes.stream()
            .anyMatch(m -> m.mode() == FaultMode.INTERMITTENT && m.probability() > LIMITS.blamed())
        ? Optional.of(
            "It comes and goes: some readings fit a bad one, others a sound one. The joint or the part will let go again, whatever it reads now.")
        : Optional.empty();
  }

  /** The readings taken on parts themselves. */
  OwnReadings own() {
    return taken;
  }

  /** True where a small drop was read and nothing shows that current flowed. */
  boolean provesNothing(PartAssessment part) {
    return part.verdict().undecided()
        && sheet.parts().containsKey(part.id())
        && sheet.part(part.id()).actsAsLink()
        && taken.of(sheet.part(part.id())).stream().anyMatch(this::isSmallDrop);
  }

  private List<ModeProbability> modes(Culprit culprit) {
    return byCulprit.getOrDefault(culprit, Map.of()).entrySet().stream()
        .map(e -> new ModeProbability(e.getKey(), e.getValue()))
        .sorted(Comparator.comparingDouble(ModeProbability::probability).reversed())
        .toList();
  }

  private static Map<Culprit, Map<FaultMode, Double>> byCulprit(Posterior posterior) {
    Map<Culprit, Map<FaultMode, Double>> by = new HashMap<>();
    for (Posterior.Entry w : posterior.all()) {
      for (Fault fault : w.hypothesis().faults()) {
        if (fault.failed().isPresent()) {
          by.computeIfAbsent(fault.culprit().orElseThrow(), c -> new EnumMap<>(FaultMode.class))
              .merge(fault.failed().get(), w.probability(), Double::sum);
        }
      }
    }
    return by;
  }

  private static double sum(List<ModeProbability> modes) {
    return Math.min(1, modes.stream().mapToDouble(ModeProbability::probability).sum());
  }

  /**
   * Open, tripped and not made look the same from a part's terminals and share a verdict, unless it
   * is clear that it has only tripped.
   */
  private Verdict blamed(String part, List<ModeProbability> modes) {
    Map<Verdict, Double> byVerdict = new EnumMap<>(Verdict.class);
    double tripped = 0;
    for (ModeProbability m : modes) {
      byVerdict.merge(verdict(part, m.mode()), m.probability(), Double::sum);
      tripped += m.mode() == FaultMode.TRIPPED ? m.probability() : 0;
    }
    if (tripped >= LIMITS.blamed() * sum(modes)) {
      return Verdict.TRIPPED;
    }
    Map.Entry<Verdict, Double> most =
        byVerdict.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow();
    return most.getValue() >= LIMITS.blamed() * sum(modes) ? most.getKey() : Verdict.UNCLEAR;
  }

  private Verdict verdict(String part, FaultMode mode) {
    return switch (mode) {
      case OPEN, TRIPPED, NOT_MADE -> Verdict.OPEN;
      case INTERMITTENT -> comesAsDrop(part) ? Verdict.DROPPING : Verdict.OPEN;
      case DROPPING -> Verdict.DROPPING;
      case STUCK -> Verdict.STUCK;
      case CASE_LEAK -> Verdict.LEAKING;
      case OFF_VALUE_HIGH, OFF_VALUE_LOW -> Verdict.OFF_VALUE;
    };
  }

  /** Whether what comes and goes at a part is a drop, most likely. */
  private boolean comesAsDrop(String part) {
    return posterior.all().stream()
        .flatMap(w -> w.hypothesis().intermittent().stream())
        .filter(f -> f.part().equals(part))
        .findFirst()
        .filter(f -> !f.opens())
        .isPresent();
  }

  /** The reading that speaks most clearly against the part being open. */
  private Optional<String> strongestAgainst(Part part) {
    Posterior.Entry leader = posterior.believable().get(0);
    return counterfactuals
        .strongestAgainst(alsoBad.get(part.id()).get(0), Math.log(1 / LIMITS.excluded()) / 2)
        .map(
            reading -> {
              List<Change> changes =
                  new ArrayList<>(
                      leader.hypothesis().changesIn(sheet.situation(reading.situation())));
              changes.add(Change.open(part.id()));
              double would = measurements.line(changes, reading).mean();
              return "Were it open, there would be %s %s, not %s."
                  .formatted(
                      Wording.expected(reading.meter(), reading.probe().function(), would),
                      Wording.place(sheet, reading.probe()),
                      Wording.shown(reading));
            });
  }

  private String direct(Part part, Reading reading) {
    Probe probe = reading.probe();
    double sound = measurements.line(List.of(), reading).mean();
    double open = measurements.line(List.of(Change.open(part.id())), reading).mean();
    String ifSound = Wording.expected(reading.meter(), probe.function(), sound);
    String ifOpen = Wording.expected(reading.meter(), probe.function(), open);
    String due =
        ifSound.equals(ifOpen)
            ? "Sound or open, it is %s here.".formatted(ifSound)
            : "A sound one: %s; an open one: %s.".formatted(ifSound, ifOpen);
    String state = sheet.situation(probe.situation()).title();
    return "%s (%s). %s".formatted(Wording.said(sheet, reading), state, due);
  }

  private String cost(Measured m) {
    if (m.ohms().isEmpty()) {
      return "It holds %s of the supply and no current flows."
          .formatted(Dimension.SHARE.format(m.supplyShare()));
    }
    return "At %s that is %s and %s lost in it, %s of the supply."
        .formatted(
            Dimension.AMPERES.format(m.amperes()),
            Dimension.OHMS.format(m.ohms().get()),
            Dimension.WATTS.format(m.watts()),
            Dimension.SHARE.format(m.supplyShare()));
  }

  /** Whether a joint turns far more into heat than a sound one would at this current. */
  private boolean burns(Part part, Measured m) {
    double sound = part.actsAsLink() ? m.amperes() * UnitModel.CONTACT_OHMS : m.volts();
    return m.watts() > BURNS_TWICE * WORN_WATTS && m.volts() > BURNS_TWICE * sound;
  }

  /** Watts decide how bad a joint is. */
  private static Optional<String> wear(Measured m) {
    return m.watts() >= BURNS_WATTS
        ? Optional.of("That burns: renew it together with the wire end.")
        : m.watts() >= WORN_WATTS
            ? Optional.of("Worn: it gets hot and will burn.")
            : Optional.empty();
  }

  private String commandsOf(Part part) {
    return part.madeWhen().commands().stream()
        .map(c -> "\"" + sheet.commands().get(c).title() + "\" holds")
        .reduce((a, b) -> a + " and " + b)
        .orElse("it is commanded");
  }

  private Measured measured(Part part, Reading reading) {
    double volts = ((Shown.Figure) reading.shown()).value();
    Probe clamp = Probe.across(MeterFunction.amperesOf(sheet.supply()), part, reading.situation());
    double amperes = Math.abs(posterior.believed(posterior.believable().get(0), clamp).mean());
    double nominal = Math.abs(measurements.line(List.of(), clamp).mean());
    double source = openVolts(part, reading);
    boolean flows = nominal > FLOWING_AMPERES && amperes > FLOWING_SHARE * nominal;
    return new Measured(
        volts,
        flows ? amperes : 0,
        flows ? Optional.of(volts / amperes) : Optional.empty(),
        flows ? volts * amperes : 0,
        source > 0 ? volts / source : 0);
  }

  /** What the part would hold if it alone were open: the source it stands in. */
  private double openVolts(Part part, Reading reading) {
    List<Change> open = part.actsAsLink() ? List.of(Change.open(part.id())) : List.of();
    return Math.abs(
        measurements
            .line(open, Probe.across(reading.probe().function(), part, reading.situation()))
            .mean());
  }

  private boolean isLiveDrop(Reading reading) {
    return reading.probe().function().dimension() == Dimension.VOLTS
        && reading.shown() instanceof Shown.Figure
        && sheet.situation(reading.situation()).supplyOn();
  }

  private boolean isSmallDrop(Reading reading) {
    return isLiveDrop(reading)
        && Math.abs(((Shown.Figure) reading.shown()).value())
            < SMALL_SHARE * sheet.supply().volts();
  }
}
