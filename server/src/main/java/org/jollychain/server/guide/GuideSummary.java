package org.jollychain.server.guide;

import java.time.OffsetDateTime;

/** A revision of a guide without its text. */
public record GuideSummary(
    String key, int revision, String title, String family, OffsetDateTime createdAt) {}
