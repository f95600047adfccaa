package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.inference.CodeModel;
import org.jollychain.core.inference.DistinctFaults;
import org.jollychain.core.inference.GhostModel;
import org.jollychain.core.inference.HypothesisSpace;
import org.jollychain.core.inference.InspectionModel;
import org.jollychain.core.inference.LinearPrediction;
import org.jollychain.core.inference.MeasurementModel;
import org.jollychain.core.inference.ObservationModel;
import org.jollychain.core.inference.ReadingLikelihood;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.FaultSweep;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Work;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sheet.PartKind;
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
final class OutcomeModels {

  static final double SLIP = 0.01;

  /** So many questions times hypotheses are looked at one by one; more than that, coarsely. */
  private static final long MOST_AT_ONCE = 1_500_000;

  /** Stands for what is not on the sheet. */
  private static final int UNKNOWN = Integer.MIN_VALUE;

  /** Two readings this close, in standard deviations of the meter's own, are of one class. */
  private static final double SAME = 0.5;

  /** More than this of what is shown comes by strays: the point hangs free. */
  private static final double HANGS_FREE = 0.5;

  /** The share of drops that sit in a part's terminals; common practice, no source. */
  private static final double IN_ITS_TERMINALS = 0.5;

  private final Sheet sheet;
  private final UnitModel unit;
  private final MeasurementModel measurements;
  private final List<Hypothesis> hypotheses;

  /** The place of what is not on the sheet; -1 if nobody thinks of it. */
  private final int unknown;

  private final ObservationModel observations;
  private final CodeModel codes;

  /** The places of the hypotheses that blame a part. */
  private final Map<String, List<Integer>> blaming = new HashMap<>();

  OutcomeModels(MeasurementModel measurements) {
    this.unit = measurements.unit();
    this.sheet = unit.sheet();
    this.measurements = measurements;
    this.observations = new ObservationModel(unit);
    this.codes = new CodeModel(unit);
    this.hypotheses = measurements.hypotheses();
    this.unknown =
        IntStream.range(0, hypotheses.size())
            .filter(i -> hypotheses.get(i).kind() == Hypothesis.Kind.NOT_ON_SHEET)
            .findFirst()
            .orElse(-1);
    for (int i = 0; i < hypotheses.size(); i++) {
      int hypothesis = i;
      hypotheses
          .get(i)
          .ofParts()
          .forEach(f -> blaming.computeIfAbsent(f.part(), p -> new ArrayList<>()).add(hypothesis));
    }
  }

  Map<Question, OutcomeModel> learn(Collection<? extends Question> questions) {
    Map<String, List<Question>> bySituation = new LinkedHashMap<>();
    for (Question q : questions) {
      bySituation.computeIfAbsent(q.situation(), s -> new ArrayList<>()).add(q);
    }
    Map<Question, OutcomeModel> all = new HashMap<>();
    boolean coarse = (long) questions.size() * hypotheses.size() > MOST_AT_ONCE;
    bySituation.forEach((id, asked) -> learn(sheet.situation(id), asked, coarse, all));
    return all;
  }

