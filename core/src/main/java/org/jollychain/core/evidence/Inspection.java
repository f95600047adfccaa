package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;

/**
 * A part looked at, or moved by hand.
 *
 * @param finding what was found
 */
public record Inspection(
    String id, String part, String situation, Finding finding, Optional<Instant> at)
    implements Evidence {

  /** What one may find. */
  public enum Finding {
    /** A terminal or the part itself is burnt or browned. */
    BURNT,
    /** Visibly broken, a wire off, a coil parted. */
    BROKEN,
    /** The lever, float or button does not move freely. */
    JAMMED,
    /** The switch makes no click. */
    NO_CLICK,
    /** The reset button stands out. */
    RESET_OUT,
    /** The reset button was pressed in; what had tripped holds again, until it trips again. */
    RESET_PRESSED,
    /** It was left to cool for a quarter of an hour. */
    COOLED,
    /** The power was taken off and put on again, which may clear the control's logic. */
    POWER_CYCLED,
    /** What is read jumps when its terminals are moved. */
    JUMPS_WHEN_MOVED,
    /** It looks and moves as it should. */
    LOOKS_SOUND,
    /** Taken out and checked by itself, it failed. */
    BENCH_FAILED,
    /** Taken out and checked by itself, it did as it should. */
    BENCH_PASSED;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /** Whether something was found on a part. */
  public static boolean found(Finding what, String part, List<? extends Evidence> evidence) {
    return evidence.stream()
        .anyMatch(e -> e instanceof Inspection i && i.part.equals(part) && i.finding == what);
  }

  /**
   * Makes an inspection of this sheet.
   *
   * @throws EvidenceException when the part is not on the sheet or the finding is none
   */
  public static Inspection on(
      Sheet sheet, String id, String part, String situation, String finding, Optional<Instant> at) {
    Entry.checkSituation(situation, sheet);
    Part found = sheet.parts().get(part);
    if (found == null) {
      throw new EvidenceException(
          "part",
          "there is no part \"%s\" on this sheet%s"
              .formatted(part, Nearest.suggestion(part, sheet.parts().keySet())));
    }
    return new Inspection(
        id,
        part,
        situation,
        Kebab.read(Finding.class, finding)
            .orElseThrow(
                () ->
                    new EvidenceException(
                        "value",
                        "\"%s\" is no finding; there are %s"
                            .formatted(finding, List.of(Finding.values())))),
        at);
  }

  @Override
  public String canonical() {
    return "2 %s %s %s".formatted(part, finding, id);
  }

  @Override
  public <R> R as(Kinds<R> kinds) {
    return kinds.inspection(this);
  }
}
