package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Supplier;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The planner against the exact optimum by dynamic programming: a chain of links of which one is
 * open, perfect tests of one link or of all up to a point, each of them as dear as the next; the
 * work ends with a test of the open link itself. Where the order is known to be optimal, against
 * the published rule: by probability over cost for tests of single parts (Mitten 1960, Butterworth
 * 1972), half-split for even odds.
 */
class OptimumTest {

  private static final int CHAINS = 12;

  /** Links l0, l1, ... in series with a load, all within reach. */
  private static Sheet chain(int links) {
    StringBuilder points = new StringBuilder();
    StringBuilder parts = new StringBuilder();
    for (int i = 0; i < links; i++) {
      points.append("  P%d: {title: P}\n".formatted(i));
      String from = i == 0 ? "L" : "P" + (i - 1);
      parts.append("  l%d: {kind: wire, between: [%s, P%d]}\n".formatted(i, from, i));
    }
    return SheetValidator.read(
        """
        format: jolly-chain/sheet/1
        key: chain
        title: Chain
        family: other
        supply:
          system: single-phase
          volts: 120
          hertz: 60
          terminals: {line1: L, neutral: N, earth: PE}
          bonded: neutral
        points:
          L: {title: L}
          N: {title: N}
          PE: {title: PE}
        %sparts:
        %s  load: {kind: heating-element, between: [P%d, N], watts: 1200, at-volts: 120}
        situations:
          on: {title: On, supply: on}
          off: {title: Off, supply: off}
        paths:
          heat: {title: Heat, load: load}
        """
            .formatted(points, parts, links - 1));
  }

  /** A question as the set of links that make its answer OL. */
  private record Perfect(Question question, Set<Integer> open) {}

  private final Map<Integer, List<Perfect>> tests = new HashMap<>();

  private PlanningState state(int links, double[] p, boolean runs) {
    Sheet sheet = chain(links);
    CandidateTests questions = new CandidateTests(new UnitModel(sheet));
    List<Perfect> perfect = new ArrayList<>();
    for (int i = 0; i < links; i++) {
      perfect.add(new Perfect(questions.closedOhms(sheet.part("l" + i)).orElseThrow(), Set.of(i)));
    }
    for (Question q : questions.all()) {
      String[] words = CandidateTests.id(q).split(" ");
      boolean run = words[0].equals("ohms") && words[1].equals("L") && words[2].startsWith("P");
      if (runs && run && !words[2].equals("PE") && !words[2].equals("P0")) {
        Set<Integer> upTo = new HashSet<>();
        for (int i = 0; i <= Integer.parseInt(words[2].substring(1)); i++) {
          upTo.add(i);
        }
        perfect.add(new Perfect(q, upTo));
      }
    }
    Map<Question, OutcomeModel> outcomeModels = new LinkedHashMap<>();
    for (Perfect t : perfect) {
      int[] classOf = new int[links];
      Arrays.setAll(classOf, i -> t.open.contains(i) ? 1 : 0);
      outcomeModels.put(
          t.question,
          new OutcomeModel(
              classOf,
              new double[][] {{1, 0}, {0, 1}},
              List.of("closed", "OL"),
              new double[] {0, 1e9},
              Optional.empty()));
    }
    List<Diagnosis.Belief> beliefs = new ArrayList<>();
    for (int i = 0; i < links; i++) {
      Fault open =
          new Fault.OfPart(
              "l" + i, FaultMode.OPEN, List.of(Change.open("l" + i)), Fault.Presence.ALWAYS);
      beliefs.add(
          new Diagnosis.Belief(
              new Hypothesis(Hypothesis.Kind.FAULTY, List.of(open), p[i]), i, p[i]));
    }
    tests.put(links, perfect);
    return new PlanningState(
        sheet,
        questions,
        outcomeModels,
        Policy.usual(false),
        Belief.of(beliefs),
        new WorkState(false, "off", Set.of()),
        perfect.stream().map(Perfect::question).toList(),
        Set.of());
  }

