package org.jollychain.study.field;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.random.RandomGenerator;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Code;
import org.jollychain.core.sheet.ContactState;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** A technician at a unit: which readings are taken, in which order, and when to stop. */
final class FieldVisit {

  private static final Instant ARRIVED = Instant.parse("2026-05-04T08:00:00Z");
  private static final double SLIPS = 0.03;

  /** Who reads again presses harder. */
  private static final double SLIPS_AGAIN = 0.005;

  private static final int MOST_READINGS = 12;

  /** A wire that was to come off is still on, so often. */
  private static final double WIRES_LEFT_ON = 0.05;

  private static final double TEMPERATURES_TOLD = 0.5;
  private static final double COLDEST = -5;
  private static final double WARMEST = 45;

  private final UnitModel told;
  private final Sheet sheet;
  private final FieldUnit unit;
  private final boolean asTrade;
  private final FieldMeter meter;
  private final RandomGenerator random;
  private final List<Evidence> taken = new ArrayList<>();
  private final List<Probe> odd = new ArrayList<>();
  private final Set<Probe> seen = new HashSet<>();
  private final Set<Probe> slipped = new HashSet<>();

  /**
   * @param told what a sound unit should show
   * @param asTrade whether temperatures and wires are as they are in the trade
   */
  FieldVisit(UnitModel told, FieldUnit unit, boolean asTrade, RandomGenerator random) {
    this.asTrade = asTrade;
    this.told = told;
    this.sheet = told.sheet();
    this.unit = unit;
    this.meter = new FieldMeter(random);
    this.random = random;
  }

  List<Evidence> taken() {
    return taken;
  }

  /** The probes that showed what a sound unit would not. */
  List<Probe> odd() {
    return odd;
  }

  /** Everything a sheet has to ask, each reading once, what looks strange twice. */
  void readAll(List<Probe> probes) {
    for (Probe probe : probes) {
      if (read(probe)) {
        read(probe);
      }
    }
  }

  /** The few that one takes who looks for what is dead. */
  void readFew(Optional<String> complaint) {
    List<Chain> chains = new ArrayList<>(told.chains().keySet());
    Collections.shuffle(chains, new Random(random.nextLong()));
    List<String> dead =
        complaint.map(c -> sheet.complaints().get(c).notRunning()).orElse(List.of());
    Chain chain =
        chains.stream()
            .filter(c -> dead.contains(c.path().load()))
            .findFirst()
            .orElse(chains.get(0));
    String live = told.chains().get(chain).id();
    switch (random.nextInt(3)) {
      case 0 -> drops(chain, live);
      case 1 -> hopscotch(chain, live);
      default -> isolated(chain);
    }
  }

  private void drops(Chain chain, String live) {
    read(Probe.arriving(sheet, live));
    for (Part part : chain.parts()) {
      boolean strange = !full() && read(Probe.across(volts(), part, live));
      if (strange && part.actsAsLink()) {
        own(part);
        return;
      }
    }
    own(sheet.part(chain.path().load()));
  }

  private void hopscotch(Chain chain, String live) {
    read(Probe.arriving(sheet, live));
    String home = chain.returnPoint();
    for (int i = 0; i < chain.parts().size() && !full(); i++) {
      String point = chain.points().get(i);
      if (read(Probe.between(volts(), point, home, live))) {
        Part before = chain.parts().get(Math.max(0, i - 1));
        read(Probe.across(volts(), before, live));
        own(before);
        return;
      }
    }
    own(sheet.part(chain.path().load()));
  }

  private void isolated(Chain chain) {
    for (Part part : chain.parts()) {
      if (!full() && own(part)) {
        return;
      }
    }
    toCase(sheet.part(chain.path().load()));
  }

  /** A part by itself, its wires off or not; what looks strange is touched again. */
  private boolean own(Part part) {
    Optional<Situation> off =
        sheet.situations().values().stream()
            .filter(s -> !s.supplyOn())
            .filter(s -> part.stateIn(s) != ContactState.OPEN)
            .findFirst();
    if (off.isEmpty() || full()) {
      return false;
    }
    Probe ohms = Probe.across(MeterFunction.OHMS, part, off.get().id());
    Probe probe = Drawn.chance(random, 0.6) ? ohms.lifted(Set.of(part.from(), part.to())) : ohms;
    boolean strange = read(probe);
    if (strange && !full()) {
      read(probe);
    }
    if (part.actsAsLoad() && Drawn.chance(random, 0.7)) {
      toCase(part);
    }
    return strange;
  }

  private void toCase(Part part) {
    String earth = sheet.supply().terminals().get("earth");
    Optional<Situation> off =
        sheet.situations().values().stream().filter(s -> !s.supplyOn()).findFirst();
    if (earth != null && off.isPresent() && !full() && !part.touches(earth)) {
      Probe ohms = Probe.between(MeterFunction.OHMS, part.from(), earth, off.get().id());
      read(Drawn.chance(random, 0.7) ? ohms.lifted(Set.of(part.from(), part.to())) : ohms);
    }
  }

