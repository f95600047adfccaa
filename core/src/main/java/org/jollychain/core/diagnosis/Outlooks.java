package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Accuracy;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * Learns what may come of questions, for a whole sheet at once: each situation is solved once under
 * every hypothesis, and every probe is read from that.
 *
 * <p>Readings that no meter could tell apart make one class; the spread of a class over all units
 * of the sheet is that of the line of one of its members. Between neighbouring classes that are
 * well apart runs a boundary, and the boundaries divide what may be shown into answers; how likely
 * a class is to give each follows from its normal distribution, a small share left for slips. For
 * weighing readings that have been taken this would be too coarse; for choosing what to ask it is
 * as good as the exact thing and far quicker.
 */
final class Outlooks {

  private static final double SLIP = 0.01;
  private static final int MOST_ANSWERS = 9;

  /** Classes further apart than this many of their own standard deviations are told apart. */
  private static final double APART = 0.6;

  /** Two readings this close, in standard deviations of the meter's own, are of one class. */
  private static final double SAME = 0.5;

  /** The share of drops that sit in a part's terminals; common practice, no source. */
  private static final double IN_ITS_TERMINALS = 0.5;

  private final Sheet sheet;
  private final SoundUnit unit;
  private final Expectations expectations;
  private final List<Hypothesis> hypotheses;
  private final Sightings sightings;

  Outlooks(Expectations expectations, Sightings sightings, List<Hypothesis> hypotheses) {
    this.unit = expectations.unit();
    this.sheet = unit.sheet();
    this.expectations = expectations;
    this.sightings = sightings;
    this.hypotheses = hypotheses;
  }

  Map<Question, Outlook> learn(Collection<? extends Question> questions) {
    Map<String, List<Question>> bySituation = new LinkedHashMap<>();
    for (Question q : questions) {
      bySituation.computeIfAbsent(q.situation(), s -> new ArrayList<>()).add(q);
    }
    Map<Question, Outlook> all = new HashMap<>();
    bySituation.forEach((id, asked) -> learn(sheet.situation(id), asked, all));
    return all;
  }

  private void learn(Situation situation, List<Question> asked, Map<Question, Outlook> all) {
    Map<List<Change>, Solution> solved = new HashMap<>();
    for (Question q : asked) {
      if (q instanceof Question.Measure m) {
        Outlook known = all.get(new Question.Measure(m.probe()));
        Outlook found = known == null ? measured(m.probe(), situation, solved) : known;
        all.put(q, m.reseated() ? reseated(found, m.probe().part().orElseThrow()) : found);
      } else if (q instanceof Question.Runs r) {
        all.put(
            q,
            seen(
                Observation.Runs.values().length,
                i -> runsWord(Observation.Runs.values()[i]),
                (h, answer) -> {
                  Solution now = solved(situation, h.changesIn(situation), solved);
                  double share = sightings.share(r.part(), Observation.Runs.values()[answer], now);
                  return Sightings.seen(share);
                }));
      } else if (q instanceof Question.Look look) {
        Inspection.Finding[] findings = {Inspection.Finding.BURNT, Inspection.Finding.LOOKS_SOUND};
        all.put(
            q,
            seen(
                findings.length,
                i -> findings[i].toString().replace('-', ' '),
                (h, answer) -> Findings.probability(findings[answer], h.modeOf(look.part()))));
      } else if (q instanceof Question.Code c) {
        List<Optional<String>> codes = new ArrayList<>(List.of(Optional.empty()));
        sheet.codes().keySet().forEach(code -> codes.add(Optional.of(code)));
        all.put(
            q,
            seen(
                codes.size(),
                i -> codes.get(i).orElse("no code"),
                (h, answer) ->
                    sightings.codes(
                        new CodeShown("", codes.get(answer), c.situation(), Optional.empty()), h)));
      }
    }
  }

  private static String runsWord(Observation.Runs runs) {
    return switch (runs) {
      case YES -> "runs";
      case WEAKLY -> "runs weakly";
      case NO -> "does not run";
    };
  }

  private Solution solved(
      Situation situation, List<Change> changes, Map<List<Change>, Solution> solved) {
    return solved.computeIfAbsent(changes, c -> unit.in(situation.id(), c));
  }

