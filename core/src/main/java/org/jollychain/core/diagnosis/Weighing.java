package org.jollychain.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.SoundUnit;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Sheet;

/**
 * Every hypothesis weighed by all the evidence: posterior = prior times likelihood, made to add up
 * to one.
 */
final class Weighing {

  private static final double SEEN_WRONG = 0.02;
  private static final double WEAK_ABOVE = 0.02;

  /** How sharply an eye tells a load that runs from one that runs weakly, and that from none. */
  private static final double RUNS_LOG_SD = 0.12;

  private static final double WEAK_LOG_SD = 0.5;

  /** So much less likely than the best, a hypothesis is out: e^-20 is one in 500 million. */
  private static final double RULED_OUT_NATS = 20;

  /** Below this share of the supply's volts a strange circuit has no preference for nothing. */
  private static final double SMALLEST_SHARE = 2e-4;

  private static final double NEGLIGIBLE = 0.002;
  private static final double ANCHOR_SHARE = 0.2;
  private static final int MOST_ALTERNATIVES = 3;

  /**
   * A hypothesis after the evidence.
   *
   * @param index its place among all hypotheses of the sheet
   */
  record Weighed(Hypothesis hypothesis, int index, double probability, Track track) {}

  private final Sheet sheet;
  private final Expectations expectations;
  private final List<Evidence> evidence;
  private final List<Optional<Expectations.Known>> known = new ArrayList<>();
  private final List<Optional<Track.Noise>> noise = new ArrayList<>();
  private final Map<Double, Double> shares = new HashMap<>();
  private final List<Weighed> weighed;
  private final List<Weighed> believable;
  private final int count;

  /**
   * Reading by reading: a hypothesis that the evidence has ruled out is weighed no further, and
   * those that have agreed on every reading so far are weighed as one.
   *
   * @param evidence in canonical order
   */
  Weighing(
      Sheet sheet,
      Expectations expectations,
      List<Evidence> evidence,
      List<Hypothesis> hypotheses) {
    this.sheet = sheet;
    this.expectations = expectations;
    this.evidence = evidence;
    this.count = hypotheses.size();
    for (Evidence e : evidence) {
      known.add(
          e instanceof Reading r
              ? Optional.of(expectations.at(r.probe(), r.meter()))
              : Optional.empty());
      noise.add(
          e instanceof Reading r
              ? Optional.of(Track.Noise.of(sheet.supply().volts(), r))
              : Optional.empty());
    }
    List<Agreeing> groups = new ArrayList<>(List.of(new Agreeing(source())));
    for (int i = 0; i < count; i++) {
      groups.get(0).members.add(new Member(hypotheses.get(i), i));
    }
    List<Member> ruledOut = new ArrayList<>();
    for (int i = 0; i < evidence.size(); i++) {
      groups = absorb(groups, i);
      double least = best(groups) - RULED_OUT_NATS;
      for (Agreeing group : groups) {
        double likelihood = group.track.logLikelihood();
        group.members.removeIf(m -> m.logPrior + likelihood < least && ruledOut.add(m));
      }
      groups.removeIf(group -> group.members.isEmpty());
    }
    this.weighed = scaled(groups, ruledOut);
    this.believable = believableOf(weighed);
  }

  private Track source() {
    return new Track(sheet.supply().volts());
  }

  /** The largest logarithm of prior times likelihood. */
  private static double best(List<Agreeing> groups) {
    double best = Double.NEGATIVE_INFINITY;
    for (Agreeing group : groups) {
      for (Member m : group.members) {
        best = Math.max(best, m.logPrior + group.track.logLikelihood());
      }
    }
    return best;
  }

  private static List<Weighed> scaled(List<Agreeing> groups, List<Member> ruledOut) {
    double best = best(groups);
    double sum = 0;
    for (Agreeing group : groups) {
      for (Member m : group.members) {
        sum += Math.exp(m.logPrior + group.track.logLikelihood() - best);
      }
    }
    List<Weighed> all = new ArrayList<>();
    for (Agreeing group : groups) {
      for (Member m : group.members) {
        double probability = Math.exp(m.logPrior + group.track.logLikelihood() - best) / sum;
        all.add(new Weighed(m.hypothesis, m.index, probability, group.track));
      }
    }
    all.sort(
        Comparator.comparingDouble(Weighed::probability)
            .reversed()
            .thenComparingInt(Weighed::index));
    for (Member m : ruledOut) {
      all.add(new Weighed(m.hypothesis, m.index, 0, groups.get(0).track));
    }
    return List.copyOf(all);
  }

