package org.jollychain.core.evidence;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;

/**
 * A load seen to run, to run weakly, or not to run.
 *
 * @param part the load
 */
public record Observation(String id, String part, String situation, Runs runs, Optional<Instant> at)
    implements Evidence {

  /**
   * Makes an observation of this sheet.
   *
   * @param runs {@code yes}, {@code weakly} or {@code no}
   * @throws EvidenceException when a name is not on the sheet
   */
  public static Observation on(
      Sheet sheet, String id, String part, String situation, String runs, Optional<Instant> at) {
    Entry.checkSituation(situation, sheet);
    Part load = sheet.parts().get(part);
    if (load == null || !load.actsAsLoad()) {
      List<String> loads =
          sheet.parts().values().stream().filter(Part::actsAsLoad).map(Part::id).toList();
      throw new EvidenceException(
          "part",
          "\"%s\" is no load of this sheet; there are %s"
              .formatted(part, String.join(", ", loads)));
    }
    return new Observation(
        id,
        part,
        situation,
        Kebab.read(Runs.class, runs)
            .orElseThrow(
                () ->
                    new EvidenceException(
                        "value", "\"%s\" should be yes, weakly or no".formatted(runs))),
        at);
  }

  /** How a load runs. */
  public enum Runs {
    YES,
    WEAKLY,
    NO;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  @Override
  public String canonical() {
    return "0 %s %s %s %s".formatted(situation, part, runs, id);
  }

  @Override
  public <R> R as(Kinds<R> kinds) {
    return kinds.observation(this);
  }
}
