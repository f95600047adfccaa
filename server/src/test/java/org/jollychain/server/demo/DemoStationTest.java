package org.jollychain.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.Progress;
import org.jollychain.core.visit.Step;
import org.jollychain.server.ServerTest;
import org.jollychain.server.job.JobAssessor;
import org.jollychain.server.job.JobSearch;
import org.jollychain.server.job.JobService;
import org.jollychain.server.job.JobSummary;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.TestPropertySource;
import org.springframework.transaction.annotation.Transactional;

@ServerTest
@Transactional
@TestPropertySource(properties = "jolly.demo=true")
class DemoStationTest {

  @Autowired private DemoStation demo;
  @Autowired private JobService jobs;
  @Autowired private JobAssessor assessor;
  @Autowired private JdbcTemplate sql;

  @Test
  void the_station_has_closed_jobs_and_one_half_way_through() throws Exception {
    sql.execute(
        "delete from visit_entry; delete from evidence; delete from appointment; delete from job; delete from unit_fact; delete from unit");
    demo.run(new DefaultApplicationArguments());
    demo.run(new DefaultApplicationArguments());
    List<JobSummary> all = jobs.list(JobSearch.ALL).jobs();
    assertThat(all).hasSize(15);
    assertThat(all).filteredOn(j -> j.job().closedAt() == null).hasSize(3);
    assertThat(all)
        .filteredOn(j -> j.job().unitTag().equals("LAU-2"))
        .singleElement()
        .satisfies(j -> assertThat(j.leading().probability()).isBetween(0.1, 0.9));
    assertThat(all)
        .extracting(j -> j.job().closedAs())
        .contains(Outcome.REPAIRED, Outcome.NOT_REPRODUCED);
  }

  /** What the stories say was done is what the steps ask for. */
  @Test
  void every_finished_visit_went_through_its_steps() throws Exception {
    sql.execute(
        "delete from visit_entry; delete from evidence; delete from appointment; delete from job; delete from unit_fact; delete from unit");
    demo.run(new DefaultApplicationArguments());
    for (JobSummary summary : jobs.list(JobSearch.ALL).jobs()) {
      if (summary.job().closedAs() == Outcome.REPAIRED) {
        assertThat(assessor.view(summary.job().id()).visit().progress())
            .as(summary.job().unitTag() + " " + summary.complaintTitle())
            .filteredOn(p -> p.step().ordinal() >= Step.CAUSE.ordinal())
            .extracting(Progress::state)
            .isSubsetOf(Progress.State.DONE, Progress.State.NOT_NEEDED);
      }
    }
  }
}
