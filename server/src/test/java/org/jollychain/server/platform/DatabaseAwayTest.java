package org.jollychain.server.platform;

import static org.hamcrest.Matchers.containsString;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.UUID;
import org.jollychain.server.ServerTest;
import org.jollychain.server.unit.UnitService;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.test.context.bean.override.mockito.MockitoBean;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.TransactionSystemException;

@ServerTest
class DatabaseAwayTest {

  @Autowired private MockMvc http;
  @MockitoBean private UnitService units;

  @Test
  void a_database_that_is_away_is_said_to_be_away() throws Exception {
    when(units.all())
        .thenThrow(
            new CannotGetJdbcConnectionException(
                "no",
                new SQLTransientConnectionException("timed out", new SQLException("no", "08001"))));
    http.perform(get("/api/units"))
        .andExpect(status().isServiceUnavailable())
        .andExpect(jsonPath("$.detail").value(containsString("./jolly start starts it again")));
  }

  @ParameterizedTest
  @CsvSource({"53100, no room left", "53300, busy with", "40001, busy with", "25006, cannot write"})
  void what_is_the_matter_with_it_is_told_apart(String state, String words) throws Exception {
    when(units.all()).thenThrow(new RuntimeException(new SQLException("no", state)));
    http.perform(get("/api/units"))
        .andExpect(status().isServiceUnavailable())
        .andExpect(jsonPath("$.detail").value(containsString(words)));
  }

  @Test
  void a_commit_and_a_rollback_that_both_fail_are_the_same() throws Exception {
    when(units.all())
        .thenThrow(
            new TransactionSystemException(
                "JDBC rollback failed", new SQLException("Connection is closed")));
    http.perform(get("/api/units")).andExpect(status().isServiceUnavailable());
  }

  @Test
  void a_full_pool_is_told_apart_from_a_database_that_is_away() throws Exception {
    when(units.all())
        .thenThrow(
            new CannotGetJdbcConnectionException(
                "no", new SQLTransientConnectionException("timed out")));
    http.perform(get("/api/units"))
        .andExpect(status().isServiceUnavailable())
        .andExpect(jsonPath("$.detail").value(containsString("busy with other requests")));
  }

  @Test
  void a_commit_that_failed_may_have_been_carried_out() throws Exception {
    when(units.withTag(any(), any(), any()))
        .thenThrow(new RuntimeException(new SQLException("connection lost at commit", "08006")));
    http.perform(
            put("/api/jobs/" + UUID.randomUUID())
                .contentType(MediaType.APPLICATION_JSON)
                .content(
                    "{\"tag\": \"TST-9\", \"sheet\": \"dryer-timer-240\", \"permit\": \"live\"}"))
        .andExpect(status().isServiceUnavailable())
        .andExpect(jsonPath("$.detail").value(containsString("Whether it was saved is not known")));
  }

  @Test
  void a_connection_lost_on_the_way_is_the_same() throws Exception {
    when(units.all())
        .thenThrow(new RuntimeException(new SQLException("terminating connection", "57P01")));
    http.perform(get("/api/units")).andExpect(status().isServiceUnavailable());
  }

  @Test
  void a_rollback_that_fails_too_does_not_hide_it() throws Exception {
    TransactionSystemException rollback = new TransactionSystemException("rollback failed");
    rollback.initApplicationException(
        new RuntimeException(new SQLException("terminating connection", "57P01")));
    when(units.all()).thenThrow(rollback);
    http.perform(get("/api/units")).andExpect(status().isServiceUnavailable());
  }

  @Test
  void a_database_killed_under_a_write_that_was_refused_is_away_too() throws Exception {
    TransactionSystemException rollback =
        new TransactionSystemException(
            "Could not roll back", new SQLException("An I/O error occurred", "08006"));
    rollback.initApplicationException(RefusedException.conflict("another took it"));
    when(units.all()).thenThrow(rollback);
    http.perform(get("/api/units")).andExpect(status().isServiceUnavailable());
  }

  @Test
  void anything_else_says_nothing_of_its_inside() throws Exception {
    when(units.all()).thenThrow(new IllegalStateException("secret of the house"));
    http.perform(get("/api/units"))
        .andExpect(status().isInternalServerError())
        .andExpect(jsonPath("$.detail").value("Something went wrong here; it is in the log."));
  }
}
