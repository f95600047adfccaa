package org.jollychain.server.platform;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.boot.availability.ApplicationAvailability;
import org.springframework.boot.availability.ReadinessState;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says whether all that belongs to a start is done: the launcher waits for it. */
@Hidden
@RestController
class Readiness {

  private final ApplicationAvailability availability;

  Readiness(ApplicationAvailability availability) {
    this.availability = availability;
  }

  @GetMapping("/api/ready")
  ResponseEntity<Void> ready() {
    boolean ready = availability.getReadinessState() == ReadinessState.ACCEPTING_TRAFFIC;
    return ResponseEntity.status(ready ? HttpStatus.OK : HttpStatus.SERVICE_UNAVAILABLE).build();
  }
}
