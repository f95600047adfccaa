package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Accuracy;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Uncertain;

/**
 * The readings as one hypothesis sees them, absorbed one after another, so that each is judged in
 * the light of those before it: a measured supply narrows every later drop.
 *
 * <p>Under a hypothesis the readings are jointly normal, with covariance B B' + R: B the slopes of
 * their lines, R what each has of its own. The track grows the Cholesky factor of it row by row,
 * which yields the mean and variance of each reading given the earlier ones, and their product is
 * the likelihood of all.
 *
 * <p>Meter uncertainty is type B (JCGM 100:2008): limits as rectangular distributions, one fifth of
 * the gain's variance a reading's own and the rest shared by all readings of a function. A small
 * share is left for the slips of a hand: a probe that makes no contact, a prefix misread, leads
 * that touch.
 */
final class Track {

  private static final double ANYTHING = 0.003;
  private static final double NO_CONTACT = 0.004;
  private static final double PREFIX = 0.003;
  private static final double FALSE_SHORT = 0.0005;
  private static final double BUZZER_WRONG = 0.005;

  /**
   * Leakage through dust and damp, which no sheet knows, bleeds this share of all ghosts to
   * nothing.
   */
  private static final double BLED = 0.3;

  private static final double OWN_GAIN = 0.2;
  private static final double SHARED_GAIN = 0.8;
  private static final double LEAD_OHMS_SD = 0.1;
  private static final double OVER_LIMIT_LOG_SD = 0.3;
  private static final double SMALLEST_OHMS = 0.05;

  /** How a reading was best explained. */
  enum Explained {
    AS_READ,
    AS_PREFIX,
    AS_SLIP
  }

  private final Meter meter;
  private final double sourceVolts;
  private final List<double[]> slopes = new ArrayList<>();
  private final List<double[]> factor = new ArrayList<>();
  private final List<Double> whitened = new ArrayList<>();
  private final List<Double> steps = new ArrayList<>();
  private double logLikelihood;

  /**
   * @param sourceVolts nominal volts of the supply, the scale of what can be read (V)
   */
  Track(Meter meter, double sourceVolts) {
    this.meter = meter;
    this.sourceVolts = sourceVolts;
  }

  double logLikelihood() {
    return logLikelihood;
  }

  /** How much each piece of evidence added to the logarithm of the likelihood, in their order. */
  List<Double> steps() {
    return steps;
  }

  /** Adds evidence that depends on no other, by its probability or its density. */
  void absorb(double probability) {
    double step = Math.log(probability);
    steps.add(step);
    logLikelihood += step;
  }

  /** Adds a reading to what is known. */
  Explained absorb(Line line, Reading reading) {
    if (reading.shown() instanceof Shown.Figure figure) {
      return absorb(line, reading.probe().function(), figure);
    }
    boolean ohms = reading.probe().function().needsDeadCircuit();
    if (reading.shown() instanceof Shown.OverLimit && ohms) {
      double probability = (1 - NO_CONTACT - ANYTHING) * overLimit(line) + NO_CONTACT;
      absorb(probability);
      return probability < 2 * NO_CONTACT ? Explained.AS_SLIP : Explained.AS_READ;
    }
    if (reading.shown() instanceof Shown.Buzzer buzzer) {
      double sounds = 1 - above(line, meter.buzzerOhms());
      double probability =
          (1 - BUZZER_WRONG) * (buzzer.sounds() ? sounds : 1 - sounds) + BUZZER_WRONG / 2;
      absorb(probability);
      return probability < BUZZER_WRONG ? Explained.AS_SLIP : Explained.AS_READ;
    }
    absorb(1.0);
    return Explained.AS_READ;
  }