  private void learn(
      Situation situation, List<Question> asked, boolean coarse, Map<Question, OutcomeModel> all) {
    DistinctFaults faults =
        coarse
            ? DistinctFaults.coarse(unit, situation, hypotheses)
            : measurements.faults(situation);
    Map<Probe, OutcomeModel> measured = new HashMap<>();
    Question.Kinds<OutcomeModel> kinds =
        new Question.Kinds<>() {
          @Override
          public OutcomeModel measure(Question.Measure m) {
            OutcomeModel found =
                measured.computeIfAbsent(m.at(), p -> measured(p, situation, faults));
            return m.reseated() ? reseated(found, m.at().part().orElseThrow()) : found;
          }

          @Override
          public OutcomeModel runs(Question.Runs r) {
            Observation.Runs[] answers = Observation.Runs.values();
            return seen(
                answers.length,
                i -> runsWord(answers[i], sheet.part(r.load()).kind()),
                faults::of,
                (i, answer) ->
                    ObservationModel.seen(
                        observations.share(
                            r.load(), answers[answer], faults.sweep().solution(faults.of(i)))));
          }

          @Override
          public OutcomeModel look(Question.Look look) {
            Inspection.Finding[] answers = {
              Inspection.Finding.BURNT, Inspection.Finding.LOOKS_SOUND
            };
            return seen(
                answers.length,
                i -> answers[i].toString().replace('-', ' '),
                modes(look.at()),
                (i, answer) ->
                    InspectionModel.probability(
                        answers[answer], hypotheses.get(i).modeOf(look.at())));
          }

          @Override
          public OutcomeModel check(Question.GuideCheck check) {
            throw new IllegalArgumentException("the guide says what comes of its checks");
          }

          @Override
          public OutcomeModel plate(Question.Plate plate) {
            throw new IllegalArgumentException("a plate tells of one unit, not of its sheet");
          }

          @Override
          public OutcomeModel code(Question.Code c) {
            List<Optional<String>> answers = new ArrayList<>(List.of(Optional.empty()));
            sheet.codes().keySet().forEach(code -> answers.add(Optional.of(code)));
            return seen(
                answers.size(),
                i -> answers.get(i).orElse("no code"),
                i -> i,
                (i, answer) ->
                    codes.probability(
                        new CodeShown("", answers.get(answer), c.situation(), Optional.empty()),
                        hypotheses.get(i)));
          }
        };
    for (Question q : asked) {
      Work.check();
      all.put(q, q.as(kinds));
    }
  }

  /** How a part is at fault under each hypothesis, as a number; -1 where it is not. */
  private IntUnaryOperator modes(String part) {
    Map<Integer, Integer> modes = new HashMap<>();
    for (int i : blaming.getOrDefault(part, List.of())) {
      modes.put(i, hypotheses.get(i).modeOf(part).orElseThrow().ordinal());
    }
    return i -> modes.getOrDefault(i, -1);
  }

  private static String runsWord(Observation.Runs runs, PartKind kind) {
    return switch (runs) {
      case YES -> kind.on();
      case WEAKLY -> kind.weak();
      case NO -> kind.off();
    };
  }

  /** How likely an answer is under a hypothesis, by its place, up to a factor. */
  private interface Chance {
    double of(int hypothesis, int answer);
  }

  /**
   * @param alike the same for hypotheses under which the chances are the same
   */
  private OutcomeModel seen(
      int answers, IntFunction<String> word, IntUnaryOperator alike, Chance chance) {
    int[] classOf = new int[hypotheses.size()];
    Map<List<Double>, Integer> classes = new LinkedHashMap<>();
    Map<Integer, Integer> known = new HashMap<>();
    for (int i = 0; i < classOf.length; i++) {
      int hypothesis = i;
      classOf[i] =
          known.computeIfAbsent(
              i == unknown ? UNKNOWN : alike.applyAsInt(i),
              k -> {
                double[] row = new double[answers];
                for (int j = 0; j < answers; j++) {
                  row[j] = hypothesis == unknown ? 1 : chance.of(hypothesis, j);
                }
                double sum = Arrays.stream(row).sum();
                return classes.computeIfAbsent(
                    Arrays.stream(row).mapToObj(p -> Math.round(1e4 * p / sum) / 1e4).toList(),
                    c -> classes.size());
              });
    }
    double[][] likelihood =
        classes.keySet().stream().map(k -> withSlips(k, answers)).toArray(double[][]::new);
    return new OutcomeModel(
        new OutcomeTable(classOf, likelihood),
        IntStream.range(0, answers).mapToObj(word).toList(),
        new double[0],
        Optional.empty());
  }

  /** Rounded as they are, they add up to one again. */
  private static double[] withSlips(List<Double> chances, int answers) {
    double sum = chances.stream().mapToDouble(p -> p).sum();
    return chances.stream().mapToDouble(p -> (1 - SLIP) * p / sum + SLIP / answers).toArray();
  }

