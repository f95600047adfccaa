package org.jollychain.server.unit;

import jakarta.validation.Valid;
import java.util.List;
import org.jollychain.server.platform.Stamps;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(produces = MediaType.APPLICATION_JSON_VALUE)
class UnitController {

  private final UnitService units;
  private final UnitTable table;
  private final Stamps stamps;

  UnitController(UnitService units, UnitTable table, Stamps stamps) {
    this.units = units;
    this.table = table;
    this.stamps = stamps;
  }

  @GetMapping("/api/units")
  List<Unit> all() {
    return units.all();
  }

  /** Makes a unit, or changes the one there is. */
  @PutMapping(path = "/api/units/{tag}", consumes = MediaType.APPLICATION_JSON_VALUE)
  Unit keep(@PathVariable String tag, @RequestBody @Valid UnitPlate plate) {
    return units.keep(tag, plate, stamps.now());
  }

  /** All units as comma-separated values. */
  @GetMapping(path = "/api/units.csv", produces = "text/csv;charset=UTF-8")
  String csv() {
    return table.csv();
  }

  /** Makes and changes the units of such a table, all of them or none. */
  @PostMapping(path = "/api/units.csv", consumes = "text/csv")
  List<Unit> importCsv(@RequestBody(required = false) @Nullable String csv) {
    table.importCsv(csv == null ? "" : csv, stamps.now());
    return units.all();
  }
}
