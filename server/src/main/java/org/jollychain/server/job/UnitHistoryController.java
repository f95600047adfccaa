package org.jollychain.server.job;

import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class UnitHistoryController {

  private final UnitHistoryService histories;

  UnitHistoryController(UnitHistoryService histories) {
    this.histories = histories;
  }

  /** A unit with all that was done at it. */
  @GetMapping(path = "/api/units/{tag}", produces = MediaType.APPLICATION_JSON_VALUE)
  UnitHistory of(@PathVariable String tag) {
    return histories.of(tag);
  }
}
