package org.jollychain.server.platform;

import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How well the data is kept.
 *
 * @param copies how many nightly copies there are
 * @param lastCopy when the last was made; empty where there is none
 * @param freeBytes left on the disk of the copies
 * @param warnings what somebody should see to, in words
 */
record Upkeep(
    int copies, @Nullable OffsetDateTime lastCopy, long freeBytes, List<String> warnings) {}
