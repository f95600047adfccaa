package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.FaultSweep;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Situation;

/** The hypotheses in one situation: those that change the same in its circuit are one fault. */
public final class DistinctFaults {

  /** Of a severity in many steps, one in so many stands for its neighbours. */
  private static final int STEPS_TOGETHER = 6;

  private final int[] of;
  private final int[] likeliest;
  private final List<List<Change>> changes;
  private final FaultSweep sweep;

  DistinctFaults(UnitModel unit, Situation situation, List<Hypothesis> hypotheses) {
    this(unit, situation, hypotheses, each(hypotheses.size()));
  }

  /**
   * Fewer faults, for where their number would make the work too much: a few steps of each severity
   * stand for all of them, and of two opens the first.
   */
  public static DistinctFaults coarse(
      UnitModel unit, Situation situation, List<Hypothesis> hypotheses) {
    return new DistinctFaults(unit, situation, hypotheses, standIns(hypotheses));
  }

  private DistinctFaults(
      UnitModel unit, Situation situation, List<Hypothesis> hypotheses, int[] standIn) {
    Map<List<Change>, Integer> known = new LinkedHashMap<>();
    this.of = new int[hypotheses.size()];
    for (int i = 0; i < of.length; i++) {
      List<Change> here = hypotheses.get(standIn[i]).changesIn(situation);
      of[i] = known.computeIfAbsent(here, c -> known.size());
    }
    this.changes = new ArrayList<>(known.keySet());
    this.likeliest = new int[changes.size()];
    Arrays.fill(likeliest, -1);
    for (int i = 0; i < of.length; i++) {
      int most = likeliest[of[i]];
      boolean circuit = hypotheses.get(i).kind() != Hypothesis.Kind.NOT_ON_SHEET;
      if (circuit && (most < 0 || hypotheses.get(i).prior() > hypotheses.get(most).prior())) {
        likeliest[of[i]] = i;
      }
    }
    this.sweep = new FaultSweep(unit, situation.id(), changes);
  }

  private static int[] each(int count) {
    return IntStream.range(0, count).toArray();
  }

  /** For each hypothesis the place of the one that stands for it. */
  private static int[] standIns(List<Hypothesis> hypotheses) {
    record Kind(Fault.OfPart first, List<Fault> others, int step) {}
    Map<Kind, Integer> first = new HashMap<>();
    Map<Kind, Integer> steps = new HashMap<>();
    int[] standIn = each(hypotheses.size());
    for (int i = 0; i < standIn.length; i++) {
      int place = i;
      List<Fault> faults = hypotheses.get(i).faults();
      if (!faults.isEmpty() && faults.get(0) instanceof Fault.OfPart p) {
        boolean graded = p.changes().size() == 1 && p.changes().get(0).logSpread() > 0;
        List<Fault> resting = faults.stream().filter(f -> f instanceof Fault.Resting).toList();
        Fault.OfPart what =
            graded ? new Fault.OfPart(p.part(), p.mode(), List.of(), p.presence()) : p;
        int step =
            graded ? steps.merge(new Kind(what, resting, -1), 1, Integer::sum) / STEPS_TOGETHER : 0;
        standIn[i] = first.computeIfAbsent(new Kind(what, resting, step), k -> place);
      }
    }
    return standIn;
  }

  /** The fault of a hypothesis, by its place among all of the sheet's. */
  public int of(int hypothesis) {
    return of[hypothesis];
  }

  /** The place of the likeliest hypothesis with this fault. */
  public int likeliest(int fault) {
    return likeliest[fault];
  }

  public int count() {
    return changes.size();
  }

  List<Change> changes(int fault) {
    return changes.get(fault);
  }

  /** To be read at any probe for all of them at once. */
  public FaultSweep sweep() {
    return sweep;
  }
}
