package org.jollychain.server.unit;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.server.platform.Stamps;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(path = "/api/units/{tag}/facts", produces = MediaType.APPLICATION_JSON_VALUE)
class UnitFactController {

  private final UnitFactLog facts;
  private final Stamps stamps;

  UnitFactController(UnitFactLog facts, Stamps stamps) {
    this.facts = facts;
    this.stamps = stamps;
  }

  /** What the plate, the parts and the paper of a unit say, and what is offered of its model. */
  @GetMapping
  UnitFactsView of(@PathVariable String tag) {
    return facts.of(tag, Optional.empty());
  }

  /** Keeps what was read; where it is unlikely, only once it is confirmed. */
  @PutMapping(path = "/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
  UnitFactsView add(
      @PathVariable String tag, @PathVariable UUID id, @RequestBody @Valid NewFact fact) {
    facts.add(tag, id, fact, stamps.now());
    return facts.of(tag, Optional.empty());
  }

  /** Why a fact is struck out. */
  record StrikeFact(@NotBlank @Size(max = 500) String why) {}

  @PutMapping(path = "/{id}/strike", consumes = MediaType.APPLICATION_JSON_VALUE)
  UnitFactsView strike(
      @PathVariable String tag, @PathVariable UUID id, @RequestBody @Valid StrikeFact strike) {
    facts.strike(tag, id, strike.why(), stamps.now());
    return facts.of(tag, Optional.empty());
  }
}
