package org.jollychain.core.inference;

import java.util.List;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Supply;

/**
 * What a probe shows where there should be nothing. Leads pick up a little; what a dead conductor
 * still shows is a ghost, though what hangs on it ties it down; and where no conductor brings
 * anything, the terminals show no ghosts but a volt or two. Across one link there is nothing to
 * pick up. Every figure is common practice, no source.
 */
public final class GhostModel {

  /** What is left of a ghost that has bled, as a share of the supply's volts. */
  static final double REST_SHARE = 0.012;

  /** What leads pick up anywhere, one standard deviation, as a share of the supply's volts. */
  private static final double HUM_SHARE = 0.0012;

  /** Less than this of the supply's volts is nothing. */
  private static final double NOTHING_SHARE = 0.03;

  /**
   * Dust, damp and the strays of the house move a wire that is held by more than this share of what
   * the meter itself is.
   */
  private static final double HELD = 0.2;

  /** How much of nothing is a ghost. */
  private static final double PICKED_UP = 0.3;

  private final Supply supply;
  private final boolean picksUp;
  private final boolean atTerminals;

  GhostModel(Sheet sheet, Probe probe) {
    this.supply = sheet.supply();
    this.picksUp =
        probe.function() == MeterFunction.VOLTS_AC
            && probe.part().map(sheet::part).filter(Part::actsAsLink).isEmpty();
    this.atTerminals = probe.atTerminals(sheet);
  }

  /**
   * How much of a reading is a ghost.
   *
   * @param volts expected (V)
   * @param floating the share by the impedance behind it
   */
  double floating(List<Change> changes, double volts, double floating) {
    if (!nothing(volts)) {
      return floating / (floating + HELD * (1 - floating));
    }
    if (dead(changes)) {
      return PICKED_UP;
    }
    return unfed(changes) > 0 ? 1 : Math.max(PICKED_UP, floating);
  }

  /** What shows where there is nothing, one standard deviation (V). */
  double rest(List<Change> changes, double volts) {
    return nothing(volts) ? (dead(changes) ? REST_SHARE : HUM_SHARE) * supply.volts() : 0;
  }

  private boolean nothing(double volts) {
    return picksUp && volts < NOTHING_SHARE * supply.volts();
  }

  private boolean dead(List<Change> changes) {
    return atTerminals && dead(supply, changes);
  }

  /** Whether no line of a supply brings anything. */
  public static boolean dead(Supply supply, List<Change> changes) {
    return unfed(changes) >= supply.lines().size();
  }

  /** How many lines bring nothing. */
  private static long unfed(List<Change> changes) {
    return changes.stream()
        .filter(c -> c instanceof Change.InBranch b && b.unfeeds())
        .map(Change::branch)
        .filter(branch -> !branch.equals(Supply.conductor("neutral")))
        .distinct()
        .count();
  }
}
