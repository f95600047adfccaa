package org.jollychain.server.job;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jollychain.core.partcheck.Ratings;
import org.jollychain.core.plan.DecisionTree;
import org.jollychain.core.plan.Forecast;
import org.jollychain.core.visit.Outcome;
import org.jollychain.server.assess.CaseFile;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.paper.PdfRenderer;
import org.jollychain.server.paper.Templates;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Every id is made by the client, so every write can be repeated. */
@RestController
@RequestMapping(path = "/api/jobs", produces = MediaType.APPLICATION_JSON_VALUE)
class JobController {

  private final JobService jobs;
  private final EvidenceLog evidence;
  private final VisitLog visits;
  private final SheetMove moves;
  private final JobAssessor assessor;
  private final PdfRenderer paper;
  private final Templates templates;
  private final Stamps stamps;
  private final JobWatch watch;

  JobController(
      JobService jobs,
      EvidenceLog evidence,
      VisitLog visits,
      SheetMove moves,
      JobAssessor assessor,
      PdfRenderer paper,
      Templates templates,
      Stamps stamps,
      JobWatch watch) {
    this.jobs = jobs;
    this.evidence = evidence;
    this.visits = visits;
    this.moves = moves;
    this.assessor = assessor;
    this.paper = paper;
    this.templates = templates;
    this.stamps = stamps;
    this.watch = watch;
  }

  /**
   * A page of jobs; how many there are on all pages is in {@code X-Total-Count}.
   *
   * @param words each has to begin a word of the job or of its unit
   * @param page from 1
   */
  @GetMapping
  ResponseEntity<List<JobSummary>> list(
      @RequestParam(defaultValue = "") String words,
      @RequestParam(defaultValue = "") String technician,
      @RequestParam(defaultValue = "1") int page) {
    JobService.Page found = jobs.list(JobSearch.of(words, technician, page));
    return ResponseEntity.ok()
        .header("X-Total-Count", String.valueOf(found.total()))
        .body(found.jobs());
  }

  /** Who worked on any. */
  @GetMapping("/technicians")
  List<String> technicians() {
    return jobs.technicians();
  }

  @GetMapping("/{id}")
  JobView one(@PathVariable UUID id) {
    return assessor.view(id);
  }

  /** A job as a case: its sheet whole, and all evidence that stands. */
  @GetMapping(
      path = "/{id}/case",
      produces = {MediaType.APPLICATION_YAML_VALUE, MediaType.APPLICATION_JSON_VALUE})
  CaseFile caseOf(@PathVariable UUID id) {
    return assessor.caseOf(id);
  }

  @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView open(@PathVariable UUID id, @RequestBody @Valid NewJob job) {
    jobs.open(id, job, stamps.now());
    return assessor.view(id);
  }