  /** A hypothesis with the logarithm of its prior. */
  private static final class Member {
    private final Hypothesis hypothesis;
    private final int index;
    private final double logPrior;

    Member(Hypothesis hypothesis, int index) {
      this.hypothesis = hypothesis;
      this.index = index;
      this.logPrior = Math.log(hypothesis.prior());
    }
  }

  /** Hypotheses that expect the same of everything that was read so far. */
  private static final class Agreeing {
    private final List<Member> members = new ArrayList<>();
    private final Track track;

    Agreeing(Track track) {
      this.track = track;
    }
  }

  /** The groups as a piece of evidence divides them. */
  private List<Agreeing> absorb(List<Agreeing> groups, int at) {
    List<Agreeing> divided = new ArrayList<>();
    for (Agreeing group : groups) {
      Map<Object, List<Member>> parts = new LinkedHashMap<>();
      for (Member m : group.members) {
        parts.computeIfAbsent(expects(m, at), k -> new ArrayList<>()).add(m);
      }
      int left = parts.size();
      for (Map.Entry<Object, List<Member>> part : parts.entrySet()) {
        Track track = --left == 0 ? group.track : group.track.copy();
        absorb(track, part.getKey(), at);
        Agreeing agreeing = new Agreeing(track);
        agreeing.members.addAll(part.getValue());
        divided.add(agreeing);
      }
    }
    return divided;
  }

  /** What a hypothesis expects of a piece of evidence; the same object where it is the same. */
  private Object expects(Member m, int at) {
    if (m.hypothesis.kind() == Hypothesis.Kind.NOT_ON_SHEET) {
      return Hypothesis.Kind.NOT_ON_SHEET;
    }
    if (evidence.get(at) instanceof Observation seen) {
      double share = share(seen, m.hypothesis.changesIn(sheet.situation(seen.situation())));
      return shares.computeIfAbsent(share, s -> s);
    }
    if (evidence.get(at) instanceof Inspection i) {
      double share = Findings.probability(i.finding(), m.hypothesis.modeOf(i.part()));
      return shares.computeIfAbsent(share, s -> s);
    }
    return known.get(at).orElseThrow().of(m.hypothesis, m.index, count);
  }

  private void absorb(Track track, Object expected, int at) {
    if (expected instanceof Line line) {
      track.absorb(line, (Reading) evidence.get(at), noise.get(at).orElseThrow());
    } else if (expected instanceof Double share && evidence.get(at) instanceof Inspection) {
      track.absorbSeen(share);
    } else if (expected instanceof Double share) {
      absorbSeen(track, share);
    } else {
      absorbUnknown(track, evidence.get(at));
    }
  }

  /** How a hypothesis best explains a piece of evidence. */
  Track.Explained explained(Weighed w, Evidence e) {
    int at = evidence.indexOf(e);
    List<Track.Explained> all = w.track().explained();
    return at >= 0 && at < all.size() ? all.get(at) : Track.Explained.AS_READ;
  }

  List<Evidence> evidence() {
    return evidence;
  }

  /** All hypotheses, the most probable first. */
  List<Weighed> all() {
    return weighed;
  }

  Weighed leader() {
    return weighed.get(0);
  }

  double probability(Predicate<Hypothesis> of) {
    return weighed.stream()
        .filter(w -> of.test(w.hypothesis()))
        .mapToDouble(Weighed::probability)
        .sum();
  }

  /**
   * The hypotheses that have a circuit and matter beside the best of them, the most probable first.
   */
  List<Weighed> believable() {
    return believable;
  }

  private static List<Weighed> believableOf(List<Weighed> weighed) {
    List<Weighed> onSheet =
        weighed.stream()
            .filter(w -> w.hypothesis().kind() != Hypothesis.Kind.NOT_ON_SHEET)
            .toList();
    double least = NEGLIGIBLE * onSheet.get(0).probability();
    return onSheet.stream().filter(w -> w.probability() >= least).toList();
  }

  /**
   * How much less well the evidence fits if a part is also bad: the mean likelihood ratio over the
   * believable hypotheses that do not touch it. One where nothing bears on it, towards zero where
   * the evidence shows it cannot be so.
   */
  double ratioIfAlso(String part, Expectations.AlsoBad bad) {
    double with = 0;
    double without = 0;
    int asked = 0;
    for (Weighed w : believable) {
      if (w.hypothesis().modeOf(part).isEmpty()) {
        if (asked++ == MOST_ALTERNATIVES || w.probability() < 0.05 * without) {
          break;
        }
        with += w.probability() * Math.min(ratio(w, bad), 1e3);
        without += w.probability();
      }
    }
    return without == 0 ? 1 : with / without;
  }

