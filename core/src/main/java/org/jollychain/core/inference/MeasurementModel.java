package org.jollychain.core.inference;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.FaultSweep;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.ParameterSample;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Sensitivities;
import org.jollychain.core.network.Sensitivities.Prediction;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Complex;
import org.jollychain.core.quantity.Work;
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
 *
 * <p>The lines are drawn about one unit, the nominal one as a rule; about another they are better
 * for units that are like it.
 */
public final class MeasurementModel {

  /** A step of the grid of positions over the square root of twelve. */
  private static final double POSITION_SD = 0.07;

  private static final double NEAR_END = 0.05;

  /** Those that were read, and those that draw the staircases, by the size of the sheet. */
  private static final int MOST_PROBES_KEPT = 150;

  private static final int PROBES_OF_A_PLACE = 2;

  /** So many lines of changes nobody has a hypothesis of are kept for a probe. */
  private static final int MOST_LINES_KEPT = 20_000;

  private final Sheet sheet;
  private final UnitModel unit;
  private final ParameterSample about;
  private final Slopes aboutNominal;
  private final List<String> parameters;
  private final Map<String, Sensitivities> sensitivities = new HashMap<>();
  private final Cache<Asked, Known> known;

  /** What is measured, and by which meter. */
  private record Asked(Probe probe, Meter meter) {}

  private final List<Hypothesis> hypotheses;
  private final Map<String, DistinctFaults> faults = new ConcurrentHashMap<>();

  /**
   * With the lines drawn about the nominal unit.
   *
   * @param hypotheses those that are asked for by their place
   */
  public MeasurementModel(UnitModel nominal, List<Hypothesis> hypotheses) {
    this(nominal, ParameterSample.NOMINAL, hypotheses);
  }

  /** With the lines drawn about another. */
  public MeasurementModel(Sheet sheet, ParameterSample about, List<Hypothesis> hypotheses) {
    this(new UnitModel(sheet, about), about, hypotheses);
  }

