package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.visit.Progress;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.policy.PolicyItem;
import org.jspecify.annotations.Nullable;

/**
 * A job with its evidence and what follows from it.
 *
 * @param progress how far every step of the visit is
 */
public record JobView(
    Job job,
    String sheetTitle,
    String complaintTitle,
    List<Entry> evidence,
    PolicyItem policy,
    Assessment assessment,
    Plan plan,
    List<Progress> progress) {

  /**
   * A piece of evidence of the job.
   *
   * @param number from 1 in the order it came
   */
  public record Entry(
      UUID id,
      int number,
      EvidenceItem item,
      OffsetDateTime takenAt,
      @Nullable OffsetDateTime struckAt,
      String struckWhy) {}
}
