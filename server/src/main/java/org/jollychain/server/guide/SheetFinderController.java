package org.jollychain.server.guide;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Map;
import org.jollychain.core.visit.SheetFinder;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SheetFinderController {

  private final GuideService guides;

  SheetFinderController(GuideService guides) {
    this.guides = guides;
  }

  /**
   * What a look at the unit told.
   *
   * @param answers by question
   */
  record Look(@NotNull @Size(max = 60) Map<String, @NotNull String> answers) {}

  /** Which sheets of the library may fit a unit, and what to answer next; nothing is stored. */
  @PostMapping(
      path = "/api/sheets/find",
      consumes = MediaType.APPLICATION_JSON_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  SheetFinder.Found find(@RequestBody @Valid Look look) {
    return guides.finder().find(look.answers());
  }
}
