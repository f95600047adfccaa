package org.jollychain.server.assess;

import jakarta.validation.Valid;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class AssessController {

  private final AssessService assess;

  AssessController(AssessService assess) {
    this.assess = assess;
  }

  /** Assesses a case, in JSON or YAML; nothing is stored. */
  @PostMapping(
      path = "/api/assess",
      consumes = {MediaType.APPLICATION_JSON_VALUE, MediaType.APPLICATION_YAML_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  Assessed assess(@RequestBody @Valid CaseFile file) {
    return assess.assess(file);
  }
}
