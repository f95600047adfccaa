package org.jollychain.server.demo;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.job.Appointment;
import org.jollychain.server.job.EvidenceLog;
import org.jollychain.server.job.JobAssessor;
import org.jollychain.server.job.JobService;
import org.jollychain.server.job.JobView;
import org.jollychain.server.job.NewJob;
import org.jollychain.server.job.Seen;
import org.jollychain.server.job.VisitLog;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.unit.UnitPlate;
import org.jollychain.server.unit.UnitService;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Fills an empty library with the Tern Skerry Field Station, invented from keel to mast. */
@Component
@ConditionalOnProperty(name = "jolly.demo", havingValue = "true")
@Order(2)
class DemoStation implements ApplicationRunner {

  private static final int MINUTES_BETWEEN_READINGS = 2;

  /** The station: its jobs, each told in minutes before now. */
  record Station(List<StationUnit> units, List<StationJob> jobs) {}

  record StationUnit(String tag, UnitPlate plate) {}

  record StationJob(
      UUID id,
      NewJob job,
      long minutesAgo,
      List<EvidenceItem> evidence,
      @Nullable List<VisitEntry> entries,
      @Nullable Integer struck,
      @Nullable Outcome as,
      @Nullable String outcome) {}

  private final UnitService units;
  private final JobService jobs;
  private final EvidenceLog evidence;
  private final VisitLog visits;
  private final JobAssessor assessor;
  private final JsonMapper json;
  private final Clock clock;
  private final TransactionTemplate transaction;

  DemoStation(
      UnitService units,
      JobService jobs,
      EvidenceLog evidence,
      VisitLog visits,
      JobAssessor assessor,
      JsonMapper json,
      Clock clock,
      PlatformTransactionManager transactions) {
    this.units = units;
    this.jobs = jobs;
    this.evidence = evidence;
    this.visits = visits;
    this.assessor = assessor;
    this.transaction = new TransactionTemplate(transactions);
    this.json = json;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) throws IOException {
    if (!units.all().isEmpty()) {
      return;
    }
    try (InputStream in = DemoStation.class.getResourceAsStream("/demo/station.json")) {
      Station station = json.readValue(in, Station.class);
      transaction.executeWithoutResult(status -> tell(station));
    }
    assessor.catchUp();
  }

  private void tell(Station station) {
    Stamp now = Stamp.at(OffsetDateTime.now(clock));
    station.units().forEach(u -> units.withTag(u.tag(), u.plate(), now));
    station.jobs().forEach(this::tell);
  }

  /** By whoever the story is of; the station itself permits what they did. */
  private static Stamp by(StationJob story, OffsetDateTime at) {
    String name = story.job().technician();
    return new Stamp(at, name == null ? "" : name.toLowerCase(Locale.ROOT), Role.LEAD);
  }

  private void tell(StationJob story) {
    OffsetDateTime at = OffsetDateTime.now(clock).minusMinutes(story.minutesAgo());
    jobs.open(story.id(), story.job(), by(story, at));
    for (int i = 0; i < story.evidence().size(); i++) {
      at = at.plusMinutes(MINUTES_BETWEEN_READINGS);
      UUID id = UUID.nameUUIDFromBytes((story.id() + "/" + i).getBytes(StandardCharsets.UTF_8));
      evidence.add(story.id(), id, story.evidence().get(i), by(story, at));
      if (story.struck() != null && story.struck() == i) {
        evidence.strike(story.id(), id, "probe slipped off the tab", by(story, at.plusMinutes(1)));
      }
    }
    List<VisitEntry> entries = story.entries() == null ? List.of() : story.entries();
    for (VisitEntry entry : entries) {
      at = at.plusMinutes(1);
      visits.add(
          story.id(),
          UUID.nameUUIDFromBytes((story.id() + " " + entry).getBytes(StandardCharsets.UTF_8)),
          entry,
          null,
          by(story, at));
    }
    if (story.outcome() != null) {
      Outcome as = story.as() == null ? Outcome.UNSAID : story.as();
      OffsetDateTime end = at.plusMinutes(5);
      JobView view = assessor.view(story.id());
      List<Appointment> left = Appointment.after(view, as, end.toLocalDate());
      jobs.close(story.id(), as, story.outcome(), Seen.of(view.job()), left, by(story, end));
    }
  }
}
