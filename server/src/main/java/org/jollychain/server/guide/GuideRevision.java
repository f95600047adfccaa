package org.jollychain.server.guide;

import java.time.OffsetDateTime;

/**
 * A revision of a guide; it never changes.
 *
 * @param text as it was written, YAML or JSON
 */
public record GuideRevision(
    String key, int revision, String title, String family, String text, OffsetDateTime createdAt) {}
