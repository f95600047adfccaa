package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Uncertain;
import org.jollychain.core.sheet.Supply;

/**
 * The readings as one hypothesis sees them, absorbed one after another, so that each is judged in
 * the light of those before it: a measured supply narrows every later drop.
 *
 * <p>Under a hypothesis the readings are jointly normal, with covariance B B' + R: B the slopes of
 * their lines, R what each has of its own. Reading by reading this yields mean and variance given
 * the earlier ones, and the product of the densities is the likelihood of all.
 *
 * <p>Meter uncertainty is {@link MeterError}. A small share is left for the slips of a hand: a
 * probe that makes no contact, a prefix misread, leads that touch. Where a reading may well be
 * either, both ways are gone on with, until later readings have told which it was: a sum of
 * Gaussians (Alspach and Sorenson, 1972), cut to the likeliest few.
 */
public final class ReadingLikelihood {

  private static final double BUZZER_WRONG = 0.005;

  /** So many ohms are insulation, and hang on dirt and damp. */
  private static final double INSULATION_OHMS = 1e6;

  /** By how much they differ from one reading to the next (one standard deviation). */
  private static final double INSULATION_SHARE = 0.08;

  /** Expectations this close, in standard deviations of a reading's own, are taken for one. */
  private static final double ALIKE = 0.12;

  /** A reading is gone on with in two ways if the lesser is as likely as this beside the other. */
  private static final double WORTH_A_WAY = Math.exp(-4);

  private static final int MOST_WAYS = 3;

  /** A way so much less likely than the best is given up (nat). */
  private static final double GIVEN_UP = 10;

  /** Places of the meters' parameters, behind those of any circuit. */
  private static final int FIRST_GAIN = 1 << 20;

  private static final int LEADS = 1 << 30;

  private static final double OVER_LIMIT_LOG_SD = 0.3;

  /** A direct supply with less is a pile over a pilot flame. */
  private static final double PILE_VOLTS = 1.5;

  /** How a reading was best explained. */
  public enum Explained {
    AS_READ,
    /** As it was read, if the wires were otherwise than told. */
    AS_WIRED,
    AS_PREFIX,
    AS_SLIP;

    /** Whether it says something of the unit. */
    public boolean believed() {
      return this == AS_READ || this == AS_WIRED;
    }
  }

  private final double sourceVolts;
  private final double sourceDrift;
  private final List<Meter> meters;
  private final List<Double> steps = new ArrayList<>();
  private final List<MixtureComponent> explanations = new ArrayList<>();
  private double logLikelihood;

  /**
   * @param supply its nominal volts are the scale of what can be read
   * @param meters those that were read; every function of each has a gain of its own
   */
  ReadingLikelihood(Supply supply, List<Meter> meters) {
    this(supply.volts(), drift(supply), meters);
  }

  private ReadingLikelihood(double sourceVolts, double sourceDrift, List<Meter> meters) {
    this.sourceVolts = sourceVolts;
    this.sourceDrift = sourceDrift;
    this.meters = meters;
    explanations.add(new MixtureComponent());
  }

  /**
   * How far the source moves between two readings (a share, one standard deviation); common
   * practice, no source.
   */
  private static double drift(Supply supply) {
    return switch (supply.system()) {
      case SPLIT_PHASE, SINGLE_PHASE, WYE_PAIR -> 0.0065;
      case TRANSFORMER -> 0.012;
      case DC -> supply.volts() < PILE_VOLTS ? 0.02 : 0.01;
    };
  }

  public double logLikelihood() {
    return logLikelihood;
  }

  /** How much each piece of evidence added to the logarithm of the likelihood, in their order. */
  List<Double> steps() {
    return steps;
  }

  /** Adds evidence that depends on no other, by its probability or its density. */
  private void absorb(double probability, Explained how) {
    explanations.forEach(e -> e.leave(how, 0));
    step(Math.log(probability));
  }

  private void step(double log) {
    steps.add(log);
    logLikelihood += log;
  }

  /** Slopes far below the last digit made nothing, so that the rest is quick to use. */
  static LinearPrediction withoutTrifles(
      Meter meter, MeterFunction function, LinearPrediction line) {
    double trifle = 0.02 * meter.accuracy(function).resolutionAt(line.mean());
    Slopes slopes = line.slopes().without(trifle);
    double dropped = line.slopes().squaredBelow(trifle);
    return new LinearPrediction(
        line.mean(), slopes, line.residualVariance() + dropped, line.floating());
  }

