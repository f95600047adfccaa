package org.jollychain.core.inference;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.evidence.Shown;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Uncertain;
import org.jollychain.core.quantity.Work;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/**
 * Every hypothesis weighed by all the evidence: posterior = prior times likelihood, made to add up
 * to one.
 */
public final class Posterior {

  /** So much less likely than the best, a hypothesis is out: e^-20 is one in 500 million. */
  private static final double RULED_OUT_NATS = 20;

  /** Below this share of the supply's volts a strange circuit has no preference for nothing. */
  private static final double SMALLEST_SHARE = 2e-4;

  private static final double NEGLIGIBLE = 0.002;
  private static final double ANCHOR_SHARE = 0.2;
  private static final int MOST_ALTERNATIVES = 3;

  /** No later reading makes good again what speaks so clearly against a bad part (nat). */
  private static final double DECIDED_NATS = 60;

  /** So many readings that bear on a part tell whether it is bad. */
  private static final int MOST_BEARING = 200;

  /**
   * A hypothesis after the evidence.
   *
   * @param index the place among all hypotheses of the sheet of the one whose circuit it has now
   * @param otherwise how the evidence looks in its other state, where it comes and goes
   */
  public record Entry(
      Hypothesis hypothesis,
      int index,
      double probability,
      ReadingLikelihood track,
      Optional<ReadingLikelihood> otherwise) {}

  private final Sheet sheet;
  private final MeasurementModel measurements;
  private final ObservationModel observations;
  private final HypothesisSpace prior;
  private final List<Meter> meters;
  private final List<Evidence> evidence;
  private final Map<Evidence, Integer> places = new IdentityHashMap<>();
  private final List<Optional<MeasurementModel.Known>> known = new ArrayList<>();
  private final List<Optional<ReadingLikelihood.Noise>> noise = new ArrayList<>();
  private final Map<Double, Double> shares = new HashMap<>();
  private final List<Entry> weighed;
  private final List<Entry> believable;
  private final double logEvidence;
  private final int count;

