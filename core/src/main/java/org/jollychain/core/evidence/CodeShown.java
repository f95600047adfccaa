package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.Optional;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;

/**
 * What the unit's own display shows.
 *
 * @param code one of the sheet's codes; empty where it shows none
 */
public record CodeShown(String id, Optional<String> code, String situation, Optional<Instant> at)
    implements Evidence {

  private static final String NONE = "none";

  /**
   * Makes it evidence of this sheet.
   *
   * @param shown a code as displayed, or {@code none}
   * @throws EvidenceException when the sheet has no such code
   */
  public static CodeShown on(
      Sheet sheet, String id, String situation, String shown, Optional<Instant> at) {
    Entry.checkSituation(situation, sheet);
    if (sheet.codes().isEmpty()) {
      throw new EvidenceException("value", "this sheet lists no codes; add \"codes\" to it first");
    }
    Optional<String> code =
        sheet.codes().keySet().stream().filter(shown.strip()::equalsIgnoreCase).findFirst();
    if (code.isEmpty() && !shown.strip().equalsIgnoreCase(NONE)) {
      throw new EvidenceException(
          "value",
          "there is no code \"%s\" on this sheet%s"
              .formatted(shown, Nearest.suggestion(shown, sheet.codes().keySet())));
    }
    return new CodeShown(id, code, situation, at);
  }

  @Override
  public String canonical() {
    return "3 %s %s %s".formatted(situation, code.orElse(""), id);
  }

  @Override
  public <R> R as(Kinds<R> kinds) {
    return kinds.code(this);
  }
}
