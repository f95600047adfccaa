package org.jollychain.core.simulation;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.inference.CodeModel;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;

/**
 * A machine on the bench: every uncertain parameter of its sheet drawn by a seed, with hidden
 * faults. Its circuit is solved as it is, with none of the lines that diagnosis uses.
 */
public final class SimulatedUnit {

  private final UnitModel unit;
  private final List<Fault> faults;

  /**
   * @param faults what is wrong with it
   * @param seed the same seed always gives the same unit
   */
  public SimulatedUnit(Sheet sheet, List<Fault> faults, long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Map<String, Double> drawn = new HashMap<>();
    this.unit =
        new UnitModel(sheet, name -> drawn.computeIfAbsent(name, n -> random.nextGaussian()));
    this.faults = List.copyOf(faults);
  }

  public Sheet sheet() {
    return unit.sheet();
  }

  /** The circuit as a probe meets it. */
  public Solution at(Probe probe) {
    return unit.in(probe.situation(), probe.conditions(sheet(), changesIn(probe.situation())));
  }

  /** Power of a load as a share of what it gets in the sound unit when it runs. */
  public double powerShare(String load, String situation) {
    return unit.powerShare(load, unit.in(situation, changesIn(situation)));
  }

  /** How a part is at fault, if it is. */
  public Optional<FaultMode> modeOf(String part) {
    return faults.stream()
        .filter(f -> f instanceof Fault.OfPart p && p.part().equals(part))
        .map(f -> ((Fault.OfPart) f).mode())
        .findFirst();
  }

  /** The code the unit displays, if it does. */
  Optional<String> code() {
    return CodeModel.due(unit, p -> modeOf(p).isPresent(), s -> changesIn(s.id())).stream()
        .findFirst();
  }

  private List<Change> changesIn(String situation) {
    return faults.stream()
        .flatMap(f -> f.changesIn(sheet().situation(situation)).stream())
        .toList();
  }
}
