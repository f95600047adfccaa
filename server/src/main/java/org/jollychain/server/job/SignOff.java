package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import org.jollychain.core.visit.CauseSearch;
import org.jollychain.core.visit.Progress;
import org.jollychain.core.visit.Step;
import org.jollychain.core.visit.Visit;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.platform.RefusedException;

/** What has to be so before a visit is signed off in one way or another. */
final class SignOff {

  private SignOff() {}

  /**
   * @throws RefusedException when something is missing; it says all that is
   */
  static void refuseUnlessReady(Job.ClosedAs as, JobView view) {
    List<String> missing =
        switch (as) {
          case REPAIRED -> repaired(view);
          case NOT_REPRODUCED -> notReproduced(view);
          case MADE_SAFE, DECLINED -> closedUp(view.visit());
          case UNSAID -> List.of();
        };
    if (!missing.isEmpty()) {
      throw RefusedException.unprocessable(
          "It cannot be signed off as %s yet: %s."
              .formatted(as.toString().replace('-', ' '), String.join("; ", missing)));
    }
  }

  private static List<String> repaired(JobView view) {
    List<String> missing = new ArrayList<>(closedUp(view.visit()));
    CauseSearch.State cause = view.visit().cause().state();
    if (cause == CauseSearch.State.ASK || cause == CauseSearch.State.NOTHING_LEFT) {
      missing.add("say why the link opened, or why no cause was found");
    }
    if (state(view, Step.PUT_RIGHT) != Progress.State.DONE) {
      missing.add("say what was put right");
    }
    if (state(view, Step.PROVE) != Progress.State.DONE) {
      missing.add("every proof has to hold");
    }
    return missing;
  }

  private static List<String> notReproduced(JobView view) {
    List<String> missing = new ArrayList<>(closedUp(view.visit()));
    if (view.assessment().leading().confirmed()) {
      missing.add("the %s failed its own test".formatted(view.assessment().leading().title()));
    }
    return missing;
  }

  private static List<String> closedUp(Visit visit) {
    return visit.accesses().stream()
        .filter(a -> a.answer().equals(VisitEntry.YES))
        .map(a -> "close again what was opened: " + a.title())
        .toList();
  }

  private static Progress.State state(JobView view, Step step) {
    return view.visit().progress().get(step.ordinal()).state();
  }
}
