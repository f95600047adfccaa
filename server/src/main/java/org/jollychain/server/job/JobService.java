package org.jollychain.server.job;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.network.Meters;
import org.jollychain.core.plan.Forecast;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.plan.RouteCard;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.server.assess.AssessService;
import org.jollychain.server.assess.CaseFile;
import org.jollychain.server.assess.Engine;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.meter.MeterService;
import org.jollychain.server.meter.OwnedMeter;
import org.jollychain.server.meter.ShopMeter;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.policy.PolicyItem;
import org.jollychain.server.policy.PolicyService;
import org.jollychain.server.sheet.SheetRevision;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.Unit;
import org.jollychain.server.unit.UnitService;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps jobs and their evidence, and weighs it anew at every look: nothing derived is stored. */
@Service
public class JobService {

  private static final int MOST_LISTED = 200;
  private static final int MOST_EVIDENCE = 2000;

  private final JobMapper jobs;
  private final UnitService units;
  private final SheetService sheets;
  private final AssessService assess;
  private final MeterService meters;
  private final PolicyService policies;
  private final JsonMapper json;

  JobService(
      JobMapper jobs,
      UnitService units,
      SheetService sheets,
      AssessService assess,
      MeterService meters,
      PolicyService policies,
      JsonMapper json) {
    this.jobs = jobs;
    this.units = units;
    this.sheets = sheets;
    this.assess = assess;
    this.meters = meters;
    this.policies = policies;
    this.json = json;
  }

  @Transactional(readOnly = true)
  public List<JobSummary> recent() {
    List<JobSummary> summaries = new ArrayList<>();
    for (Job job : jobs.recent(MOST_LISTED)) {
      Taken taken = taken(job);
      Leading leading = job.closedAt() == null ? taken.opinion().assessment().leading() : null;
      summaries.add(new JobSummary(job, taken.complaintTitle(), taken.standing().size(), leading));
    }
    return summaries;
  }

  /**
   * @throws RefusedException when there is no such job
   */
  @Transactional(readOnly = true)
  public JobView view(UUID id) {
    return view(found(jobs.find(id), id));
  }

  /**
   * Opens a job; sent again, it opens none.
   *
   * @param at when it is opened
   * @throws RefusedException when the sheet is unknown or the id is another job's
   */
  @Transactional
  public JobView open(UUID id, NewJob wanted, OffsetDateTime at) {
    SheetRevision sheet = sheets.newest(wanted.sheet());
    String complaint = or(wanted.complaint(), "");
    Sheet circuit = assess.engine(sheet.text()).sheet();
    if (!complaint.isEmpty() && !circuit.complaints().containsKey(complaint)) {
      throw new EvidenceException(
          "complaint",
          "there is no complaint \"%s\" on this sheet; there are %s"
              .formatted(complaint, String.join(", ", circuit.complaints().keySet())));
    }
    Unit unit =
        units.withTag(
            wanted.tag(),
            or(wanted.unitTitle(), ""),
            or(wanted.unitModel(), ""),
            or(wanted.unitPlace(), ""));
    Job job =
        new Job(
            id,
            unit.id(),
            unit.tag(),
            unit.title(),
            unit.model(),
            unit.place(),
            sheet.key(),
            sheet.revision(),
            complaint,
            wanted.permit(),
            or(wanted.technician(), ""),
            at,
            null,
            "",
            null,
            "",
            json.writeValueAsString(policies.shop().policy()),
            1);
    jobs.insertIfNew(job);
    Job kept = found(jobs.find(id), id);
    boolean same =
        kept.unitId().equals(unit.id())
            && kept.sheetKey().equals(sheet.key())
            && kept.complaint().equals(complaint);
    if (!same) {
      throw RefusedException.conflict("There is another job with this id; make a new id.");
    }
    return view(kept);
  }

