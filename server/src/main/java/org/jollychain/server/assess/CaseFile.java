package org.jollychain.server.assess;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.jollychain.core.plan.Method;
import org.jollychain.core.plan.Policy;
import org.jollychain.server.meter.ShopMeter;
import org.jollychain.server.policy.PolicyItem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * A case: a sheet, what was read and seen, and the policy.
 *
 * @param sheet the key of a sheet of the library, or a whole sheet as an object or as YAML text
 * @param complaint one of the sheet's complaints
 * @param livePermit whether anyone may measure live; not, where left out
 * @param policy how it is to be done beside that
 * @param title what the case is about, for people
 * @param meters those that its readings name and others may not have
 * @param facts what the unit's plates and paper say of its parts, by their ids, as it is typed:
 *     {@code 8 to 30 ohm}, {@code 4500 W 240 V}, {@code L150-40F}
 * @param expect what should come out, for whoever checks it; the assessment does not look at it
 */
public record CaseFile(
    @Schema(description = "A key of the library, or a whole sheet as an object or as YAML text")
        @NotNull(message = "must be the key of a sheet of the library, or a whole sheet")
        JsonNode sheet,
    @Nullable Method method,
    @Nullable Boolean livePermit,
    @Nullable @Valid PolicyItem policy,
    @Nullable @Size(max = 80) String complaint,
    @Nullable @Size(max = 2000, message = "may hold 2 000 pieces of evidence at most")
        List<@NotNull @Valid Item> evidence,
    @Nullable @Size(max = 200) String title,
    @Nullable @Size(max = 20) List<@NotNull @Valid ShopMeter> meters,
    @Nullable @Size(max = 200) Map<String, String> expect,
    @Nullable @Size(max = 200) Map<String, @NotBlank @Size(max = 200) String> facts) {

  /** For the planner: the method of the case before that of its policy. */
  Policy planned() {
    Policy told =
        (policy == null ? PolicyItem.USUAL : policy).policy(Boolean.TRUE.equals(livePermit));
    return method == null ? told : told.by(method);
  }

  /**
   * A piece of evidence with its name in the case.
   *
   * @param id names it in the answer; its place in the list where left out
   */
  public record Item(
      @Nullable @Size(max = 80) String id, @JsonUnwrapped @Valid EvidenceItem item) {}
}
