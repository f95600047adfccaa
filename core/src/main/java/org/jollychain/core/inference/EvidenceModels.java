package org.jollychain.core.inference;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;

/** The model of each kind of evidence, for one sheet. */
final class EvidenceModels implements Evidence.Kinds<EvidenceModel<?>> {

  private final MeasurementModel measurements;
  private final History history;
  private final List<Inspection> inspections;
  private final ObservationModel observations;
  private final CodeModel codes;
  private final ComplaintModel complaints;

  /**
   * @param all of the evidence: what was reset or restarted before a reading bears on it
   */
  EvidenceModels(MeasurementModel measurements, List<Evidence> all, History history) {
    this.measurements = measurements;
    this.history = history;
    this.inspections =
        all.stream()
            .filter(Inspection.class::isInstance)
            .map(Inspection.class::cast)
            .filter(i -> i.at().isPresent())
            .toList();
    this.observations = new ObservationModel(measurements.unit());
    this.codes = new CodeModel(measurements.unit());
    this.complaints = new ComplaintModel(measurements.unit());
  }

  @Override
  public EvidenceModel<?> reading(Reading reading) {
    Set<String> reset =
        before(reading, Inspection.Finding.RESET_PRESSED)
            .map(Inspection::part)
            .collect(Collectors.toSet());
    boolean restarted = before(reading, Inspection.Finding.POWER_CYCLED).findAny().isPresent();
    return new ReadingModel(measurements, reading, reset, restarted, history);
  }

  private Stream<Inspection> before(Reading reading, Inspection.Finding finding) {
    return inspections.stream()
        .filter(i -> i.finding() == finding)
        .filter(i -> reading.at().filter(at -> at.isAfter(i.at().orElseThrow())).isPresent());
  }

  @Override
  public EvidenceModel<?> observation(Observation observation) {
    return observations.of(observation);
  }

  @Override
  public EvidenceModel<?> inspection(Inspection inspection) {
    return InspectionModel.of(inspection);
  }

  @Override
  public EvidenceModel<?> code(CodeShown code) {
    return codes.of(code);
  }

  @Override
  public EvidenceModel<?> complaint(ComplaintTold complaint) {
    return complaints.of(complaint);
  }
}