  private OutcomeModel measured(Probe probe, Situation situation, DistinctFaults faults) {
    Meter meter = Meter.GENERAL;
    FaultSweep.Readings readings = faults.sweep().at(probe, meter);
    double[] values = new double[faults.count()];
    Arrays.setAll(values, f -> readings.shown(probe.function(), f));
    boolean[] ghost = new boolean[values.length];
    boolean terminals = probe.atTerminals(sheet);
    for (int f = 0; f < ghost.length; f++) {
      List<Change> changes = hypotheses.get(faults.likeliest(f)).changesIn(situation);
      boolean dead = terminals && GhostModel.dead(sheet.supply(), changes);
      values[f] = dead ? 0 : values[f];
      ghost[f] =
          !dead
              && probe.function() == MeterFunction.VOLTS_AC
              && readings.floating()[f] > HANGS_FREE;
    }
    double[] sorted =
        IntStream.range(0, values.length)
            .filter(f -> !ghost[f])
            .mapToDouble(f -> values[f])
            .sorted()
            .toArray();
    // the least of each class of readings
    double[] least = new double[sorted.length];
    int classes = 0;
    for (double value : sorted) {
      if (classes == 0 || !same(meter, probe.function(), least[classes - 1], value)) {
        least[classes++] = value;
      }
    }
    int[] classOfFault = new int[values.length];
    int[] most = new int[classes];
    Arrays.fill(most, -1);
    for (int f = 0; f < values.length; f++) {
      if (ghost[f]) {
        classOfFault[f] = classes;
        continue;
      }
      int at = Arrays.binarySearch(least, 0, classes, values[f]);
      int c = at >= 0 ? at : -at - 2;
      classOfFault[f] = c;
      int i = faults.likeliest(f);
      if (most[c] < 0 || hypotheses.get(i).prior() > hypotheses.get(most[c]).prior()) {
        most[c] = i;
      }
    }
    List<AnswerBounds.Peak> peaks = new ArrayList<>();
    for (int i : most) {
      peaks.add(peak(probe, situation, i, values[faults.of(i)]));
    }
    if (IntStream.range(0, ghost.length).anyMatch(f -> ghost[f])) {
      peaks.add(AnswerBounds.ghost(sheet.supply().volts()));
    }
    int[] classOf = new int[hypotheses.size()];
    for (int i = 0; i < classOf.length; i++) {
      classOf[i] = i == unknown ? peaks.size() : classOfFault[faults.of(i)];
    }
    return AnswerBounds.divided(probe, peaks, classOf, unknown >= 0);
  }

  /** The same once a part's terminals were put on again: a drop that sat in them is gone. */
  private OutcomeModel reseated(OutcomeModel found, String part) {
    double[][] likelihood =
        Arrays.stream(found.table().likelihood()).map(double[]::clone).toArray(double[][]::new);
    double[] sound = likelihood[found.table().classOf()[HypothesisSpace.SOUND]];
    boolean[] ofOthers = new boolean[likelihood.length];
    for (int i = 0; i < hypotheses.size(); i++) {
      ofOthers[found.table().classOf()[i]] |= hypotheses.get(i).modeOf(part).isEmpty();
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
    words.set(likeliest, OutcomeModel.AS_SOUND);
    return new OutcomeModel(
        new OutcomeTable(found.table().classOf(), likelihood),
        List.copyOf(words),
        found.values(),
        found.function());
  }

  private static boolean same(Meter meter, MeterFunction function, double a, double b) {
    if (function.needsDeadCircuit() && Math.min(a, b) > 3 * meter.overLimitOhms()) {
      return true;
    }
    return Math.abs(a - b)
        < SAME * MeterError.of(meter, function).sd(Math.max(Math.abs(a), Math.abs(b)));
  }

  private AnswerBounds.Peak peak(Probe probe, Situation situation, int member, double value) {
    Meter meter = Meter.GENERAL;
    LinearPrediction line = measurements.line(hypotheses.get(member).changesIn(situation), probe);
    double variance = line.residualVariance() + line.slopes().squared();
    double own = MeterError.of(meter, probe.function()).sd(Math.abs(value));
    double over =
        probe.function().needsDeadCircuit()
            ? ReadingLikelihood.above(value, meter.overLimitOhms())
            : 0;
    return new AnswerBounds.Peak(line.mean(), Math.sqrt(variance + own * own), over, false);
  }
}
