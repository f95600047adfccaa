package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.network.Meters;
import org.jollychain.core.plan.DecisionTree;
import org.jollychain.core.plan.Forecast;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.core.visit.FoundByGuide;
import org.jollychain.core.visit.MeterFit;
import org.jollychain.core.visit.OnBench;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.Progress;
import org.jollychain.core.visit.Told;
import org.jollychain.core.visit.Visit;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.assess.AssessService;
import org.jollychain.server.assess.AssessmentPool;
import org.jollychain.server.assess.CaseFile;
import org.jollychain.server.assess.SheetEngine;
import org.jollychain.server.guide.GuideService;
import org.jollychain.server.meter.MeterService;
import org.jollychain.server.meter.OwnedMeter;
import org.jollychain.server.meter.ShopMeter;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.KeptFact;
import org.jollychain.server.unit.UnitFactLog;
import org.jollychain.server.unit.UnitFactsView;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * What follows from a job's evidence: read in one short transaction, then assessed, planned and
 * forecast outside of any.
 */
@Service
public class JobAssessor {

  private static final Logger LOG = LoggerFactory.getLogger(JobAssessor.class);
  private static final int MOST_CAUGHT_UP = 200;

  private final JobMapper jobs;
  private final SheetService sheets;
  private final AssessService assess;
  private final AssessmentPool pool;
  private final MeterService meters;
  private final VisitMapper visits;
  private final GuideService guides;
  private final UnitFactLog facts;
  private final JsonMapper json;
  private final TransactionTemplate reading;

  JobAssessor(
      JobMapper jobs,
      SheetService sheets,
      AssessService assess,
      AssessmentPool pool,
      MeterService meters,
      VisitMapper visits,
      GuideService guides,
      UnitFactLog facts,
      JsonMapper json,
      PlatformTransactionManager transactions) {
    this.jobs = jobs;
    this.sheets = sheets;
    this.assess = assess;
    this.pool = pool;
    this.meters = meters;
    this.visits = visits;
    this.guides = guides;
    this.facts = facts;
    this.json = json;
    this.reading = new TransactionTemplate(transactions);
    reading.setReadOnly(true);
  }

  /**
   * A job as it was read, with the sheet it is done by.
   *
   * @param text of the sheet's revision
   * @param newestRevision of its sheet
   */
  private record JobEvidence(
      Job job,
      String text,
      int newestRevision,
      Optional<Guide> guide,
      List<JobView.Entry> entries,
      List<VisitLine> lines,
      List<VisitLine> earlier,
      List<OwnedMeter> owned,
      Meters meters,
      UnitFactsView print) {

    /** What the job was opened with, or what was told first since. */
    Optional<String> complaint() {
      return Optional.of(job.complaint())
          .filter(c -> !c.isEmpty())
          .or(
              () ->
                  entries.stream()
                      .filter(e -> e.struckAt() == null)
                      .flatMap(e -> e.item().complaint().stream())
                      .findFirst());
    }

    List<Evidence> standing(SheetEngine engine) {
      List<Evidence> standing = new ArrayList<>();
      for (JobView.Entry e : entries) {
        if (e.struckAt() == null) {
          standing.add(e.item().takenAt(e.takenAt()).on(engine.sheet(), meters, e.id().toString()));
        }
      }
      standing.addAll(OnBench.findings(engine.sheet(), told()));
      return standing;
    }

    /** What was opened on the way is open, beside what the policy says is. */
    Policy planned() {
      return job.policy().policy(job.permit().live()).opening(VisitEntry.open(told()));
    }

    /** The complaint, what the unit's plates say, and what the causes that were found harm. */
    Diagnosis.Beginning beginning(Sheet sheet) {
      return new Diagnosis.Beginning(
          complaint(), FoundByGuide.of(guide, told()), UnitFactLog.known(print.facts(), sheet));
    }

    /** What stands of what was told beside the evidence. */
    List<VisitEntry> told() {
      return VisitLine.standing(lines);
    }
  }

  private JobEvidence taken(UUID id) {
    return reading.execute(
        status -> {
          Job job = JobService.found(jobs, id);
          return new JobEvidence(
              job,
              sheets.revision(job.sheetKey(), job.sheetRevision()).text(),
              sheets.newestRevision(job.sheetKey()),
              job.guide().map(g -> guides.guide(g.key(), g.revision())),
              EvidenceLog.entries(jobs.evidence(id)),
              visits.lines(id),
              visits.earlier(id),
              meters.owned(),
              meters.all(),
              facts.of(
                  job.unitTag(), Optional.of(sheets.sheet(job.sheetKey(), job.sheetRevision()))));
        });
  }

  /** What stands of a job, and what is made of it. */
  private record Weighed(SheetEngine engine, List<Evidence> standing, Diagnosis.Opinion opinion) {}

  private <T> T weighed(JobEvidence taken, Function<Weighed, T> work) {
    return pool.run(
        taken.job.id(),
        () -> {
          SheetEngine engine = assess.engine(taken.text);
          List<Evidence> standing = taken.standing(engine);
          Diagnosis.Opinion opinion = engine.opinion(standing, taken.beginning(engine.sheet()));
          return work.apply(new Weighed(engine, standing, opinion));
        });
  }

