package org.jollychain.core.inference;

import org.jollychain.core.fault.Hypothesis;

/**
 * How one piece of evidence bears on what is believed: what each hypothesis expects of it, and how
 * likely it is under that expectation.
 *
 * @param <P> what is expected of it; equal under hypotheses that the evidence cannot tell apart
 */
interface EvidenceModel<P> {

  /** So many things might have been seen on a unit that is not as its sheet says. */
  double ONE_OF_A_FEW = 1.0 / 3;

  /**
   * @param index place of the hypothesis among all of the sheet's
   */
  P expected(Hypothesis hypothesis, int index);

  /** The same if something were also bad. */
  P expectedIfAlso(Hypothesis hypothesis, int index, MeasurementModel.Counterfactual also);

  /** Adds it to a likelihood, as it was expected. */
  void absorb(ReadingLikelihood likelihood, P expected);

  /** Adds it where the unit is not as its sheet says, so that it might be anything. */
  default void absorbUnknown(ReadingLikelihood likelihood) {
    likelihood.absorbSeen(ONE_OF_A_FEW);
  }

  /** Whether it could tell one expectation from the other. */
  boolean differ(P one, P other);

  /** Whether it tells how much there is to expect of the others. */
  default boolean anchors(P expected) {
    return false;
  }

  /** Evidence that is expected with a probability, whatever else was seen. */
  interface OfSight extends EvidenceModel<Double> {

    /** Probabilities closer than this are as good as the same. */
    double CLOSE = 0.01;

    @Override
    default Double expectedIfAlso(
        Hypothesis hypothesis, int index, MeasurementModel.Counterfactual also) {
      return expected(hypothesis, index);
    }

    @Override
    default void absorb(ReadingLikelihood likelihood, Double probability) {
      likelihood.absorbSeen(probability);
    }

    @Override
    default boolean differ(Double one, Double other) {
      return Math.abs(one - other) > CLOSE;
    }
  }
}
