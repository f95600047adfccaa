package org.jollychain.core.inference;

import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;

/** The model of each kind of evidence, for one sheet. */
final class EvidenceModels implements Evidence.Kinds<EvidenceModel<?>> {

  private final MeasurementModel measurements;
  private final ObservationModel observations;
  private final CodeModel codes;

  EvidenceModels(MeasurementModel measurements) {
    this.measurements = measurements;
    this.observations = new ObservationModel(measurements.unit());
    this.codes = new CodeModel(measurements.unit());
  }

  @Override
  public EvidenceModel<?> reading(Reading reading) {
    return new ReadingModel(measurements, reading);
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
}
