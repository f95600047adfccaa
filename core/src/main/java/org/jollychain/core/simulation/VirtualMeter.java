package org.jollychain.core.simulation;

import java.util.EnumMap;
import java.util.Map;
import java.util.SplittableRandom;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;

/**
 * A meter with the faults of one that is within its specification: a gain of its own on every
 * function, noise of some counts, leads whose resistance varies, a display that rounds. Ghosts
 * bleed away at some points through dust and damp, which no circuit knows.
 */
public final class VirtualMeter {

  /** What varies of the leads from one reading to the next, as a share of what a meter is given. */
  private static final double LEADS_SHARE = 0.5;

  private final Meter meter;
  private final SplittableRandom random;
  private final Map<MeterFunction, Double> gains = new EnumMap<>(MeterFunction.class);

  /**
   * @param seed the same seed always gives the same meter and the same noise
   */
  public VirtualMeter(Meter meter, long seed) {
    this.meter = meter;
    this.random = new SplittableRandom(seed);
    for (MeterFunction function : MeterFunction.values()) {
      gains.put(function, either());
    }
  }

  /**
   * @return what the display shows
   */
  public String read(SimulatedUnit unit, Probe probe) {
    Solution solution = unit.at(probe);
    MeterFunction function = probe.function();
    double value = meter.read(solution, probe);
    if (random.nextDouble() < MeterError.GHOSTS_BLED * meter.floating(solution, probe)) {
      value = 0;
    }
    if (function.needsDeadCircuit()) {
      value = Math.max(0, value + LEADS_SHARE * MeterError.LEAD_OHMS_SD * random.nextGaussian());
    }
    double shown =
        MeterError.of(meter, function).shown(value, gains.get(function), either(), either());
    boolean signed = function == MeterFunction.VOLTS_DC || function == MeterFunction.AMPS_DC;
    return meter.display(function, signed ? shown : Math.max(0, shown));
  }

  /** Evenly between -1 and 1. */
  private double either() {
    return 2 * random.nextDouble() - 1;
  }
}
