package org.jollychain.core.inference;

import java.util.EnumMap;
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
      Map.ofEntries(
          found(Finding.BURNT, 0.02, Map.of(FaultMode.OPEN, 0.25, FaultMode.DROPPING, 0.6)),
          found(Finding.BROKEN, 0.005, Map.of(FaultMode.OPEN, 0.3, FaultMode.CASE_LEAK, 0.1)),
          found(
              Finding.JAMMED,
              0.01,
              Map.of(FaultMode.OPEN, 0.1, FaultMode.STUCK, 0.3, FaultMode.NOT_MADE, 0.3)),
          found(
              Finding.NO_CLICK,
              0.05,
              Map.of(FaultMode.OPEN, 0.4, FaultMode.STUCK, 0.5, FaultMode.NOT_MADE, 0.2)),
          found(Finding.RESET_OUT, 0.005, Map.of(FaultMode.TRIPPED, 0.95, FaultMode.OPEN, 0.05)),
          found(Finding.RESET_PRESSED, 1, Map.of()),
          found(Finding.COOLED, 1, Map.of()),
          found(Finding.POWER_CYCLED, 1, Map.of()),
          found(
              Finding.JUMPS_WHEN_MOVED,
              0.001,
              Map.of(FaultMode.INTERMITTENT, 0.7, FaultMode.DROPPING, 0.3)),
          found(
              Finding.LOOKS_SOUND,
              0.9,
              Map.of(FaultMode.OPEN, 0.55, FaultMode.DROPPING, 0.4, FaultMode.STUCK, 0.6)),
          found(Finding.BENCH_FAILED, 0.003, ownTest(0.9)),
          found(Finding.BENCH_PASSED, 0.97, ownTest(0.05)));

  /**
   * The same for every mode, but for what the bench may not see, and what is no fault of its own.
   */
  private static Map<FaultMode, Double> ownTest(double share) {
    Map<FaultMode, Double> rows = new EnumMap<>(FaultMode.class);
    for (FaultMode mode : FaultMode.values()) {
      rows.put(mode, share);
    }
    rows.put(FaultMode.INTERMITTENT, 0.5);
    rows.put(FaultMode.TRIPPED, 0.5);
    rows.remove(FaultMode.NOT_MADE);
    return rows;
  }

  private static Map.Entry<Finding, InspectionModel> found(
      Finding finding, double onSound, Map<FaultMode, Double> byMode) {
    return Map.entry(finding, new InspectionModel(onSound, byMode));
  }

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
