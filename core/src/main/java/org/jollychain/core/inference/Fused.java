package org.jollychain.core.inference;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Situation;

/**
 * A circuit has its fuse or breaker: what would draw far more than that lets through has not been
 * running while something was read or seen live.
 */
public final class Fused {

  /** So much of the supply's volts between two points, or anything that runs, is live. */
  private static final double LIVE_SHARE = 0.2;

  private static final double LIVE_AMPERES = 0.5;

  /** What is left of a fault that would have tripped: somebody may have been quicker. */
  private static final double LEFT = 1e-4;

  private static final Set<FaultMode> DRAWING =
      Set.of(FaultMode.CASE_LEAK, FaultMode.STUCK, FaultMode.OFF_VALUE_LOW);

  private final UnitModel unit;
  private final List<Hypothesis> all;
  private final Map<String, Set<List<Fault>>> tripping = new ConcurrentHashMap<>();

  /**
   * @param all that may be wrong with it
   */
  public Fused(UnitModel unit, List<Hypothesis> all) {
    this.unit = unit;
    this.all = all;
  }

  /** The situations in which something was read or seen live. */
  public Set<String> live(List<? extends Evidence> evidence) {
    return evidence.stream()
        .filter(this::live)
        .map(Evidence::situation)
        .collect(Collectors.toCollection(TreeSet::new));
  }

  private boolean live(Evidence e) {
    return e instanceof Observation o && o.runs() == Observation.Runs.YES
        || e instanceof Reading r
            && !r.probe().function().needsDeadCircuit()
            && r.shown() instanceof Shown.Figure f
            && Math.abs(f.value())
                > (r.probe().function().clamps()
                    ? LIVE_AMPERES
                    : LIVE_SHARE * unit.sheet().supply().volts());
  }

  /**
   * A hypothesis, weighed down where it would have tripped in one of these situations.
   *
   * @param live as {@link #live(List)} finds them
   */
  public Hypothesis weighed(Hypothesis hypothesis, Set<String> live) {
    return live.stream().anyMatch(s -> tripping(s).contains(hypothesis.faults()))
        ? hypothesis.weighing(LEFT * hypothesis.prior())
        : hypothesis;
  }

  private Set<List<Fault>> tripping(String id) {
    Situation situation = unit.sheet().situation(id);
    return tripping.computeIfAbsent(
        id,
        s ->
            all.stream()
                .filter(h -> h.ofParts().anyMatch(f -> DRAWING.contains(f.mode())))
                .filter(h -> unit.blows(id, h.changesIn(situation)))
                .map(Hypothesis::faults)
                .collect(Collectors.toUnmodifiableSet()));
  }
}
