package org.jollychain.server.platform;

import java.io.IOException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** How well the data is kept, for a lead. */
@RestController
class UpkeepController {

  private final UpkeepService upkeep;

  UpkeepController(UpkeepService upkeep) {
    this.upkeep = upkeep;
  }

  @GetMapping(path = "/api/upkeep", produces = MediaType.APPLICATION_JSON_VALUE)
  Upkeep now() throws IOException {
    return upkeep.now();
  }
}
