package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Network;
import org.jollychain.core.network.Probe;
import org.jollychain.core.quantity.Uncertain;
import org.jollychain.core.quantity.Work;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.jspecify.annotations.Nullable;

/**
 * Every hypothesis weighed by all the evidence: posterior = prior times likelihood, made to add up
 * to one.
 */
public final class Posterior {

  /** So much less likely than the best, a hypothesis is out: e^-20 is one in 500 million. */
  private static final double RULED_OUT_NATS = 20;

  private static final double NEGLIGIBLE = 0.002;

  /** So many readings that fit nothing on the sheet make one look beyond it. */
  private static final int STRANGE = 2;

  /** That the sheet does not show it is no better than this beside what explains the readings. */
  private static final double LAST_RESORT = 0.02;

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
  private final HypothesisSpace prior;
  private final List<Meter> meters;
  private final List<Evidence> evidence;
  private final History history;
  private final Map<Evidence, Integer> places = new IdentityHashMap<>();
  private final List<EvidenceModel<?>> models = new ArrayList<>();
  private final List<Entry> weighed;
  private final List<Entry> believable;
  private final double logEvidence;

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
    this.evidence = evidence;
    this.history = new History(evidence);
    this.prior = prior;
    this.meters =
        evidence.stream()
            .filter(Reading.class::isInstance)
            .map(e -> ((Reading) e).meter())
            .distinct()
            .toList();
    EvidenceModels kinds = new EvidenceModels(measurements, evidence, history);
    for (Evidence e : evidence) {
      places.put(e, places.size());
      models.add(e.as(kinds));
    }
    List<Agreeing> groups = new ArrayList<>(List.of(new Agreeing(source(), new ArrayList<>())));
    List<Passing> passing = new ArrayList<>();
    for (int i = 0; i < prior.all().size(); i++) {
      Member member = new Member(prior.all().get(i), i);
      if (prior.comesAndGoes(i)) {
        if (history.mayComeAndGo(member.hypothesis)) {
          passing.add(new Passing(member, prior.whilePresent(i), prior.whileGone(i)));
        }
      } else {
        groups.get(0).members.add(member);
      }
    }
    for (int i = 0; i < evidence.size(); i++) {
      Work.check();
      groups = absorb(groups, models.get(i));
      ReadingLikelihood[] tracks = tracks(groups);
      double least = best(groups) - RULED_OUT_NATS;
      for (Passing p : passing) {
        p.boundBy(tracks[p.gone].steps().get(i), tracks[p.present].steps().get(i));
      }
      passing.removeIf(p -> p.atMost < least);
      boolean[] needed = new boolean[prior.all().size()];
      for (Passing p : passing) {
        needed[p.present] = true;
        needed[p.gone] = true;
      }
      for (Agreeing group : groups) {
        double likelihood = group.track.logLikelihood();
        group.members.removeIf(m -> m.logPrior + likelihood < least && !needed[m.index]);
      }
      groups.removeIf(group -> group.members.isEmpty());
    }
    List<Unscaled> open = lastResort(open(groups, passing));
    this.logEvidence = logSum(open);
    this.weighed = scaled(open).stream().filter(w -> w.probability() > 0).toList();
    this.believable = believableOf(open);
  }

  public ReadingLikelihood source() {
    return new ReadingLikelihood(sheet.supply(), meters);
  }

  private ReadingLikelihood[] tracks(List<Agreeing> groups) {
    ReadingLikelihood[] tracks = new ReadingLikelihood[prior.all().size()];
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
    List<Integer> order = history.inTime();
    ReadingLikelihood[] tracks = tracks(groups);
    for (Passing p : passing) {
      ReadingLikelihood there = tracks[p.present];
      ReadingLikelihood gone = tracks[p.gone];
      boolean[] reseated = history.reseatedBefore(p.member.hypothesis);
      IntermittentModel.Ends ends =
          IntermittentModel.weigh(order, there.steps(), gone.steps(), reseated);
      double log = p.member.logPrior;
      Hypothesis now = p.member.hypothesis;
      open.add(new Unscaled(now, p.present, log + ends.there(), there, Optional.of(gone)));
      open.add(new Unscaled(now.goneNow(), p.gone, log + ends.gone(), gone, Optional.of(there)));
    }
    return open;
  }

  /**
   * Something that is not on the sheet is the last resort: where the best on it leaves one reading
   * unexplained at most, that one is to be taken again first.
   */
  private List<Unscaled> lastResort(List<Unscaled> open) {
    Unscaled best =
        open.stream()
            .filter(u -> u.hypothesis.kind() != Hypothesis.Kind.NOT_ON_SHEET)
            .max(Comparator.comparingDouble(Unscaled::log))
            .orElseThrow();
    Entry leader = new Entry(best.hypothesis, best.index, 1, best.track, best.otherwise);
    if (slips(leader).size() >= STRANGE) {
      return open;
    }
    double most = best.log + Math.log(LAST_RESORT);
    return open.stream()
        .map(
            u ->
                u.hypothesis.kind() == Hypothesis.Kind.NOT_ON_SHEET && u.log > most
                    ? new Unscaled(u.hypothesis, u.index, most, u.track, u.otherwise)
                    : u)
        .toList();
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
    private final ReadingLikelihood track;
    private final List<Member> members;

    Agreeing(ReadingLikelihood track, List<Member> members) {
      this.track = track;
      this.members = members;
    }
  }

  /** The groups as a piece of evidence divides them. */
  private static <P> List<Agreeing> absorb(List<Agreeing> groups, EvidenceModel<P> model) {
    List<Agreeing> divided = new ArrayList<>();
    for (Agreeing group : groups) {
      List<Member> unknown = new ArrayList<>();
      Map<P, List<Member>> parts = new LinkedHashMap<>();
      // neighbours mostly expect the same
      @Nullable P last = null;
      List<Member> alike = unknown;
      for (Member m : group.members) {
        if (m.hypothesis.kind() == Hypothesis.Kind.NOT_ON_SHEET) {
          unknown.add(m);
        } else {
          P expected = model.expected(m.hypothesis, m.index);
          if (expected != last) {
            alike = parts.computeIfAbsent(expected, k -> new ArrayList<>());
            last = expected;
          }
          alike.add(m);
        }
      }
      if (!unknown.isEmpty()) {
        Agreeing agreeing = new Agreeing(group.track.copy(), unknown);
        model.absorbUnknown(agreeing.track);
        divided.add(agreeing);
      }
      parts.forEach(
          (expected, members) -> {
            Agreeing agreeing =
                new Agreeing(parts.size() == 1 ? group.track : group.track.copy(), members);
            model.absorb(agreeing.track, expected);
            divided.add(agreeing);
          });
    }
    return divided;
  }

  /** How a hypothesis best explains a piece of evidence. */
  public ReadingLikelihood.Explained explained(Entry w, Evidence e) {
    Integer at = places.get(e);
    List<ReadingLikelihood.Explained> all = w.track().explained();
    if (at == null
        || at >= all.size()
        || w.otherwise().filter(o -> o.explained().get(at).believed()).isPresent()) {
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
    return slips(believable.get(0));
  }

  private List<Evidence> slips(Entry leader) {
    return evidence.stream().filter(e -> !explained(leader, e).believed()).toList();
  }

  /** Logarithm of the likelihood of all evidence, whatever is true. */
  public double logEvidence() {
    return logEvidence;
  }

  public List<Evidence> evidence() {
    return evidence;
  }

  /** All hypotheses that are not ruled out, the most probable first. */
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

  /** The same entry, by its place among the hypotheses of the sheet or of one that is like it. */
  public Entry onSheet(Entry entry) {
    int index = prior.standIn(entry.index());
    return index == entry.index()
        ? entry
        : new Entry(
            entry.hypothesis(), index, entry.probability(), entry.track(), entry.otherwise());
  }

  List<EvidenceModel<?>> models() {
    return models;
  }
}
