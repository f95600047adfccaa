package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jollychain.core.plan.Forecast;
import org.jollychain.core.visit.Outcome;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;

/** Jobs as a page has them: each change is answered with the job anew. */
public final class Jobs {

  private final JobService jobs;
  private final EvidenceLog evidence;
  private final JobAssessor assessor;

  Jobs(JobService jobs, EvidenceLog evidence, JobAssessor assessor) {
    this.jobs = jobs;
    this.evidence = evidence;
    this.assessor = assessor;
  }

  /** A job as lists show it. */
  JobSummary listed(UUID id) {
    return IntStream.iterate(0, page -> page + 1)
        .mapToObj(page -> jobs.list(new JobSearch(List.of(), "", page)).jobs())
        .takeWhile(page -> !page.isEmpty())
        .flatMap(List::stream)
        .filter(j -> j.job().id().equals(id))
        .findFirst()
        .orElseThrow();
  }

  JobView view(UUID id) {
    return assessor.view(id);
  }

  List<Forecast> forecast(UUID id) {
    return assessor.forecast(id);
  }

  JobView open(UUID id, NewJob job, OffsetDateTime at) {
    jobs.open(id, job, Stamp.at(at));
    return view(id);
  }

  JobView add(UUID job, UUID id, EvidenceItem item, OffsetDateTime at) {
    evidence.add(job, id, item, Stamp.at(at));
    return view(job);
  }

  JobView strike(UUID job, UUID id, String why, OffsetDateTime at) {
    evidence.strike(job, id, why, Stamp.at(at));
    return view(job);
  }

  JobView importCsv(UUID job, String csv, OffsetDateTime at) {
    evidence.importCsv(job, csv, Stamp.at(at));
    return view(job);
  }

  JobView plan(UUID id, Permit permit, PolicyItem policy, int version) {
    jobs.plan(id, permit, policy, seen(id, version), Stamp.at(OffsetDateTime.now()));
    return view(id);
  }

  /** A version, beside the changes there are. */
  private Seen seen(UUID id, int version) {
    return new Seen(version, view(id).job().changes());
  }

  JobView close(UUID id, String outcome, int version, OffsetDateTime at) {
    jobs.close(id, Outcome.UNSAID, outcome, seen(id, version), List.of(), Stamp.at(at));
    return view(id);
  }

  JobView strikeJob(UUID id, String why, int version, OffsetDateTime at) {
    jobs.strike(id, why, version, Stamp.at(at));
    return view(id);
  }
}
