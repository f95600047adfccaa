package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.List;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** How likely eyes and ears find what they found, by the solved circuit. */
public final class ObservationModel {

  private static final double SEEN_WRONG = 0.02;
  private static final double WEAK_ABOVE = 0.02;

  /** How sharply an eye tells a load that runs from one that runs weakly, and that from none. */
  private static final double RUNS_LOG_SD = 0.12;

  private static final double WEAK_LOG_SD = 0.5;

  private final Sheet sheet;
  private final UnitModel unit;

  public ObservationModel(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
  }

  /** The probability of what is seen, once it is allowed that people err. */
  public static double seen(double share) {
    return (1 - SEEN_WRONG) * share + SEEN_WRONG / 2;
  }

  EvidenceModel<Double> of(Observation seen) {
    Situation situation = sheet.situation(seen.situation());
    return new EvidenceModel.OfSight() {
      @Override
      public Double expected(Hypothesis hypothesis, int index) {
        return share(seen, hypothesis.changesIn(situation));
      }

      @Override
      public Double expectedIfAlso(
          Hypothesis hypothesis, int index, MeasurementModel.Counterfactual also) {
        List<Change> changes = new ArrayList<>(hypothesis.changesIn(situation));
        changes.addAll(also.changes());
        return share(seen, changes);
      }

      @Override
      public void absorb(ReadingLikelihood likelihood, Double share) {
        likelihood.absorbSeen(seen(share));
      }
    };
  }

  private double share(Observation seen, List<Change> changes) {
    return share(seen.part(), seen.runs(), unit.in(seen.situation(), changes));
  }

  /** The probability that a load would be seen to run so by eyes that do not err. */
  public double share(String load, Observation.Runs seen, Solution now) {
    double above = sheet.part(load).load().map(LoadRating::runsAbove).orElse(0.5);
    double power = unit.powerShare(load, now);
    double runs = beyond(power, above, RUNS_LOG_SD);
    double moves = Math.max(runs, beyond(power, WEAK_ABOVE, WEAK_LOG_SD));
    return switch (seen) {
      case YES -> runs;
      case WEAKLY -> moves - runs;
      case NO -> 1 - moves;
    };
  }

  private static double beyond(double power, double threshold, double logSd) {
    return power <= 0 ? 0 : Normal.below(Math.log(power / threshold) / logSd);
  }
}
