package org.jollychain.server.job;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.OffsetDateTime;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A job on a unit, on the revision of its sheet that held when it was opened.
 *
 * @param complaint one of the sheet's complaints, empty if none was told
 * @param permit {@code isolated} or {@code live}
 * @param policy how it is to be done, in JSON
 * @param outcome what was found and done, once closed
 */
public record Job(
    UUID id,
    UUID unitId,
    String unitTag,
    String unitTitle,
    String unitModel,
    String unitPlace,
    String sheetKey,
    int sheetRevision,
    String complaint,
    String permit,
    String technician,
    OffsetDateTime openedAt,
    @Schema(nullable = true) @Nullable OffsetDateTime closedAt,
    String outcome,
    @Schema(nullable = true) @Nullable OffsetDateTime struckAt,
    String struckWhy,
    @JsonIgnore String policy,
    int version) {}
