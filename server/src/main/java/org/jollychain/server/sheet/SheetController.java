package org.jollychain.server.sheet;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jollychain.core.network.CheckedSheet;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sheets")
class SheetController {

  private final SheetService sheets;

  SheetController(SheetService sheets) {
    this.sheets = sheets;
  }

  @GetMapping(produces = MediaType.APPLICATION_JSON_VALUE)
  List<SheetSummary> latest() {
    return sheets.latest();
  }

  /** The JSON Schema of format 1. */
  @GetMapping(path = "/schema", produces = MediaType.APPLICATION_JSON_VALUE)
  String schema() {
    return SheetReader.schema();
  }

  @GetMapping(path = "/{key}", produces = MediaType.APPLICATION_JSON_VALUE)
  SheetRevision newest(@PathVariable String key) {
    return sheets.newest(key);
  }

  /** A revision as the circuit it describes. */
  @GetMapping(path = "/{key}/revisions/{revision}", produces = MediaType.APPLICATION_JSON_VALUE)
  Sheet circuit(@PathVariable String key, @PathVariable int revision) {
    return CheckedSheet.read(sheets.revision(key, revision).text());
  }

  /** Saves a sheet's text as a new revision. */
  @PutMapping(
      path = "/{key}",
      consumes = {"application/yaml", MediaType.APPLICATION_JSON_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  SheetRevision save(@PathVariable String key, @RequestBody byte[] text) {
    return sheets.save(key, new String(text, StandardCharsets.UTF_8));
  }
}
