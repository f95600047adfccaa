package org.jollychain.server.job;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.Meters;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.meter.MeterService;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.UnitFactLog;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What was read and seen on a job: added, struck out, never changed. Each call is one short
 * transaction that answers with nothing derived. What is sent again is added once.
 */
@Service
public class EvidenceLog {

  private static final int MOST_EVIDENCE = 2000;

  /** The clock of a phone and ours. */
  private static final Duration CLOCKS_DIFFER = Duration.ofMinutes(5);

  private final JobMapper jobs;
  private final SheetService sheets;
  private final MeterService meters;
  private final EvidenceCsv csv;
  private final UnitFactLog facts;

  EvidenceLog(
      JobMapper jobs,
      SheetService sheets,
      MeterService meters,
      EvidenceCsv csv,
      UnitFactLog facts) {
    this.jobs = jobs;
    this.sheets = sheets;
    this.meters = meters;
    this.csv = csv;
    this.facts = facts;
  }

  /**
   * Adds a piece of evidence; sent again, it adds none.
   *
   * @throws EvidenceException when it cannot be evidence of the job's sheet
   * @throws RefusedException when the job is closed, or the id is another piece's
   */
  @Transactional
  public void add(UUID jobId, UUID id, EvidenceItem typed, Stamp stamp) {
    Job job = JobService.theirs(jobs, jobId, stamp);
    EvidenceItem item = checked(job, sheet(job), meters.all(), typed, stamp);
    Optional<StoredEvidence> known = jobs.findEvidence(id);
    if (known.isPresent()) {
      refuseOther(known.get(), jobId, item);
      return;
    }
    job.refuseUnlessOpen();
    bound(jobs.countEvidence(jobId) + 1);
    refuseContradiction(job, jobs.evidence(jobId), List.of(item));
    StoredEvidence.New added = new StoredEvidence.New(id, jobs.lastNumber(jobId) + 1, item);
    if (jobs.insertEvidence(jobId, stamp, List.of(added)) == 0) {
      // another job took the id at the same moment
      refuseOther(jobs.findEvidence(id).orElseThrow(), jobId, item);
      return;
    }
    jobs.evidenceChanged(jobId);
  }

  private void refuseOther(StoredEvidence known, UUID jobId, EvidenceItem item) {
    if (!known.jobId().equals(jobId) || !known.item().equals(item)) {
      throw RefusedException.conflict("There is other evidence with this id; make a new id.");
    }
  }

  /**
   * Adds all evidence of a table, or none of it; a line that the job holds already is left out: by
   * its id, or where it has none by what it says and when.
   *
   * @throws EvidenceException when a line cannot be evidence of the job's sheet; says which
   * @throws RefusedException when the job is closed, or a line's id is another piece's
   */
  @Transactional
  public void importCsv(UUID jobId, String table, Stamp stamp) {
    Job job = JobService.theirs(jobs, jobId, stamp);
    List<EvidenceCsv.Line> lines = csv.read(table);
    job.refuseUnlessOpen();
    Sheet sheet = sheet(job);
    Meters known = meters.all();
    List<StoredEvidence> held = jobs.evidence(jobId);
    TableMerge merge = new TableMerge(jobId, held, id -> jobs.findEvidence(id).isPresent());
    List<StoredEvidence.New> added = new ArrayList<>();
    int number = jobs.lastNumber(jobId);
    for (EvidenceCsv.Line line : lines) {
      EvidenceItem item = checked(job, sheet, known, line, stamp);
      Optional<UUID> id = merge.idIfNew(line, item);
      if (id.isPresent()) {
        added.add(new StoredEvidence.New(id.get(), ++number, item));
      }
    }
    bound(held.size() + added.size());
    refuseContradiction(job, held, added.stream().map(StoredEvidence.New::item).toList());
    if (!added.isEmpty()) {
      if (jobs.insertEvidence(jobId, stamp, added) != added.size()) {
        throw RefusedException.conflict(
            "Another job took one of the ids at the same moment; nothing was added, repeat it.");
      }
      jobs.evidenceChanged(jobId);
    }
  }

