package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jollychain.server.assess.EvidenceItem;
import org.jspecify.annotations.Nullable;

/**
 * Evidence as kept.
 *
 * @param number from 1 in the order it came
 */
record StoredEvidence(
    UUID id,
    UUID jobId,
    int number,
    EvidenceItem item,
    OffsetDateTime takenAt,
    @Nullable OffsetDateTime struckAt,
    String struckWhy) {

  /** Evidence to be kept. */
  record New(UUID id, int number, EvidenceItem item) {}
}
