package org.jollychain.server.bench;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jollychain.core.partcheck.Card;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.core.partcheck.InvalidInputsException;
import org.jollychain.core.partcheck.PartCheck;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.server.platform.Stamps;
import org.jollychain.server.platform.StrictReading;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.annotation.JsonDeserialize;

@RestController
@RequestMapping(produces = MediaType.APPLICATION_JSON_VALUE)
class BenchController {

  private final BenchService bench;
  private final Stamps stamps;

  BenchController(BenchService bench, Stamps stamps) {
    this.bench = bench;
    this.stamps = stamps;
  }

  /** Every check of a part, with what it asks for. */
  @GetMapping("/api/checks")
  List<Card> all() {
    return PartChecks.all().stream().map(PartCheck::card).toList();
  }

  /**
   * Makes a check; nothing is stored.
   *
   * @param typed what was typed, by the names of its inputs; a figure may be a number, and all of
   *     it may stand under {@code inputs}
   */
  @PostMapping(path = "/api/checks/{key}", consumes = MediaType.APPLICATION_JSON_VALUE)
  CheckResult check(@PathVariable String key, @RequestBody Map<String, JsonNode> typed) {
    Map<String, String> texts = new LinkedHashMap<>();
    JsonNode under = typed.get("inputs");
    if (under != null && under.isObject()) {
      under.properties().forEach(e -> texts.put(e.getKey(), text(e.getKey(), e.getValue())));
    } else {
      typed.forEach((name, value) -> texts.put(name, text(name, value)));
    }
    return bench.check(key, texts);
  }

  /** A log has lines. */
  private static String text(String name, JsonNode value) {
    String text = value.isNull() ? "" : value.asString(value.toString());
    PlainText.problemInLines(text)
        .ifPresent(
            problem -> {
              throw new InvalidInputsException(name, problem);
            });
    return text;
  }

  /** What was kept, the latest first. */
  @GetMapping("/api/bench-results")
  List<KeptResult> kept() {
    return bench.latest();
  }

  /**
   * What is to be kept.
   *
   * @param check its key
   * @param inputs what was typed
   * @param note what part it was
   */
  record Keeping(
      @NotBlank @Size(max = 60) String check,
      @NotNull @Size(max = 40) @JsonDeserialize(contentUsing = StrictReading.SeveralLines.class)
          Map<String, @Nullable String> inputs,
      @Nullable @Size(max = 200) String note) {

    /** As it was typed; what is left open is nothing. */
    Map<String, String> typed() {
      Map<String, String> typed = new LinkedHashMap<>();
      inputs.forEach((name, text) -> typed.put(name, text == null ? "" : text));
      return typed;
    }
  }

  /** Makes a check and keeps it. */
  @PutMapping(path = "/api/bench-results/{id}", consumes = MediaType.APPLICATION_JSON_VALUE)
  List<KeptResult> keep(@PathVariable UUID id, @RequestBody @Valid Keeping keeping) {
    String note = keeping.note() == null ? "" : keeping.note();
    bench.keep(id, keeping.check(), keeping.typed(), note, stamps.now());
    return bench.latest();
  }
}
