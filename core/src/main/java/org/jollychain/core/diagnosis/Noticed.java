package org.jollychain.core.diagnosis;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * A part that is off its value and does not explain the complaint: it is noted, taken as it is, and
 * the search goes on. One that is open or short has failed, whatever it explains.
 */
final class Noticed {

  /** Further off than so many times, it has failed. */
  private static final double FAILED = 5;

  private final MeasurementModel measurements;
  private final Sheet sheet;
  private final Posterior posterior;
  private final List<Complaint> told;

  Noticed(MeasurementModel measurements, Posterior posterior, List<Complaint> told) {
    this.measurements = measurements;
    this.sheet = measurements.unit().sheet();
    this.posterior = posterior;
    this.told = told;
  }

  /** The part, where what leads is one. */
  Optional<String> part() {
    return told.isEmpty()
        ? Optional.empty()
        : posterior
            .leader()
            .hypothesis()
            .ofParts()
            .filter(this::mildlyOff)
            .filter(f -> blamed(f) > Thresholds.USUAL.blamed())
            .filter(f -> own(f.part()).isPresent())
            .filter(f -> told.stream().noneMatch(c -> explains(c, f)) && !shownByCode(f.part()))
            .map(Fault.OfPart::part)
            .findFirst();
  }

  private double blamed(Fault.OfPart fault) {
    return posterior.probability(h -> h.modeOf(fault.part()).isPresent());
  }

  private boolean mildlyOff(Fault.OfPart fault) {
    boolean off =
        fault.mode() == FaultMode.OFF_VALUE_HIGH || fault.mode() == FaultMode.OFF_VALUE_LOW;
    return off
        && fault.changes().stream()
            .allMatch(
                c ->
                    c instanceof Change.InBranch b
                        && b.factor() > 1 / FAILED
                        && b.factor() < FAILED
                        && b.addedOhms() == 0);
  }

  /** Whether a unit with this fault alone does what the customer sees. */
  private boolean explains(Complaint said, Fault.OfPart fault) {
    return said.suspects().isEmpty()
        ? measurements.unit().shows(said, fault.changesIn(sheet.situation(said.situation())))
        : said.suspects().contains(fault.part());
  }

  /** Whether the unit shows a code that names a part. */
  private boolean shownByCode(String part) {
    return posterior.evidence().stream()
        .filter(CodeShown.class::isInstance)
        .flatMap(e -> ((CodeShown) e).code().stream())
        .anyMatch(code -> sheet.codes().get(code).suspects().contains(part));
  }

  /** The last ohms of a part that are a figure. */
  private Optional<Reading> own(String part) {
    return new OwnReadings(posterior)
        .of(sheet.part(part)).stream()
            .filter(r -> r.probe().function() == MeterFunction.OHMS)
            .filter(r -> r.shown() instanceof Shown.Figure)
            .reduce((earlier, later) -> later);
  }

  /** What a load has instead (ohm); nothing for a sensor: no other reading depends on it. */
  Optional<Double> ohms(String id) {
    return Optional.of(sheet.part(id))
        .filter(Part::actsAsLoad)
        .flatMap(p -> own(id))
        .map(r -> ((Shown.Figure) r.shown()).value());
  }

  PartAssessment said(PartAssessment judged) {
    return judged.also(
        "It does not explain \"%s\": noted, and the search goes on."
            .formatted(told.get(0).title()));
  }

  Flag flag(PartAssessment judged) {
    return new Flag(
        Flag.Kind.NOTICED,
        own(judged.id()).map(r -> List.of(r.id())).orElse(List.of()),
        "Noticed beside it: the %s is off its value. That does not explain \"%s\"; the search goes on."
            .formatted(judged.title(), told.get(0).title()));
  }
}
