package org.jollychain.core.sequencing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jollychain.core.quantity.Work;

/**
 * What tells most for its minutes, looking two tests ahead.
 *
 * <p>The minutes left with a distribution {@code b} are held to be {@code r H(b)}, one test at
 * least, and the expectation of the confirming test, where {@code H} is the entropy of its groups
 * and {@code r} the minutes a bit costs just now; nothing but that test where the search ends. A
 * test costs its own minutes and the expectation of those left after its outcome, or after the best
 * second test where one follows; the one with the least is made.
 *
 * <pre>{@code
 * T next = TwoStepLookahead.ranked(position).get(0).test();
 * }</pre>
 */
public final class TwoStepLookahead<T, P> {

  private static final int LOOKED_INTO = 5;
  private static final int SECONDS = 12;
  private static final int GOOD = 64;
  private static final double UNLIKELY = 0.06;
  private static final double LEAST_SETTLED = 0.3;

  /** How far the work is played out to find what a bit costs. */
  private static final int STEPS = 6;

  /** The likeliest answers settle less than all of them do on average. */
  private static final double RATE = 0.85;

  private final Position<T, P> now;
  private final List<Optional<T>> confirming;
  private final Map<P, double[]> confirmMinutes = new HashMap<>();
  private double least;
  private final Map<T, boolean[]> confirms = new IdentityHashMap<>();

  private TwoStepLookahead(Position<T, P> now) {
    this.now = now;
    this.confirming =
        IntStream.range(0, now.believed().byGroup().length).mapToObj(now::confirming).toList();
  }

  /**
   * A test with what it would do.
   *
   * @param bits settled by it on average (bit)
   * @param left minutes to the end if it is made, itself included
   */
  public record Option<T, P>(
      T test, SequencingProblem.Step<P> step, Distribution.Split split, double bits, double left) {

    private double perBit() {
      return step.price() / bits;
    }

    private Option<T, P> leaving(double minutes) {
      return new Option<>(test, step, split, bits, minutes);
    }
  }

  /** All that tell enough, the best first. */
  public static <T, P> List<Option<T, P>> ranked(Position<T, P> now) {
    return new TwoStepLookahead<>(now).ranked();
  }

  private List<Option<T, P>> ranked() {
    List<Option<T, P>> options = options(now, now.open());
    if (options.isEmpty()) {
      return options;
    }
    options.sort(Comparator.comparingDouble(Option::perBit));
    double rate = rate(now, options);
    least = least(options);
    List<T> seconds = options.stream().limit(SECONDS).map(Option::test).toList();
    List<Option<T, P>> once = new ArrayList<>();
    for (Option<T, P> o : options.subList(0, Math.min(GOOD, options.size()))) {
      once.add(o.leaving(o.step.price() + left(o, Optional.empty(), rate)));
    }
    once.sort(Comparator.comparingDouble(Option::left));
    List<Option<T, P>> twice = new ArrayList<>();
    for (Option<T, P> o : once.subList(0, Math.min(LOOKED_INTO, once.size()))) {
      twice.add(o.leaving(o.step.price() + leftAfterSecond(o, seconds, rate)));
    }
    twice.sort(Comparator.comparingDouble(Option::left));
    twice.addAll(once.subList(twice.size(), once.size()));
    return twice;
  }

  /** The tests that tell most for their minutes now. */
  public static <T, P> List<T> good(Position<T, P> now) {
    return options(now, now.open()).stream()
        .sorted(Comparator.comparingDouble(Option::perBit))
        .limit(GOOD)
        .map(Option::test)
        .toList();
  }

  /** The best looking one test ahead, for where many plans are computed. */
  public static <T, P> Optional<T> quickest(Position<T, P> now, List<T> among) {
    List<Option<T, P>> options = options(now, now.left(among));
    double rate = rate(now, options);
    TwoStepLookahead<T, P> here = new TwoStepLookahead<>(now);
    here.least = least(options);
    return options.stream()
        .min(Comparator.comparingDouble(o -> o.step.price() + here.left(o, Optional.empty(), rate)))
        .map(Option::test);
  }

