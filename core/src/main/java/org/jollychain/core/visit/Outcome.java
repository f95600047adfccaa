package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.quantity.Kebab;

/** How a visit ended, and what has to be so before it may. */
public enum Outcome {
  /** Not yet, or nothing was said. */
  UNSAID,
  REPAIRED,
  MADE_SAFE,
  /** No test failed: suspects are named, and somebody comes back. */
  NOT_REPRODUCED,
  /** Nobody complained: it was looked over, its limits and times tried. */
  SERVICE,
  DECLINED;

  /**
   * All that is missing, in words; nothing where it may be signed off so.
   *
   * @param struck whether something that was read or seen on the visit was struck out since
   */
  public List<String> missing(Visit visit, Assessment.Leading leading, boolean struck) {
    List<String> missing = new ArrayList<>();
    if (this != UNSAID) {
      visit.accesses().stream()
          .filter(a -> a.answer().equals(VisitEntry.YES))
          .forEach(a -> missing.add("close again what was opened: " + a.title()));
    }
    if (this == REPAIRED) {
      Progress confirm = visit.progress().get(Step.CONFIRM.ordinal());
      if (struck && !visit.renewed().isEmpty() && confirm.state() == Progress.State.DOUBTFUL) {
        missing.add(
            confirm.note()
                + " since its reading was struck out: read it again, or check the old part on the bench");
      }
      CauseSearch.State cause = visit.cause().state();
      if (cause == CauseSearch.State.ASK || cause == CauseSearch.State.NOTHING_LEFT) {
        missing.add("say why the link opened, or why no cause was found");
      }
      List<String> unsaid =
          Stream.concat(
                  visit.sets().stream().flatMap(Outcome::unsaid),
                  visit.renewed().stream().filter(r -> !r.settled()).map(Outcome::rating))
              .toList();
      if (!done(visit, Step.PUT_RIGHT) && unsaid.isEmpty()) {
        missing.add("say what was put right");
      }
      missing.addAll(unsaid);
      if (!done(visit, Step.PROVE)) {
        missing.add("every proof has to hold");
      }
    }
    if ((this == NOT_REPRODUCED || this == SERVICE) && leading.confirmed()) {
      missing.add("the %s failed its own test".formatted(leading.title()));
    }
    if (this == SERVICE && visit.proofs().stream().anyMatch(p -> p.answer().isEmpty())) {
      missing.add("every proof has to be tried");
    }
    return missing;
  }

  /** Once the part that failed was renewed, what goes with it is, or stays in for a reason. */
  private static Stream<String> unsaid(PartSet set) {
    return set.members().get(0).open()
        ? Stream.of()
        : set.open().stream()
            .map(
                m ->
                    "say whether the %s was renewed with the %s, or why it stays in"
                        .formatted(m.title(), set.title()));
  }

  private static String rating(Visit.Renewal renewed) {
    return "say that the new %s bears what the old one bears, or that the maker's list names it for this model"
        .formatted(renewed.title());
  }

  private static boolean done(Visit visit, Step step) {
    return visit.progress().get(step.ordinal()).state() == Progress.State.DONE;
  }

  @Override
  public String toString() {
    return this == UNSAID ? "" : Kebab.of(this);
  }
}
