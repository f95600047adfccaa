package org.jollychain.core.visit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.stream.Stream;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.Watch;
import org.jollychain.core.partcheck.CheckResult;
import org.jollychain.core.partcheck.Inputs;
import org.jollychain.core.partcheck.InvalidInputsException;
import org.jollychain.core.partcheck.PartCheck;
import org.jollychain.core.partcheck.PartChecks;

/**
 * What of an entry counts as the outcome of a check of the guide without being told as one: a run
 * that was watched and shows a pattern, figures that were typed on the bench.
 */
final class DerivedChecks {

  private DerivedChecks() {}

  /** All entries, those that amount to checks as such. */
  static List<VisitEntry> of(Guide guide, List<VisitEntry> entries) {
    return entries.stream()
        .flatMap(
            e ->
                switch (e.kind()) {
                  case WATCHED -> watched(guide, e);
                  case COMPUTED -> computed(guide, e);
                  default -> Stream.of(e);
                })
        .toList();
  }

  private static Stream<VisitEntry> watched(Guide guide, VisitEntry e) {
    Watch watch = guide.watches().get(e.subject());
    return watch == null
        ? Stream.of(e)
        : Timeline.seen(watch, Timeline.run(watch, e.value()))
            .flatMap(p -> p.countsAs().stream())
            .map(c -> new VisitEntry(VisitEntry.Kind.CHECK, c.check(), c.outcome()));
  }

  private static Stream<VisitEntry> computed(Guide guide, VisitEntry e) {
    Check check = guide.checks().get(e.subject());
    return check == null
        ? Stream.of(e)
        : Stream.of(new VisitEntry(VisitEntry.Kind.CHECK, e.subject(), computed(check, e.value())));
  }

  /**
   * The outcome that the bench picks.
   *
   * @param typed its inputs: {@code length=6 m; square=2}
   * @throws EvidenceException when the check is not one that figures decide, or they cannot be
   */
  static String computed(Check check, String typed) {
    Check.Bench bench =
        check
            .bench()
            .orElseThrow(
                () ->
                    new EvidenceException(
                        "subject", "\"%s\" is not decided by figures".formatted(check.title())));
    Map<String, String> inputs = new LinkedHashMap<>();
    for (String one : typed.split(";")) {
      String[] sides = one.split("=", 2);
      if (sides.length == 2) {
        inputs.put(sides[0].strip(), sides[1].strip());
      }
    }
    try {
      PartCheck made = PartChecks.withKey(bench.key());
      CheckResult answer = made.answer(Inputs.of(made.card(), inputs));
      String grade = answer.grade().toString();
      String outcome =
          bench.outcomes().getOrDefault(grade, bench.outcomes().getOrDefault("bad", ""));
      if (answer.grade() == CheckResult.Grade.PLAIN) {
        throw new EvidenceException(
            "value",
            "these figures say what is, not whether it is right; give what is due as well");
      }
      return outcome;
    } catch (InvalidInputsException | NoSuchElementException e) {
      throw new EvidenceException("value", e.getMessage());
    }
  }
}
