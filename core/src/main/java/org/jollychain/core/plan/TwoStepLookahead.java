package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.quantity.Work;

/**
 * What tells most for its minutes, looking two questions ahead.
 *
 * <p>The minutes left once the belief is {@code b} are held to be {@code r H(b)} and the
 * expectation of the confirming test, where {@code H} is the entropy of what it calls for and
 * {@code r} the minutes a bit costs just now; nothing but the test where one call is strong
 * already. A question costs its own minutes and the expectation of those left after its answer, or
 * after the best second question where one follows; the one with the least is asked.
 */
final class TwoStepLookahead {

  /** A question that settles less is not worth asking (bit). */
  static final double LEAST_BITS = 0.015;

  /** Nobody likes to be asked what tells next to nothing. */
  private static final double LEAST_BITS_SEEN = 0.1;

  private static final int LOOKED_INTO = 5;
  private static final int SECONDS = 12;
  private static final int GOOD = 64;
  private static final double UNLIKELY = 0.06;
  private static final double LEAST_SETTLED = 0.3;

  /** How far the work is played out to find what a bit costs. */
  private static final int STEPS = 6;

  /** The likeliest answers settle less than all of them do on average. */
  private static final double RATE = 0.85;

  private final PlanningState state;
  private final List<Optional<Question>> confirming;
  private final Map<WorkState, double[]> confirmMinutes = new HashMap<>();
  private final Map<Question, boolean[]> confirms = new IdentityHashMap<>();

  private TwoStepLookahead(PlanningState state) {
    this.state = state;
    this.confirming =
        IntStream.range(0, state.belief().calls().size()).mapToObj(state::confirming).toList();
  }

  /**
   * A question with what it would do.
   *
   * @param bits settled by it on average
   * @param price minutes with the price of exposure
   * @param left minutes to the end if it is asked, itself included
   */
  record Option(
      Question question,
      WorkState.Move move,
      Belief.Split split,
      double bits,
      double price,
      double left) {

    private Option leaving(double minutes) {
      return new Option(question, move, split, bits, price, minutes);
    }
  }

  /** All that tell enough, the best first. */
  static List<Option> ranked(PlanningState state) {
    return new TwoStepLookahead(state).ranked();
  }

  private List<Option> ranked() {
    List<Option> options = options(state, state.may());
    if (options.isEmpty()) {
      return options;
    }
    options.sort(Comparator.comparingDouble(o -> o.price / o.bits));
    double rate = rate(state, options);
    List<Question> seconds = options.stream().limit(SECONDS).map(Option::question).toList();
    List<Option> once = new ArrayList<>();
    for (Option o : options.subList(0, Math.min(GOOD, options.size()))) {
      once.add(o.leaving(o.price + left(o, Optional.empty(), rate)));
    }
    once.sort(Comparator.comparingDouble(Option::left));
    List<Option> twice = new ArrayList<>();
    for (Option o : once.subList(0, Math.min(LOOKED_INTO, once.size()))) {
      twice.add(o.leaving(o.price + leftAfterSecond(o, seconds, rate)));
    }
    twice.sort(Comparator.comparingDouble(Option::left));
    twice.addAll(once.subList(twice.size(), once.size()));
    return twice;
  }

  /** The questions that tell most for their minutes now. */
  static List<Question> good(PlanningState state) {
    return options(state, state.may()).stream()
        .sorted(Comparator.comparingDouble(o -> o.price / o.bits))
        .limit(GOOD)
        .map(Option::question)
        .toList();
  }

  /** The best looking one question ahead, for where many plans are computed. */
  static Optional<Question> quickest(PlanningState state, List<Question> among) {
    List<Option> options = options(state, state.left(among));
    double rate = rate(state, options);
    TwoStepLookahead here = new TwoStepLookahead(state);
    return options.stream()
        .min(Comparator.comparingDouble(o -> o.price + here.left(o, Optional.empty(), rate)))
        .map(Option::question);
  }

