package org.jollychain.study.field;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.random.RandomGenerator;
import org.jollychain.core.sheet.Behaviour;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;

/**
 * Loads as makers build them: the sheet's is one of many. Those of one rating are alike in nineteen
 * units of twenty. Every figure is common practice, no source, and none is the engine's.
 */
final class FieldTrade {

  private static final double ALIKE = 0.95;

  /** Elements are made for some watts, the sheet's among them. */
  private static final double[] WATTS = {0.74, 0.82, 0.9, 1, 1, 1, 1.1, 1.2, 1.3};

  private static final double PLATES_READ = 0.5;

  /** How far a maker's parts are off what is printed on them (a share). */
  private static final double MADE = 0.06;

  private final RandomGenerator random;
  private final Map<String, Double> byRating = new HashMap<>();

  FieldTrade(RandomGenerator random) {
    this.random = random;
  }

  /** A load of another make than the sheet's, or of the same. */
  Behaviour make(Part part) {
    if (!(part.behaviour() instanceof Behaviour.Load load)) {
      return part.behaviour();
    }
    LoadRating r = load.rating();
    String rating = "%s %.3g".formatted(part.kind(), r.ohms());
    double factor =
        Drawn.chance(random, ALIKE)
            ? byRating.computeIfAbsent(rating, k -> factor(part.kind(), r))
            : factor(part.kind(), r);
    double own = factor * (1 + MADE * Drawn.between(random, -1, 1));
    return new Behaviour.Load(
        new LoadRating(
            r.ohms() * own, r.powerFactor(), r.windingOhms().map(w -> w * own), r.runsAbove()),
        load.tolerance());
  }

  private double factor(PartKind kind, LoadRating r) {
    return switch (kind) {
      case HEATING_ELEMENT -> 1 / WATTS[random.nextInt(WATTS.length)];
      case IGNITER -> Drawn.byDecade(random, 48, 340) / r.windingOhms().orElse(r.ohms());
      case VALVE_COIL, RELAY_COIL, SEQUENCER_HEATER -> Drawn.byDecade(random, 0.55, 1.8);
      case TIMER_MOTOR -> Drawn.byDecade(random, 0.6, 1.7);
      case MOTOR -> Drawn.byDecade(random, 0.6, 1.7);
      case LAMP, BIAS_HEATER -> Drawn.byDecade(random, 0.6, 1.7);
      default -> 1 + 0.8 * 0.12 * Drawn.between(random, -1, 1);
    };
  }

  /** What the plates of a unit say, as far as somebody reads them: every other one. */
  UnitFacts plates(Sheet told, Sheet built) {
    UnitFacts facts = UnitFacts.NONE;
    for (Part part : built.parts().values()) {
      if (part.load().isPresent() && Drawn.chance(random, PLATES_READ)) {
        double cold = part.load().get().coldOhms();
        double printed = cold / (1 + MADE * Drawn.between(random, -1, 1));
        facts = facts.and(told, part.id(), String.format(Locale.ROOT, "%.2f ohm 10 %%", printed));
      }
    }
    return facts;
  }
}