  /** Adds a reading or an observation and answers with the new assessment. */
  @PutMapping(path = "/{id}/evidence/{evidenceId}", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView add(
      @PathVariable UUID id, @PathVariable UUID evidenceId, @RequestBody @Valid EvidenceItem item) {
    evidence.add(id, evidenceId, item, stamps.now());
    return assessor.view(id);
  }

  /** Probes and minutes to the end, for this plan and for the orders of the schools. */
  @GetMapping("/{id}/forecast")
  List<Forecast> forecast(@PathVariable UUID id) {
    return assessor.forecast(id);
  }

  /** The plan as a tree, for work away from the screen. */
  @GetMapping("/{id}/route")
  DecisionTree route(@PathVariable UUID id, @RequestParam(defaultValue = "6") int depth) {
    return assessor.route(id, depth);
  }

  @GetMapping(path = "/{id}/route.txt", produces = "text/plain;charset=UTF-8")
  String routeText(@PathVariable UUID id, @RequestParam(defaultValue = "6") int depth) {
    return assessor.view(id).job().unitTag() + "\n\n" + assessor.route(id, depth).text();
  }

  @GetMapping(path = "/{id}/route.svg", produces = "image/svg+xml;charset=UTF-8")
  String routeSvg(@PathVariable UUID id, @RequestParam(defaultValue = "6") int depth) {
    return templates.filled(
        "route-card.svg",
        Map.of(
            "heading",
            assessor.view(id).job().unitTag(),
            "drawing",
            RouteDrawing.of(assessor.route(id, depth))));
  }

  @GetMapping(path = "/{id}/route.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  byte[] routePdf(@PathVariable UUID id, @RequestParam(defaultValue = "6") int depth) {
    return paper.pdf(
        "route-card.xhtml",
        Map.of("view", assessor.view(id), "paper", assessor.routePaper(id, depth)),
        "");
  }

  /**
   * What the job is marked by, at once and again whenever it is another, until whoever listens
   * signs out.
   */
  @GetMapping(path = "/{id}/changes", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter changes(@PathVariable UUID id, HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    return watch.watch(id, session == null ? "" : session.getId());
  }

  /** The bench's checks for a part of the unit, with its ratings filled in. */
  @GetMapping("/{id}/bench/{part}")
  List<Ratings> bench(@PathVariable UUID id, @PathVariable String part) {
    return jobs.bench(id, part);
  }

  /** What is left with the customer. */
  @GetMapping(path = "/{id}/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  byte[] sheetPdf(@PathVariable UUID id) {
    JobSheet sheet = JobSheet.of(assessor.view(id));
    return paper.pdf("job-sheet.xhtml", sheet.printed(), sheet.rules());
  }

  /** The same as a page, styled by the file beside it: a page holds no style of its own. */
  @GetMapping(path = "/{id}/sheet.html", produces = "text/html;charset=UTF-8")
  String sheetHtml(@PathVariable UUID id) {
    return paper.page("job-sheet.xhtml", JobSheet.of(assessor.view(id)).printed());
  }

  @GetMapping(path = "/{id}/sheet.css", produces = "text/css;charset=UTF-8")
  String sheetCss(@PathVariable UUID id) {
    return paper.style(JobSheet.of(assessor.view(id)).rules());
  }

  /** When somebody comes back: follow-up and prevention. */
  @GetMapping(path = "/{id}/appointments.ics", produces = "text/calendar;charset=UTF-8")
  String appointments(@PathVariable UUID id) {
    return Appointments.of(assessor.view(id));
  }

  /** The evidence as comma-separated values. */
  @GetMapping(path = "/{id}/evidence.csv", produces = "text/csv;charset=UTF-8")
  String csv(@PathVariable UUID id) {
    return evidence.csv(id);
  }

  /** Adds the evidence of such a table, all of it or none. */
  @PostMapping(path = "/{id}/evidence.csv", consumes = "text/csv")
  JobView importCsv(@PathVariable UUID id, @RequestBody(required = false) @Nullable String csv) {
    evidence.importCsv(id, csv == null ? "" : csv, stamps.now());
    return assessor.view(id);
  }

  @PutMapping(
      path = "/{id}/evidence/{evidenceId}/strike",
      consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView strike(
      @PathVariable UUID id,
      @PathVariable UUID evidenceId,
      @RequestBody @Valid Requests.Strike strike) {
    evidence.strike(id, evidenceId, strike.why(), stamps.now());
    return assessor.view(id);
  }

  /** Tells something of the visit beside the evidence. */
  @PutMapping(path = "/{id}/entries/{entryId}", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView tell(
      @PathVariable UUID id, @PathVariable UUID entryId, @RequestBody @Valid Requests.Told told) {
    visits.add(id, entryId, told.entry(), told.changes(), stamps.now());
    return assessor.view(id);
  }

  @PutMapping(path = "/{id}/entries/{entryId}/strike", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView strikeEntry(
      @PathVariable UUID id,
      @PathVariable UUID entryId,
      @RequestBody @Valid Requests.Strike strike) {
    visits.strike(id, entryId, strike.why(), stamps.now());
    return assessor.view(id);
  }

  /** Permit, method, order, what is out of reach and what is skipped. */
  @PutMapping(path = "/{id}/policy", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView plan(@PathVariable UUID id, @RequestBody @Valid Requests.Planning planning) {
    jobs.plan(id, planning.permit(), planning.policy(), planning.seen(), stamps.now());
    return assessor.view(id);
  }

  /** What would no longer fit if the job went on by another revision of its sheet. */
  @GetMapping("/{id}/sheet/{revision}")
  List<SheetMove.Lost> lost(@PathVariable UUID id, @PathVariable int revision) {
    return moves.lost(id, revision);
  }

  /** Goes on by another revision of its sheet; what no longer fits is struck out. */
  @PutMapping(path = "/{id}/sheet", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView move(@PathVariable UUID id, @RequestBody @Valid Requests.Move move) {
    moves.to(id, move.revision(), move.seen(), stamps.now());
    return assessor.view(id);
  }

  @PutMapping(path = "/{id}/close", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView close(@PathVariable UUID id, @RequestBody @Valid Requests.Closing closing) {
    Outcome as = closing.as() == null ? Outcome.UNSAID : closing.as();
    Stamp now = stamps.now();
    if (!jobs.closedAlready(id, as, closing.outcome(), closing.seen(), now)) {
      JobView view = assessor.ready(id, as);
      List<Appointment> left = Appointment.after(view, as, now.at().toLocalDate());
      jobs.close(id, as, closing.outcome(), closing.seen(), left, now);
    }
    return assessor.view(id);
  }

  @PutMapping(path = "/{id}/strike", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView strikeJob(@PathVariable UUID id, @RequestBody @Valid Requests.StrikeJob strike) {
    jobs.strike(id, strike.why(), strike.version(), stamps.now());
    return assessor.view(id);
  }
}
