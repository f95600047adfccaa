package org.jollychain.core.inference;

import java.util.Map;
import java.util.Optional;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Inspection.Finding;
import org.jollychain.core.fault.FaultMode;

/**
 * How often a part in some state shows a finding. Every figure is common practice, no source.
 *
 * @param onSound share of sound parts on which it is found all the same
 * @param byMode share of parts at fault so
 */
public record InspectionModel(double onSound, Map<FaultMode, Double> byMode) {

  private static final Map<Finding, InspectionModel> TABLE =
      Map.of(
          Finding.BURNT,
          new InspectionModel(0.02, Map.of(FaultMode.OPEN, 0.25, FaultMode.DROPPING, 0.6)),
          Finding.BROKEN,
          new InspectionModel(0.005, Map.of(FaultMode.OPEN, 0.3, FaultMode.CASE_LEAK, 0.1)),
          Finding.JAMMED,
          new InspectionModel(
              0.01, Map.of(FaultMode.OPEN, 0.1, FaultMode.STUCK, 0.3, FaultMode.NOT_MADE, 0.3)),
          Finding.NO_CLICK,
          new InspectionModel(
              0.05, Map.of(FaultMode.OPEN, 0.4, FaultMode.STUCK, 0.5, FaultMode.NOT_MADE, 0.2)),
          Finding.RESET_OUT,
          new InspectionModel(0.005, Map.of(FaultMode.TRIPPED, 0.95, FaultMode.OPEN, 0.05)),
          Finding.RESET_PRESSED,
          new InspectionModel(1, Map.of()),
          Finding.LOOKS_SOUND,
          new InspectionModel(
              0.9, Map.of(FaultMode.OPEN, 0.55, FaultMode.DROPPING, 0.4, FaultMode.STUCK, 0.6)));

  static EvidenceModel<Double> of(Inspection seen) {
    return (EvidenceModel.OfSight)
        (hypothesis, index) -> probability(seen.finding(), hypothesis.modeOf(seen.part()));
  }

  /** The probability of a finding on a part that is at fault so, or not at all. */
  public static double probability(Finding finding, Optional<FaultMode> mode) {
    InspectionModel row = TABLE.get(finding);
    return mode.map(m -> row.byMode.getOrDefault(m, row.onSound)).orElse(row.onSound);
  }
}
