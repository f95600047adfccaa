package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.partcheck.Ratings;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.visit.Outcome;
import org.jollychain.server.account.AuditService;
import org.jollychain.server.account.PeopleService;
import org.jollychain.server.guide.GuideRevision;
import org.jollychain.server.guide.GuideService;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
import org.jollychain.server.policy.PolicyService;
import org.jollychain.server.sheet.SheetRevision;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.unit.Unit;
import org.jollychain.server.unit.UnitFactLog;
import org.jollychain.server.unit.UnitFactsChanged;
import org.jollychain.server.unit.UnitPlate;
import org.jollychain.server.unit.UnitService;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Opens, changes and closes jobs. Every change may be sent again and is then made once; the same
 * sent with something else in it is refused.
 */
@Service
public class JobService {

  /** So many jobs to a page. */
  static final int PAGE = 50;

  private final JobMapper jobs;
  private final AppointmentMapper appointments;
  private final UnitService units;
  private final UnitFactLog facts;
  private final SheetService sheets;
  private final GuideService guides;
  private final PolicyService policies;
  private final PeopleService people;
  private final AuditService audit;

  JobService(
      JobMapper jobs,
      AppointmentMapper appointments,
      UnitService units,
      UnitFactLog facts,
      SheetService sheets,
      GuideService guides,
      PolicyService policies,
      PeopleService people,
      AuditService audit) {
    this.jobs = jobs;
    this.appointments = appointments;
    this.units = units;
    this.facts = facts;
    this.sheets = sheets;
    this.guides = guides;
    this.policies = policies;
    this.people = people;
    this.audit = audit;
  }

  /**
   * What lists show, as it was kept with the jobs; nothing is assessed. Open ones come first, then
   * the latest.
   */
  @Transactional(readOnly = true)
  public Page list(JobSearch search) {
    return new Page(
        jobs.list(search, PAGE, search.page() * PAGE).stream().map(JobService::summary).toList(),
        jobs.count(search));
  }

  /**
   * @param total how many there are on all pages
   */
  public record Page(List<JobSummary> jobs, int total) {}

  /** Who worked on any. */
  List<String> technicians() {
    return jobs.technicians();
  }

  /** All jobs on a unit, the latest first. */
  List<JobSummary> onUnit(UUID unit) {
    return jobs.onUnit(unit).stream().map(JobService::summary).toList();
  }

  private static JobSummary summary(Job job) {
    boolean known = job.closedAt() == null && job.leadingIsOfNow();
    return new JobSummary(
        job,
        job.complaintTitle(),
        job.readings(),
        known ? job.leadingSuspect() : null,
        known ? job.atStep() : "",
        known ? job.nextToDo() : "");
  }

