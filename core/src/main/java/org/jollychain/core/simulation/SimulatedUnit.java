package org.jollychain.core.simulation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.sheet.Sheet;

/**
 * A machine on the bench: every uncertain parameter of its sheet drawn by a seed, with hidden
 * faults. Its circuit is solved as it is, with none of the lines that diagnosis reckons with.
 */
public final class SimulatedUnit {

  private final SoundUnit unit;
  private final List<Fault> faults;

  /**
   * @param faults what is wrong with it
   * @param seed the same seed always gives the same unit
   */
  public SimulatedUnit(Sheet sheet, List<Fault> faults, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Map<String, Double> drawn = new HashMap<>();
    this.unit =
        new SoundUnit(sheet, name -> drawn.computeIfAbsent(name, n -> random.nextGaussian()));
    this.faults = List.copyOf(faults);
  }

  public Sheet sheet() {
    return unit.sheet();
  }

  /** The circuit as a probe meets it. */
  public Solution at(Probe probe) {
    List<Change> changes = new ArrayList<>(changesIn(probe.situation()));
    changes.addAll(probe.lifts(sheet()));
    return unit.in(probe.situation(), changes);
  }

  /** Power of a load as a share of what it gets in the sound unit when it runs. */
  public double powerShare(String load, String situation) {
    return unit.powerShare(load, unit.in(situation, changesIn(situation)));
  }

  private List<Change> changesIn(String situation) {
    return faults.stream()
        .flatMap(f -> f.changesIn(sheet().situation(situation)).stream())
        .toList();
  }
}
