package org.jollychain.server.sheet;

import java.time.OffsetDateTime;

/**
 * A sheet in a list: its newest revision.
 *
 * @param sketched whether it was typed as shorthand
 */
public record SheetSummary(
    String key,
    int revision,
    String title,
    String family,
    boolean sketched,
    OffsetDateTime createdAt) {}