  /**
   * Minutes of a bit: what it takes from here to the end if every time the best for its minutes is
   * asked and the likeliest answer comes, over what that settles.
   */
  private static double rate(PlanningState state, List<Option> options) {
    List<Question> good =
        options.stream()
            .sorted(Comparator.comparingDouble(o -> o.price / o.bits))
            .limit(SECONDS)
            .map(Option::question)
            .toList();
    double price = 0;
    PlanningState now = state;
    for (int i = 0; i < STEPS && now.strong().isEmpty(); i++) {
      PlanningState here = now;
      Optional<Option> best =
          options(here, here.left(good)).stream()
              .min(Comparator.comparingDouble(o -> o.price / o.bits));
      if (best.isEmpty()) {
        break;
      }
      double[] chance = best.get().split.chance();
      int likeliest = 0;
      for (int j = 1; j < chance.length; j++) {
        likeliest = chance[j] > chance[likeliest] ? j : likeliest;
      }
      price += best.get().price;
      now = here.after(best.get().question, likeliest);
    }
    double bits = Math.max(LEAST_SETTLED, state.belief().bits() - now.belief().bits());
    return RATE * price / bits;
  }

  private static List<Option> options(PlanningState state, List<Question> questions) {
    Work.check();
    double now = state.belief().bits();
    List<Option> options = new ArrayList<>();
    for (Question q : questions) {
      Belief.Split split = state.belief().split(state.outcomeModels().get(q));
      double bits = now - split.bitsLeft();
      if (bits > (q instanceof Question.Measure ? LEAST_BITS : LEAST_BITS_SEEN)) {
        WorkState.Move move = state.move(q);
        options.add(new Option(q, move, split, bits, move.price(state.policy().costs()), 0));
      }
    }
    return options;
  }

  /** Minutes left after a question, on average over its answers. */
  private double left(Option option, Optional<Question> before, double rate) {
    double minutes = 0;
    for (int j = 0; j < option.split.chance().length; j++) {
      minutes += option.split.chance()[j] * rest(option, j, before, rate);
    }
    return minutes;
  }

  /**
   * Minutes left with a belief: the bits still open at their rate, and the test by itself of
   * whatever it will turn out to be.
   */
  private double rest(Option asked, int answer, Optional<Question> before, double rate) {
    double[] byCall = asked.split.byCall()[answer];
    double[] confirm = confirmMinutes.computeIfAbsent(asked.move.after(), this::confirmMinutes);
    boolean[] here = confirms(asked.question);
    boolean[] earlier = before.map(this::confirms).orElse(here);
    double expected = 0;
    for (int d = 0; d < byCall.length; d++) {
      double own = here[d] || earlier[d] ? 0 : confirm[d];
      if (byCall[d] >= state.strongFrom(d)) {
        return own;
      }
      expected += byCall[d] * own;
    }
    return rate * asked.split.bits()[answer] + expected;
  }

  /** Which calls a question is the own test of. */
  private boolean[] confirms(Question question) {
    return confirms.computeIfAbsent(
        question,
        q -> {
          boolean[] of = new boolean[confirming.size()];
          for (int d = 0; d < of.length; d++) {
            of[d] = confirming.get(d).filter(q::equals).isPresent();
          }
          return of;
        });
  }

  /** What testing each call by itself would cost from here, nothing where it has been tested. */
  private double[] confirmMinutes(WorkState from) {
    TimeCosts costs = state.policy().costs();
    return confirming.stream()
        .mapToDouble(c -> c.map(q -> from.to(q, state.sheet(), costs).price(costs)).orElse(0.0))
        .toArray();
  }

  private double leftAfterSecond(Option first, List<Question> seconds, double rate) {
    double minutes = 0;
    for (int j = 0; j < first.split.chance().length; j++) {
      double chance = first.split.chance()[j];
      double best = rest(first, j, Optional.empty(), rate);
      if (chance > UNLIKELY && state.strong(first.split.byCall()[j]).isEmpty()) {
        for (Option second : options(state.after(first.question, j), seconds)) {
          if (!second.question.equals(first.question)) {
            best = Math.min(best, second.price + left(second, Optional.of(first.question), rate));
          }
        }
      }
      minutes += chance * best;
    }
    return minutes;
  }
}
