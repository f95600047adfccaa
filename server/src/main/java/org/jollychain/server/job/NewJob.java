package org.jollychain.server.job;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/**
 * A job to be opened.
 *
 * @param tag of a unit that is known, or of a new one
 * @param sheet key of the unit's circuit sheet
 * @param permit whether live work is permitted
 */
public record NewJob(
    @NotBlank @Size(max = 20) String tag,
    @Schema(nullable = true) @Nullable @Size(max = 120) String unitTitle,
    @Schema(nullable = true) @Nullable @Size(max = 120) String unitModel,
    @Schema(nullable = true) @Nullable @Size(max = 120) String unitPlace,
    @NotBlank(message = "must be the key of the unit's circuit sheet") @Size(max = 60) String sheet,
    @Schema(nullable = true) @Nullable @Size(max = 80) String complaint,
    @NotNull @Pattern(regexp = "isolated|live", message = "should be isolated or live")
        String permit,
    @Schema(nullable = true) @Nullable @Size(max = 60) String technician) {}
