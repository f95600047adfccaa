package org.jollychain.server.bench;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jollychain.core.partcheck.CheckResult;

/**
 * A result of the bench that was kept.
 *
 * @param typed as a visit tells it: {@code watts=4500; volts=240}
 * @param note what part it was, in somebody's words
 */
public record KeptResult(
    UUID id,
    String checkKey,
    String typed,
    String note,
    CheckResult.Grade grade,
    String verdict,
    OffsetDateTime keptAt) {}