  /**
   * Adds a piece of evidence; sent again, it adds none.
   *
   * @throws EvidenceException when it cannot be evidence of the job's sheet
   * @throws RefusedException when the job is closed, or the id is another piece's
   */
  @Transactional
  public JobView add(UUID jobId, UUID id, EvidenceItem typed, OffsetDateTime at) {
    Job job = found(jobs.findForEvidence(jobId), jobId);
    Sheet sheet = engine(job).sheet();
    EvidenceItem item = typed.resolved(sheet);
    item.on(sheet, meters.all(), id.toString());
    Optional<StoredEvidence> known = jobs.findEvidence(id);
    if (known.isPresent()) {
      if (!known.get().jobId().equals(jobId) || !read(known.get()).equals(item)) {
        throw RefusedException.conflict("There is other evidence with this id; make a new id.");
      }
      return view(job);
    }
    refuseUnlessOpen(job);
    if (jobs.countEvidence(jobId) >= MOST_EVIDENCE) {
      throw RefusedException.unprocessable(
          "A job holds %d pieces of evidence at most; close it and open another."
              .formatted(MOST_EVIDENCE));
    }
    jobs.insertEvidenceIfNew(id, jobId, json.writeValueAsString(item), at);
    return view(job);
  }

  /**
   * Adds all evidence of a table, or none of it; a line that the job holds already is left out.
   *
   * @throws EvidenceException when a line cannot be evidence of the job's sheet; says which
   */
  @Transactional
  public JobView importCsv(UUID jobId, String csv, OffsetDateTime at) {
    List<EvidenceItem> items = EvidenceCsv.read(csv);
    for (int i = 0; i < items.size(); i++) {
      EvidenceItem item = items.get(i);
      UUID id =
          UUID.nameUUIDFromBytes(
              "%s %d %s".formatted(jobId, i, item).getBytes(StandardCharsets.UTF_8));
      try {
        add(jobId, id, item, at);
      } catch (EvidenceException e) {
        throw new EvidenceException(
            e.field(), "%s: %s".formatted(EvidenceCsv.line(i), e.getMessage()));
      }
    }
    return view(jobId);
  }

  /** What is left of a job in every order, side by side. */
  @Transactional(readOnly = true)
  public List<Forecast> forecast(UUID id) {
    Job job = found(jobs.find(id), id);
    Taken taken = taken(job);
    return taken
        .engine()
        .planner()
        .forecast(taken.opinion(), taken.standing(), taken.complaint(), policy(job));
  }

  /** The plan of a job as a tree of so many questions. */
  @Transactional(readOnly = true)
  public RouteCard route(UUID id, int depth) {
    Job job = found(jobs.find(id), id);
    Taken taken = taken(job);
    return taken.engine().planner().route(taken.opinion(), taken.standing(), policy(job), depth);
  }

  private Policy policy(Job job) {
    return item(job).policy(job.permit().equals("live"));
  }

  private PolicyItem item(Job job) {
    return json.readValue(job.policy(), PolicyItem.class).complete();
  }

  /** A job's evidence as a table, struck pieces with their reason. */
  @Transactional(readOnly = true)
  public String csv(UUID id) {
    return EvidenceCsv.write(taken(found(jobs.find(id), id)).entries());
  }

  /**
   * Strikes a piece of evidence out; it stays visible.
   *
   * @throws RefusedException when it is not of this job, or the job is closed
   */
  @Transactional
  public JobView strike(UUID jobId, UUID id, String why, OffsetDateTime at) {
    Job job = found(jobs.findForEvidence(jobId), jobId);
    StoredEvidence evidence =
        jobs.findEvidence(id)
            .filter(e -> e.jobId().equals(jobId))
            .orElseThrow(() -> RefusedException.notFound("There is no such evidence in this job."));
    if (evidence.struckAt() == null) {
      refuseUnlessOpen(job);
      jobs.strikeEvidence(id, why.strip(), at);
    }
    return view(job);
  }

  /**
   * Says how a job is to be done from now on.
   *
   * @param version of the job as it was seen
   * @throws RefusedException when it is not open, or was changed meanwhile
   */
  @Transactional
  public JobView plan(UUID id, String permit, PolicyItem policy, int version) {
    refuseUnlessOpen(found(jobs.find(id), id));
    changed(jobs.plan(id, version, permit, json.writeValueAsString(policy)));
    return view(id);
  }

  /**
   * Closes a job with what it came to.
   *
   * @param version of the job as it was seen
   * @throws RefusedException when it is not open, or was changed meanwhile
   */
  @Transactional
  public JobView close(UUID id, String outcome, int version, OffsetDateTime at) {
    refuseUnlessOpen(found(jobs.find(id), id));
    changed(jobs.close(id, version, outcome.strip(), at));
    return view(id);
  }

