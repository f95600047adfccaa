package org.jollychain.core.inference;

import java.util.ArrayList;
import java.util.List;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.Solution;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Code;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Sheet;

/** How likely eyes and ears find what they found, by the solved circuit. */
public final class ObservationModel {

  private static final double SEEN_WRONG = 0.02;
  private static final double WEAK_ABOVE = 0.02;

  /** How sharply an eye tells a load that runs from one that runs weakly, and that from none. */
  private static final double RUNS_LOG_SD = 0.12;

  private static final double WEAK_LOG_SD = 0.5;

  /** How often a display shows another code than is due; common practice, no source. */
  private static final double CODE_WRONG = 0.1;

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

  public double share(Observation seen, List<Change> changes) {
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

  /** The probability that the unit's display would show what it shows. */
  public double codes(CodeShown shown, Hypothesis h) {
    List<String> due = new ArrayList<>();
    for (Code code : sheet.codes().values()) {
      boolean suspected = code.suspects().stream().anyMatch(p -> h.modeOf(p).isPresent());
      if (suspected
          || code.watchesLoads()
              && unit.shows(code.when(), h.changesIn(sheet.situation(code.when().situation())))) {
        due.add(code.id());
      }
    }
    int all = sheet.codes().size() + 1;
    if (due.isEmpty()) {
      return shown.code().isEmpty() ? 1 - CODE_WRONG : CODE_WRONG / (all - 1);
    }
    return shown.code().filter(due::contains).isPresent()
        ? (1 - CODE_WRONG) / due.size()
        : CODE_WRONG / (all - due.size());
  }
}
