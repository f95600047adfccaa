package org.jollychain.core.inference;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.Change;
import org.jollychain.core.quantity.Work;

/** How well the evidence would fit if a part were also bad, whatever else is the matter. */
public final class Counterfactuals {

  private static final int MOST_ALTERNATIVES = 3;

  /** Of the probability so far, a hypothesis with less does not matter. */
  private static final double MATTERS = 0.05;

  private static final double LARGEST_RATIO = 1e3;

  /** No later reading makes good again what speaks so clearly against a bad part (nat). */
  private static final double DECIDED_NATS = 60;

  /** So many readings that bear on a part tell whether it is bad. */
  private static final int MOST_BEARING = 200;

  private final Posterior posterior;

  public Counterfactuals(Posterior posterior) {
    this.posterior = posterior;
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
    for (Posterior.Entry w : posterior.believable()) {
      if (w.hypothesis().modeOf(part).isEmpty()) {
        if (asked++ == MOST_ALTERNATIVES || w.probability() < MATTERS * without) {
          break;
        }
        with += w.probability() * Math.min(ratio(w, bad), LARGEST_RATIO);
        without += w.probability();
      }
    }
    return without == 0 ? 1 : with / without;
  }

  /** The same evidence, as a hypothesis expects it and as it would with something also bad. */
  private final class Both {
    private final Posterior.Entry base;
    private final MeasurementModel.Counterfactual also;
    private final ReadingLikelihood before = posterior.source();
    private final ReadingLikelihood after = posterior.source();

    Both(Posterior.Entry base, MeasurementModel.Counterfactual also) {
      this.base = base;
      this.also = also;
    }

    /** Logarithm of the likelihood with it over that without. */
    double speaksFor() {
      return after.logLikelihood() - before.logLikelihood();
    }

    <P> boolean touches(EvidenceModel<P> model) {
      return model.differ(expected(model), otherwise(model));
    }

    <P> boolean anchors(EvidenceModel<P> model) {
      return model.anchors(expected(model));
    }

    <P> void absorb(EvidenceModel<P> model) {
      model.absorb(before, expected(model));
      model.absorb(after, otherwise(model));
    }

    private <P> P expected(EvidenceModel<P> model) {
      return model.expected(base.hypothesis(), base.index());
    }

    private <P> P otherwise(EvidenceModel<P> model) {
      return model.expectedIfAlso(base.hypothesis(), base.index(), also);
    }
  }

  /**
   * Of what the change touches, and of the large readings that tell how much there is to expect,
   * the likelihood with the change over that without.
   */
  private double ratio(Posterior.Entry base, MeasurementModel.Counterfactual also) {
    Both both = new Both(base, also);
    boolean touched = false;
    boolean[] taken = new boolean[posterior.models().size()];
    for (int i = 0; i < taken.length; i++) {
      boolean here = both.touches(posterior.models().get(i));
      touched |= here;
      taken[i] = here || both.anchors(posterior.models().get(i));
    }
    int bearing = 0;
    for (int i = 0; touched && i < taken.length && bearing < MOST_BEARING; i++) {
      if (both.speaksFor() < -DECIDED_NATS) {
        return 0;
      }
      if (taken[i]) {
        bearing++;
        both.absorb(posterior.models().get(i));
      }
    }
    return Math.exp(both.speaksFor());
  }

  /** How many times less likely a reading is, by itself, with nothing wrong than with changes. */
  public double ratioIfSound(MeasurementModel measurements, Reading reading, List<Change> bad) {
    ReadingLikelihood sound = alone(measurements, reading, List.of());
    return Math.exp(sound.logLikelihood() - alone(measurements, reading, bad).logLikelihood());
  }

  private ReadingLikelihood alone(
      MeasurementModel measurements, Reading reading, List<Change> changes) {
    double volts = measurements.unit().sheet().supply().volts();
    ReadingLikelihood likelihood = posterior.source();
    likelihood.absorb(
        measurements.line(changes, reading), reading, ReadingNoise.of(volts, reading));
    return likelihood;
  }

  /** The reading that speaks most clearly against a part being also bad, if any does. */
  public Optional<Reading> strongestAgainst(MeasurementModel.Counterfactual bad, double leastNats) {
    Both both = new Both(posterior.believable().get(0), bad);
    double most = leastNats;
    int bearing = 0;
    Optional<Reading> strongest = Optional.empty();
    for (int i = 0; i < posterior.models().size(); i++) {
      Evidence evidence = posterior.evidence().get(i);
      EvidenceModel<?> model = posterior.models().get(i);
      boolean bears = bearing < MOST_BEARING && (both.touches(model) || both.anchors(model));
      if (evidence instanceof Reading reading && bears) {
        bearing++;
        double was = both.speaksFor();
        both.absorb(model);
        double speaks = was - both.speaksFor();
        if (speaks > most) {
          most = speaks;
          strongest = Optional.of(reading);
        }
      }
    }
    return strongest;
  }
}