  /**
   * A job with what follows from its evidence.
   *
   * @throws RefusedException when there is no such job
   */
  public JobView view(UUID id) {
    JobEvidence taken = taken(id);
    JobView view = weighed(taken, weighed -> view(taken, weighed));
    if (!taken.job.leadingIsOfNow()) {
      keep(view);
    }
    return view;
  }

  private static JobView view(JobEvidence taken, Weighed weighed) {
    SheetEngine engine = weighed.engine;
    String complaint =
        weighed.opinion.told().stream().map(Complaint::title).collect(Collectors.joining("; "));
    Assessment assessment = weighed.opinion.assessment();
    Plan plan = engine.plan(weighed.opinion, weighed.standing, taken.planned());
    Visit visit =
        Visit.of(
            taken.guide,
            new Told(
                complaint,
                taken.job.closedAt() != null,
                taken.job.permit().live(),
                taken.told(),
                VisitLine.standing(taken.earlier)),
            weighed.standing,
            weighed.opinion,
            plan);
    return new JobView(
        taken.job,
        engine.sheet().title(),
        taken.newestRevision,
        complaint,
        taken.entries,
        taken.job.policy(),
        assessment,
        plan,
        visit,
        taken.owned.stream()
            .filter(m -> !m.retired())
            .map(m -> MeterFit.of(engine.sheet(), m.id(), m.name(), m.category()))
            .toList(),
        taken.lines,
        taken.print,
        missing(visit, assessment.leading(), taken.entries));
  }

  /**
   * A job that may end so.
   *
   * @throws RefusedException when something is missing for that; it says all that is
   */
  JobView ready(UUID id, Outcome as) {
    JobView view = view(id);
    List<String> missing = view.missing().getOrDefault(as.toString(), List.of());
    if (!missing.isEmpty()) {
      throw RefusedException.unprocessable(
          "It cannot be signed off as %s yet: %s."
              .formatted(as.toString().replace('-', ' '), String.join("; ", missing)));
    }
    return view;
  }

  /** What is still missing, by each way a visit may end. */
  private static Map<String, List<String>> missing(
      Visit visit, Assessment.Leading leading, List<JobView.Entry> entries) {
    boolean struck = entries.stream().anyMatch(e -> e.struckAt() != null);
    Map<String, List<String>> missing = new LinkedHashMap<>();
    for (Outcome as : Outcome.values()) {
      if (as != Outcome.UNSAID) {
        missing.put(as.toString(), as.missing(visit, leading, struck));
      }
    }
    return missing;
  }

  /** For lists. It follows from the evidence, so nothing is lost where it cannot be kept. */
  private void keep(JobView view) {
    Job job = view.job();
    try {
      jobs.keepLeading(
          job.id(),
          job.changes(),
          view.assessment().leading(),
          view.visit().here().map(Progress::title).orElse(""),
          view.visit().next(),
          view.complaintTitle());
    } catch (DataAccessException e) {
      LOG.warn("the leading suspect of job {} was not kept: {}", job.id(), e.getMessage());
    }
  }

  /**
   * Assesses open jobs whose leading suspect lists cannot show: after an upgrade, or a start that
   * followed a crash.
   */
  public void catchUp() {
    for (Job job : jobs.withoutLeading(MOST_CAUGHT_UP)) {
      try {
        view(job.id());
      } catch (RuntimeException e) {
        LOG.warn("job {} was not assessed: {}", job.id(), e.getMessage());
      }
    }
  }

  /** What is left of a job in every order, side by side. */
  public List<Forecast> forecast(UUID id) {
    JobEvidence taken = taken(id);
    return weighed(taken, w -> w.engine.planner().forecast(w.opinion, w.standing, taken.planned()));
  }

  /** The plan of a job as a tree of so many questions. */
  public DecisionTree route(UUID id, int depth) {
    JobEvidence taken = taken(id);
    return weighed(
        taken, w -> w.engine.planner().route(w.opinion, w.standing, taken.planned(), depth));
  }

  /** The same as it is printed. */
  RoutePaper routePaper(UUID id, int depth) {
    JobEvidence taken = taken(id);
    return weighed(
        taken,
        w ->
            RoutePaper.of(
                w.engine.planner().route(w.opinion, w.standing, taken.planned(), depth),
                w.engine.unit(),
                taken.complaint().map(w.engine.sheet().complaints()::get).orElse(null)));
  }

  /**
   * A job as a case that can be assessed anywhere.
   *
   * @throws RefusedException when there is no such job
   */
  public CaseFile caseOf(UUID id) {
    JobEvidence taken = taken(id);
    Job job = taken.job;
    List<CaseFile.Item> items =
        taken.entries.stream()
            .filter(e -> e.struckAt() == null)
            .map(e -> new CaseFile.Item("r" + e.number(), e.item().takenAt(e.takenAt())))
            .toList();
    List<ShopMeter> used =
        meters.owned().stream()
            .filter(m -> items.stream().anyMatch(i -> m.id().equals(i.item().meter())))
            .map(OwnedMeter::figures)
            .toList();
    return new CaseFile(
        json.readTree(SheetReader.json(taken.text)),
        null,
        job.permit().live(),
        job.policy(),
        taken.complaint().orElse(null),
        items,
        job.unitTag() + " " + job.unitTitle(),
        used.isEmpty() ? null : used,
        null,
        taken.print.facts().stream()
            .filter(f -> f.struckAt() == null && f.sheetKey().equals(job.sheetKey()))
            .collect(Collectors.toMap(KeptFact::part, KeptFact::said)));
  }
}
