package org.jollychain.server.guide;

import java.time.OffsetDateTime;

/**
 * A revision of a guide; it never changes.
 *
 * @param text as it was written, YAML or JSON
 * @param createdBy login of who wrote it; empty for what was shipped
 */
public record GuideRevision(
    String key,
    int revision,
    String title,
    String family,
    String text,
    OffsetDateTime createdAt,
    String createdBy) {}