  private EvidenceItem checked(
      Job job, Sheet sheet, Meters known, EvidenceCsv.Line line, Stamp stamp) {
    try {
      return checked(job, sheet, known, line.item(), stamp);
    } catch (EvidenceException e) {
      throw new EvidenceException(
          e.field(), "line %d: %s".formatted(line.number(), e.getMessage()));
    }
  }

  private EvidenceItem checked(
      Job job, Sheet sheet, Meters known, EvidenceItem typed, Stamp stamp) {
    EvidenceItem item = typed.resolved(sheet, () -> facts.ofModel(job.unitTag(), sheet));
    Evidence evidence = item.on(sheet, known, "");
    if (item.at() != null && item.at().isAfter(stamp.at().plus(CLOCKS_DIFFER))) {
      throw new EvidenceException(
          "at", "%s is in the future; it is %s now".formatted(item.at(), stamp.at()));
    }
    if (!job.permit().live() && !stamp.may(Role.TECHNICIAN) && takenLive(evidence, sheet)) {
      throw RefusedException.forbidden(
          "This job is worked isolated, and an apprentice takes no live reading. A lead may permit live work on the job, in its plan.");
    }
    return item;
  }

  /** Whether a meter was held to a unit whose supply was on. */
  private static boolean takenLive(Evidence evidence, Sheet sheet) {
    return evidence instanceof Reading reading
        && sheet.situation(reading.situation()).supplyOn()
        && reading.probe().function().touchesLive();
  }

  /** What the customer also sees has to go with what was told before. */
  private void refuseContradiction(Job job, List<StoredEvidence> held, List<EvidenceItem> added) {
    List<String> more = added.stream().flatMap(i -> i.complaint().stream()).toList();
    if (more.isEmpty()) {
      return;
    }
    Map<String, Complaint> known = sheet(job).complaints();
    Stream<String> before =
        held.stream().filter(e -> e.struckAt() == null).flatMap(e -> e.item().complaint().stream());
    ComplaintTold.check(
        sheet(job),
        Stream.of(Stream.of(job.complaint()), before, more.stream())
            .flatMap(all -> all)
            .flatMap(id -> Optional.ofNullable(known.get(id)).stream())
            .toList());
  }

  private static void bound(int pieces) {
    if (pieces > MOST_EVIDENCE) {
      throw RefusedException.unprocessable(
          "A job holds %d pieces of evidence at most; close it and open another."
              .formatted(MOST_EVIDENCE));
    }
  }

  /**
   * Strikes a piece of evidence out; it stays visible.
   *
   * @throws RefusedException when it is not of this job, was struck out for another reason, or the
   *     job is closed
   */
  @Transactional
  public void strike(UUID jobId, UUID id, String why, Stamp stamp) {
    Job job = JobService.theirs(jobs, jobId, stamp);
    StoredEvidence evidence =
        jobs.findEvidence(id)
            .filter(e -> e.jobId().equals(jobId))
            .orElseThrow(() -> RefusedException.notFound("There is no such evidence in this job."));
    if (evidence.struckAt() != null) {
      if (!evidence.struckWhy().equals(why.strip())) {
        throw RefusedException.conflict(
            "It is struck out already: %s".formatted(evidence.struckWhy()));
      }
      return;
    }
    job.refuseUnlessOpen();
    jobs.strikeEvidence(id, why.strip(), stamp);
    jobs.evidenceChanged(jobId);
  }

  /** A job's evidence as a table, struck pieces with their reason. */
  @Transactional(readOnly = true)
  public String csv(UUID jobId) {
    JobService.found(jobs, jobId);
    return csv.write(entries(jobs.evidence(jobId)));
  }

  static List<JobView.Entry> entries(List<StoredEvidence> stored) {
    return stored.stream()
        .map(
            e ->
                new JobView.Entry(
                    e.id(), e.number(), e.item(), e.takenAt(), e.struckAt(), e.struckWhy()))
        .toList();
  }

  private Sheet sheet(Job job) {
    return sheets.sheet(job.sheetKey(), job.sheetRevision());
  }
}
