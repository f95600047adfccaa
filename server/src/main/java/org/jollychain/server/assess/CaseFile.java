package org.jollychain.server.assess;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.jollychain.core.quantity.Kebab;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * A case: a sheet, what was read and seen, and the policy.
 *
 * @param sheet the key of a sheet of the library, or a whole sheet as an object or as YAML text
 * @param complaint one of the sheet's complaints
 * @param title what the case is about, for people
 * @param expect what should come out, for whoever checks it; the assessment does not look at it
 */
public record CaseFile(
    @Schema(description = "A key of the library, or a whole sheet as an object or as YAML text")
        @NotNull
        JsonNode sheet,
    @Schema(nullable = true) @Nullable Method method,
    @Schema(nullable = true) @Nullable Boolean livePermit,
    @Schema(nullable = true) @Nullable @Size(max = 80) String complaint,
    @Schema(nullable = true)
        @Nullable
        @Size(max = 2000, message = "may hold 2 000 pieces of evidence at most")
        List<@Valid Item> evidence,
    @Schema(nullable = true) @Nullable @Size(max = 200) String title,
    @Schema(nullable = true) @Nullable Map<String, String> expect) {

  /** How the technician wants to measure. */
  public enum Method {
    LIVE_DROPS,
    LIVE_TO_REFERENCE,
    ISOLATED_OHMS,
    MIXED;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * A piece of evidence with its name in the case.
   *
   * @param id names it in the answer; its place in the list where left out
   */
  public record Item(
      @Schema(nullable = true) @Nullable @Size(max = 80) String id,
      @JsonUnwrapped @Valid EvidenceItem item) {}
}
