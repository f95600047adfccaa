package org.jollychain.core.diagnosis;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;

/**
 * What most likely happened to a reading that does not fit the leading explanation: the probe
 * touched nothing, or stood on the next point.
 */
final class SlipReason {

  /** Less of the supply's volts is nothing. */
  private static final double NOTHING_SHARE = 0.02;

  private static final double SOMETHING_SHARE = 0.1;
  private static final double NEAR_SHARE = 0.03;

  private final UnitModel unit;
  private final Sheet sheet;
  private final Posterior.Entry leader;

  SlipReason(UnitModel unit, Posterior.Entry leader) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.leader = leader;
  }

  Flag of(Reading r) {
    if (touchedNothing(r)) {
      return new Flag(
          Flag.Kind.NO_CONTACT,
          List.of(r.id()),
          "%s looks like a probe that touched nothing: press both onto bare metal and read it again."
              .formatted(Wording.said(sheet, r)));
    }
    return nextPoint(r)
        .map(
            point ->
                new Flag(
                    Flag.Kind.NEXT_POINT,
                    List.of(r.id()),
                    "%s fits a probe that stood at %s: look where it is, and read it again."
                        .formatted(Wording.said(sheet, r), point)))
        .orElseGet(
            () ->
                new Flag(
                    Flag.Kind.SLIP,
                    List.of(r.id()),
                    "%s does not fit the rest: repeat it with firm contact."
                        .formatted(Wording.said(sheet, r))));
  }

  /** Nothing, where the leading explanation has something. */
  private boolean touchedNothing(Reading r) {
    double due = Math.abs(expected(r, r.probe()));
    return r.probe().function().needsDeadCircuit()
        ? r.shown() instanceof Shown.OverLimit && due < r.meter().overLimitOhms()
        : r.shown() instanceof Shown.Figure f
            && Math.abs(f.value()) < NOTHING_SHARE * sheet.supply().volts()
            && due > SOMETHING_SHARE * sheet.supply().volts();
  }

  /** The point beside one of its own at which it would have been right. */
  private Optional<String> nextPoint(Reading r) {
    if (!(r.shown() instanceof Shown.Figure f) || r.probe().function().clamps()) {
      return Optional.empty();
    }
    return r.probe()
        .displaced(sheet)
        .filter(
            there -> {
              double due = expected(r, there.probe());
              return Math.abs(due) > SOMETHING_SHARE * Math.abs(f.value())
                  && Math.abs(due - f.value()) < NEAR_SHARE * Math.abs(f.value());
            })
        .map(Probe.Displaced::point)
        .findFirst();
  }

  private double expected(Reading r, Probe probe) {
    List<Change> changes = leader.hypothesis().changesIn(sheet.situation(r.situation()));
    return r.meter().read(unit.in(r.situation(), probe.conditions(sheet, changes)), probe);
  }
}