  /** What is found when the plan asks. */
  void answer(Question question, List<FieldFault> wrong) {
    int minute = taken.size();
    String id = "r" + (minute + 1);
    Optional<Instant> at = at(minute);
    taken.add(
        question.as(
            new Question.Kinds<>() {
              @Override
              public Evidence measure(Question.Measure m) {
                return reading(m, minute, shown(m.at()));
              }

              @Override
              public Evidence runs(Question.Runs r) {
                double share = unit.share(r.load(), r.situation());
                Observation.Runs runs =
                    share > 0.6
                        ? Observation.Runs.YES
                        : share > 0.03 ? Observation.Runs.WEAKLY : Observation.Runs.NO;
                return new Observation(id, r.load(), r.situation(), runs, at);
              }

              @Override
              public Evidence look(Question.Look look) {
                boolean bad =
                    wrong.stream()
                        .anyMatch(
                            f ->
                                f.culprit().equals(look.at())
                                    && Set.of("open", "dropping").contains(f.kind()));
                Inspection.Finding finding =
                    bad && Drawn.chance(random, 0.3)
                        ? Inspection.Finding.BURNT
                        : Inspection.Finding.LOOKS_SOUND;
                return new Inspection(id, look.at(), look.situation(), finding, at);
              }

              @Override
              public Evidence check(Question.GuideCheck check) {
                throw new IllegalArgumentException("this study has no guide");
              }

              @Override
              public Evidence plate(Question.Plate plate) {
                throw new IllegalArgumentException("plates are read on arrival");
              }

              @Override
              public Evidence code(Question.Code c) {
                Optional<String> shown =
                    sheet.codes().values().stream()
                        .filter(
                            code ->
                                wrong.stream().anyMatch(f -> code.suspects().contains(f.culprit())))
                        .map(Code::id)
                        .findFirst();
                return new CodeShown(id, shown, c.situation(), at);
              }
            }));
  }

  private static Optional<Instant> at(int minute) {
    return Optional.of(ARRIVED.plus(Duration.ofMinutes(2L * minute)));
  }

  private boolean full() {
    return taken.size() >= MOST_READINGS;
  }

  private MeterFunction volts() {
    return MeterFunction.voltsOf(sheet.supply());
  }

  /** What a probe shows, the hand's slips with it. */
  private String shown(Probe probe) {
    if (Drawn.chance(random, seen.add(probe) ? SLIPS : SLIPS_AGAIN)) {
      slipped.add(probe);
      return slipped(probe);
    }
    slipped.remove(probe);
    return meter.read(unit, probe);
  }

  /** Whether the last reading there was a slip. */
  boolean slippedAt(Probe probe) {
    return slipped.contains(probe);
  }

  /**
   * @return whether it is not what the sheet leads one to expect
   */
  private boolean read(Probe asked) {
    Probe probe = asked;
    Probe written = asked;
    if (asTrade && asked.function() == MeterFunction.OHMS) {
      boolean sensor = asked.part().map(sheet::part).filter(p -> p.curve().isPresent()).isPresent();
      if (sensor && asked.celsius().isEmpty()) {
        probe = asked.at(Math.rint(Drawn.between(random, COLDEST, WARMEST)));
        written = Drawn.chance(random, TEMPERATURES_TOLD) ? probe : asked;
      }
      if (!asked.liftedAt().isEmpty() && Drawn.chance(random, WIRES_LEFT_ON)) {
        probe = probe.lifted(Set.of());
      }
    }
    Evidence reading = reading(new Question.Measure(written), taken.size(), shown(probe));
    taken.add(reading);
    boolean strange = strange(((Reading) reading).shown(), probe);
    if (strange) {
      odd.add(asked);
    }
    return strange;
  }

  /**
   * @param minute since the technician came
   */
  private Evidence reading(Question.Measure asked, int minute, String shown) {
    return Entry.answering(asked, "r" + (minute + 1), at(minute), shown).on(sheet, Meters.USUAL);
  }

  private boolean strange(Shown shown, Probe probe) {
    double due =
        Meter.GENERAL.read(told.in(probe.situation(), probe.conditions(sheet, List.of())), probe);
    boolean ohms = probe.function().needsDeadCircuit();
    if (!(shown instanceof Shown.Figure figure)) {
      return ohms && due < 1e6;
    }
    double slack = ohms ? 0.6 : probe.function().clamps() ? 0.3 : 0.03 * sheet.supply().volts();
    double size = Math.abs(due);
    return Math.abs(Math.abs(figure.value()) - size) > 0.2 * size + slack;
  }

  /** A prefix, no contact, the probe beside the point, wires left on, the wrong function. */
  private String slipped(Probe probe) {
    boolean ohms = probe.function().needsDeadCircuit();
    String shown = meter.read(unit, probe);
    return switch (random.nextInt(4)) {
      case 0 ->
          shown.contains("kΩ")
              ? shown.replace("kΩ", "Ω")
              : shown.contains(" Ω") ? shown.replace("Ω", "kΩ") : none(ohms);
      case 1 -> neighbour(probe).map(p -> meter.read(unit, p)).orElse(shown);
      case 2 -> probe.liftedAt().isEmpty() ? none(ohms) : meter.read(unit, probe.lifted(Set.of()));
      default -> none(ohms);
    };
  }

  private String none(boolean ohms) {
    return ohms ? "OL" : String.format(Locale.ROOT, "%.2f", 0.05 * random.nextDouble());
  }

  private Optional<Probe> neighbour(Probe probe) {
    List<Part> beside =
        sheet.partsAt(probe.black()).stream().filter(p -> !p.touches(probe.red())).toList();
    if (beside.isEmpty() || probe.function().clamps()) {
      return Optional.empty();
    }
    String there = Drawn.one(random, beside).otherEnd(probe.black());
    return Optional.of(
        Probe.between(probe.function(), probe.red(), there, probe.situation())
            .lifted(probe.liftedAt()));
  }
}
