package org.jollychain.server.sheet;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jollychain.core.drawing.Drawing;
import org.jollychain.core.plan.PathTests;
import org.jollychain.core.sheet.CustomerWords;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.server.platform.Validation;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sheets")
class SheetController {

  private static final String YAML = "application/yaml";

  private final SheetService sheets;
  private final SheetPreviews previews;

  SheetController(SheetService sheets, SheetPreviews previews) {
    this.sheets = sheets;
    this.previews = previews;
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

  @GetMapping(path = "/{key}/revisions", produces = MediaType.APPLICATION_JSON_VALUE)
  List<SheetSummary> revisions(@PathVariable String key) {
    return sheets.revisions(key);
  }

  /** A revision as the circuit it describes. */
  @GetMapping(path = "/{key}/revisions/{revision}", produces = MediaType.APPLICATION_JSON_VALUE)
  Sheet circuit(@PathVariable String key, @PathVariable int revision) {
    return sheets.unit(key, revision).sheet();
  }

  /** The complaints that a customer's own words may mean, the likeliest first. */
  @GetMapping(
      path = "/{key}/revisions/{revision}/complaints",
      produces = MediaType.APPLICATION_JSON_VALUE)
  List<CustomerWords.Match> complaints(
      @PathVariable String key, @PathVariable int revision, @RequestParam String words) {
    return CustomerWords.matches(sheets.sheet(key, revision), words);
  }

  /** The circuit laid out, once for each path as its first row. */
  @GetMapping(
      path = "/{key}/revisions/{revision}/drawings",
      produces = MediaType.APPLICATION_JSON_VALUE)
  List<Drawing> drawings(@PathVariable String key, @PathVariable int revision) {
    return sheets.drawings(key, revision);
  }

  /** The ways in which everything along its paths can be measured. */
  @GetMapping(
      path = "/{key}/revisions/{revision}/tests",
      produces = MediaType.APPLICATION_JSON_VALUE)
  List<PathTests> tests(@PathVariable String key, @PathVariable int revision) {
    return PathTests.of(sheets.unit(key, revision));
  }

  /** A revision's text as it was written. */
  @GetMapping(path = "/{key}/revisions/{revision}/yaml", produces = YAML)
  String yaml(@PathVariable String key, @PathVariable int revision) {
    return sheets.revision(key, revision).text();
  }

  /** A revision's text as JSON. */
  @GetMapping(
      path = "/{key}/revisions/{revision}/json",
      produces = MediaType.APPLICATION_JSON_VALUE)
  String json(@PathVariable String key, @PathVariable int revision) {
    return SheetReader.json(sheets.revision(key, revision).text());
  }

  /** A situation's circuit as a SPICE netlist. */
  @GetMapping(path = "/{key}/revisions/{revision}/spice", produces = MediaType.TEXT_PLAIN_VALUE)
  String spice(
      @PathVariable String key, @PathVariable int revision, @RequestParam String situation) {
    return sheets.spice(key, revision, situation);
  }

  /** Says what is wrong with a text; nothing is stored. */
  @PostMapping(
      path = "/validate",
      consumes = {YAML, MediaType.APPLICATION_JSON_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  Validation validate(@RequestBody byte[] text) {
    return previews.validate(new String(text, StandardCharsets.UTF_8));
  }

  /** A text drawn and solved as far as it can be; nothing is stored. */
  @PostMapping(
      path = "/preview",
      consumes = {YAML, MediaType.APPLICATION_JSON_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  SheetPreview preview(
      @RequestBody byte[] text,
      @RequestParam(defaultValue = "") String situation,
      @RequestParam(defaultValue = "") String path) {
    return previews.of(new String(text, StandardCharsets.UTF_8), situation, path);
  }

  /** The words of the trade that a shorthand understands, by kind of part. */
  @GetMapping(path = "/shorthand", produces = MediaType.APPLICATION_JSON_VALUE)
  List<SheetPreview.Word> words() {
    return SheetPreview.WORDS;
  }

  /** A shorthand as a sheet, drawn and solved as far as it can be; nothing is stored. */
  @PostMapping(
      path = "/shorthand",
      consumes = MediaType.TEXT_PLAIN_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  SheetPreview shorthand(
      @RequestBody(required = false) byte @Nullable [] text,
      @RequestParam(defaultValue = "") String situation,
      @RequestParam(defaultValue = "") String path) {
    return previews.ofShorthand(typed(text), situation, path);
  }

  /** A revision as shorthand: as it was typed, else as it is written. */
  @GetMapping(path = "/{key}/revisions/{revision}/shorthand", produces = "text/plain;charset=UTF-8")
  String shorthand(@PathVariable String key, @PathVariable int revision) {
    return sheets.shorthand(key, revision);
  }

  /**
   * Saves a sheet typed as shorthand as a new revision.
   *
   * @param fresh whether it is to be a new sheet, none that is there
   * @param base the revision it was written from; where another holds by now, it is refused
   */
  @PutMapping(
      path = "/{key}/shorthand",
      consumes = MediaType.TEXT_PLAIN_VALUE,
      produces = MediaType.APPLICATION_JSON_VALUE)
  SheetRevision saveShorthand(
      @PathVariable String key,
      @RequestBody(required = false) byte @Nullable [] text,
      @RequestParam(defaultValue = "false") boolean fresh,
      @RequestParam(required = false) @Nullable Integer base) {
    return sheets.saveShorthand(key, typed(text), fresh, base);
  }

  private static String typed(byte @Nullable [] text) {
    return text == null ? "" : new String(text, StandardCharsets.UTF_8);
  }

  /**
   * Saves a sheet's text as a new revision.
   *
   * @param base the revision it was written from; where another holds by now, it is refused
   */
  @PutMapping(
      path = "/{key}",
      consumes = {YAML, MediaType.APPLICATION_JSON_VALUE},
      produces = MediaType.APPLICATION_JSON_VALUE)
  SheetRevision save(
      @PathVariable String key,
      @RequestBody byte[] text,
      @RequestParam(required = false) @Nullable Integer base) {
    return sheets.save(key, new String(text, StandardCharsets.UTF_8), base);
  }

  /** Takes a sheet out of the library; its revisions and the jobs on them stay. */
  @DeleteMapping(path = "/{key}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdraw(@PathVariable String key) {
    sheets.withdraw(key);
  }

  /** Puts a withdrawn sheet back. */
  @PutMapping(path = "/{key}/restore", produces = MediaType.APPLICATION_JSON_VALUE)
  SheetRevision restore(@PathVariable String key) {
    return sheets.restore(key);
  }
}
