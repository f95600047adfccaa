package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.ServerTest;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.annotation.Transactional;

/** What was done and what is due, looked up again. */
@ServerTest
@AutoConfigureMockMvc
@Transactional
class LogbookTest {

  private static final Stamp NOW = Stamp.at(OffsetDateTime.parse("2026-02-03T04:05:06Z"));

  @Autowired private JobService jobs;
  @Autowired private JobAssessor assessor;
  @Autowired private VisitLog visits;
  @Autowired private UnitHistoryService histories;
  @Autowired private MockMvc http;
  @Autowired private JdbcTemplate sql;

  @BeforeEach
  void with_no_jobs() {
    sql.execute(
        "delete from visit_entry; delete from evidence; delete from appointment; delete from job; delete from unit_fact; delete from unit");
  }

  private UUID open(String tag, String place, String technician, UUID follows) {
    UUID id = UUID.randomUUID();
    jobs.open(
        id,
        new NewJob(
            tag,
            "Linen dryer",
            "D-54",
            place,
            "dryer-timer-240",
            "no-heat",
            null,
            Permit.LIVE,
            technician,
            follows),
        NOW);
    return id;
  }

  private void close(UUID id, Outcome as, String outcome) {
    LocalDate day = NOW.at().toLocalDate();
    JobView view = assessor.view(id);
    jobs.close(id, as, outcome, Seen.of(view.job()), Appointment.after(view, as, day), NOW);
  }

  private List<UUID> found(String words, String technician) {
    return jobs.list(JobSearch.of(words, technician, 1)).jobs().stream()
        .map(j -> j.job().id())
        .toList();
  }

  @Test
  void jobs_are_found_by_the_beginnings_of_their_words_and_of_their_unit() {
    UUID a = open("TST-1", "Harbour shed", "Imke", null);
    UUID b = open("TST-2", "Loft", "Runa", null);
    close(b, Outcome.UNSAID, "Cut-off renewed, duct cleaned");
    assertThat(found("", "")).containsExactly(a, b);
    assertThat(found("harb dry", "")).containsExactly(a);
    assertThat(found("TST-2", "")).containsExactly(b);
    assertThat(found("duct linen", "")).containsExactly(b);
    assertThat(found("linen", "Imke")).containsExactly(a);
    assertThat(found("kiln", "")).isEmpty();
    // what is an operator elsewhere is only a mark here
    assertThat(found("') | !:* & <->", "")).containsExactly(a, b);
  }

  @Test
  void they_come_in_pages_with_their_number() throws Exception {
    for (int i = 0; i < JobService.PAGE + 2; i++) {
      open("TST-" + i, "", "", null);
    }
    assertThat(jobs.list(JobSearch.of("", "", 2)).jobs()).hasSize(2);
    assertThat(jobs.list(JobSearch.of("", "", 2)).total()).isEqualTo(JobService.PAGE + 2);
    assertThat(jobs.list(JobSearch.of("", "", 9)).jobs()).isEmpty();
    http.perform(get("/api/jobs?page=0")).andExpect(status().isUnprocessableContent());
  }

  @Test
  void a_visit_in_which_no_test_failed_is_followed_up_in_a_week_or_by_the_visit_that_follows()
      throws Exception {
    UUID first = open("TST-1", "", "Imke", null);
    assertThatThrownBy(() -> open("TST-1", "", "Imke", first))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("still open");
    close(first, Outcome.NOT_REPRODUCED, "Ran a whole cycle");
    assertThat(histories.of("tst-1").due())
        .singleElement()
        .satisfies(a -> assertThat(a.dueOn()).isEqualTo(LocalDate.parse("2026-02-10")));
    assertThatThrownBy(() -> open("TST-2", "", "Imke", first))
        .hasMessageContaining("that visit was to TST-1");
    UUID second = open("TST-1", "", "Imke", first);
    assertThat(histories.of("TST-1").due()).isEmpty();
    assertThat(assessor.view(second).job().follows()).isEqualTo(first);
  }

  @Test
  void an_appointment_is_settled_once() throws Exception {
    UUID job = open("TST-1", "", "", null);
    close(job, Outcome.NOT_REPRODUCED, "Ran a whole cycle");
    UUID id = histories.of("TST-1").due().get(0).id();
    settle(id, "rang: it heats").andExpect(status().isOk());
    settle(id, "rang: it heats").andExpect(status().isOk());
    settle(id, "went there")
        .andExpect(status().isConflict())
        .andExpect(jsonPath("$.detail").value("It is settled already: rang: it heats"));
    settle(UUID.randomUUID(), "done").andExpect(status().isNotFound());
    assertThat(histories.of("TST-1").due()).isEmpty();
  }

  private org.springframework.test.web.servlet.ResultActions settle(UUID id, String as)
      throws Exception {
    return http.perform(
        put("/api/appointments/" + id + "/settle")
            .contentType(MediaType.APPLICATION_JSON)
            .content("{\"as\": \"%s\"}".formatted(as)));
  }

  @Test
  void a_part_renewed_again_is_said_and_one_that_was_struck_out_is_not_counted() {
    for (int i = 0; i < 2; i++) {
      UUID job = open("TST-1", "", "", null);
      VisitEntry entry = new VisitEntry(VisitEntry.Kind.RENEWED, "thermal-cutoff", "178 C");
      visits.add(job, UUID.randomUUID(), entry, null, NOW);
      UUID slip = UUID.randomUUID();
      visits.add(job, slip, new VisitEntry(VisitEntry.Kind.RENEWED, "high-limit", ""), null, NOW);
      visits.strike(job, slip, "wrong part", NOW);
      close(job, Outcome.UNSAID, "renewed");
    }
    UnitHistory history = histories.of("TST-1");
    assertThat(history.visits()).hasSize(2);
    assertThat(history.fitted()).extracting(UnitHistory.FittedPart::printed).containsOnly("178 C");
    assertThat(history.repeated())
        .singleElement()
        .satisfies(r -> assertThat(r.times()).isEqualTo(2));
  }
}
