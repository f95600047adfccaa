package org.jollychain.server.sheet;

import jakarta.validation.Valid;
import org.jollychain.core.fault.WhatIf;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The circuit of a sheet, sound or with something supposed; nothing is stored. */
@RestController
class SolveController {

  private final SheetService sheets;

  SolveController(SheetService sheets) {
    this.sheets = sheets;
  }

  @PostMapping(
      path = "/api/solve",
      consumes = MediaType.APPLICATION_JSON_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  WhatIf.Answer solve(@RequestBody @Valid SolveRequest request) {
    return sheets.solve(request);
  }
}
