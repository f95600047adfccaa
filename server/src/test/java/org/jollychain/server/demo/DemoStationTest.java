package org.jollychain.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.jollychain.server.ServerTest;
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
  @Autowired private JdbcTemplate sql;

  @Test
  void the_station_has_closed_jobs_and_one_half_way_through() throws Exception {
    sql.execute("truncate visit_entry, evidence, job, unit");
    demo.run(new DefaultApplicationArguments());
    demo.run(new DefaultApplicationArguments());
    List<JobSummary> all = jobs.recent();
    assertThat(all).hasSize(4);
    assertThat(all)
        .filteredOn(j -> j.job().closedAt() == null)
        .singleElement()
        .satisfies(j -> assertThat(j.leading().probability()).isBetween(0.1, 0.9));
  }
}
