package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Path;
import org.jollychain.core.sheet.Situation;

/**
 * What a clamp has to show at a load of this unit once it is repaired: its current where it carries
 * most, at the supply as it was measured, within its tolerance.
 *
 * @param amperes expected (A)
 * @param low end of its band (A)
 * @param high end of its band (A)
 */
public record Expectation(
    String load, String title, String situation, double amperes, double low, double high) {

  /** Less is no current a clamp shows. */
  private static final double LEAST_AMPERES = 0.05;

  /** The first situation in which it carries about as much as in any. */
  private static final double NEARLY = 0.98;

  /** A supply that gives less of the heat is at fault, and is another once that is put right. */
  private static final double PUT_RIGHT_BELOW = 0.6;

  /** What a clamp itself leaves open (a share); common practice, no source. */
  private static final double CLAMP = 0.03;

  /**
   * @param heatShare power that a resistance gets of its nominal power, where the supply was
   *     measured: volts go with its root; 208 V for 240 V are .75
   */
  static List<Expectation> of(UnitModel unit, Optional<Double> heatShare) {
    double volts = Math.sqrt(heatShare.filter(s -> s > PUT_RIGHT_BELOW).orElse(1.0));
    List<Expectation> all = new ArrayList<>();
    for (Path path : unit.sheet().paths().values()) {
      Part load = unit.sheet().part(path.load());
      List<Situation> live =
          unit.sheet().situations().values().stream().filter(Situation::supplyOn).toList();
      double most = live.stream().mapToDouble(s -> amperes(unit, s, load)).max().orElse(0);
      Situation busiest =
          live.stream()
              .filter(s -> amperes(unit, s, load) >= NEARLY * most)
              .findFirst()
              .orElseThrow();
      double amperes = volts * amperes(unit, busiest, load);
      double band = load.behaviour().tolerance() + CLAMP;
      if (amperes > LEAST_AMPERES) {
        all.add(
            new Expectation(
                load.id(),
                load.title(),
                busiest.title(),
                amperes,
                amperes * (1 - band),
                amperes * (1 + band)));
      }
    }
    return all;
  }

  private static double amperes(UnitModel unit, Situation situation, Part load) {
    return unit.in(situation.id()).amperes(load.id()).abs();
  }
}
