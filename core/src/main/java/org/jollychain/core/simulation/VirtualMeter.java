package org.jollychain.core.simulation;

import java.util.EnumMap;
import java.util.Map;
import java.util.SplittableRandom;
import org.jollychain.core.network.Accuracy;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;

/**
 * A meter with the faults of one that is within its specification: a gain of its own on every
 * function, noise of some counts, leads whose resistance varies, a display that rounds. Ghosts
 * bleed away at some points through dust and damp, which no circuit knows.
 */
public final class VirtualMeter {

  private static final double SHARED_GAIN = 0.8;
  private static final double BLED = 0.3;
  private static final double LEAD_OHMS_SD = 0.1;

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
    if (random.nextDouble() < BLED * meter.floating(solution, probe)) {
      value = 0;
    }
    if (function.needsDeadCircuit()) {
      value = Math.max(0, value + LEAD_OHMS_SD * random.nextGaussian() * 0.5);
    }
    Accuracy accuracy = meter.accuracy(function);
    double gain =
        accuracy.share()
            * (Math.sqrt(SHARED_GAIN) * gains.get(function)
                + Math.sqrt(1 - SHARED_GAIN) * either());
    double counts = accuracy.counts() * accuracy.resolutionAt(value) * either();
    double shown = value * (1 + gain) + counts;
    boolean signed = function == MeterFunction.VOLTS_DC || function == MeterFunction.AMPS_DC;
    return meter.display(function, signed ? shown : Math.max(0, shown));
  }

  /** Evenly between -1 and 1. */
  private double either() {
    return 2 * random.nextDouble() - 1;
  }
}