  /**
   * Minutes of a bit: what it takes from here to the end if every time the best for its minutes is
   * made and the likeliest outcome comes, over what that settles.
   */
  private static <T, P> double rate(Position<T, P> start, List<Option<T, P>> options) {
    List<T> good =
        options.stream()
            .sorted(Comparator.comparingDouble(Option::perBit))
            .limit(SECONDS)
            .map(Option::test)
            .toList();
    double price = 0;
    Position<T, P> now = start;
    for (int i = 0; i < STEPS && now.end().isEmpty(); i++) {
      Optional<Option<T, P>> best =
          options(now, now.left(good)).stream().min(Comparator.comparingDouble(Option::perBit));
      if (best.isEmpty()) {
        break;
      }
      double[] chance = best.get().split.chance();
      int likeliest = 0;
      for (int j = 1; j < chance.length; j++) {
        likeliest = chance[j] > chance[likeliest] ? j : likeliest;
      }
      price += best.get().step.price();
      now = now.after(best.get().test, likeliest);
    }
    double bits = Math.max(LEAST_SETTLED, start.believed().bits() - now.believed().bits());
    return RATE * price / bits;
  }

  private static <T, P> List<Option<T, P>> options(Position<T, P> at, List<T> tests) {
    Work.check();
    double before = at.believed().bits();
    List<Option<T, P>> options = new ArrayList<>();
    for (T test : tests) {
      Distribution.Split split = at.believed().split(at.problem().outcomes(test));
      double bits = before - split.bitsLeft();
      if (bits > at.problem().leastBits(test)) {
        options.add(new Option<>(test, at.problem().step(at.place(), test), split, bits, 0));
      }
    }
    return options;
  }

  /** Minutes left after a test, on average over its outcomes. */
  private double left(Option<T, P> option, Optional<T> before, double rate) {
    double minutes = 0;
    for (int j = 0; j < option.split.chance().length; j++) {
      minutes += option.split.chance()[j] * rest(option, j, before, rate);
    }
    return minutes;
  }

  /**
   * Minutes left after an outcome: the bits still open at their rate, and the own test of whatever
   * it will turn out to be.
   */
  private double rest(Option<T, P> made, int outcome, Optional<T> before, double rate) {
    double[] byGroup = made.split.byGroup()[outcome];
    double[] confirm = confirmMinutes.computeIfAbsent(made.step.after(), this::confirmMinutes);
    boolean[] here = confirms(made.test);
    boolean[] earlier = before.map(this::confirms).orElse(here);
    double expected = 0;
    for (int g = 0; g < byGroup.length; g++) {
      double own = here[g] || earlier[g] ? 0 : confirm[g];
      if (byGroup[g] >= now.problem().endsAt(g)) {
        return own;
      }
      expected += byGroup[g] * own;
    }
    return Math.max(least, rate * made.split.bits()[outcome]) + expected;
  }

  /** What any further test takes, however little is open. */
  private static <T, P> double least(List<Option<T, P>> options) {
    return options.stream().mapToDouble(o -> o.step.price()).min().orElse(0);
  }

  /** Which groups a test is the own test of. */
  private boolean[] confirms(T test) {
    return confirms.computeIfAbsent(
        test,
        t -> {
          boolean[] of = new boolean[confirming.size()];
          for (int g = 0; g < of.length; g++) {
            of[g] = confirming.get(g).filter(t::equals).isPresent();
          }
          return of;
        });
  }

  /** What each group's own test would cost from here, nothing where it has been made. */
  private double[] confirmMinutes(P from) {
    return confirming.stream()
        .mapToDouble(c -> c.map(t -> now.problem().step(from, t).price()).orElse(0.0))
        .toArray();
  }

  private double leftAfterSecond(Option<T, P> first, List<T> seconds, double rate) {
    double minutes = 0;
    for (int j = 0; j < first.split.chance().length; j++) {
      double chance = first.split.chance()[j];
      double best = rest(first, j, Optional.empty(), rate);
      if (chance > UNLIKELY && now.end(first.split.byGroup()[j]).isEmpty()) {
        for (Option<T, P> second : options(now.after(first.test, j), seconds)) {
          if (!second.test.equals(first.test)) {
            best =
                Math.min(best, second.step.price() + left(second, Optional.of(first.test), rate));
          }
        }
      }
      minutes += chance * best;
    }
    return minutes;
  }
}
