package org.jollychain.server.sheet;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/**
 * A revision of a circuit sheet; it never changes.
 *
 * @param text as it was written, YAML or JSON
 * @param shorthand what was typed, where it was typed as shorthand
 * @param createdBy login of who wrote it; empty for what was shipped
 */
public record SheetRevision(
    String key,
    int revision,
    String title,
    String family,
    String text,
    @Nullable String shorthand,
    OffsetDateTime createdAt,
    String createdBy) {}