  /**
   * Reading by reading: a hypothesis that the evidence has ruled out is weighed no further, and
   * those that have agreed on every reading so far are weighed as one.
   *
   * @param evidence in canonical order
   */
  public Posterior(
      Sheet sheet, MeasurementModel measurements, List<Evidence> evidence, HypothesisSpace prior) {
    this.sheet = sheet;
    this.measurements = measurements;
    this.observations = new ObservationModel(measurements.unit());
    this.evidence = evidence;
    this.prior = prior;
    this.count = prior.all().size();
    this.meters =
        evidence.stream()
            .filter(Reading.class::isInstance)
            .map(e -> ((Reading) e).meter())
            .distinct()
            .toList();
    for (Evidence e : evidence) {
      places.put(e, places.size());
      known.add(
          e instanceof Reading r
              ? Optional.of(measurements.at(r.probe(), r.meter()))
              : Optional.empty());
      noise.add(
          e instanceof Reading r
              ? Optional.of(ReadingLikelihood.Noise.of(sheet.supply().volts(), r))
              : Optional.empty());
    }
    List<Agreeing> groups = new ArrayList<>(List.of(new Agreeing(source())));
    List<Passing> passing = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      Member member = new Member(prior.all().get(i), i);
      if (prior.comesAndGoes(i)) {
        if (mayComeAndGo(member.hypothesis)) {
          passing.add(new Passing(member, prior.whilePresent(i), prior.whileGone(i)));
        }
      } else {
        groups.get(0).members.add(member);
      }
    }
    List<Member> ruledOut = new ArrayList<>();
    for (int i = 0; i < evidence.size(); i++) {
      Work.check();
      groups = absorb(groups, i);
      ReadingLikelihood[] tracks = tracks(groups);
      double least = best(groups) - RULED_OUT_NATS;
      for (Passing p : passing) {
        p.boundBy(tracks[p.gone].steps().get(i), tracks[p.present].steps().get(i));
      }
      passing.removeIf(p -> p.atMost < least && ruledOut.add(p.member));
      Set<Integer> needed =
          passing.stream().flatMap(p -> Stream.of(p.present, p.gone)).collect(Collectors.toSet());
      for (Agreeing group : groups) {
        double likelihood = group.track.logLikelihood();
        group.members.removeIf(
            m -> m.logPrior + likelihood < least && !needed.contains(m.index) && ruledOut.add(m));
      }
      groups.removeIf(group -> group.members.isEmpty());
    }
    List<Unscaled> open = open(groups, passing);
    this.logEvidence = logSum(open);
    List<Entry> all = new ArrayList<>(scaled(open));
    for (Member m : ruledOut) {
      all.add(new Entry(m.hypothesis, m.index, 0, groups.get(0).track, Optional.empty()));
    }
    this.weighed = List.copyOf(all);
    this.believable = believableOf(open);
  }

  /**
   * A drop that comes and goes is thought of only where its terminals were put on again: else it
   * would excuse every drop whose size is met badly by the grid.
   */
  private boolean mayComeAndGo(Hypothesis h) {
    Fault.OfPart fault = h.intermittent().orElseThrow();
    return fault.changes().equals(List.of(Change.open(fault.part())))
        || evidence.stream()
            .anyMatch(
                e ->
                    e instanceof Reading r
                        && r.reseated()
                        && r.probe().part().filter(fault.part()::equals).isPresent());
  }

  public ReadingLikelihood source() {
    return new ReadingLikelihood(sheet.supply().volts(), meters);
  }

  private ReadingLikelihood[] tracks(List<Agreeing> groups) {
    ReadingLikelihood[] tracks = new ReadingLikelihood[count];
    for (Agreeing group : groups) {
      for (Member m : group.members) {
        tracks[m.index] = group.track;
      }
    }
    return tracks;
  }

  /** The largest logarithm of prior times likelihood of a hypothesis that has a circuit. */
  private static double best(List<Agreeing> groups) {
    double best = Double.NEGATIVE_INFINITY;
    for (Agreeing group : groups) {
      for (Member m : group.members) {
        if (m.hypothesis.kind() != Hypothesis.Kind.NOT_ON_SHEET) {
          best = Math.max(best, m.logPrior + group.track.logLikelihood());
        }
      }
    }
    return best;
  }

  private List<Unscaled> open(List<Agreeing> groups, List<Passing> passing) {
    List<Unscaled> open = new ArrayList<>();
    for (Agreeing group : groups) {
      for (Member m : group.members) {
        double log = m.logPrior + group.track.logLikelihood();
        open.add(new Unscaled(m.hypothesis, m.index, log, group.track, Optional.empty()));
      }
    }
    List<Integer> order = inTime();
    ReadingLikelihood[] tracks = tracks(groups);
    for (Passing p : passing) {
      ReadingLikelihood there = tracks[p.present];
      ReadingLikelihood gone = tracks[p.gone];
      boolean[] reseated = reseatedBefore(order, p.member.hypothesis);
      IntermittentModel.Ends ends =
          IntermittentModel.weigh(order, there.steps(), gone.steps(), reseated);
      double log = p.member.logPrior;
      Hypothesis now = p.member.hypothesis;
      open.add(new Unscaled(now, p.present, log + ends.there(), there, Optional.of(gone)));
      open.add(new Unscaled(now.goneNow(), p.gone, log + ends.gone(), gone, Optional.of(there)));
    }
    return open;
  }

  private static double logSum(List<Unscaled> open) {
    return LogSumExp.sum(open.stream().mapToDouble(Unscaled::log).toArray());
  }

  /** With probabilities that add up to one, the most probable first. */
  private static List<Entry> scaled(List<Unscaled> open) {
    double all = logSum(open);
    List<Entry> scaled = new ArrayList<>();
    for (Unscaled u : open) {
      double probability = Math.exp(u.log - all);
      scaled.add(new Entry(u.hypothesis, u.index, probability, u.track, u.otherwise));
    }
    scaled.sort(
        Comparator.comparingDouble(Entry::probability).reversed().thenComparingInt(Entry::index));
    return scaled;
  }

  /** A hypothesis with the logarithm of prior times likelihood. */
  private record Unscaled(
      Hypothesis hypothesis,
      int index,
      double log,
      ReadingLikelihood track,
      Optional<ReadingLikelihood> otherwise) {}

  /** Places of the evidence as it was taken, a part's readings after re-seating behind the rest. */
  private List<Integer> inTime() {
    return IntStream.range(0, evidence.size())
        .boxed()
        .sorted(
            Comparator.comparing((Integer i) -> evidence.get(i).at().orElse(Instant.MIN))
                .thenComparing(i -> evidence.get(i) instanceof Reading r && r.reseated()))
        .toList();
  }

  /** At the first reading of a part after its terminals were put on again. */
  private boolean[] reseatedBefore(List<Integer> order, Hypothesis h) {
    boolean[] before = new boolean[evidence.size()];
    for (int at : order) {
      if (evidence.get(at) instanceof Reading r
          && r.reseated()
          && r.probe().part().flatMap(h::modeOf).isPresent()) {
        before[at] = true;
        break;
      }
    }
    return before;
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

  /** One that comes and goes, and the most its likelihood can still be. */
  private static final class Passing {
    private final Member member;
    private final int present;
    private final int gone;
    private double atMost;

    Passing(Member member, int present, int gone) {
      this.member = member;
      this.present = present;
      this.gone = gone;
      this.atMost = member.logPrior;
    }

    void boundBy(double ifGone, double ifThere) {
      atMost += Math.max(ifGone, ifThere);
    }
  }

  /** Hypotheses that expect the same of everything that was read so far. */
  private static final class Agreeing {
    private final List<Member> members = new ArrayList<>();
    private final ReadingLikelihood track;

    Agreeing(ReadingLikelihood track) {
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
        ReadingLikelihood track = --left == 0 ? group.track : group.track.copy();
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
      double share =
          observations.share(seen, m.hypothesis.changesIn(sheet.situation(seen.situation())));
      return shares.computeIfAbsent(share, s -> s);
    }
    if (evidence.get(at) instanceof CodeShown shown) {
      return shares.computeIfAbsent(observations.codes(shown, m.hypothesis), s -> s);
    }
    if (evidence.get(at) instanceof Inspection i) {
      double share = InspectionModel.probability(i.finding(), m.hypothesis.modeOf(i.part()));
      return shares.computeIfAbsent(share, s -> s);
    }
    return known.get(at).orElseThrow().of(m.index);
  }

  private void absorb(ReadingLikelihood track, Object expected, int at) {
    if (expected instanceof LinearPrediction line) {
      track.absorb(line, (Reading) evidence.get(at), noise.get(at).orElseThrow());
    } else if (expected instanceof Double share && evidence.get(at) instanceof Observation) {
      track.absorbSeen(ObservationModel.seen(share));
    } else if (expected instanceof Double share) {
      track.absorbSeen(share);
    } else {
      absorbUnknown(track, evidence.get(at));
    }
  }

  /** How a hypothesis best explains a piece of evidence. */
  public ReadingLikelihood.Explained explained(Entry w, Evidence e) {
    Integer at = places.get(e);
    List<ReadingLikelihood.Explained> all = w.track().explained();
    if (at == null
        || at >= all.size()
        || w.otherwise()
            .filter(o -> o.explained().get(at) == ReadingLikelihood.Explained.AS_READ)
            .isPresent()) {
      return ReadingLikelihood.Explained.AS_READ;
    }
    return all.get(at);
  }

  /** What is now believed of a reading that has not been taken, should a hypothesis be true. */
  public Uncertain believed(Entry w, Probe probe) {
    Situation situation = sheet.situation(probe.situation());
    return w.track().believed(measurements.line(w.hypothesis().changesIn(situation), probe));
  }

  /** How soft the supply is believed to be (standard deviations from usual). */
  public double softness() {
    LinearPrediction softness = measurements.parameter(Network.SOURCE_OHMS);
    return believable.get(0).track().believed(softness).mean();
  }

  /** The readings that the leader takes for slips, in order. */
  public List<Evidence> unexplained() {
    Entry leader = believable.get(0);
    return evidence.stream()
        .filter(e -> explained(leader, e) != ReadingLikelihood.Explained.AS_READ)
        .toList();
  }

  /** Logarithm of the likelihood of all evidence, whatever is true. */
  public double logEvidence() {
    return logEvidence;
  }

  public List<Evidence> evidence() {
    return evidence;
  }

  /** All hypotheses, the most probable first. */
  public List<Entry> all() {
    return weighed;
  }

  public Entry leader() {
    return weighed.get(0);
  }

  public double probability(Predicate<Hypothesis> of) {
    return weighed.stream()
        .filter(w -> of.test(w.hypothesis()))
        .mapToDouble(Entry::probability)
        .sum();
  }

  /**
   * The hypotheses that have a circuit and matter beside the best of them, the most probable first;
   * how probable they are if the circuit is that of the sheet.
   */
  public List<Entry> believable() {
    return believable;
  }

  private static List<Entry> believableOf(List<Unscaled> open) {
    List<Entry> onSheet =
        scaled(
            open.stream()
                .filter(u -> u.hypothesis.kind() != Hypothesis.Kind.NOT_ON_SHEET)
                .toList());
    double least = NEGLIGIBLE * onSheet.get(0).probability();
    return onSheet.stream().filter(w -> w.probability() >= least).toList();
  }

  /**
   * How much less well the evidence fits if a part is also bad: the mean likelihood ratio over the
   * believable hypotheses that do not touch it. One where nothing bears on it, towards zero where
   * the evidence shows it cannot be so.
   */
  public double ratioIfAlso(String part, MeasurementModel.Counterfactual bad) {
    Work.check();
    double with = 0;
    double without = 0;
    int asked = 0;
    for (Entry w : believable) {
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
  private double ratio(Entry base, MeasurementModel.Counterfactual also) {
    ReadingLikelihood before = source();
    ReadingLikelihood after = source();
    boolean touched = false;
    boolean[] taken = new boolean[evidence.size()];
    for (int i = 0; i < taken.length; i++) {
      if (evidence.get(i) instanceof Reading r) {
        LinearPrediction line = line(base, i);
        boolean here =
            ReadingLikelihood.differ(r.meter(), r.probe().function(), line, line(base, i, also));
        touched |= here;
        taken[i] = here || line.mean() > ANCHOR_SHARE * sheet.supply().volts();
      } else if (evidence.get(i) instanceof Observation seen) {
        List<Change> changes = base.hypothesis().changesIn(sheet.situation(seen.situation()));
        List<Change> more = new ArrayList<>(changes);
        more.addAll(also.changes());
        double as = observations.share(seen, changes);
        double would = observations.share(seen, more);
        if (Math.abs(as - would) > 0.01) {
          touched = true;
          before.absorbSeen(ObservationModel.seen(as));
          after.absorbSeen(ObservationModel.seen(would));
        }
      }
    }
    int bearing = 0;
    for (int i = 0; touched && i < taken.length && bearing < MOST_BEARING; i++) {
      if (after.logLikelihood() - before.logLikelihood() < -DECIDED_NATS) {
        return 0;
      }
      if (taken[i]) {
        bearing++;
        absorb(before, line(base, i), i);
        absorb(after, line(base, i, also), i);
      }
    }
    return Math.exp(after.logLikelihood() - before.logLikelihood());
  }

  private LinearPrediction line(Entry w, int at) {
    return known.get(at).orElseThrow().of(w.index());
  }

  private LinearPrediction line(Entry w, int at, MeasurementModel.Counterfactual also) {
    return known.get(at).orElseThrow().of(w.hypothesis(), w.index(), also);
  }

  /** The reading that speaks most clearly against a part being also bad, if any does. */
  public Optional<Reading> strongestAgainst(MeasurementModel.Counterfactual bad, double leastNats) {
    Entry base = believable.get(0);
    ReadingLikelihood before = source();
    ReadingLikelihood after = source();
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

  /** Something that is not on the sheet could read anything: half evenly, half evenly by decade. */
  private void absorbUnknown(ReadingLikelihood track, Evidence e) {
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
