package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.inference.ReadingLikelihood;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;

/**
 * What is to be minded: readings that mislead or do not fit, two faults, a limit that stays closed.
 */
final class Warnings {

  private static final Thresholds LIMITS = Thresholds.USUAL;

  private static final double GHOST_OHMS = 1e6;
  private static final double GHOST_VOLTS = 5;

  private final UnitModel unit;
  private final Sheet sheet;
  private final Posterior posterior;
  private final Posterior.Entry leader;
  private final Verdicts verdicts;
  private final SlipReason slips;

  Warnings(UnitModel unit, Posterior posterior, Verdicts verdicts) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.posterior = posterior;
    this.leader = posterior.believable().get(0);
    this.verdicts = verdicts;
    this.slips = new SlipReason(unit, leader);
  }

  List<Flag> all(List<PartAssessment> parts) {
    List<Flag> flags = new ArrayList<>();
    readings(flags);
    for (PartAssessment part : parts) {
      if (verdicts.provesNothing(part)) {
        List<String> ids =
            verdicts.own().of(sheet.part(part.id())).stream().map(Reading::id).toList();
        flags.add(
            new Flag(
                Flag.Kind.NO_CURRENT,
                ids,
                "Next to no voltage across the %s proves nothing: nothing is shown to flow through it."
                    .formatted(part.title())));
      }
    }
    for (PartAssessment part : parts) {
      if (sheet.parts().containsKey(part.id())) {
        contradiction(sheet.part(part.id())).ifPresent(flags::add);
      }
    }
    parts.stream().filter(this::staysClosed).map(Warnings::bypass).forEach(flags::add);
    parts.stream()
        .filter(part -> part.verdict() == Verdict.LEAKING)
        .map(this::grounded)
        .forEach(flags::add);
    return flags;
  }

  /** What is to be minded of several readings in the same words is said once. */
  static List<Flag> merged(List<Flag> flags) {
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

  private Optional<Flag> contradiction(Part part) {
    List<Reading> own = verdicts.own().contradicting(part);
    return own.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Flag(
                Flag.Kind.CONTRADICTION,
                own.stream().map(Reading::id).toList(),
                "The readings on the %s contradict each other: it comes and goes, or was badly touched. Read it once more by itself, with the wires moved."
                    .formatted(part.title())));
  }

  /** A link that has to open by heat, and does not. */
  private boolean staysClosed(PartAssessment part) {
    return part.verdict() == Verdict.STUCK
        && sheet.part(part.id()).thermal().isPresent()
        && !sheet.part(part.id()).kind().is(PartKind.Trait.CONTROL);
  }

  private Flag grounded(PartAssessment part) {
    return new Flag(
        Flag.Kind.HAZARD,
        verdicts.own().of(sheet.part(part.id())).stream().map(Reading::id).toList(),
        "The %s leaks to the case, which may be live and trip the supply: keep it locked off until it is renewed."
            .formatted(part.title()));
  }

  private static Flag bypass(PartAssessment part) {
    return new Flag(
        Flag.Kind.BYPASS_SUSPECTED,
        List.of(),
        "The %s stays closed where it must be open: stuck or bypassed. Stop using the unit until it is renewed like for like."
            .formatted(part.title()));
  }

  /** What is to be minded about the readings. */
  private void readings(List<Flag> flags) {
    List<String> misfits = new ArrayList<>();
    for (Evidence e : posterior.evidence()) {
      ReadingLikelihood.Explained how = posterior.explained(leader, e);
      if (e instanceof Reading r) {
        if (how == ReadingLikelihood.Explained.AS_PREFIX) {
          flags.add(
              new Flag(
                  Flag.Kind.SLIP,
                  List.of(e.id()),
                  "%s fits only with another prefix: a thousand times more or less."
                      .formatted(Wording.said(sheet, r))));
        } else if (how == ReadingLikelihood.Explained.AS_SLIP) {
          if (!repeated(r)) {
            misfits.add(e.id());
          }
          Flag reason = slips.of(r);
          // what comes and goes is said of the part, not of one of its readings
          if (reason.kind() != Flag.Kind.SLIP || !contradicts(r)) {
            flags.add(reason);
          }
        } else if (how == ReadingLikelihood.Explained.AS_WIRED && !r.probe().liftedAt().isEmpty()) {
          flags.add(stillOn(r));
        }
        ghost(r).ifPresent(flags::add);
        parallel(r).ifPresent(flags::add);
      }
    }
    boolean offSheet = posterior.leader().hypothesis().kind() == Hypothesis.Kind.NOT_ON_SHEET;
    boolean leak = leader.hypothesis().ofParts().anyMatch(f -> f.mode() == FaultMode.CASE_LEAK);
    if (misfits.size() >= (leak ? LIMITS.misfitsOfLeak() : LIMITS.misfits()) || offSheet) {
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

  private boolean contradicts(Reading r) {
    return r.probe()
        .part()
        .filter(p -> verdicts.own().contradicting(sheet.part(p)).contains(r))
        .isPresent();
  }

  private Flag stillOn(Reading r) {
    return new Flag(
        Flag.Kind.PARALLEL_PATH,
        List.of(r.id()),
        "%s is what the rest of the circuit shows: a wire is likely still on. Take it off and read again."
            .formatted(Wording.said(sheet, r)));
  }

  /** Whether the same was read again, and fits: then the first was a slip of the hand. */
  private boolean repeated(Reading slip) {
    return posterior.evidence().stream()
        .anyMatch(
            e ->
                e instanceof Reading r
                    && r.probe().equals(slip.probe())
                    && posterior.explained(leader, r) == ReadingLikelihood.Explained.AS_READ);
  }

  private Optional<Flag> ghost(Reading r) {
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
    return unit.bridged(part, r.situation())
        ? Optional.of(
            new Flag(
                Flag.Kind.PARALLEL_PATH,
                List.of(r.id()),
                "The %s is bridged by the rest of the circuit: take its own plug or wire off and read again."
                    .formatted(part.title())))
        : Optional.empty();
  }
}
