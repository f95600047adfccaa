package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.network.Meters;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.jollychain.server.guide.GuideService;
import org.jollychain.server.meter.MeterService;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.UnitFactLog;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Takes an open job to another revision of its sheet. What was read and told stays where points and
 * parts keep their names; what no longer fits is struck out, and says why.
 */
@Service
class SheetMove {

  private static final int LONGEST_WHY = 500;

  private final JobMapper jobs;
  private final VisitMapper visits;
  private final SheetService sheets;
  private final GuideService guides;
  private final MeterService meters;
  private final JobService service;
  private final UnitFactLog facts;

  SheetMove(
      JobMapper jobs,
      VisitMapper visits,
      SheetService sheets,
      GuideService guides,
      MeterService meters,
      JobService service,
      UnitFactLog facts) {
    this.jobs = jobs;
    this.visits = visits;
    this.sheets = sheets;
    this.guides = guides;
    this.meters = meters;
    this.service = service;
    this.facts = facts;
  }

  /**
   * What no longer fits on another revision.
   *
   * @param id of the evidence, or of the entry of the visit; the complaint has none
   * @param why in words
   */
  record Lost(Optional<UUID> id, Of of, String why) {}

  /** What is lost. */
  enum Of {
    COMPLAINT,
    EVIDENCE,
    ENTRY;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * What would no longer fit.
   *
   * @throws RefusedException when there is no such job or revision
   */
  @Transactional(readOnly = true)
  public List<Lost> lost(UUID id, int revision) {
    return lost(JobService.found(jobs, id), revision);
  }

  private List<Lost> lost(Job job, int revision) {
    Sheet sheet = sheets.sheet(job.sheetKey(), revision);
    Meters known = meters.all();
    Optional<Guide> guide = job.guide().map(g -> guides.guide(g.key(), g.revision()));
    List<Lost> lost = new ArrayList<>();
    if (!job.complaint().isEmpty() && !sheet.complaints().containsKey(job.complaint())) {
      lost.add(
          new Lost(
              Optional.empty(),
              Of.COMPLAINT,
              "revision %d has no complaint \"%s\"".formatted(revision, job.complaintTitle())));
    }
    for (StoredEvidence e : jobs.evidence(job.id())) {
      if (e.struckAt() == null) {
        why(() -> e.item().on(sheet, known, e.id().toString()))
            .ifPresent(w -> lost.add(new Lost(Optional.of(e.id()), Of.EVIDENCE, w)));
      }
    }
    List<VisitLine> lines = visits.lines(job.id());
    UnitFacts printed = facts.known(job.unitTag(), sheet);
    for (VisitLine line : lines) {
      if (line.struckAt() == null) {
        why(() -> line.entry().check(printed.on(sheet), printed, guide, VisitLine.standing(lines)))
            .ifPresent(w -> lost.add(new Lost(Optional.of(line.id()), Of.ENTRY, w)));
      }
    }
    return lost;
  }

  private static Optional<String> why(Runnable reading) {
    try {
      reading.run();
      return Optional.empty();
    } catch (EvidenceException e) {
      return Optional.of(e.getMessage());
    }
  }

  /**
   * Goes on by another revision; sent again, it changes nothing.
   *
   * @param seen the job as it was seen
   * @throws RefusedException when it is not open, was changed meanwhile, or there is no such
   *     revision
   */
  @Transactional
  public void to(UUID id, int revision, Seen seen, Stamp stamp) {
    Job job = JobService.theirs(jobs, id, stamp);
    if (job.sheetRevision() == revision) {
      return;
    }
    job.refuseUnlessOpen();
    List<Lost> lost = lost(job, revision);
    boolean fits = lost.stream().allMatch(l -> l.of() != Of.COMPLAINT);
    String complaint = fits ? job.complaint() : "";
    String title =
        Optional.ofNullable(sheets.sheet(job.sheetKey(), revision).complaints().get(complaint))
            .map(Complaint::title)
            .orElse("");
    service.changed(jobs.moveTo(id, seen, revision, complaint, title, stamp) == 1, id);
    for (Lost l : lost) {
      String why = "does not fit revision %d: %s".formatted(revision, l.why());
      String said = why.substring(0, Math.min(why.length(), LONGEST_WHY));
      switch (l.of()) {
        case EVIDENCE -> jobs.strikeEvidence(l.id().orElseThrow(), said, stamp);
        case ENTRY -> visits.strike(l.id().orElseThrow(), said, stamp);
        case COMPLAINT -> {}
      }
    }
    jobs.evidenceChanged(id);
  }
}