  /** How likely an answer is under a hypothesis, up to a factor. */
  private interface Chance {
    double of(Hypothesis hypothesis, int answer);
  }

  private Outlook seen(int answers, IntFunction<String> word, Chance chance) {
    int[] classOf = new int[hypotheses.size()];
    Map<List<Double>, Integer> classes = new LinkedHashMap<>();
    for (int i = 0; i < classOf.length; i++) {
      Hypothesis h = hypotheses.get(i);
      double[] row = new double[answers];
      for (int j = 0; j < answers; j++) {
        row[j] = h.kind() == Hypothesis.Kind.NOT_ON_SHEET ? 1 : chance.of(h, j);
      }
      double sum = Arrays.stream(row).sum();
      List<Double> key = Arrays.stream(row).mapToObj(p -> Math.round(1e4 * p / sum) / 1e4).toList();
      classOf[i] = classes.computeIfAbsent(key, k -> classes.size());
    }
    double[][] likelihood =
        classes.keySet().stream().map(k -> withSlips(k, answers)).toArray(double[][]::new);
    return new Outlook(
        classOf,
        likelihood,
        IntStream.range(0, answers).mapToObj(word).toList(),
        new double[0],
        Optional.empty());
  }

  /** Rounded as they are, they add up to one again. */
  private static double[] withSlips(List<Double> chances, int answers) {
    double sum = chances.stream().mapToDouble(p -> p).sum();
    return chances.stream().mapToDouble(p -> (1 - SLIP) * p / sum + SLIP / answers).toArray();
  }

  /**
   * A class of readings.
   *
   * @param value what the meter shows, in its unit
   */
  private record Peak(double value, double sd, double overLimit) {}

  private Outlook measured(Probe probe, Situation situation, Map<List<Change>, Solution> solved) {
    Meter meter = Meter.GENERAL;
    int count = hypotheses.size();
    double[] values = new double[count];
    for (int i = 0; i < count; i++) {
      List<Change> faults = hypotheses.get(i).changesIn(situation);
      values[i] = meter.read(solved(situation, probe.conditions(sheet, faults), solved), probe);
    }
    Integer[] order = IntStream.range(0, count).boxed().toArray(Integer[]::new);
    Arrays.sort(order, Comparator.comparingDouble(i -> values[i]));
    int[] classOf = new int[count];
    List<Peak> peaks = new ArrayList<>();
    int unknown = -1;
    double first = Double.NaN;
    int most = -1;
    for (int k = 0; k < count; k++) {
      int i = order[k];
      if (Double.isNaN(first) || !same(meter, probe.function(), first, values[i])) {
        if (most >= 0) {
          peaks.add(peak(probe, situation, most, values[most]));
        }
        first = values[i];
        most = i;
      }
      if (hypotheses.get(i).prior() > hypotheses.get(most).prior()) {
        most = i;
      }
      classOf[i] = peaks.size();
    }
    peaks.add(peak(probe, situation, most, values[most]));
    for (int i = 0; i < count; i++) {
      if (hypotheses.get(i).kind() == Hypothesis.Kind.NOT_ON_SHEET) {
        unknown = i;
        classOf[i] = peaks.size();
      }
    }
    return divided(probe, peaks, classOf, unknown >= 0);
  }

  /** The same once a part's terminals were put on again: a drop that sat in them is gone. */
  private Outlook reseated(Outlook found, String part) {
    double[][] likelihood =
        Arrays.stream(found.likelihood()).map(double[]::clone).toArray(double[][]::new);
    double[] sound = likelihood[found.classOf()[Prior.SOUND]];
    boolean[] ofOthers = new boolean[likelihood.length];
    for (int i = 0; i < hypotheses.size(); i++) {
      ofOthers[found.classOf()[i]] |= hypotheses.get(i).modeOf(part).isEmpty();
    }
    for (int c = 0; c < likelihood.length; c++) {
      for (int j = 0; !ofOthers[c] && j < sound.length; j++) {
        likelihood[c][j] = (1 - IN_ITS_TERMINALS) * likelihood[c][j] + IN_ITS_TERMINALS * sound[j];
      }
    }
    List<String> words = new ArrayList<>(found.words());
    int likeliest =
        IntStream.range(0, sound.length)
            .reduce((a, b) -> sound[b] > sound[a] ? b : a)
            .orElseThrow();
    words.set(likeliest, Outlook.AS_SOUND);
    return new Outlook(
        found.classOf(), likelihood, List.copyOf(words), found.values(), found.function());
  }

