package org.jollychain.server.sheet;

import java.time.OffsetDateTime;

/** A sheet in a list: its newest revision. */
public record SheetSummary(
    String key, int revision, String title, String family, OffsetDateTime createdAt) {}