  /** Whether no reading could tell two lines apart. */
  static boolean alike(
      Meter meter, MeterFunction function, LinearPrediction a, LinearPrediction b) {
    double size = Math.max(Math.abs(a.mean()), Math.abs(b.mean()));
    if (function.needsDeadCircuit() && Math.min(a.mean(), b.mean()) > 3 * meter.overLimitOhms()) {
      return true;
    }
    double near = near(MeterError.of(meter, function), size);
    if (Math.abs(a.mean() - b.mean()) > near
        || Math.abs(a.floating() - b.floating()) > 0.02
        || Math.abs(Math.sqrt(a.residualVariance()) - Math.sqrt(b.residualVariance())) > near) {
      return false;
    }
    return a.slopes().near(b.slopes(), near);
  }

  /** How close readings of a size have to be expected to be taken for one, in their unit. */
  static double near(MeterError error, double size) {
    return ALIKE * error.ownSd(size);
  }

  /** Whether a reading bears on which of two lines is true. */
  static boolean differ(
      Meter meter, MeterFunction function, LinearPrediction a, LinearPrediction b) {
    double size = Math.max(Math.abs(a.mean()), Math.abs(b.mean()));
    if (a == b
        || function.needsDeadCircuit()
            && Math.min(a.mean(), b.mean()) > 3 * meter.overLimitOhms()) {
      return false;
    }
    double digit = meter.accuracy(function).resolutionAt(size);
    return Math.abs(a.mean() - b.mean()) > 0.003 * size + digit
        || Math.abs(a.floating() - b.floating()) > 0.05;
  }

  /** The same readings, to be gone on with otherwise. */
  ReadingLikelihood copy() {
    ReadingLikelihood copy = new ReadingLikelihood(sourceVolts, sourceDrift, meters);
    copy.explanations.clear();
    explanations.forEach(e -> copy.explanations.add(e.copy()));
    copy.steps.addAll(steps);
    copy.logLikelihood = logLikelihood;
    return copy;
  }

  /** Adds a reading to what is known. */
  public void absorb(LinearPrediction line, Reading reading, ReadingNoise noise) {
    absorb(Expectation.plain(line), reading, noise);
  }

  void absorb(Expectation expected, Reading reading, ReadingNoise noise) {
    if (reading.shown() instanceof Shown.Figure figure) {
      absorb(expected, reading, figure, noise);
    } else {
      absorbOther(expected, reading, noise);
    }
  }

  /** How each piece of evidence is best explained, in their order. */
  List<Explained> explained() {
    return explanations.get(0).how();
  }

  /** Adds an observation by its probability. */
  void absorbSeen(double probability) {
    absorb(probability, Explained.AS_READ);
  }

  private void absorbOther(Expectation expected, Reading reading, ReadingNoise leftOpen) {
    boolean ohms = reading.probe().function().needsDeadCircuit();
    if (reading.shown() instanceof Shown.OverLimit && ohms) {
      double openLeads = leftOpen.doubt() * Misreading.NoContact.OPEN_LEADS;
      double beyond = above(expected, reading.meter().overLimitOhms());
      double probability = (1 - openLeads - Misreading.Anything.SHARE) * beyond + openLeads;
      absorb(probability, probability < 2 * openLeads ? Explained.AS_SLIP : Explained.AS_READ);
    } else if (reading.shown() instanceof Shown.Buzzer buzzer) {
      double sounds = 1 - above(expected, reading.meter().buzzerOhms());
      double probability =
          (1 - BUZZER_WRONG) * (buzzer.sounds() ? sounds : 1 - sounds) + BUZZER_WRONG / 2;
      absorb(probability, probability < BUZZER_WRONG ? Explained.AS_SLIP : Explained.AS_READ);
    } else {
      absorb(1, Explained.AS_READ);
    }
  }

  private static double above(Expectation expected, double threshold) {
    double asTold = above(expected.line().mean(), threshold);
    return expected.doubted()
        ? (1 - expected.share()) * asTold
            + expected.share() * above(expected.otherwise().mean(), threshold)
        : asTold;
  }

  /** One way to take a reading: by a line, with what was known of it before. */
  private record Way(
      MixtureComponent.Given given, double excess, double sd, Chances chances, double asRead) {}

  private Way way(
      MixtureComponent e,
      LinearPrediction line,
      double share,
      Reading reading,
      Shown.Figure figure,
      ReadingNoise leftOpen) {
    MeterFunction function = reading.probe().function();
    double own = leftOpen.asRead() + expectedVariance(line, function, reading.meter());
    MixtureComponent.Given given = e.given(row(line, function, reading.meter()));
    double mean = line.mean() + given.shift();
    double variance = Math.max(given.variance() + own, 1e-3 * own);
    Chances chances =
        Chances.of(
            new Misreading.Figure(
                figure.value(),
                line,
                reading.meter(),
                function,
                leftOpen,
                mean,
                variance - leftOpen.asRead(),
                own,
                sourceVolts),
            variance);
    return new Way(
        given, figure.value() - mean, Math.sqrt(variance), chances, share * chances.asRead);
  }

