package org.jollychain.server.sheet;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.List;
import java.util.Optional;
import org.apache.commons.codec.digest.DigestUtils;
import org.jollychain.core.drawing.Drawing;
import org.jollychain.core.export.SpiceNetlist;
import org.jollychain.core.fault.WhatIf;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.core.sheet.Shorthand;
import org.jollychain.core.sheet.Situation;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.Nearest;
import org.jollychain.server.meter.MeterService;
import org.jollychain.server.platform.Base;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Keeps circuit sheets. */
@Service
public class SheetService {

  /** Numbers in the matrices of solved units: 150 MB. */
  private static final long MOST_NUMBERS_KEPT = 20_000_000;

  private static final int MOST_SHEETS_KEPT = 200;

  private final SheetMapper sheets;
  private final MeterService meters;
  private final SheetPreviews previews;
  private final JsonMapper json;
  private final Stamps stamps;
  private final LoadingCache<String, UnitModel> units =
      Caffeine.newBuilder()
          .maximumWeight(MOST_NUMBERS_KEPT)
          .<String, UnitModel>weigher((text, unit) -> numbers(unit.sheet()))
          .build(text -> SheetValidator.unit(text));

  private final Cache<String, Sheet> read =
      Caffeine.newBuilder().maximumSize(MOST_SHEETS_KEPT).build();
  private final TransactionTemplate transaction;

  SheetService(
      SheetMapper sheets,
      MeterService meters,
      SheetPreviews previews,
      JsonMapper json,
      Stamps stamps,
      PlatformTransactionManager transactions) {
    this.transaction = new TransactionTemplate(transactions);
    this.sheets = sheets;
    this.meters = meters;
    this.previews = previews;
    this.json = json;
    this.stamps = stamps;
  }

  private static int numbers(Sheet sheet) {
    int rows = sheet.parts().size() + sheet.points().size();
    return 2 * rows * rows * sheet.situations().size();
  }

  public List<SheetSummary> latest() {
    return sheets.latest();
  }

  /**
   * @throws RefusedException when there is no such sheet
   */
  public SheetRevision newest(String key) {
    return sheets
        .newest(key)
        .orElseThrow(
            () ->
                RefusedException.notFound(
                    "There is no sheet \"%s\"%s.".formatted(key, Nearest.suggestion(key, keys()))));
  }

  /** The number of a sheet's newest revision. */
  public int newestRevision(String key) {
    return sheets.newestRevision(key);
  }

  /**
   * The newest revision of a sheet that new jobs may be done by.
   *
   * @throws RefusedException when there is no such sheet, or it was withdrawn
   */
  public SheetRevision inLibrary(String key) {
    SheetRevision newest = newest(key);
    if (!keys().contains(key)) {
      throw RefusedException.conflict(
          "The sheet \"%s\" was withdrawn; restore it, or choose another.".formatted(key));
    }
    return newest;
  }

  /**
   * A revision as the circuit it describes, not yet solved.
   *
   * @throws RefusedException when there is no such revision
   */
  public Sheet sheet(String key, int revision) {
    return read.get(key + " " + revision, k -> SheetReader.read(revision(key, revision).text()));
  }

  private List<String> keys() {
    return sheets.latest().stream().map(SheetSummary::key).toList();
  }

  /**
   * @throws RefusedException when there is no such revision
   */
  public SheetRevision revision(String key, int revision) {
    return sheets
        .find(key, revision)
        .orElseThrow(
            () ->
                RefusedException.notFound(
                    "There is no revision %d of a sheet \"%s\".".formatted(revision, key)));
  }

  /**
   * @throws RefusedException when there is no such sheet
   */
  public List<SheetSummary> revisions(String key) {
    newest(key);
    return sheets.revisions(key);
  }

  /**
   * The text of a sheet that is named by its key or brought along.
   *
   * @throws RefusedException when there is no such sheet
   */
  public String text(JsonNode sheet) {
    if (sheet.isNull()) {
      throw RefusedException.unprocessable(
          "Say which sheet: the key of one of the library, or a whole one.");
    }
    if (!sheet.isString()) {
      return sheet.toString();
    }
    String text = sheet.asString();
    if (text.contains(":")) {
      return text;
    }
    PlainText.problemInLine(text)
        .ifPresent(
            problem -> {
              throw RefusedException.unprocessable("The key of a sheet " + problem + ".");
            });
    return newest(text).text();
  }

  /**
   * The solved circuit of a revision.
   *
   * @throws RefusedException when there is no such revision
   */
  public UnitModel unit(String key, int revision) {
    return units.get(revision(key, revision).text());
  }

  /** A revision laid out once for each path. */
  List<Drawing> drawings(String key, int revision) {
    UnitModel unit = unit(key, revision);
    return unit.chains().keySet().stream().map(main -> SheetPreviews.drawing(unit, main)).toList();
  }

