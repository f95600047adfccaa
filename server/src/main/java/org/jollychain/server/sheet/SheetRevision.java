package org.jollychain.server.sheet;

import java.time.OffsetDateTime;

/**
 * A revision of a circuit sheet; it never changes.
 *
 * @param text as it was written, YAML or JSON
 */
public record SheetRevision(
    String key, int revision, String title, String family, String text, OffsetDateTime createdAt) {}
