package org.jollychain.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jollychain.server.ServerTest;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.job.EvidenceLog;
import org.jollychain.server.job.JobService;
import org.jollychain.server.job.NewJob;
import org.jollychain.server.job.Seen;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** What the database notes of every change, and that nothing in the application can change it. */
@ServerTest
@Transactional
class AuditTest {

  @Autowired private JdbcTemplate sql;
  @Autowired private JobService jobs;
  @Autowired private EvidenceLog evidence;
  @Autowired private JsonMapper json;

  private static Stamp by(String login) {
    return new Stamp(OffsetDateTime.now(), login, Role.LEAD);
  }

  private List<Map<String, Object>> lines(UUID job) {
    return sql.queryForList(
        "select by, act, cast(what as text) as what from audit"
            + " where subject = 'job' and key = ? order by id",
        job.toString());
  }

  @Test
  void each_change_of_a_job_is_noted_once_by_whoever_made_it() {
    UUID job = UUID.randomUUID();
    UUID reading = UUID.randomUUID();
    jobs.open(
        job,
        new NewJob(
            "AUD-1",
            null,
            null,
            null,
            "dryer-timer-240",
            "no-heat",
            null,
            Permit.ISOLATED,
            null,
            null),
        by("runa"));
    EvidenceItem item =
        json.readValue(
            """
            {"function": "ohms", "across": "element", "situation": "isolated", "value": "11"}
            """,
            EvidenceItem.class);
    evidence.add(job, reading, item, by("runa"));
    evidence.add(job, reading, item, by("runa"));
    evidence.strike(job, reading, "slip", by("imke"));
    PolicyItem policy = json.readValue("{}", PolicyItem.class);
    jobs.plan(job, Permit.LIVE, policy, new Seen(1, 2), by("imke"));
    assertThat(lines(job))
        .extracting(l -> l.get("by") + ": " + l.get("act"))
        .containsExactly(
            "runa: job added",
            "runa: evidence added",
            "imke: evidence changed",
            "imke: job changed");
    assertThat(lines(job).get(3).get("what"))
        .asString()
        .contains("\"permit\": \"live\"")
        .contains("\"live_by\": \"imke\"")
        .doesNotContain("version");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "update audit set by = 'nobody'",
        "delete from audit",
        "truncate audit",
        "insert into audit (by, subject, key, act, what) values ('x', 'job', 'x', 'x', '{}')",
        "drop trigger audited on evidence",
        "alter table audit disable trigger all"
      })
  void the_application_may_only_read_it(String statement) {
    assertThatThrownBy(() -> sql.execute(statement))
        .rootCause()
        .message()
        .containsAnyOf("permission denied", "must be owner");
  }
}