  String spice(String key, int revision, String situation) {
    Sheet sheet = unit(key, revision).sheet();
    return SpiceNetlist.of(sheet, situation(sheet, situation), List.of());
  }

  WhatIf.Answer solve(SolveRequest request) {
    UnitModel unit = units.get(text(request.sheet()));
    Sheet sheet = unit.sheet();
    return WhatIf.answer(
        unit,
        request.chosenMeter(meters.all()),
        situation(sheet, request.situation()),
        request.supposed(sheet),
        request.liftedParts(sheet),
        Optional.ofNullable(request.supplyVolts()),
        request.chosenProbes(sheet));
  }

  private static Situation situation(Sheet sheet, String id) {
    return Optional.ofNullable(sheet.situations().get(id))
        .orElseThrow(
            () ->
                RefusedException.unprocessable(
                    "There is no situation \"%s\" on this sheet%s."
                        .formatted(id, Nearest.suggestion(id, sheet.situations().keySet()))));
  }

  /**
   * Takes a sheet out of the library.
   *
   * @throws RefusedException when there is no such sheet
   */
  @Transactional
  public void withdraw(String key) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Withdrawing a sheet");
    newest(key);
    sheets.withdraw(key, now);
  }

  /**
   * Puts a withdrawn sheet back.
   *
   * @throws RefusedException when there is no such sheet
   */
  @Transactional
  public SheetRevision restore(String key) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Putting a sheet back");
    sheets.restore(key, now);
    return newest(key);
  }

  /**
   * Saves a sheet as a new revision; the text that is newest already makes none.
   *
   * @throws InvalidTextException when the text is no valid sheet
   * @param base the revision it was written from, if that is to be held against the newest
   * @throws RefusedException when the sheet calls itself otherwise, or was revised since the base
   */
  public SheetRevision save(String key, String text, @Nullable Integer base) {
    stamps.now().require(Role.LEAD, "Changing a sheet's text");
    return save(key, text, null, false, base);
  }

  /**
   * Saves a sheet typed as shorthand; what was typed is kept with the revision it made.
   *
   * @param fresh whether it is to be a new sheet, none that is there
   * @param base the revision it was written from, if that is to be held against the newest
   * @throws InvalidTextException when it is no usable shorthand
   * @throws RefusedException when it calls itself otherwise, or a new one by a name that is taken
   */
  public SheetRevision saveShorthand(
      String key, String shorthand, boolean fresh, @Nullable Integer base) {
    stamps.now().require(Role.APPRENTICE, "Typing a chain");
    return save(key, previews.usable(shorthand), shorthand, fresh, base);
  }

  private SheetRevision save(
      String key, String text, @Nullable String shorthand, boolean fresh, @Nullable Integer base) {
    Sheet sheet = SheetValidator.read(text);
    if (!sheet.key().equals(key)) {
      throw RefusedException.unprocessable(
          "The sheet calls itself \"%s\" and was sent as \"%s\"; make the two one."
              .formatted(sheet.key(), key));
    }
    return transaction.execute(status -> keep(sheet, text, shorthand, fresh, base));
  }

  /** A revision as shorthand: as it was typed, else as it is written. */
  String shorthand(String key, int revision) {
    String typed = revision(key, revision).shorthand();
    return typed == null ? Shorthand.of(sheet(key, revision)) : typed;
  }

  private SheetRevision keep(
      Sheet sheet, String text, @Nullable String shorthand, boolean fresh, @Nullable Integer base) {
    String key = sheet.key();
    Stamp now = stamps.now();
    sheets.lock(key);
    Optional<SheetRevision> newest = sheets.newest(key);
    boolean same = newest.isPresent() && newest.get().text().equals(text);
    if (fresh && newest.isPresent() && !same) {
      throw RefusedException.conflict(
          "There is another sheet \"%s\"; give this one a key of its own, like \"key: %s-2\"."
              .formatted(key, key));
    }
    if (newest.isPresent() && !same) {
      Base.refuseOlder(
          base, newest.get().revision(), newest.get().createdBy(), r -> revision(key, r).text());
    }
    if (newest.isPresent() && !newest.get().createdBy().equals(now.by())) {
      now.require(Role.LEAD, "Revising another's sheet");
    }
    if (newest.isPresent() && sheets.withdrawn(key)) {
      throw RefusedException.conflict(
          "The sheet \"%s\" was withdrawn; a lead puts it back first, or give this one another key."
              .formatted(key));
    }
    if (same) {
      return newest.get();
    }
    int revision = newest.map(SheetRevision::revision).orElse(0) + 1;
    sheets.insert(
        key,
        revision,
        sheet.title(),
        sheet.family().toString(),
        text,
        shorthand,
        json.writeValueAsString(sheet),
        DigestUtils.sha256Hex(text),
        now);
    return revision(key, revision);
  }
}
