package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.Optional;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;

/**
 * What the unit's own display shows.
 *
 * @param code one of the sheet's codes; empty where it shows none
 * @param shownAs what this unit displays for it, where that is another than the sheet's
 */
public record CodeShown(
    String id,
    Optional<String> code,
    Optional<String> shownAs,
    String situation,
    Optional<Instant> at)
    implements Evidence {

  private static final String NONE = "none";

  /** Between the sheet's code and what the unit displays for it. */
  private static final String SHOWN_AS = " shown as ";

  /** One that is displayed as the sheet has it. */
  public CodeShown(String id, Optional<String> code, String situation, Optional<Instant> at) {
    this(id, code, Optional.empty(), situation, at);
  }

  /** How it is kept that a unit displays another code than the sheet: {@code E4 shown as F31}. */
  public static String shownAs(String code, String displayed) {
    return code + SHOWN_AS + displayed.strip();
  }

  /** Whether it is one of the codes of a sheet, or {@code none}. */
  public static boolean known(Sheet sheet, String shown) {
    return shown.strip().equalsIgnoreCase(NONE) || of(sheet, shown).isPresent();
  }

  private static Optional<String> of(Sheet sheet, String shown) {
    String code = shown.split(SHOWN_AS, 2)[0].strip();
    return sheet.codes().keySet().stream().filter(code::equalsIgnoreCase).findFirst();
  }

  /**
   * Makes it evidence of this sheet.
   *
   * @param shown a code of the sheet, {@code E4 shown as F31}, or {@code none}
   * @throws EvidenceException when the sheet has no such code
   */
  public static CodeShown on(
      Sheet sheet, String id, String situation, String shown, Optional<Instant> at) {
    Entry.checkSituation(situation, sheet);
    if (sheet.codes().isEmpty()) {
      throw new EvidenceException("value", "this sheet lists no codes; add \"codes\" to it first");
    }
    if (!known(sheet, shown)) {
      throw new EvidenceException(
          "value",
          "there is no code \"%s\" on this sheet%s; say first what it means on this unit"
              .formatted(shown, Nearest.suggestion(shown, sheet.codes().keySet())));
    }
    String[] halves = shown.split(SHOWN_AS, 2);
    return new CodeShown(
        id,
        of(sheet, shown),
        halves.length > 1 ? Optional.of(halves[1].strip()) : Optional.empty(),
        situation,
        at);
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
