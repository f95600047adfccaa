package org.jollychain.core.visit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.core.partcheck.Inputs;
import org.jollychain.core.partcheck.InvalidInputsException;
import org.jollychain.core.partcheck.PartChecks;
import org.jollychain.core.sheet.Sheet;

/** What was checked on the bench in a visit, and what that is evidence of. */
public final class OnBench {

  private OnBench() {}

  /**
   * What a check says.
   *
   * @param told its key and what was typed: {@code duct-length: length=6 m; square=2}
   * @throws EvidenceException when there is no such check, or the figures cannot be
   */
  static CheckResult answer(String told) {
    String[] sides = told.split(":", 2);
    try {
      return PartChecks.answer(
          sides[0].strip(), sides.length < 2 ? Map.of() : Inputs.typed(sides[1]));
    } catch (InvalidInputsException | NoSuchElementException e) {
      throw new EvidenceException("value", e.getMessage());
    }
  }

  /**
   * What the diagnosis learns of it, a part's last check alone: a part that came out bad has failed
   * a test of its own, one that came out good has passed; what is doubtful is neither, nor is what
   * an earlier version of a check took and this one does not.
   */
  public static List<Inspection> findings(Sheet sheet, List<VisitEntry> entries) {
    String situation = sheet.situations().keySet().iterator().next();
    Map<String, Inspection.Finding> last = new LinkedHashMap<>();
    entries.stream()
        .filter(e -> e.kind() == VisitEntry.Kind.BENCHED)
        .forEach(e -> finding(e.value()).ifPresent(f -> last.put(e.subject(), f)));
    return last.entrySet().stream()
        .map(
            f ->
                new Inspection(
                    "bench " + f.getKey(), f.getKey(), situation, f.getValue(), Optional.empty()))
        .toList();
  }

  private static Optional<Inspection.Finding> finding(String told) {
    CheckResult result;
    try {
      result = answer(told);
    } catch (EvidenceException e) {
      return Optional.empty();
    }
    return switch (result.grade()) {
      case GOOD -> Optional.of(Inspection.Finding.BENCH_PASSED);
      case BAD -> Optional.of(Inspection.Finding.BENCH_FAILED);
      case DOUBTFUL, PLAIN -> Optional.empty();
    };
  }
}