  /**
   * Opens a job; sent again, it opens none.
   *
   * @throws RefusedException when the sheet is not in the library or the id is another job's
   */
  @Transactional
  public void open(UUID id, NewJob typed, Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Opening a job");
    refuseLive(typed.permit(), stamp);
    String mine = people.nameOf(stamp.by()).orElse("");
    String told = or(typed.technician(), "").strip();
    boolean assigns = stamp.may(Role.LEAD) && !told.isEmpty();
    String given = assigns ? ownerOf(told) : "";
    String owner = given.isEmpty() && !mine.isEmpty() ? stamp.by() : given;
    String technician = assigns || mine.isEmpty() ? people.nameOf(given).orElse(told) : mine;
    NewJob wanted = typed.by(technician);
    Optional<Job> known = jobs.find(id);
    if (known.isPresent()) {
      refuseOther(known.get(), wanted);
      return;
    }
    SheetRevision sheet = sheets.inLibrary(wanted.sheet());
    Unit unit =
        units.withTag(
            wanted.tag(),
            new UnitPlate(wanted.unitTitle(), wanted.unitModel(), null, wanted.unitPlace(), null),
            stamp);
    String complaint = or(wanted.complaint(), "");
    refuseToFollow(wanted.follows(), unit);
    Sheet circuit = sheets.sheet(sheet.key(), sheet.revision());
    Optional<GuideRevision> guide = guides.forFamily(circuit.family());
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
            guide.map(GuideRevision::key).orElse(null),
            guide.map(GuideRevision::revision).orElse(null),
            complaint,
            or(wanted.customerWords(), "").strip(),
            wanted.permit(),
            technician,
            owner,
            wanted.permit().live() ? stamp.by() : "",
            wanted.follows(),
            stamp.at(),
            null,
            "",
            Outcome.UNSAID,
            null,
            "",
            policies.shop().policy(),
            1,
            title(circuit, complaint),
            0,
            0,
            null,
            null,
            "",
            "");
    if (jobs.insertIfNew(job, stamp) == 0) {
      refuseOther(found(jobs, id), wanted);
    } else if (wanted.follows() != null) {
      appointments.settleFollowUps(wanted.follows(), "came back", stamp);
    }
  }

  /**
   * The login of whom a lead gives a job to; empty where it is nobody who signs in.
   *
   * @param told a login, or a name
   * @throws RefusedException when several have the name
   */
  private String ownerOf(String told) {
    if (people.nameOf(told).isPresent()) {
      return told;
    }
    List<String> named = people.named(told);
    if (named.size() > 1) {
      throw RefusedException.unprocessable(
          "technician: %d people are called %s; say by the login whose job it is: %s."
              .formatted(named.size(), told, String.join(" or ", named)));
    }
    return named.isEmpty() ? "" : named.get(0);
  }

  /** An apprentice works live only where somebody else permitted it. */
  private static void refuseLive(Permit permit, Stamp stamp) {
    if (permit.live() && !stamp.may(Role.TECHNICIAN)) {
      throw RefusedException.forbidden(
          "An apprentice works isolated. A lead may permit live work on the job, in its plan.");
    }
  }

  private void refuseToFollow(@Nullable UUID earlier, Unit unit) {
    if (earlier == null) {
      return;
    }
    Job job = found(jobs, earlier);
    if (!job.unitId().equals(unit.id())) {
      throw RefusedException.unprocessable(
          "follows: that visit was to %s, not to %s.".formatted(job.unitTag(), unit.tag()));
    }
    if (job.closedAt() == null) {
      throw RefusedException.conflict("follows: that visit is still open; go on with it.");
    }
  }

  /**
   * The bench's checks for a part of a job's unit, with its ratings filled in.
   *
   * @throws RefusedException when there is no such job or part
   */
  List<Ratings> bench(UUID id, String part) {
    Job job = found(jobs, id);
    Sheet example = sheets.sheet(job.sheetKey(), job.sheetRevision());
    Sheet sheet = facts.known(job.unitTag(), example).on(example);
    if (!sheet.parts().containsKey(part)) {
      throw RefusedException.notFound(
          "There is no part \"%s\" on this sheet%s."
              .formatted(part, Nearest.suggestion(part, sheet.parts().keySet())));
    }
    return Ratings.of(sheet.part(part), sheet.supply());
  }

  /** In the transaction that changes what is known of a unit. */
  @EventListener
  void on(UnitFactsChanged changed) {
    jobs.factsChanged(changed.unitId());
  }

  private static String title(Sheet sheet, String complaint) {
    if (complaint.isEmpty()) {
      return "";
    }
    Complaint known = sheet.complaints().get(complaint);
    if (known == null) {
      throw new EvidenceException(
          "complaint",
          "there is no complaint \"%s\" on this sheet; there are %s"
              .formatted(complaint, String.join(", ", sheet.complaints().keySet())));
    }
    return known.title();
  }

  /** The permit may have been changed since it was opened with another. */
  private static void refuseOther(Job kept, NewJob wanted) {
    List<String> other = new ArrayList<>();
    if (!kept.unitTag().equals(UnitService.tag(wanted.tag()))) {
      other.add("unit " + kept.unitTag());
    }
    if (!kept.sheetKey().equals(wanted.sheet())) {
      other.add("sheet " + kept.sheetKey());
    }
    if (!kept.complaint().equals(or(wanted.complaint(), ""))) {
      other.add("complaint " + (kept.complaint().isEmpty() ? "none" : kept.complaint()));
    }
    if (kept.version() == 1 && kept.permit() != wanted.permit()) {
      other.add("permit " + kept.permit());
    }
    if (!kept.technician().equals(or(wanted.technician(), ""))) {
      other.add("technician " + (kept.technician().isEmpty() ? "none" : kept.technician()));
    }
    if (!Objects.equals(kept.follows(), wanted.follows())) {
      other.add("another visit before it");
    }
    if (!other.isEmpty()) {
      throw RefusedException.conflict(
          "There is another job with this id (%s); make a new id."
              .formatted(String.join(", ", other)));
    }
  }

  /**
   * Says how a job is to be done from now on.
   *
   * @param seen the job as it was seen
   * @throws RefusedException when it is not open, or was changed meanwhile
   */
  @Transactional
  public void plan(UUID id, Permit permit, PolicyItem policy, Seen seen, Stamp stamp) {
    Job job = found(jobs, id);
    job.refuseUnlessTheirs(stamp);
    job.refuseUnlessOpen();
    if (!job.permit().live()) {
      refuseLive(permit, stamp);
    }
    if (jobs.plan(id, seen, permit, policy, stamp) == 0) {
      Job now = found(jobs, id);
      boolean sentAgain =
          now.version() == seen.version() + 1
              && now.permit() == permit
              && now.policy().equals(policy.complete());
      changed(sentAgain, id);
    }
  }

  /**
   * Whether a job was closed so already. Asked before anything is made of its evidence.
   *
   * @param seen the job as it was seen
   * @throws RefusedException when it is not open, or was changed meanwhile
   */
  boolean closedAlready(UUID id, Outcome as, String outcome, Seen seen, Stamp stamp) {
    Job job = found(jobs, id);
    job.refuseUnlessTheirs(stamp);
    if (job.closedAt() != null && job.closedAs() == as && job.outcome().equals(outcome.strip())) {
      return true;
    }
    job.refuseUnlessOpen();
    changed(seen.equals(Seen.of(job)), id);
    return false;
  }

  /**
   * Closes a job with what it came to.
   *
   * @param as how it ended
   * @param seen the job as it was seen, and as what it came to was made of
   * @param left what is left to be done after it
   * @throws RefusedException when it is not open, or was changed meanwhile
   */
  @Transactional
  public void close(
      UUID id, Outcome as, String outcome, Seen seen, List<Appointment> left, Stamp stamp) {
    if (!closedAlready(id, as, outcome, seen, stamp)) {
      changed(jobs.close(id, seen, as, outcome.strip(), stamp) == 1, id);
      UUID unit = found(jobs, id).unitId();
      left.forEach(a -> appointments.insert(unit, a, stamp));
    }
  }

  /**
   * Strikes a whole job out.
   *
   * @param version of the job as it was seen
   * @throws RefusedException when it is struck already, or was changed meanwhile
   */
  @Transactional
  public void strike(UUID id, String why, int version, Stamp stamp) {
    Job job = found(jobs, id);
    job.refuseUnlessTheirs(stamp);
    if (job.struckAt() != null) {
      if (job.struckWhy().equals(why.strip())) {
        return;
      }
      throw RefusedException.conflict("This job is struck out: %s".formatted(job.struckWhy()));
    }
    changed(jobs.strike(id, version, why.strip(), stamp) == 1, id);
  }

  static Job found(JobMapper jobs, UUID id) {
    return jobs.find(id).orElseThrow(() -> notFound(id));
  }

  /** The same to be written to, held against closing until the transaction ends. */
  static Job theirs(JobMapper jobs, UUID id, Stamp stamp) {
    Job job = jobs.findForEvidence(id).orElseThrow(() -> notFound(id));
    job.refuseUnlessTheirs(stamp);
    return job;
  }

  private static RefusedException notFound(UUID id) {
    return RefusedException.notFound("There is no job %s.".formatted(id));
  }

  /**
   * @throws RefusedException when it is not done; says what another did
   */
  void changed(boolean done, UUID id) {
    if (!done) {
      throw RefusedException.conflict(
          "The job was changed meanwhile%s; look at it again and repeat."
              .formatted(audit.lastChange("job", id.toString())));
    }
  }

  private static String or(@Nullable String value, String otherwise) {
    return value == null ? otherwise : value;
  }
}
