package org.jollychain.server.unit;

import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(path = "/api/units", produces = MediaType.APPLICATION_JSON_VALUE)
class UnitController {

  private final UnitService units;

  UnitController(UnitService units) {
    this.units = units;
  }

  @GetMapping
  List<Unit> all() {
    return units.all();
  }
}
