package org.jollychain.server.job;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jollychain.server.policy.Permit;
import org.jspecify.annotations.Nullable;

/**
 * A job to be opened.
 *
 * @param tag of a unit that is known, or of a new one
 * @param sheet key of the unit's circuit sheet
 * @param complaint one of the sheet's complaints
 * @param customerWords what the customer says, word for word
 * @param permit whether live work is permitted
 * @param technician whose job a lead makes it, by login, or by name where only one has it
 * @param follows a signed off job on the same unit that this one follows
 */
public record NewJob(
    @NotBlank @Size(max = 20) String tag,
    @Nullable @Size(max = 120) String unitTitle,
    @Nullable @Size(max = 120) String unitModel,
    @Nullable @Size(max = 120) String unitPlace,
    @NotBlank(message = "must be the key of the unit's circuit sheet") @Size(max = 60) String sheet,
    @Nullable @Size(max = 80) String complaint,
    @Nullable @Size(max = 300) String customerWords,
    @NotNull Permit permit,
    @Nullable @Size(max = 60) String technician,
    @Nullable UUID follows) {

  /** The same, done by somebody. */
  NewJob by(String name) {
    return new NewJob(
        tag,
        unitTitle,
        unitModel,
        unitPlace,
        sheet,
        complaint,
        customerWords,
        permit,
        name,
        follows);
  }
}