  /** Questions the planner needs on average, the confirming one counted. */
  private double planned(PlanningState start, double[] p) {
    double asked = 0;
    for (int truth = 0; truth < p.length; truth++) {
      PlanningState state = start;
      boolean ended = false;
      for (int n = 1; !ended; n++) {
        Optional<Integer> strong = state.strong();
        Question next = strong.flatMap(state::confirming).orElseGet(pick(state));
        int t = truth;
        Perfect test =
            tests.get(p.length).stream()
                .filter(x -> x.question.equals(next))
                .findFirst()
                .orElseThrow();
        boolean open = test.open.contains(t);
        ended = open && test.open.size() == 1 && next.equals(own(start, t));
        asked += ended ? p[truth] * n : 0;
        state = ended ? state : state.after(next, open ? 1 : 0);
      }
    }
    return asked;
  }

  private static Supplier<Question> pick(PlanningState state) {
    return () -> TwoStepLookahead.ranked(state).get(0).question();
  }

  private static Question own(PlanningState state, int link) {
    return state.questions().closedOhms(state.sheet().part("l" + link)).orElseThrow();
  }

  /** The least questions on average from a set of candidates, a bit each (Bellman). */
  private static double optimum(
      int set, double[] p, List<Perfect> tests, Map<Integer, Double> known) {
    if (known.containsKey(set)) {
      return known.get(set);
    }
    double all = mass(set, p);
    double best = Double.POSITIVE_INFINITY;
    for (Perfect t : tests) {
      int open = 0;
      for (int i : t.open) {
        open |= 1 << i;
      }
      int yes = set & open;
      int no = set & ~open;
      boolean single = Integer.bitCount(open) == 1;
      if (yes == 0 || no == 0 && !single) {
        continue;
      }
      double then = single ? 0 : mass(yes, p) / all * optimum(yes, p, tests, known);
      double otherwise = no == 0 ? 0 : mass(no, p) / all * optimum(no, p, tests, known);
      best = Math.min(best, 1 + then + otherwise);
    }
    known.put(set, best);
    return best;
  }

  private static double mass(int set, double[] p) {
    double sum = 0;
    for (int i = 0; i < p.length; i++) {
      sum += (set >> i & 1) == 1 ? p[i] : 0;
    }
    return sum;
  }

  private static double[] odds(int links, Random random) {
    double[] p = new double[links];
    Arrays.setAll(p, i -> Math.exp(1.2 * random.nextGaussian()));
    double sum = Arrays.stream(p).sum();
    Arrays.setAll(p, i -> p[i] / sum);
    return p;
  }

  @ParameterizedTest
  @ValueSource(ints = {5, 6, 7, 8})
  void stays_within_three_percent_of_the_exact_optimum(int links) {
    Random random = new Random(links);
    double ours = 0;
    double least = 0;
    for (int i = 0; i < CHAINS; i++) {
      double[] p = odds(links, random);
      ours += planned(state(links, p, true), p);
      least += optimum((1 << links) - 1, p, tests.get(links), new HashMap<>());
    }
    assertThat(ours).isGreaterThanOrEqualTo(least - 1e-9);
    System.out.printf("chain of %d links: %.3f of the optimum%n", links, ours / least);
    assertThat(ours / least).isLessThan(1.03);
  }

  /** Single tests of one price: by falling probability. */
  @Test
  void tests_of_single_links_go_by_probability() {
    double[] p = {0.12, 0.4, 0.08, 0.25, 0.15};
    double ours = planned(state(5, p, false), p);
    assertThat(ours).isCloseTo(0.4 + 2 * 0.25 + 3 * 0.15 + 4 * 0.12 + 5 * 0.08, within(1e-9));
  }

  /** Even odds over eight: three halvings, and the test of what is left. */
  @Test
  void even_odds_are_halved() {
    double[] p = new double[8];
    Arrays.fill(p, 0.125);
    double least = planned(state(8, p, true), p);
    assertThat(least).isLessThanOrEqualTo(4.0 + 1e-9);
  }
}