  private Explained absorb(Line line, MeterFunction function, Shown.Figure figure) {
    boolean ohms = function.needsDeadCircuit();
    double[] row = row(line, function);
    double ownVariance = ownVariance(line, function, figure);
    double[] w = forward(row);
    double mean = line.mean() + dot(w, whitened);
    double variance = squared(row) + ownVariance - squared(w);
    variance = Math.max(variance, 1e-3 * ownVariance);
    double bled = BLED * line.floating();
    double within = ohms ? 1 - overLimit(line) : 1;
    double asRead = 1 - ANYTHING - NO_CONTACT - PREFIX;
    double main = asRead * within * (1 - bled) * density(figure.value(), mean, variance);
    double noise = Math.max(ownVariance - line.residualVariance(), 1e-6);
    double collapsed = asRead * bled * density(figure.value(), 0, noise);
    double prefix = 0;
    for (double slip : new double[] {1e3, 1e-3}) {
      double slipped =
          ownVariance(
              line, function, new Shown.Figure(figure.value() * slip, figure.resolution() * slip));
      prefix +=
          0.5
              * PREFIX
              * within
              * slip
              * density(figure.value() * slip, mean, variance - ownVariance + slipped);
    }
    double anything =
        ohms
            ? ANYTHING
                / (Math.max(figure.value(), SMALLEST_OHMS)
                    * Math.log(meter.overLimitOhms() / SMALLEST_OHMS))
            : ANYTHING / (1.2 * sourceVolts);
    double own = Math.sqrt(ownVariance);
    double slip =
        anything
            + (ohms
                ? FALSE_SHORT
                    * density(figure.value(), meter.leadOhms(), LEAD_OHMS_SD * LEAD_OHMS_SD)
                : NO_CONTACT * density(figure.value(), 0, Math.max(own * own, 1e-4)));
    absorb(main + collapsed + prefix + slip);
    if (collapsed > Math.max(main, Math.max(prefix, slip))) {
      return Explained.AS_READ;
    }
    if (main < prefix || main < slip) {
      return prefix > slip ? Explained.AS_PREFIX : Explained.AS_SLIP;
    }
    double sd = Math.sqrt(variance);
    double[] grown = Arrays.copyOf(w, w.length + 1);
    grown[w.length] = sd;
    slopes.add(row);
    factor.add(grown);
    whitened.add((figure.value() - mean) / sd);
    return Explained.AS_READ;
  }

  /** What is now believed of a quantity that has not been read, meter uncertainty left out. */
  Uncertain believed(Line line) {
    double[] row =
        Arrays.copyOf(line.slopes(), line.slopes().length + MeterFunction.values().length + 1);
    double[] w = forward(row);
    double variance = squared(row) + line.residualVariance() - squared(w);
    return new Uncertain(line.mean() + dot(w, whitened), Math.sqrt(Math.max(0, variance)));
  }

  /** What a meter of this kind should read next, with everything that is uncertain about it. */
  Uncertain expected(Line line, MeterFunction function) {
    double[] row = row(line, function);
    double[] w = forward(row);
    double own = ownVariance(line, function, new Shown.Figure(line.mean(), 0));
    return new Uncertain(
        line.mean() + dot(w, whitened), Math.sqrt(Math.max(0, squared(row) + own - squared(w))));
  }

  /** The probability that ohms shows OL. */
  double overLimit(Line line) {
    return above(line, meter.overLimitOhms());
  }

  /** Slopes on the circuit's parameters, then on the gain of every function, then on the leads. */
  private double[] row(Line line, MeterFunction function) {
    int circuit = line.slopes().length;
    double[] row = Arrays.copyOf(line.slopes(), circuit + MeterFunction.values().length + 1);
    row[circuit + function.ordinal()] =
        Math.sqrt(SHARED_GAIN / 3) * meter.accuracy(function).share() * line.mean();
    if (function.needsDeadCircuit()) {
      row[row.length - 1] = LEAD_OHMS_SD;
    }
    return row;
  }

  private double ownVariance(Line line, MeterFunction function, Shown.Figure figure) {
    Accuracy accuracy = meter.accuracy(function);
    double gain = accuracy.share() * line.mean();
    double coarsest =
        function.needsDeadCircuit() ? accuracy.finest() : accuracy.resolutionAt(sourceVolts);
    double digit =
        Math.max(accuracy.resolutionAt(figure.value()), Math.min(figure.resolution(), coarsest));
    double counts = accuracy.counts() * digit;
    double written = Math.max(digit, figure.resolution());
    return OWN_GAIN * gain * gain / 3
        + counts * counts / 3
        + written * written / 12
        + line.residualVariance();
  }

  /** Solves L w = covariance of a new row with the earlier readings. */
  private double[] forward(double[] row) {
    double[] w = new double[slopes.size()];
    for (int i = 0; i < w.length; i++) {
      double sum = 0;
      double[] earlier = slopes.get(i);
      for (int p = 0; p < row.length; p++) {
        sum += row[p] * earlier[p];
      }
      double[] l = factor.get(i);
      for (int j = 0; j < i; j++) {
        sum -= l[j] * w[j];
      }
      w[i] = sum / l[i];
    }
    return w;
  }

  private static double density(double x, double mean, double variance) {
    return Math.exp(Normal.logDensity(x, mean, variance));
  }

  private static double squared(double[] a) {
    double sum = 0;
    for (double v : a) {
      sum += v * v;
    }
    return sum;
  }

  private static double dot(double[] a, List<Double> b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b.get(i);
    }
    return sum;
  }

  /** The probability that a resistance is above a threshold of the meter. */
  private static double above(Line line, double ohms) {
    return Normal.below(Math.log(Math.max(line.mean(), 1e-6) / ohms) / OVER_LIMIT_LOG_SD);
  }
}
