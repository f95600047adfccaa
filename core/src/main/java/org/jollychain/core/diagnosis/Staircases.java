package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.jollychain.core.diagnosis.Assessment.Account;
import org.jollychain.core.diagnosis.Assessment.Riser;
import org.jollychain.core.diagnosis.Assessment.Staircase;
import org.jollychain.core.diagnosis.Assessment.Tread;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.inference.Normal;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.inference.ReadingLikelihood;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterError;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Uncertain;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * The potential along each chain: of the sound unit, as now believed, and as read. The belief at a
 * point is a mixture over hypotheses, each a normal distribution; its median makes the strong line
 * and its tenths the band, so the line steps down where the belief passes one half.
 */
final class Staircases {

  private static final double MATTERS = 0.02;
  private static final int MOST_MIXED = 16;

  private final Sheet sheet;
  private final UnitModel unit;
  private final Posterior posterior;
  private final Map<String, String> arrivals;
  private final List<Drop> drops;

  /**
   * Volts read between where two points arrive, before a cord or behind it.
   *
   * @param probed the points themselves
   */
  private record Drop(
      String situation, String red, String black, Uncertain volts, Set<String> probed) {}

  Staircases(UnitModel unit, Posterior posterior) {
    this.unit = unit;
    this.sheet = unit.sheet();
    this.posterior = posterior;
    this.arrivals =
        sheet.points().keySet().stream().collect(Collectors.toMap(p -> p, sheet::arrival));
    this.drops = drops();
  }

  private List<Drop> drops() {
    List<Drop> all = new ArrayList<>();
    for (Evidence e : posterior.evidence()) {
      if (e instanceof Reading r
          && r.shown() instanceof Shown.Figure figure
          && r.probe().function().dimension() == Dimension.VOLTS
          && posterior.explained(posterior.leader(), r) == ReadingLikelihood.Explained.AS_READ) {
        all.add(
            new Drop(
                r.situation(),
                arrivals.get(r.probe().red()),
                arrivals.get(r.probe().black()),
                new Uncertain(figure.value(), meterSd(r, figure)),
                Set.of(r.probe().red(), r.probe().black())));
      }
    }
    return all;
  }

  Staircase of(Chain chain, Situation situation) {
    Solution sound = unit.in(situation.id());
    Solution cold = isolated().map(s -> unit.in(s.id())).orElse(sound);
    Map<String, Uncertain> measured = measured(chain, situation);
    List<Tread> treads = new ArrayList<>();
    for (String point : chain.points()) {
      boolean reference = point.equals(chain.returnPoint());
      double expected = sound.volts(point).minus(sound.volts(chain.returnPoint())).abs();
      Mixture belief =
          reference
              ? new Mixture(List.of(new Component(1, new Uncertain(0, 0))))
              : belief(point, chain.returnPoint(), situation);
      Optional<Uncertain> read = Optional.ofNullable(measured.get(point));
      treads.add(
          new Tread(
              point,
              expected,
              belief.quantile(0.5),
              belief.quantile(0.1),
              belief.quantile(0.9),
              read.map(Uncertain::mean),
              read.map(u -> 2 * u.sd()),
              probed(point, chain.returnPoint(), situation).map(Uncertain::mean)));
    }
    List<Riser> risers = new ArrayList<>();
    for (Part part : chain.parts()) {
      Solution open = unit.in(situation.id(), List.of(Change.open(part.id())));
      risers.add(
          new Riser(
              part.id(),
              across(sound, part),
              across(open, part),
              cold.ohms(part.id()).re() + Meter.GENERAL.leadOhms(),
              sound.amperes(part.id()).abs()));
    }
    return new Staircase(
        chain.path().id(),
        chain.path().title(),
        situation.id(),
        chain.returnPoint(),
        treads,
        risers);
  }

  private Optional<Situation> isolated() {
    return sheet.situations().values().stream().filter(s -> !s.supplyOn()).findFirst();
  }

  /** Source and drops of a chain, where the source and at least one drop were read. */
  Optional<Account> account(Chain chain, Situation situation) {
    Optional<Uncertain> source = drop(chain.points().get(0), chain.returnPoint(), situation);
    double drops = 0;
    double variance = source.map(s -> s.sd() * s.sd()).orElse(0.0);
    int read = 0;
    for (int i = 0; i < chain.parts().size(); i++) {
      Optional<Uncertain> drop = drop(chain.points().get(i), chain.points().get(i + 1), situation);
      if (drop.isPresent()) {
        drops += drop.get().mean();
        variance += drop.get().sd() * drop.get().sd();
        read++;
      }
    }
    if (source.isEmpty() || read == 0) {
      return Optional.empty();
    }
    double remainder = source.get().mean() - drops;
    double uncertainty = 2 * Math.sqrt(variance);
    int left = chain.parts().size() - read;
    String rest =
        left == 0 ? "" : left == 1 ? ", 1 link not read" : ", %d links not read".formatted(left);
    String judged =
        Math.abs(remainder) <= uncertainty
            ? "within the meter"
            : left > 0 ? "across what was not read" : "more than the meter allows";
    String text =
        "%s of %s unaccounted, %s%s"
            .formatted(
                Dimension.VOLTS.format(remainder),
                Dimension.VOLTS.format(source.get().mean()),
                judged,
                rest);
    return Optional.of(
        new Account(chain.path().id(), source.get().mean(), drops, remainder, uncertainty, text));
  }

