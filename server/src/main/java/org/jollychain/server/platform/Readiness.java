package org.jollychain.server.platform;

import io.swagger.v3.oas.annotations.Hidden;
import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says whether all that belongs to a start is done and the database answers. */
@Hidden
@RestController
class Readiness {

  static final String PATH = "/api/ready";

  private static final int PATIENCE_SECONDS = 2;

  private static final Logger LOG = LoggerFactory.getLogger(Readiness.class);

  private final ApplicationAvailability availability;
  private final DataSource database;

  Readiness(ApplicationAvailability availability, DataSource database) {
    this.availability = availability;
    this.database = database;
  }

  private boolean answers() {
    try (Connection connection = database.getConnection()) {
      return connection.isValid(PATIENCE_SECONDS);
    } catch (SQLException e) {
      LOG.debug("not ready: {}", e.getMessage());
      return false;
    }
  }

  @GetMapping(PATH)
  ResponseEntity<Void> ready() {
    boolean ready =
        availability.getReadinessState() == ReadinessState.ACCEPTING_TRAFFIC && answers();
    return ResponseEntity.status(ready ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE).build();
  }
}
