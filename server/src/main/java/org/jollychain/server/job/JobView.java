package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.visit.MeterFit;
import org.jollychain.core.visit.Visit;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.policy.PolicyItem;
import org.jollychain.server.unit.UnitFactsView;
import org.jspecify.annotations.Nullable;

/**
 * A job with its evidence and what follows from it.
 *
 * @param newestRevision of its sheet; the job may go on by it
 * @param visit what its steps have to offer and how far they are
 * @param meters the shop's, and whether each fits the place
 * @param entries what was told of the visit beside the evidence
 * @param print what the unit's plates, parts and paper say
 * @param missing what is still missing to sign it off, by each way it may end
 */
public record JobView(
    Job job,
    String sheetTitle,
    int newestRevision,
    String complaintTitle,
    List<Entry> evidence,
    PolicyItem policy,
    Assessment assessment,
    Plan plan,
    Visit visit,
    List<MeterFit> meters,
    List<VisitLine> entries,
    UnitFactsView print,
    Map<String, List<String>> missing) {

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
