package org.jollychain.server.assess;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.sheet.Sheet;
import org.jspecify.annotations.Nullable;

/**
 * A piece of evidence as a case file writes it: a reading has a {@code function} and says where the
 * probes were; an observation has the name of one and a {@code part}.
 *
 * @param value what the meter shows; {@code yes}, {@code weakly} or {@code no} of a load that runs;
 *     what an inspection found
 * @param liftedAt points at which all but the part under test was taken off
 * @param meter one of the known meters, the usual one where left out
 */
public record EvidenceItem(
    @Schema(nullable = true) @Nullable @Size(max = 40) String function,
    @Schema(nullable = true) @Nullable @Size(max = 40) String red,
    @Schema(nullable = true) @Nullable @Size(max = 40) String black,
    @Schema(nullable = true) @Nullable @Size(max = 80) String across,
    @Schema(nullable = true) @Nullable @Size(max = 80) String through,
    @NotBlank @Size(max = 80) String situation,
    @Schema(nullable = true) @Nullable @Size(max = 20) List<@NotBlank String> liftedAt,
    @Schema(nullable = true) @Nullable @Size(max = 40) String meter,
    @Schema(nullable = true) @Nullable @Size(max = 40) String observation,
    @Schema(nullable = true) @Nullable @Size(max = 80) String part,
    @NotBlank @Size(max = 60) String value) {

  private static final String LOAD_RUNS = "load-runs";
  private static final String INSPECTION = "inspection";

  /**
   * @throws EvidenceException when it cannot be evidence of this sheet
   */
  public Evidence on(Sheet sheet, String id) {
    if (observation == null) {
      return entry(id).on(sheet);
    }
    if (observation.equals(INSPECTION)) {
      return Inspection.on(sheet, id, part == null ? "" : part, situation, value);
    }
    if (!observation.equals(LOAD_RUNS)) {
      throw new EvidenceException(
          "observation",
          "\"%s\" is no observation known here; there are %s and %s"
              .formatted(observation, LOAD_RUNS, INSPECTION));
    }
    return Observation.on(sheet, id, part == null ? "" : part, situation, value);
  }

  /** The same with points that were typed in front of the value put where they belong. */
  public EvidenceItem resolved(Sheet sheet) {
    if (observation != null) {
      return this;
    }
    Entry entry = entry("").resolved(sheet);
    return new EvidenceItem(
        function,
        entry.red().orElse(null),
        entry.black().orElse(null),
        entry.across().orElse(null),
        entry.through().orElse(null),
        situation,
        liftedAt,
        meter,
        null,
        null,
        entry.value());
  }

  private Entry entry(String id) {
    return new Entry(
        id,
        function == null ? "" : function,
        Optional.ofNullable(red),
        Optional.ofNullable(black),
        Optional.ofNullable(across),
        Optional.ofNullable(through),
        situation,
        liftedAt == null ? List.of() : liftedAt,
        Optional.ofNullable(meter),
        value);
  }
}
