package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Sensitivities;
import org.jollychain.core.network.Sensitivities.Prediction;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * What every reading should be under every fault, as a straight line in the uncertain parameters.
 *
 * <p>A phasor is very nearly linear in the parameters, its magnitude is not where it passes near
 * zero (a balanced split phase, a floating wire). So the circuit gives the phasor and its slopes
 * ({@link Sensitivities}); the phasor is then a normal distribution in the complex plane, of which
 * the magnitude's mean, variance and best line follow by quadrature: with V = v + sum g z, z
 * standard normal, Stein's lemma gives the slope of the least-squares line of |V| on z as E[V/|V|]
 * . g, and what the line leaves is the residual variance.
 */
final class Expectations {

  private static final int MOST_PROBES_KEPT = 2000;

  private final Sheet sheet;
  private final Meter meter;
  private final SoundUnit unit;
  private final Map<String, Sensitivities> sensitivities = new HashMap<>();
  private final Map<Probe, Map<List<Change>, Line>> lines =
      new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Probe, Map<List<Change>, Line>> eldest) {
          return size() > MOST_PROBES_KEPT;
        }
      };

  Expectations(SoundUnit unit, Meter meter) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.meter = meter;
    for (Situation s : sheet.situations().values()) {
      sensitivities.put(s.id(), Sensitivities.of(sheet, s));
    }
  }

  /** The reading expected at a probe with these changes, over all units of the sheet. */
  synchronized Line line(List<Change> changes, Probe probe) {
    Map<List<Change>, Line> ofProbe = lines.computeIfAbsent(probe, p -> new HashMap<>());
    return ofProbe.computeIfAbsent(changes, c -> learn(c, probe));
  }

  SoundUnit unit() {
    return unit;
  }

  private Line learn(List<Change> changes, Probe probe) {
    List<Change> all = new ArrayList<>(changes);
    all.addAll(probe.lifts(sheet));
    Prediction p =
        sensitivities.get(probe.situation()).predict(unit.in(probe.situation(), all), probe, meter);
    MeterFunction function = probe.function();
    boolean magnitude =
        function == MeterFunction.VOLTS_AC
            || function == MeterFunction.VOLTS_AC_LOZ
            || function == MeterFunction.AMPS_AC;
    if (magnitude) {
      return Magnitude.line(p);
    }
    double[] slopes = new double[p.slopes().length];
    for (int i = 0; i < slopes.length; i++) {
      slopes[i] = p.slopes()[i].re();
    }
    return new Line(p.value().re(), slopes, 0, p.floating());
  }
}