  private static boolean same(Meter meter, MeterFunction function, double a, double b) {
    if (function.needsDeadCircuit() && Math.min(a, b) > 3 * meter.overLimitOhms()) {
      return true;
    }
    return Math.abs(a - b) < SAME * own(meter, function, Math.max(Math.abs(a), Math.abs(b)));
  }

  private static double own(Meter meter, MeterFunction function, double size) {
    Accuracy accuracy = meter.accuracy(function);
    return (accuracy.share() * size + accuracy.counts() * accuracy.resolutionAt(size))
        / Math.sqrt(3);
  }

  private Peak peak(Probe probe, Situation situation, int member, double value) {
    Meter meter = Meter.GENERAL;
    Line line = expectations.line(hypotheses.get(member).changesIn(situation), probe);
    double variance = line.residualVariance();
    for (double slope : line.slopes()) {
      variance += slope * slope;
    }
    double own = own(meter, probe.function(), Math.abs(value));
    double over =
        probe.function().needsDeadCircuit() ? Track.above(value, meter.overLimitOhms()) : 0;
    return new Peak(line.mean(), Math.sqrt(variance + own * own), over);
  }

  /** Draws the boundaries, widest gaps first, and reckons each class's share between them. */
  private static Outlook divided(
      Probe probe, List<Peak> peaks, int[] classOf, boolean withUnknown) {
    boolean ohms = probe.function().needsDeadCircuit();
    List<Peak> finite =
        peaks.stream()
            .filter(p -> p.overLimit < 0.5)
            .sorted(Comparator.comparingDouble(Peak::value))
            .toList();
    record Gap(double at, double width) {}
    List<Gap> gaps = new ArrayList<>();
    for (int i = 1; i < finite.size(); i++) {
      Peak a = finite.get(i - 1);
      Peak b = finite.get(i);
      double width = (b.value - a.value) / (a.sd + b.sd);
      if (width > APART) {
        gaps.add(new Gap(a.value + a.sd * width, width));
      }
    }
    gaps.sort(Comparator.comparingDouble(Gap::width).reversed());
    double[] bounds = gaps.stream().limit(MOST_ANSWERS - 1).mapToDouble(Gap::at).sorted().toArray();
    int figures = finite.isEmpty() ? 0 : bounds.length + 1;
    boolean over = ohms && peaks.stream().anyMatch(p -> p.overLimit > 1e-3);
    int answers = figures + (over ? 1 : 0);
    double[][] likelihood = new double[peaks.size() + (withUnknown ? 1 : 0)][answers];
    for (int c = 0; c < peaks.size(); c++) {
      Peak p = peaks.get(c);
      double below = 0;
      for (int j = 0; j < figures; j++) {
        double upTo =
            j == bounds.length ? 1 : Normal.below((bounds[j] - p.value) / Math.max(p.sd, 1e-12));
        likelihood[c][j] = (1 - (over ? p.overLimit : 0)) * Math.max(0, upTo - below);
        below = upTo;
      }
      if (over) {
        likelihood[c][figures] = figures == 0 ? 1 : p.overLimit;
      }
    }
    if (withUnknown) {
      Arrays.fill(likelihood[peaks.size()], 1);
    }
    for (double[] row : likelihood) {
      double sum = Arrays.stream(row).sum();
      for (int j = 0; j < answers; j++) {
        row[j] = (1 - SLIP) * row[j] / sum + SLIP / answers;
      }
    }
    List<String> words = new ArrayList<>(Collections.nCopies(figures, ""));
    if (over) {
      words.add("OL");
    }
    double[] values = peaks.stream().mapToDouble(Peak::value).toArray();
    return new Outlook(
        classOf, likelihood, List.copyOf(words), values, Optional.of(probe.function()));
  }
}