  private MeasurementModel(UnitModel unit, ParameterSample about, List<Hypothesis> hypotheses) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.about = about;
    this.hypotheses = hypotheses;
    this.parameters = Network.parameters(sheet);
    this.aboutNominal = Slopes.of(parameters.stream().mapToDouble(about::deviate).toArray());
    this.known =
        Caffeine.newBuilder()
            .maximumSize(
                MOST_PROBES_KEPT
                    + PROBES_OF_A_PLACE * (sheet.parts().size() + sheet.points().size()))
            .executor(Runnable::run)
            .build();
    for (Situation s : sheet.situations().values()) {
      sensitivities.put(s.id(), Sensitivities.about(about, sheet, s));
    }
  }

  public List<Hypothesis> hypotheses() {
    return hypotheses;
  }

  /** The hypotheses as faults of one situation. */
  public DistinctFaults faults(Situation situation) {
    return faults.computeIfAbsent(
        situation.id(), s -> new DistinctFaults(unit, situation, hypotheses));
  }

  /** A parameter itself, in standard deviations. */
  LinearPrediction parameter(String name) {
    double[] slopes = new double[parameters.size()];
    slopes[parameters.indexOf(name)] = 1;
    return new LinearPrediction(0, slopes, 0, 0);
  }

  /**
   * What the usual meter should read at a probe with these changes, over all units of the sheet.
   */
  public LinearPrediction line(List<Change> changes, Probe probe) {
    return at(probe, Meter.GENERAL).with(changes);
  }

  /** What this meter should have read with these changes. */
  public LinearPrediction line(List<Change> changes, Reading reading) {
    return at(reading.probe(), reading.meter()).with(changes);
  }

  /**
   * What this meter is due to show with these changes, of themselves: a line may be that of others
   * no reading could tell apart from them.
   */
  public double due(List<Change> changes, Reading reading) {
    return at(reading.probe(), reading.meter()).due(changes);
  }

  /** What is known of a probe, to be asked more than once. */
  Known at(Probe probe, Meter meter) {
    return known.get(new Asked(probe, meter), k -> new Known(probe, meter));
  }

  /**
   * The lines of one probe that were learnt so far. Lines that no reading could tell apart are one
   * and the same object, so that hypotheses which agree on all readings can be weighed as one.
   */
  final class Known {
    private final Probe probe;
    private final Meter meter;
    private final Situation situation;
    private final GhostModel ghosts;
    private final List<LinearPrediction> distinct = new ArrayList<>();
    private final Map<Signature, LinearPrediction> bySignature = new ConcurrentHashMap<>();
    private final Map<List<Change>, LinearPrediction> byChanges = new ConcurrentHashMap<>();
    private final Map<Long, LinearPrediction> alsoBad = new ConcurrentHashMap<>();
    private final Map<List<Change>, Double> due = new ConcurrentHashMap<>();
    private volatile Optional<ByHypothesis> byHypothesis = Optional.empty();

    private Known(Probe probe, Meter meter) {
      this.probe = probe;
      this.meter = meter;
      this.situation = sheet.situation(probe.situation());
      this.ghosts = new GhostModel(sheet, probe);
    }

    /** The line of a hypothesis, by its place where it is one of the sheet's. */
    LinearPrediction of(Hypothesis hypothesis, int index) {
      return index < hypotheses.size() ? of(index) : of(hypothesis);
    }

    /** The line of one that is not among them. */
    LinearPrediction of(Hypothesis hypothesis) {
      return with(hypothesis.changesIn(situation));
    }

    private LinearPrediction of(int hypothesis) {
      if (byHypothesis.isEmpty()) {
        byHypothesis = Optional.of(learnt(faults(situation)));
      }
      return byHypothesis.get().of(hypothesis);
    }

    private ByHypothesis learnt(DistinctFaults all) {
      FaultSweep.Readings read = all.sweep().at(probe, meter);
      LinearPrediction[] lines = new LinearPrediction[all.count()];
      for (int i = 0; i < lines.length; i++) {
        lines[i] = learnt(all.changes(i), read.re()[i], read.im()[i], read.floating()[i]);
      }
      return new ByHypothesis(all, lines);
    }

    /** The line of a hypothesis with a part also bad. */
    LinearPrediction of(Hypothesis hypothesis, int index, Counterfactual also) {
      if (index >= hypotheses.size()) {
        return with(together(hypothesis, also));
      }
      bound(alsoBad);
      return alsoBad.computeIfAbsent(
          ((long) index << 32) + also.id(),
          k -> {
            List<Change> changes = together(hypothesis, also);
            Solution now = unit.in(situation.id(), probe.conditions(sheet, changes));
            Complex phasor = meter.phasor(now, probe);
            return learnt(changes, phasor.re(), phasor.im(), meter.floating(now, probe));
          });
    }

    private List<Change> together(Hypothesis hypothesis, Counterfactual also) {
      List<Change> changes = new ArrayList<>(hypothesis.changesIn(situation));
      changes.addAll(also.changes());
      return changes;
    }

    /** The line of changes under which this is read, drawn once for all that look the same. */
    private LinearPrediction learnt(List<Change> changes, double re, double im, double behind) {
      double floating = ghosts.floating(changes, Math.hypot(re, im), behind);
      return bySignature.computeIfAbsent(
          Signature.of(probe, meter, changes, re, im, floating), s -> learnt(changes));
    }

    private double due(List<Change> changes) {
      bound(due);
      return due.computeIfAbsent(changes, c -> learn(c, probe, meter).mean());
    }

    private LinearPrediction with(List<Change> changes) {
      bound(byChanges);
      return byChanges.computeIfAbsent(changes, this::learnt);
    }

    /** Rarely reached; a cache that forgets one by one would slow every other look-up. */
    private static void bound(Map<?, ?> kept) {
      if (kept.size() > MOST_LINES_KEPT) {
        kept.clear();
      }
    }

    private LinearPrediction learnt(List<Change> changes) {
      Work.check();
      LinearPrediction learnt = learn(changes, probe, meter);
      LinearPrediction line =
          ReadingLikelihood.withoutTrifles(
              meter,
              probe.function(),
              learnt
                  .floating(ghosts.floating(changes, learnt.mean(), learnt.floating()))
                  .blurred(ghosts.rest(changes, learnt.mean())));
      synchronized (distinct) {
        for (LinearPrediction other : distinct) {
          if (ReadingLikelihood.alike(meter, probe.function(), line, other)) {
            return other;
          }
        }
        distinct.add(line);
        return line;
      }
    }
  }

  /** The lines of a probe, by the place of a hypothesis. */
  private record ByHypothesis(DistinctFaults faults, LinearPrediction[] lines) {
    LinearPrediction of(int hypothesis) {
      return lines[faults.of(hypothesis)];
    }
  }

  /**
   * A way in which a part could also be bad.
   *
   * @param id among all of the sheet's
   */
  public record Counterfactual(int id, List<Change> changes) {}

  public UnitModel unit() {
    return unit;
  }

  private LinearPrediction learn(List<Change> changes, Probe probe, Meter meter) {
    LinearPrediction here = learnHere(changes, probe, meter);
    return new LinearPrediction(
        here.mean() - here.slopes().dot(aboutNominal),
        here.slopes(),
        here.residualVariance(),
        here.floating());
  }

  private LinearPrediction learnHere(List<Change> changes, Probe probe, Meter meter) {
    Prediction p = withPosition(changes, probe, meter);
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
    return new LinearPrediction(p.value().re(), slopes, 0, p.floating());
  }

  /** The slopes of a prediction and, as the last, that on where along its part a leak is. */
  private Prediction withPosition(List<Change> changes, Probe probe, Meter meter) {
    Prediction p = predict(changes, probe, meter);
    double[] slopes = Arrays.copyOf(p.slopes(), p.slopes().length + 2);
    if (changes.stream().anyMatch(MeasurementModel::somewhere)) {
      Complex further = predict(moved(changes, POSITION_SD), probe, meter).value();
      Complex nearer = predict(moved(changes, -POSITION_SD), probe, meter).value();
      Complex slope = further.minus(nearer).times(0.5);
      slopes[slopes.length - 2] = slope.re();
      slopes[slopes.length - 1] = slope.im();
    }
    return new Prediction(p.value(), slopes, p.floating());
  }

  private Prediction predict(List<Change> changes, Probe probe, Meter meter) {
    return sensitivities
        .get(probe.situation())
        .predict(unit.in(probe.situation(), probe.conditions(sheet, changes)), probe, meter);
  }

  /** A leak that stands for its neighbourhood; one at an end of a link is just there. */
  private static boolean somewhere(Change change) {
    return change instanceof Change.ToCase leak
        && leak.logSpread() > 0
        && leak.position() >= NEAR_END
        && leak.position() <= 1 - NEAR_END;
  }

  private static List<Change> moved(List<Change> changes, double by) {
    return changes.stream()
        .map(
            c ->
                somewhere(c) && c instanceof Change.ToCase leak
                    ? Change.leak(
                            leak.branch(),
                            Math.min(1, Math.max(0, leak.position() + by)),
                            leak.ohms())
                        .spread(leak.logSpread())
                    : c)
        .toList();
  }
}
