package org.jollychain.server.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.guide.GuideService;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.UnitFactLog;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is told of a visit beside the evidence: added, struck out, never changed. Each call is one
 * short transaction; what is sent again is added once.
 */
@Service
public class VisitLog {

  private static final int MOST_ENTRIES = 1000;

  private final JobService service;
  private final JobMapper jobs;
  private final VisitMapper visits;
  private final SheetService sheets;
  private final GuideService guides;
  private final UnitFactLog facts;

  VisitLog(
      JobService service,
      JobMapper jobs,
      VisitMapper visits,
      SheetService sheets,
      GuideService guides,
      UnitFactLog facts) {
    this.service = service;
    this.jobs = jobs;
    this.visits = visits;
    this.sheets = sheets;
    this.guides = guides;
    this.facts = facts;
  }

  /**
   * Adds an entry; sent again, it adds none.
   *
   * @param changes of the job as it was seen, where the entry rests on that
   * @throws EvidenceException when it names what is not there, or a protective part was renewed by
   *     another
   * @throws RefusedException when the job is closed or was changed meanwhile, or the id is another
   *     entry's
   */
  @Transactional
  public void add(UUID jobId, UUID id, VisitEntry entry, @Nullable Integer changes, Stamp stamp) {
    Job job = JobService.theirs(jobs, jobId, stamp);
    Sheet example = sheets.sheet(job.sheetKey(), job.sheetRevision());
    List<VisitLine> lines = visits.lines(jobId);
    UnitFacts printed = facts.known(job.unitTag(), example);
    entry.check(printed.on(example), printed, guide(job), VisitLine.standing(lines));
    Optional<VisitLine> known = visits.find(jobId, id);
    if (known.isPresent()) {
      if (!known.get().entry().equals(entry)) {
        throw taken();
      }
      return;
    }
    job.refuseUnlessOpen();
    service.changed(changes == null || changes == job.changes(), jobId);
    if (lines.size() >= MOST_ENTRIES) {
      throw RefusedException.unprocessable(
          "A job holds %d entries at most; close it and open another.".formatted(MOST_ENTRIES));
    }
    if (visits.insert(jobId, id, entry, stamp) == 0) {
      throw taken();
    }
    jobs.evidenceChanged(jobId);
  }

  private static RefusedException taken() {
    return RefusedException.conflict("There is another entry with this id; make a new id.");
  }

  private Optional<Guide> guide(Job job) {
    return job.guide().map(g -> guides.guide(g.key(), g.revision()));
  }

  /**
   * Strikes an entry out; it stays visible.
   *
   * @throws RefusedException when it is not of this job, was struck out for another reason, or the
   *     job is closed
   */
  @Transactional
  public void strike(UUID jobId, UUID id, String why, Stamp stamp) {
    Job job = JobService.theirs(jobs, jobId, stamp);
    VisitLine line =
        visits
            .find(jobId, id)
            .orElseThrow(() -> RefusedException.notFound("There is no such entry in this job."));
    if (line.struckAt() != null) {
      if (!line.struckWhy().equals(why.strip())) {
        throw RefusedException.conflict("It is struck out already: %s".formatted(line.struckWhy()));
      }
      return;
    }
    job.refuseUnlessOpen();
    visits.strike(id, why.strip(), stamp);
    jobs.evidenceChanged(jobId);
  }
}
