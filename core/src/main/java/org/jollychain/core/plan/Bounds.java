package org.jollychain.core.plan;

import java.util.List;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** What keeps a question from being asked: permit, method, reach, what was skipped, and harm. */
final class Bounds {

  private final UnitModel unit;
  private final Sheet sheet;
  private final Policy policy;
  private final List<Complaint> told;
  private final boolean unsafe;

  /**
   * @param unsafe whether nobody should put power on
   */
  Bounds(UnitModel unit, Policy policy, List<Complaint> told, boolean unsafe) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.policy = policy;
    this.told = told;
    this.unsafe = unsafe;
  }

  /** Whether a complaint is of this situation. */
  boolean complainedIn(String situation) {
    return told.stream().anyMatch(c -> c.situation().equals(situation));
  }

  /** Whether it does no harm, was not skipped, and probes and unit get there. */
  boolean possible(Question question) {
    return !powers(question)
        && !skipped(question)
        && reached(question)
        && comesAbout(sheet.situation(question.situation()));
  }

  /**
   * Whether the unit gets there: nothing gets hot where what should run before stands still, as it
   * is complained of.
   */
  boolean comesAbout(Situation situation) {
    if (complainedIn(situation.id()) || situation.after().isEmpty()) {
      return true;
    }
    Situation before = sheet.situation(situation.after().get());
    return told.stream()
            .filter(c -> c.how() == Complaint.How.ALWAYS)
            .flatMap(c -> c.notRunning().stream())
            .noneMatch(load -> unit.runs(load, unit.in(before.id())))
        && comesAbout(before);
  }

  private boolean skipped(Question question) {
    return !policy.skipped().isEmpty() && policy.skipped().contains(question.id());
  }

  /** Whether probes get to all the points of a question. */
  private boolean reached(Question question) {
    if (question instanceof Question.Measure m && !m.at().function().clamps()) {
      return !policy.unreachable().contains(m.at().red())
          && !policy.unreachable().contains(m.at().black())
          && m.at().liftedAt().stream().noneMatch(policy.unreachable()::contains);
    }
    return true;
  }

  /** Whether it would put power on where nobody should. */
  boolean powers(Question question) {
    return unsafe && !question.asItStands() && sheet.situation(question.situation()).supplyOn();
  }

  /** Whether method and permit have it; what is put on again is only for a suspect. */
  boolean allow(Question question) {
    if (!(question instanceof Question.Measure m)) {
      return true;
    }
    if (m.reseated()) {
      return false;
    }
    Probe probe = m.at();
    if (!sheet.situation(probe.situation()).supplyOn()) {
      return policy.method() == Method.MIXED
          || policy.method() == Method.ISOLATED_OHMS
          || !policy.livePermit();
    }
    if (!policy.livePermit()) {
      return false;
    }
    boolean volts = probe.function().dimension() == Dimension.VOLTS;
    boolean supply = probe.atTerminals(sheet);
    return switch (policy.method()) {
      case MIXED -> true;
      case ISOLATED_OHMS -> false;
      case LIVE_DROPS -> supply || probe.part().isPresent();
      case LIVE_TO_REFERENCE -> supply || !volts || probe.part().isEmpty();
    };
  }
}
