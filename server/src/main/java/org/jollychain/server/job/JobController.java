package org.jollychain.server.job;

import jakarta.validation.Valid;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.jollychain.server.assess.CaseFile;
import org.jollychain.server.assess.EvidenceItem;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Every id is made by the client, so every write can be repeated. */
@RestController
@RequestMapping(path = "/api/jobs", produces = MediaType.APPLICATION_JSON_VALUE)
class JobController {

  private final JobService jobs;
  private final Clock clock;

  JobController(JobService jobs, Clock clock) {
    this.jobs = jobs;
    this.clock = clock;
  }

  @GetMapping
  List<JobSummary> recent() {
    return jobs.recent();
  }

  @GetMapping("/{id}")
  JobView one(@PathVariable UUID id) {
    return jobs.view(id);
  }

  /** A job as a case: its sheet whole, and all evidence that stands. */
  @GetMapping(
      path = "/{id}/case",
      produces = {MediaType.APPLICATION_YAML_VALUE, MediaType.APPLICATION_JSON_VALUE})
  CaseFile caseOf(@PathVariable UUID id) {
    return jobs.caseOf(id);
  }

  @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView open(@PathVariable UUID id, @RequestBody @Valid NewJob job) {
    return jobs.open(id, job, now());
  }

  /** Adds a reading or an observation and answers with the new assessment. */
  @PutMapping(path = "/{id}/evidence/{evidenceId}", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView add(
      @PathVariable UUID id, @PathVariable UUID evidenceId, @RequestBody @Valid EvidenceItem item) {
    return jobs.add(id, evidenceId, item, now());
  }

  @PutMapping(
      path = "/{id}/evidence/{evidenceId}/strike",
      consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView strike(
      @PathVariable UUID id,
      @PathVariable UUID evidenceId,
      @RequestBody @Valid Requests.Strike strike) {
    return jobs.strike(id, evidenceId, strike.why(), now());
  }

  @PutMapping(path = "/{id}/close", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView close(@PathVariable UUID id, @RequestBody @Valid Requests.Closing closing) {
    return jobs.close(id, closing.outcome(), closing.version(), now());
  }

  @PutMapping(path = "/{id}/strike", consumes = MediaType.APPLICATION_JSON_VALUE)
  JobView strikeJob(@PathVariable UUID id, @RequestBody @Valid Requests.StrikeJob strike) {
    return jobs.strikeJob(id, strike.why(), strike.version(), now());
  }

  private OffsetDateTime now() {
    return OffsetDateTime.now(clock);
  }
}