  /**
   * Strikes a whole job out.
   *
   * @param version of the job as it was seen
   * @throws RefusedException when it is struck already, or was changed meanwhile
   */
  @Transactional
  public JobView strikeJob(UUID id, String why, int version, OffsetDateTime at) {
    Job job = found(jobs.find(id), id);
    if (job.struckAt() != null) {
      throw RefusedException.conflict("This job is struck out: %s".formatted(job.struckWhy()));
    }
    changed(jobs.strike(id, version, why.strip(), at));
    return view(id);
  }

  /**
   * A job as a case that can be assessed anywhere.
   *
   * @throws RefusedException when there is no such job
   */
  @Transactional(readOnly = true)
  public CaseFile caseOf(UUID id) {
    Job job = found(jobs.find(id), id);
    List<CaseFile.Item> items =
        taken(job).entries().stream()
            .filter(e -> e.struckAt() == null)
            .map(e -> new CaseFile.Item("r" + e.number(), e.item().takenAt(e.takenAt())))
            .toList();
    List<ShopMeter> used =
        meters.owned().stream()
            .filter(m -> items.stream().anyMatch(i -> m.id().equals(i.item().meter())))
            .map(OwnedMeter::figures)
            .toList();
    String sheet = sheets.revision(job.sheetKey(), job.sheetRevision()).text();
    return new CaseFile(
        json.readTree(SheetReader.json(sheet)),
        null,
        job.permit().equals("live"),
        item(job),
        job.complaint().isEmpty() ? null : job.complaint(),
        items,
        job.unitTag() + " " + job.unitTitle(),
        used.isEmpty() ? null : used,
        null);
  }

  private JobView view(Job job) {
    Taken taken = taken(job);
    Diagnosis.Opinion opinion = taken.opinion();
    return new JobView(
        job,
        taken.engine().sheet().title(),
        taken.complaintTitle(),
        taken.entries(),
        item(job),
        opinion.assessment(),
        taken.engine().planner().plan(opinion, taken.standing(), taken.complaint(), policy(job)));
  }

  /** What a job has taken down, read on the revision of the sheet it was opened with. */
  private record Taken(
      Engine engine,
      Optional<String> complaint,
      List<JobView.Entry> entries,
      List<Evidence> standing) {

    Diagnosis.Opinion opinion() {
      return engine.diagnosis().opinion(standing, complaint);
    }

    String complaintTitle() {
      return complaint.map(engine.sheet().complaints()::get).map(Complaint::title).orElse("");
    }
  }

  private Taken taken(Job job) {
    Engine engine = engine(job);
    List<JobView.Entry> entries = new ArrayList<>();
    List<Evidence> standing = new ArrayList<>();
    Meters known = meters.all();
    for (StoredEvidence stored : jobs.evidence(job.id())) {
      EvidenceItem item = read(stored);
      entries.add(
          new JobView.Entry(
              stored.id(),
              stored.number(),
              item,
              stored.takenAt(),
              stored.struckAt(),
              stored.struckWhy()));
      if (stored.struckAt() == null) {
        standing.add(
            item.takenAt(stored.takenAt()).on(engine.sheet(), known, stored.id().toString()));
      }
    }
    return new Taken(
        engine, Optional.of(job.complaint()).filter(c -> !c.isEmpty()), entries, standing);
  }

  private Engine engine(Job job) {
    return assess.engine(sheets.revision(job.sheetKey(), job.sheetRevision()).text());
  }

  private EvidenceItem read(StoredEvidence stored) {
    return json.readValue(stored.body(), EvidenceItem.class);
  }

  private static Job found(Optional<Job> job, UUID id) {
    return job.orElseThrow(() -> RefusedException.notFound("There is no job %s.".formatted(id)));
  }

  private static void refuseUnlessOpen(Job job) {
    if (job.struckAt() != null) {
      throw RefusedException.conflict(
          "This job is struck out (%s); open a new one.".formatted(job.struckWhy()));
    }
    if (job.closedAt() != null) {
      throw RefusedException.conflict("This job is closed; open a new one for what is read now.");
    }
  }

  private static void changed(int rows) {
    if (rows == 0) {
      throw RefusedException.conflict(
          "The job was changed meanwhile; look at it again and repeat.");
    }
  }

  private static String or(@Nullable String value, String otherwise) {
    return value == null ? otherwise : value;
  }
}
