package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jollychain.core.fault.Hypothesis;
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

  private static final int MOST_PROBES_KEPT = 150;

  private final Sheet sheet;
  private final Meter meter;
  private final SoundUnit unit;
  private final Map<String, Sensitivities> sensitivities = new HashMap<>();
  private final Map<Probe, Known> known =
      Collections.synchronizedMap(
          new LinkedHashMap<>(64, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Probe, Known> eldest) {
              return size() > MOST_PROBES_KEPT;
            }
          });

  Expectations(SoundUnit unit, Meter meter) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.meter = meter;
    for (Situation s : sheet.situations().values()) {
      sensitivities.put(s.id(), Sensitivities.of(sheet, s));
    }
  }

  /** The reading expected at a probe with these changes, over all units of the sheet. */
  Line line(List<Change> changes, Probe probe) {
    return at(probe).with(changes);
  }

  /** What is known of a probe, to be asked more than once. */
  Known at(Probe probe) {
    return known.computeIfAbsent(probe, p -> new Known(p));
  }

  /**
   * The lines of one probe that were learnt so far. Lines that no reading could tell apart are one
   * and the same object, so that hypotheses which agree on all readings can be weighed as one.
   */
  final class Known {
    private final Probe probe;
    private final Situation situation;
    private final List<Line> distinct = new ArrayList<>();
    private final Map<List<Change>, Line> byChanges = new ConcurrentHashMap<>();
    private final Map<Long, Line> alsoBad = new ConcurrentHashMap<>();
    private volatile Line[] byHypothesis = new Line[0];

    private Known(Probe probe) {
      this.probe = probe;
      this.situation = sheet.situation(probe.situation());
    }

    /** The line of a hypothesis, by its place among all of the sheet's. */
    Line of(Hypothesis hypothesis, int index, int count) {
      Line[] lines = byHypothesis;
      if (lines.length != count) {
        lines = new Line[count];
        byHypothesis = lines;
      }
      Line line = lines[index];
      if (line == null) {
        line = learnt(hypothesis.changesIn(situation));
        lines[index] = line;
      }
      return line;
    }

    /** The line of a hypothesis with a part also bad. */
    Line of(Hypothesis hypothesis, int index, AlsoBad also) {
      return alsoBad.computeIfAbsent(
          ((long) index << 32) + also.id(),
          k -> {
            List<Change> changes = new ArrayList<>(hypothesis.changesIn(situation));
            changes.addAll(also.changes());
            return learnt(changes);
          });
    }

    private Line with(List<Change> changes) {
      return byChanges.computeIfAbsent(changes, this::learnt);
    }

    private Line learnt(List<Change> changes) {
      Line line = Track.withoutTrifles(meter, probe.function(), learn(changes, probe));
      synchronized (distinct) {
        for (Line other : distinct) {
          if (Track.alike(meter, probe.function(), line, other)) {
            return other;
          }
        }
        distinct.add(line);
        return line;
      }
    }
  }

  /**
   * A way in which a part could also be bad.
   *
   * @param id among all of the sheet's
   */
  record AlsoBad(int id, List<Change> changes) {}

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
    double[] slopes = new double[p.slopes().length / 2];
    for (int i = 0; i < slopes.length; i++) {
      slopes[i] = p.slopes()[2 * i];
    }
    return new Line(p.value().re(), slopes, 0, p.floating());
  }
}