  private void absorb(
      Expectation expected, Reading reading, Shown.Figure figure, ReadingNoise leftOpen) {
    for (MixtureComponent e : List.copyOf(explanations)) {
      Way told = way(e, expected.line(), 1 - expected.share(), reading, figure, leftOpen);
      double otherwise = told.chances.otherwise;
      if (expected.doubted()) {
        Way wired = way(e, expected.otherwise(), expected.share(), reading, figure, leftOpen);
        if (wired.asRead > WORTH_A_WAY * Math.max(told.asRead, otherwise)) {
          MixtureComponent other = e.copy();
          other.believe(wired.given, wired.excess, wired.sd, Math.log(wired.asRead));
          other.wiredOtherwise();
          explanations.add(other);
        }
      }
      double asRead = told.asRead;
      boolean both =
          e.learns() && Math.min(asRead, otherwise) > WORTH_A_WAY * Math.max(asRead, otherwise);
      if (both) {
        MixtureComponent other = e.copy();
        other.leave(told.chances.how, Math.log(otherwise));
        explanations.add(other);
      }
      if (both || asRead > otherwise) {
        double sum = both ? asRead : asRead + otherwise;
        e.believe(told.given, told.excess, told.sd, Math.log(sum));
      } else {
        e.leave(told.chances.how, Math.log(asRead + otherwise));
      }
    }
    settle();
  }

  /** Makes the weights of the ways add up to one again and gives up those that do not matter. */
  private void settle() {
    double[] weights = new double[explanations.size()];
    Arrays.setAll(weights, i -> explanations.get(i).logWeight());
    double step = LogSumExp.sum(weights);
    step(step);
    if (explanations.size() > 1) {
      explanations.sort(Comparator.comparingDouble(MixtureComponent::logWeight).reversed());
      double least = explanations.get(0).logWeight() - GIVEN_UP;
      while (explanations.size() > MOST_WAYS
          || explanations.get(explanations.size() - 1).logWeight() < least) {
        explanations.remove(explanations.size() - 1);
      }
    }
    explanations.forEach(e -> e.weigh(-step));
  }

  /** How likely a figure is, as a density, as it was expected and otherwise. */
  private record Chances(double asRead, double otherwise, Explained how) {

    static Chances of(Misreading.Figure figure, double variance) {
      double asRead =
          Misreading.AS_READ
              * figure.within()
              * (1 - figure.otherGhosts())
              * Normal.density(figure.value(), figure.mean(), variance);
      double[] otherwise = new double[Explained.values().length];
      double sum = 0;
      Explained how = Explained.AS_SLIP;
      for (Misreading way : Misreading.ALL) {
        double density = way.doubted(figure);
        otherwise[way.explained().ordinal()] += density;
        sum += density;
      }
      for (Misreading way : Misreading.ALL) {
        how =
            otherwise[way.explained().ordinal()] > otherwise[how.ordinal()] ? way.explained() : how;
      }
      return new Chances(asRead, sum, how);
    }
  }

  /** What is now believed of a quantity that has not been read, meter uncertainty left out. */
  Uncertain believed(LinearPrediction line) {
    MixtureComponent.Given given = explanations.get(0).given(line.slopes());
    double variance = given.variance() + line.residualVariance();
    return new Uncertain(line.mean() + given.shift(), Math.sqrt(Math.max(0, variance)));
  }

  /** Slopes on the circuit's parameters, then on every gain, then on the leads. */
  private Slopes row(LinearPrediction line, MeterFunction function, Meter meter) {
    int ofMeter = meters.indexOf(meter) * MeterFunction.values().length;
    Slopes row =
        line.slopes()
            .and(
                FIRST_GAIN + ofMeter + function.ordinal(),
                MeterError.of(meter, function).sharedGainSd(line.mean()));
    return function.needsDeadCircuit() ? row.and(LEADS, MeterError.LEAD_OHMS_SD) : row;
  }

  /**
   * What of a reading's variance depends on what is expected: its gain, and what the line leaves.
   */
  private double expectedVariance(LinearPrediction line, MeterFunction function, Meter meter) {
    double gain = MeterError.of(meter, function).ownGainSd(line.mean());
    double drift =
        !function.needsDeadCircuit()
            ? sourceDrift * line.mean()
            : line.mean() > INSULATION_OHMS ? INSULATION_SHARE * line.mean() : 0;
    return gain * gain + drift * drift + line.residualVariance();
  }

  /** The probability that a resistance is above a threshold of the meter. */
  public static double above(double ohms, double threshold) {
    return Normal.below(Math.log(Math.max(ohms, 1e-6) / threshold) / OVER_LIMIT_LOG_SD);
  }
}
