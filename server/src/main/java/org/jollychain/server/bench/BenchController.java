package org.jollychain.server.bench;

import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import org.jollychain.core.partcheck.Card;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.core.partcheck.Inputs;
import org.jollychain.core.partcheck.PartCheck;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.server.platform.RefusedException;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping(path = "/api/checks", produces = MediaType.APPLICATION_JSON_VALUE)
class BenchController {

  /** Every check of a part, with what it asks for. */
  @GetMapping
  List<Card> all() {
    return PartChecks.all().stream().map(PartCheck::card).toList();
  }

  /**
   * Makes a check; nothing is stored.
   *
   * @param typed what was typed, by the names of its inputs
   */
  @PostMapping(path = "/{key}", consumes = MediaType.APPLICATION_JSON_VALUE)
  CheckResult check(@PathVariable String key, @RequestBody Map<String, String> typed) {
    PartCheck check;
    try {
      check = PartChecks.withKey(key);
    } catch (NoSuchElementException e) {
      throw RefusedException.notFound(e.getMessage());
    }
    return check.answer(Inputs.of(check.card(), typed));
  }
}
