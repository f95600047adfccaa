package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.List;
import org.jollychain.core.network.Change;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/**
 * The ways in which what feeds a unit may be at fault. Upstream of the terminals each conductor is
 * sound, a bad joint or open, and has neighbours: the other loads of the house divide the volts of
 * two legs whose neutral is gone, and pull down a leg that is dead. What is not known of them is a
 * grid, each step with its width over the square root of twelve. Which states and how wide: common
 * practice, no source.
 */
final class SupplyHypotheses {

  private static final double[] LOW = {0.45, 0.53, 0.62, 0.73, 0.86};
  private static final double[] HIGH = {1.13, 1.22, 1.33};

  /** A control transformer that is hardly loaded stands well above its nominal volts. */
  private static final double[] HIGH_OF_TRANSFORMER = {1.25, 1.4};

  private static final double SUPPLY_LOG_SD = 0.045;

  /** What is low is often soft as well (ohm). */
  private static final double SAGGING_OHMS = 0.8;

  private static final double SAGGING_LOG_SD = 0.7;

  /** A joint ahead of the terminals (ohm), right without load. */
  private static final double[] JOINT_OHMS = {0.6, 2, 6, 20, 60, 200, 1e3, 6e3};

  private static final double JOINT_LOG_SD = 0.34;

  /** One with more takes most of what any heater needs. */
  private static final double MOST_OF_IT_OHMS = 10;

  /** One with more is as good as open. */
  private static final double ALL_OF_IT_OHMS = 2e3;

  /** What else hangs on a dead leg (ohm). */
  private static final double[] NEIGHBOURS_OHMS = {4, 30, 250, 2e3};

  private static final double NEIGHBOURS_LOG_SD = 0.6;

  /** The share of the volts between the legs that one leg gets where the neutral is gone. */
  private static final double[] SPLITS = {0.03, 0.08, 0.13, 0.19, 0.25, 0.31, 0.37, 0.42, 0.45};

  private static final double SPLIT_SD = 0.02;

  private final Sheet sheet;
  private final List<String> live;
  private final List<Hypothesis> all = new ArrayList<>();

  private SupplyHypotheses(Sheet sheet) {
    this.sheet = sheet;
    this.live = sheet.supply().lines();
  }

  static List<Hypothesis> of(Sheet sheet) {
    SupplyHypotheses supply = new SupplyHypotheses(sheet);
    supply.dead();
    supply.levels();
    if (supply.live.size() > 1) {
      supply.legs();
    }
    if (sheet.supply().system() == SupplySystem.SINGLE_PHASE) {
      supply.joints(SupplyFault.LOW, sheet.supply().currentTerminals(), 0.5);
      supply.swapped();
    }
    return supply.all;
  }

  /** No source at all, or the lines open ahead of the terminals. */
  private void dead() {
    add(SupplyFault.DEAD, 0.6, sources(Complex.ZERO));
    add(SupplyFault.DEAD, 0.4, live.stream().map(t -> Change.open(Supply.conductor(t))).toList());
  }

  private void levels() {
    boolean dc = sheet.supply().dc();
    for (double low : LOW) {
      double share = (dc ? 1 : 0.5) / LOW.length;
      List<Change> sagging = new ArrayList<>(sources(Complex.of(low)));
      sagging.add(
          Change.dropping(Supply.conductor(sheet.supply().system().outward()), SAGGING_OHMS)
              .spread(SAGGING_LOG_SD));
      add(SupplyFault.LOW, 0.6 * share, sources(Complex.of(low)));
      add(SupplyFault.LOW, 0.4 * share, sagging);
    }
    double[] high =
        sheet.supply().system() == SupplySystem.TRANSFORMER ? HIGH_OF_TRANSFORMER : HIGH;
    for (double factor : high) {
      add(SupplyFault.HIGH, 1.0 / high.length, sources(Complex.of(factor)));
    }
  }

  private void legs() {
    for (String leg : live) {
      Change open = Change.open(Supply.conductor(leg));
      add(SupplyFault.DEAD_LEG, 0.5 / live.size(), List.of(open));
      for (double ohms : NEIGHBOURS_OHMS) {
        Change neighbours = Change.leak(Supply.conductor(leg), 1, ohms).spread(NEIGHBOURS_LOG_SD);
        double share = 0.2 / NEIGHBOURS_OHMS.length / live.size();
        add(SupplyFault.DEAD_LEG, share, List.of(open, neighbours));
      }
    }
    joints(SupplyFault.DEAD_LEG, live, 0.3);
    if (sheet.supply().terminals().containsKey("neutral")) {
      Change open = Change.open(Supply.conductor("neutral"));
      add(SupplyFault.OPEN_NEUTRAL, 0.35, List.of(open));
      joints(SupplyFault.OPEN_NEUTRAL, List.of("neutral"), 0.15);
      for (double split : SPLITS) {
        split(split, 1 - split);
        split(1 - split, split);
      }
    }
    if (sheet.supply().system() == SupplySystem.SPLIT_PHASE) {
      // the second leg of a wye lags by 120 degrees where a split phase has it at 180
      add(
          SupplyFault.WRONG_SYSTEM,
          1,
          List.of(Change.source(Supply.conductor("line2"), Complex.polar(1, Math.PI / 3))));
    }
  }

  /** The neutral gone upstream, where earth goes with it: each leg gets its share of the volts. */
  private void split(double first, double second) {
    add(
        SupplyFault.OPEN_NEUTRAL,
        0.25 / SPLITS.length,
        List.of(leg("line1", first, SPLIT_SD), leg("line2", second, -SPLIT_SD)));
  }

  /**
   * @param sd of the share; what one leg gains the other loses
   */
  private static Change leg(String terminal, double share, double sd) {
    return Change.source(Supply.conductor(terminal), Complex.of(2 * share)).spread(sd / share);
  }

  /** A joint that gives way under load; one that takes nearly all is called as if it were open. */
  private void joints(SupplyFault kind, List<String> terminals, double share) {
    for (String terminal : terminals) {
      for (double ohms : JOINT_OHMS) {
        add(
            jointed(kind, ohms),
            share / terminals.size() / JOINT_OHMS.length,
            List.of(Change.dropping(Supply.conductor(terminal), ohms).spread(JOINT_LOG_SD)));
      }
    }
  }

  private static SupplyFault jointed(SupplyFault kind, double ohms) {
    if (kind == SupplyFault.DEAD_LEG && ohms < MOST_OF_IT_OHMS) {
      return SupplyFault.LOW;
    }
    return kind == SupplyFault.LOW && ohms > ALL_OF_IT_OHMS ? SupplyFault.DEAD : kind;
  }

  /** The neutral brings the volts, and the line is at earth. */
  private void swapped() {
    if (sheet.supply().bonded().filter("neutral"::equals).isPresent()) {
      add(
          SupplyFault.SWAPPED,
          1,
          List.of(
              Change.source(Supply.conductor("line1"), Complex.ZERO),
              Change.driven(Supply.conductor("neutral"), sheet.supply().volts())));
    }
  }

  private List<Change> sources(Complex factor) {
    return sheet.supply().currentTerminals().stream()
        .map(t -> Change.source(Supply.conductor(t), factor).spread(SUPPLY_LOG_SD))
        .toList();
  }

  private void add(SupplyFault kind, double share, List<Change> changes) {
    all.add(
        new Hypothesis(
            Hypothesis.Kind.FAULTY,
            List.of(new Fault.OfSupply(kind, changes)),
            BaseRates.share(kind) * share));
  }
}
