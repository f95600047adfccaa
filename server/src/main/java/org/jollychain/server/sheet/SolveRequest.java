package org.jollychain.server.sheet;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.WhatIf;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * What to solve.
 *
 * @param sheet the key of a sheet of the library, or a whole sheet as an object or as YAML text
 * @param lifted parts with one wire off
 * @param meter one of the known meters
 * @param supplyVolts of the supply where it is not nominal (V)
 */
public record SolveRequest(
    @Schema(description = "A key of the library, or a whole sheet as an object or as YAML text")
        @NotNull
        JsonNode sheet,
    @NotBlank @Size(max = 80) String situation,
    @Nullable @Size(max = 20) List<@NotNull @Valid Fault> faults,
    @Nullable @Size(max = 40) List<@NotBlank String> lifted,
    @Nullable @Size(max = 40) String meter,
    @Nullable @DecimalMin("0") @DecimalMax("1000") Double supplyVolts,
    @Nullable @Size(max = 400) List<@NotNull @Valid ProbeRequest> probes) {

  /**
   * A fault to suppose.
   *
   * @param mode a fault mode
   * @param ohms in series where it drops, to the case where it leaks (ohm)
   * @param position of a leak along the part, 0 to 1
   * @param factor of a load that is off its value
   */
  public record Fault(
      @NotBlank @Size(max = 80) String part,
      @NotBlank @Size(max = 40) String mode,
      @Nullable @DecimalMin("0.001") @DecimalMax("1e8") Double ohms,
      @Nullable @DecimalMin("0") @DecimalMax("1") Double position,
      @Nullable @DecimalMin("0.01") @DecimalMax("100") Double factor) {}

  /** A measurement: {@code red} and {@code black}, or {@code across} or {@code through} a part. */
  public record ProbeRequest(
      @NotBlank @Size(max = 40) String function,
      @Nullable @Size(max = 40) String red,
      @Nullable @Size(max = 40) String black,
      @Nullable @Size(max = 80) String across,
      @Nullable @Size(max = 80) String through,
      @Nullable @Size(max = 20) List<@NotBlank String> liftedAt) {}

  List<WhatIf.Supposed> supposed(Sheet sheet) {
    return orNone(faults).stream()
        .map(
            f ->
                new WhatIf.Supposed(
                    part(sheet, "faults", f.part()),
                    mode(f.mode()),
                    Optional.ofNullable(f.ohms()),
                    Optional.ofNullable(f.position()),
                    Optional.ofNullable(f.factor())))
        .toList();
  }

  List<String> liftedParts(Sheet sheet) {
    return orNone(lifted).stream().map(id -> part(sheet, "lifted", id)).toList();
  }

  Meter chosenMeter(Meters meters) {
    return Entry.meter(Optional.ofNullable(meter), meters);
  }

  List<Probe> chosenProbes(Sheet sheet) {
    return orNone(probes).stream().map(p -> probe(sheet, p)).toList();
  }

  private Probe probe(Sheet sheet, ProbeRequest p) {
    return new Entry(
            "",
            p.function(),
            Optional.ofNullable(p.red()),
            Optional.ofNullable(p.black()),
            Optional.ofNullable(p.across()),
            Optional.ofNullable(p.through()),
            situation,
            Entry.How.lifted(orNone(p.liftedAt())),
            "")
        .probe(sheet);
  }

  private static FaultMode mode(String mode) {
    return Kebab.read(FaultMode.class, mode)
        .orElseThrow(
            () ->
                new EvidenceException(
                    "faults",
                    "\"%s\" is no way to fail; there are %s"
                        .formatted(mode, List.of(FaultMode.values()))));
  }

  private static String part(Sheet sheet, String field, String id) {
    if (!sheet.parts().containsKey(id)) {
      throw new EvidenceException(
          field,
          "there is no part \"%s\" on this sheet%s"
              .formatted(id, Nearest.suggestion(id, sheet.parts().keySet())));
    }
    return id;
  }

  private static <T> List<T> orNone(@Nullable List<T> list) {
    return list == null ? List.of() : list;
  }
}
