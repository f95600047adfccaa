package org.jollychain.server.sheet;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.network.CheckedSheet;
import org.jollychain.core.sheet.InvalidSheetException;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.server.platform.RefusedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps circuit sheets. */
@Service
public class SheetService {

  private final SheetMapper sheets;
  private final JsonMapper json;
  private final Clock clock;

  SheetService(SheetMapper sheets, JsonMapper json, Clock clock) {
    this.sheets = sheets;
    this.json = json;
    this.clock = clock;
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
        .orElseThrow(() -> RefusedException.notFound("There is no sheet \"%s\".".formatted(key)));
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
   * Saves a sheet as a new revision; the text that is newest already makes none.
   *
   * @throws InvalidSheetException when the text is no valid sheet
   * @throws RefusedException when the sheet calls itself otherwise
   */
  @Transactional
  public SheetRevision save(String key, String text) {
    Sheet sheet = CheckedSheet.read(text);
    if (!sheet.key().equals(key)) {
      throw RefusedException.unprocessable(
          "The sheet calls itself \"%s\" and was sent as \"%s\"; make the two one."
              .formatted(sheet.key(), key));
    }
    sheets.lock(key);
    Optional<SheetRevision> newest = sheets.newest(key);
    if (newest.isPresent() && newest.get().text().equals(text)) {
      return newest.get();
    }
    int revision = newest.map(SheetRevision::revision).orElse(0) + 1;
    sheets.insert(
        key,
        revision,
        sheet.title(),
        sheet.family().toString(),
        text,
        json.writeValueAsString(sheet),
        sha256(text),
        OffsetDateTime.now(clock));
    return revision(key, revision);
  }

  private static String sha256(String text) {
    try {
      return HexFormat.of()
          .formatHex(
              MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