  /**
   * Of what the change touches, and of the large readings that tell how much there is to expect,
   * the likelihood with the change over that without.
   */
  private double ratio(Weighed base, Expectations.AlsoBad also) {
    Track before = source();
    Track after = source();
    boolean touched = false;
    boolean[] taken = new boolean[evidence.size()];
    for (int i = 0; i < taken.length; i++) {
      if (evidence.get(i) instanceof Reading r) {
        Line line = line(base, i);
        boolean here = Track.differ(r.meter(), r.probe().function(), line, line(base, i, also));
        touched |= here;
        taken[i] = here || line.mean() > ANCHOR_SHARE * sheet.supply().volts();
      } else if (evidence.get(i) instanceof Observation seen) {
        List<Change> changes = base.hypothesis().changesIn(sheet.situation(seen.situation()));
        List<Change> more = new ArrayList<>(changes);
        more.addAll(also.changes());
        double as = share(seen, changes);
        double would = share(seen, more);
        if (Math.abs(as - would) > 0.01) {
          touched = true;
          absorbSeen(before, as);
          absorbSeen(after, would);
        }
      }
    }
    for (int i = 0; touched && i < taken.length; i++) {
      if (taken[i]) {
        absorb(before, line(base, i), i);
        absorb(after, line(base, i, also), i);
      }
    }
    return Math.exp(after.logLikelihood() - before.logLikelihood());
  }

  private Line line(Weighed w, int at) {
    return known.get(at).orElseThrow().of(w.hypothesis(), w.index(), count);
  }

  private Line line(Weighed w, int at, Expectations.AlsoBad also) {
    return known.get(at).orElseThrow().of(w.hypothesis(), w.index(), also);
  }

  /** The reading that speaks most clearly against a part being also bad, if any does. */
  Optional<Reading> strongestAgainst(Expectations.AlsoBad bad, double leastNats) {
    Weighed base = believable.get(0);
    Track before = source();
    Track after = source();
    double most = leastNats;
    Optional<Reading> strongest = Optional.empty();
    for (int i = 0; i < evidence.size(); i++) {
      if (evidence.get(i) instanceof Reading r) {
        double was = before.logLikelihood() - after.logLikelihood();
        absorb(before, line(base, i), i);
        absorb(after, line(base, i, bad), i);
        double speaks = before.logLikelihood() - after.logLikelihood() - was;
        if (speaks > most) {
          most = speaks;
          strongest = Optional.of(r);
        }
      }
    }
    return strongest;
  }

  private static void absorbSeen(Track track, double share) {
    track.absorbSeen((1 - SEEN_WRONG) * share + SEEN_WRONG / 2);
  }

  /** The probability that a load would be seen to run as it was. */
  private double share(Observation seen, List<Change> changes) {
    double above = sheet.part(seen.part()).load().map(LoadRating::runsAbove).orElse(0.5);
    SoundUnit unit = expectations.unit();
    double power = unit.powerShare(seen.part(), unit.in(seen.situation(), changes));
    double runs = beyond(power, above, RUNS_LOG_SD);
    double moves = Math.max(runs, beyond(power, WEAK_ABOVE, WEAK_LOG_SD));
    return switch (seen.runs()) {
      case YES -> runs;
      case WEAKLY -> moves - runs;
      case NO -> 1 - moves;
    };
  }

  private static double beyond(double power, double threshold, double logSd) {
    return power <= 0 ? 0 : Normal.below(Math.log(power / threshold) / logSd);
  }

  /** Something that is not on the sheet could read anything: half evenly, half evenly by decade. */
  private void absorbUnknown(Track track, Evidence e) {
    if (e instanceof Reading reading && reading.shown() instanceof Shown.Figure figure) {
      boolean ohms = reading.probe().function().dimension() == MeterFunction.OHMS.dimension();
      double largest = 1.2 * sheet.supply().volts();
      double smallest = SMALLEST_SHARE * sheet.supply().volts();
      double size = Math.max(Math.abs(figure.value()), ohms ? 0.05 : smallest);
      double byDecade = 1 / (size * Math.log(ohms ? 8e8 : largest / smallest));
      track.absorbSeen(
          ohms ? byDecade : 0.5 / largest + 0.5 * Math.min(byDecade, 1 / figure.resolution()));
    } else {
      track.absorbSeen(1.0 / 3);
    }
  }
}
