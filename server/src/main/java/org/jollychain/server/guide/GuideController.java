package org.jollychain.server.guide;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jollychain.core.guide.GuideReader;
import org.jollychain.server.platform.Validation;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/guides")
class GuideController {

  private static final String YAML = "application/yaml";

  private final GuideService guides;

  GuideController(GuideService guides) {
    this.guides = guides;
  }

  @GetMapping(produces = MediaType.APPLICATION_JSON_VALUE)
  List<GuideSummary> latest() {
    return guides.latest();
  }

  /** The JSON Schema of format 1. */
  @GetMapping(path = "/schema", produces = MediaType.APPLICATION_JSON_VALUE)
  String schema() {
    return GuideReader.schema();
  }

  @GetMapping(path = "/{key}", produces = MediaType.APPLICATION_JSON_VALUE)
  GuideRevision newest(@PathVariable String key) {
    return guides.newest(key);
  }

  @GetMapping(path = "/{key}/revisions", produces = MediaType.APPLICATION_JSON_VALUE)
  List<GuideSummary> revisions(@PathVariable String key) {
    return guides.revisions(key);
  }

  /** A revision as what it weighs. */
  @GetMapping(path = "/{key}/revisions/{revision}", produces = MediaType.APPLICATION_JSON_VALUE)
  GuideView view(@PathVariable String key, @PathVariable int revision) {
    return GuideView.of(guides.guide(key, revision));
  }

  /** A revision's text as it was written. */
  @GetMapping(path = "/{key}/revisions/{revision}/yaml", produces = YAML)
  String yaml(@PathVariable String key, @PathVariable int revision) {
    return guides.revision(key, revision).text();
  }

  /** Says what is wrong with a text; nothing is stored. */
  @PostMapping(
      path = "/validate",
      consumes = {YAML, MediaType.APPLICATION_JSON_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  Validation validate(@RequestBody byte[] text) {
    return Validation.of(() -> GuideReader.read(new String(text, StandardCharsets.UTF_8)));
  }

  /**
   * Saves a guide's text as a new revision.
   *
   * @param base the revision it was written from; where another holds by now, it is refused
   */
  @PutMapping(
      path = "/{key}",
      consumes = {YAML, MediaType.APPLICATION_JSON_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  GuideRevision save(
      @PathVariable String key,
      @RequestBody byte[] text,
      @RequestParam(required = false) @Nullable Integer base) {
    return guides.save(key, new String(text, StandardCharsets.UTF_8), base);
  }
}