  /** Potentials read against the reference, carried on by the drops read from point to point. */
  private Map<String, Uncertain> measured(Chain chain, Situation situation) {
    Map<String, Uncertain> measured = new HashMap<>();
    for (String point : chain.points()) {
      drop(point, chain.returnPoint(), situation).ifPresent(u -> measured.put(point, u));
    }
    measured.put(chain.returnPoint(), new Uncertain(0, 0));
    for (int i = 0; i < chain.parts().size(); i++) {
      carry(measured, chain.points().get(i), chain.points().get(i + 1), -1, situation);
    }
    for (int i = chain.parts().size() - 1; i >= 0; i--) {
      carry(measured, chain.points().get(i + 1), chain.points().get(i), 1, situation);
    }
    measured.remove(chain.returnPoint());
    return measured;
  }

  private void carry(
      Map<String, Uncertain> measured, String from, String to, int sign, Situation situation) {
    Uncertain here = measured.get(from);
    if (here != null && !measured.containsKey(to)) {
      drop(from, to, situation)
          .ifPresent(
              d ->
                  measured.put(
                      to,
                      new Uncertain(here.mean() + sign * d.mean(), Math.hypot(here.sd(), d.sd()))));
    }
  }

  /** The last volts read between two points in a situation, either way round. */
  private Optional<Uncertain> drop(String a, String b, Situation situation) {
    return drop(a, b, situation, drops);
  }

  /** The same with a probe at the first of them. */
  private Optional<Uncertain> probed(String point, String reference, Situation situation) {
    return drop(
        point,
        reference,
        situation,
        drops.stream().filter(d -> d.probed().contains(point)).toList());
  }

  private Optional<Uncertain> drop(String a, String b, Situation situation, List<Drop> among) {
    String from = arrivals.get(a);
    String to = arrivals.get(b);
    Optional<Uncertain> last = Optional.empty();
    for (Drop d : among) {
      if (d.situation().equals(situation.id())) {
        Uncertain volts = d.volts();
        if (d.red().equals(from) && d.black().equals(to)) {
          last = Optional.of(volts);
        } else if (d.red().equals(to) && d.black().equals(from)) {
          last =
              Optional.of(sheet.supply().dc() ? new Uncertain(-volts.mean(), volts.sd()) : volts);
        }
      }
    }
    return last;
  }

  private static double meterSd(Reading reading, Shown.Figure figure) {
    MeterError error = MeterError.of(reading.meter(), reading.probe().function());
    double digit = Math.max(error.accuracy().resolutionAt(figure.value()), figure.resolution());
    return error.sd(figure.value(), digit);
  }

  private double across(Solution solution, Part part) {
    return solution.volts(part.from()).minus(solution.volts(part.to())).abs();
  }

  private Mixture belief(String point, String reference, Situation situation) {
    MeterFunction volts = MeterFunction.voltsOf(sheet.supply());
    Probe probe = Probe.between(volts, point, reference, situation.id());
    List<Component> components = new ArrayList<>();
    for (Posterior.Entry w : posterior.believable().stream().limit(MOST_MIXED).toList()) {
      if (w.probability() > MATTERS * posterior.believable().get(0).probability()) {
        components.add(new Component(w.probability(), posterior.believed(w, probe)));
      }
    }
    return new Mixture(components);
  }

  private record Component(double weight, Uncertain value) {}

  /** A weighted mixture of normal distributions. */
  private record Mixture(List<Component> components) {

    /** No quantile that is asked for lies further out (standard deviations). */
    private static final double FAR = 5;

    private static final double CLOSE_VOLTS = 1e-7;
    private static final int MOST_STEPS = 200;

    /** Where the distribution function has a value; a jump of it counts as passing through. */
    double quantile(double share) {
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      double sum = 0;
      for (Component c : components) {
        low = Math.min(low, c.value().mean() - FAR * c.value().sd());
        high = Math.max(high, c.value().mean() + FAR * c.value().sd());
        sum += c.weight();
      }
      double wanted = share * sum;
      return high - low < CLOSE_VOLTS
          ? (low + high) / 2
          : new BrentSolver(CLOSE_VOLTS).solve(MOST_STEPS, x -> below(x) - wanted, low, high);
    }

    private double below(double x) {
      double sum = 0;
      for (Component c : components) {
        double sd = c.value().sd();
        sum +=
            c.weight()
                * (sd > 0
                    ? Normal.below((x - c.value().mean()) / sd)
                    : x >= c.value().mean() ? 1 : 0);
      }
      return sum;
    }
  }
}
