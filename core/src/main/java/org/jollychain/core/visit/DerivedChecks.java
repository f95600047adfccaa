package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.Watch;
import org.jollychain.core.partcheck.CheckResult;

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

  /** The same, of a check that was answered again the last answer alone. */
  static List<VisitEntry> latest(Guide guide, List<VisitEntry> entries) {
    List<VisitEntry> all = of(guide, entries);
    Map<String, VisitEntry> last = new HashMap<>();
    all.stream()
        .filter(e -> e.kind() == VisitEntry.Kind.CHECK)
        .forEach(e -> last.put(e.subject(), e));
    return all.stream()
        .filter(e -> e.kind() != VisitEntry.Kind.CHECK || last.get(e.subject()) == e)
        .toList();
  }

  /** What was answered, in the order in which it was asked. */
  static List<CauseSearch.Answered> answered(Guide guide, List<VisitEntry> entries) {
    Map<String, List<String>> outcomes = new LinkedHashMap<>();
    of(guide, entries).stream()
        .filter(e -> e.kind() == VisitEntry.Kind.CHECK && guide.checks().containsKey(e.subject()))
        .forEach(e -> outcomes.computeIfAbsent(e.subject(), k -> new ArrayList<>()).add(e.value()));
    return outcomes.entrySet().stream()
        .map(
            e -> {
              Check check = guide.checks().get(e.getKey());
              String last = e.getValue().get(e.getValue().size() - 1);
              return new CauseSearch.Answered(
                  check.id(),
                  check.title(),
                  check.outcomes(),
                  last,
                  e.getValue().stream()
                      .filter(o -> !o.equals(last))
                      .distinct()
                      .map(check.outcomes()::get)
                      .toList());
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
    if (check == null) {
      return Stream.of(e);
    }
    try {
      String outcome = computed(check, e.value());
      return Stream.of(new VisitEntry(VisitEntry.Kind.CHECK, e.subject(), outcome));
    } catch (EvidenceException earlier) {
      // an earlier version of the bench took these figures and this one does not
      return Stream.empty();
    }
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
    CheckResult answer = OnBench.answer(bench.key() + ": " + typed);
    if (answer.grade() == CheckResult.Grade.PLAIN) {
      throw new EvidenceException(
          "value", "these figures say what is, not whether it is right; give what is due as well");
    }
    String bad = bench.outcomes().getOrDefault("bad", "");
    return bench.outcomes().getOrDefault(answer.grade().toString(), bad);
  }
}
