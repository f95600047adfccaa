package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.sheet.Sheet;

/**
 * Many units drawn from one sheet, kept solved, from which every expected reading is learnt as a
 * straight line in the uncertain parameters.
 *
 * <p>A derivative at the nominal unit fails where a phasor passes near zero (a balanced split
 * phase, a floating wire); a line fitted over drawn units and its residual do not. The draws are
 * antithetic and the parameters orthogonal over them, so the least-squares slope on a parameter is
 * just the mean of reading times deviate. Draws are seeded: the same sheet always gives the same
 * ensemble.
 */
final class Ensemble {

  private static final long SEED = 20_260_101L;

  /** The last parameter: how severe the fault of the hypothesis is, within its step of the grid. */
  private static final String SEVERITY = "severity";

  private static final int MOST_PROBES_KEPT = 400;

  private final Sheet sheet;
  private final Meter meter;
  private final List<String> parameters;
  private final double[][] deviates;
  private final Map<String, Network[]> networks = new HashMap<>();
  private final Map<String, Map<List<Change>, Running>> running = new HashMap<>();
  private final Map<Probe, Map<List<Change>, Line>> lines =
      new LinkedHashMap<>(64, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Probe, Map<List<Change>, Line>> eldest) {
          return size() > MOST_PROBES_KEPT;
        }
      };

  Ensemble(Sheet sheet, Meter meter) {
    this.sheet = sheet;
    this.meter = meter;
    this.parameters = new ArrayList<>(Network.parameters(sheet));
    this.parameters.add(SEVERITY);
    this.deviates = antithetic(parameters.size());
  }

  int parameterCount() {
    return parameters.size();
  }

  /** The reading expected at a probe with these changes, over all units of the sheet. */
  synchronized Line line(List<Change> changes, Probe probe) {
    Map<List<Change>, Line> ofProbe = lines.computeIfAbsent(probe, p -> new HashMap<>());
    Line known = ofProbe.get(changes);
    if (known == null) {
      List<Change> all = new ArrayList<>(changes);
      all.addAll(probe.lifts(sheet));
      boolean ohms = probe.function().dimension() == MeterFunction.OHMS.dimension();
      double[] samples = samples(probe.situation(), all, solution -> meter.read(solution, probe));
      double floating = meter.floating(networks.get(probe.situation())[0].solve(all), probe);
      known = fit(samples, floating, ohms);
      ofProbe.put(changes, known);
    }
    return known;
  }

  /**
   * How a load runs with these changes, over all units of the sheet.
   *
   * @param runsAbove share of its own sound power above which it runs
   * @param weaklyAbove share above which it runs weakly
   */
  synchronized Running running(
      String load, String situation, List<Change> changes, double runsAbove, double weaklyAbove) {
    Map<List<Change>, Running> ofLoad =
        running.computeIfAbsent(situation + " " + load, k -> new HashMap<>());
    Running known = ofLoad.get(changes);
    if (known == null) {
      double[] sound = samples(situation, List.of(), s -> s.watts(load));
      double[] now = samples(situation, changes, s -> s.watts(load));
      double runs = 0;
      double weakly = 0;
      for (int i = 0; i < now.length; i++) {
        double share = sound[i] > 0 ? now[i] / sound[i] : 0;
        runs += share > runsAbove ? 1 : 0;
        weakly += share > weaklyAbove && share <= runsAbove ? 1 : 0;
      }
      known = new Running(runs / now.length, weakly / now.length);
      ofLoad.put(changes, known);
    }
    return known;
  }

  /** Shares of all units in which a load runs, and runs weakly. */
  record Running(double runs, double weakly) {}

  /** A quantity over all drawn units. */
  private double[] samples(
      String situation, List<Change> changes, ToDoubleFunction<Solution> quantity) {
    Network[] units = networks.computeIfAbsent(situation, this::solveAll);
    double[] samples = new double[units.length];
    for (int i = 0; i < units.length; i++) {
      double severity = deviates[i][parameters.size() - 1];
      samples[i] =
          quantity.applyAsDouble(
              units[i].solve(changes.stream().map(c -> c.drawn(severity)).toList()));
    }
    return samples;
  }

  private Network[] solveAll(String situation) {
    Network[] units = new Network[deviates.length];
    for (int i = 0; i < units.length; i++) {
      double[] unit = deviates[i];
      Map<String, Double> byName = new HashMap<>();
      for (int p = 0; p < unit.length; p++) {
        byName.put(parameters.get(p), unit[p]);
      }
      units[i] = Network.of(sheet, sheet.situation(situation), byName::get);
    }
    return units;
  }

  private Line fit(double[] samples, double floating, boolean keep) {
    int draws = samples.length;
    double mean = Arrays.stream(samples).average().orElse(0);
    double[] slopes = new double[parameters.size()];
    for (int p = 0; p < slopes.length; p++) {
      double sum = 0;
      for (int i = 0; i < draws; i++) {
        sum += samples[i] * deviates[i][p];
      }
      slopes[p] = sum / draws;
    }
    double left = 0;
    for (int i = 0; i < draws; i++) {
      double predicted = mean;
      for (int p = 0; p < slopes.length; p++) {
        predicted += slopes[p] * deviates[i][p];
      }
      left += (samples[i] - predicted) * (samples[i] - predicted);
    }
    double freedom = Math.max(1, draws - slopes.length - 1);
    return new Line(mean, slopes, left / freedom, floating, keep ? samples : new double[0]);
  }

  /**
   * Pairs of opposite units, 1.5 pairs a parameter, the columns made orthogonal with variance one.
   */
  private static double[][] antithetic(int parameters) {
    int pairs = parameters + parameters / 2 + 2;
    Random random = new Random(SEED);
    double[][] columns = new double[parameters][pairs];
    for (int p = 0; p < parameters; p++) {
      double[] column = columns[p];
      Arrays.setAll(column, i -> random.nextGaussian());
      for (int q = 0; q < p; q++) {
        double along = dot(column, columns[q]) / pairs;
        for (int i = 0; i < pairs; i++) {
          column[i] -= along * columns[q][i];
        }
      }
      double scale = Math.sqrt(pairs / dot(column, column));
      for (int i = 0; i < pairs; i++) {
        column[i] *= scale;
      }
    }
    double[][] units = new double[2 * pairs][parameters];
    for (int i = 0; i < pairs; i++) {
      for (int p = 0; p < parameters; p++) {
        units[2 * i][p] = columns[p][i];
        units[2 * i + 1][p] = -columns[p][i];
      }
    }
    return units;
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }
}
