package org.jollychain.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationVersion;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** What an earlier version wrote is there after an upgrade, each version in a schema of its own. */
class UpgradeTest {

  private static final String PARSED =
      "{\"complaints\": {\"no-heat\": {\"id\": \"no-heat\", \"title\": \"Turns, no heat\"}}}";

  @ParameterizedTest
  @ValueSource(strings = {"1", "2", "3", "4"})
  void data_of_every_earlier_schema_is_carried_over(String version) {
    String schema = "upgrade_" + version;
    DriverManagerDataSource source =
        new DriverManagerDataSource(
            System.getenv("JOLLY_TEST_DB") + "/jolly_test?currentSchema=" + schema,
            System.getenv("JOLLY_DB_OWNER"),
            System.getenv("JOLLY_DB_OWNER_PASSWORD"));
    JdbcTemplate sql = new JdbcTemplate(source);
    sql.execute("drop schema if exists " + schema + " cascade");
    flyway(source, schema, MigrationVersion.fromVersion(version)).migrate();
    UUID unit = UUID.randomUUID();
    UUID job = UUID.randomUUID();
    sql.update(
        "insert into sheet_revision values ('old', 1, 'Old', 'other', 'text', cast(? as jsonb), 'h', now())",
        PARSED);
    sql.update("insert into unit values (?, 'OLD-1', 'Old dryer', '', '', now())", unit);
    sql.update(
        "insert into job (id, unit_id, sheet_key, sheet_revision, complaint, permit, opened_at)"
            + " values (?, ?, 'old', 1, 'no-heat', 'live', now())",
        job,
        unit);
    for (int i = 1; i <= 3; i++) {
      sql.update(
          "insert into evidence (id, job_id, number, body, taken_at) values (?, ?, ?, '{\"value\": \"0.1\"}', now())",
          UUID.randomUUID(),
          job,
          i);
    }
    sql.update("update evidence set struck_at = now(), struck_why = 'slip' where number = 2");

    flyway(source, schema, MigrationVersion.LATEST).migrate();

    assertThat(sql.queryForList("select body ->> 'value' from evidence", String.class))
        .containsExactly("0.1", "0.1", "0.1");
    assertThat(
            sql.queryForMap(
                "select complaint_title, readings, changes, leading_of, permit, cast(policy as text) as policy from job"))
        .containsEntry("complaint_title", "Turns, no heat")
        .containsEntry("readings", 2)
        .containsEntry("changes", 0)
        .containsEntry("leading_of", null)
        .containsEntry("permit", "live")
        .containsEntry("policy", "{}");
    sql.execute("drop schema " + schema + " cascade");
  }

  private static Flyway flyway(
      DriverManagerDataSource source, String schema, MigrationVersion target) {
    return Flyway.configure()
        .dataSource(source)
        .schemas(schema)
        .createSchemas(true)
        .target(target)
        .placeholders(Map.of("app", ""))
        .load();
  }
}
