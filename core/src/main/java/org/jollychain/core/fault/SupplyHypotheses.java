package org.jollychain.core.fault;

import java.util.ArrayList;
import java.util.List;
import org.jollychain.core.network.Change;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Supply;
import org.jollychain.core.sheet.SupplySystem;

/** The ways in which what feeds a unit may be at fault. */
final class SupplyHypotheses {

  private static final double[] LOW = {0.75, 0.85};
  private static final double HIGH = 1.12;
  private static final double SUPPLY_LOG_SD = 0.04;

  private SupplyHypotheses() {}

  static List<Hypothesis> of(Sheet sheet) {
    List<Hypothesis> all = new ArrayList<>();
    List<String> outer = sheet.supply().currentTerminals();
    List<String> live =
        outer.stream().filter(t -> !t.equals("neutral") && !t.equals("minus")).toList();
    addSupply(
        all,
        SupplyFault.DEAD,
        1,
        live.stream().map(t -> Change.open(Supply.conductor(t))).toList());
    for (double low : LOW) {
      addSupply(all, SupplyFault.LOW, LOW.length, sources(outer, low));
    }
    addSupply(all, SupplyFault.HIGH, 1, sources(outer, HIGH));
    boolean twoLegs =
        sheet.supply().system() == SupplySystem.SPLIT_PHASE
            || sheet.supply().system() == SupplySystem.WYE_PAIR;
    if (twoLegs) {
      for (String leg : live) {
        addSupply(
            all, SupplyFault.DEAD_LEG, live.size(), List.of(Change.open(Supply.conductor(leg))));
      }
    }
    if (twoLegs && sheet.supply().terminals().containsKey("neutral")) {
      addSupply(
          all, SupplyFault.OPEN_NEUTRAL, 1, List.of(Change.open(Supply.conductor("neutral"))));
    }
    if (sheet.supply().system() == SupplySystem.SPLIT_PHASE) {
      // the second leg of a wye lags by 120 degrees where a split phase has it at 180
      addSupply(
          all,
          SupplyFault.WRONG_SYSTEM,
          1,
          List.of(Change.source(Supply.conductor("line2"), Complex.polar(1, Math.PI / 3))));
    }
    return all;
  }

  private static List<Change> sources(List<String> terminals, double factor) {
    return terminals.stream()
        .map(t -> Change.source(Supply.conductor(t), Complex.of(factor)).spread(SUPPLY_LOG_SD))
        .toList();
  }

  private static void addSupply(
      List<Hypothesis> all, SupplyFault kind, int among, List<Change> changes) {
    all.add(
        new Hypothesis(
            Hypothesis.Kind.FAULTY,
            List.of(new Fault.OfSupply(kind, changes)),
            BaseRates.share(kind) / among));
  }
}
