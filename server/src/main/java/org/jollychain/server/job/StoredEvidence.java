package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jollychain.server.assess.EvidenceItem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/**
 * Evidence as kept; its body is the JSON of a case file's item.
 *
 * @param number from 1 in the order it came
 */
record StoredEvidence(
    UUID id,
    UUID jobId,
    int number,
    String body,
    OffsetDateTime takenAt,
    @Nullable OffsetDateTime struckAt,
    String struckWhy) {

  /** Evidence to be kept. */
  record New(UUID id, int number, String body) {}

  EvidenceItem item(JsonMapper json) {
    return json.readValue(body, EvidenceItem.class);
  }
}
