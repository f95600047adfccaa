package org.jollychain.core.partcheck;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.SensorCurve;
import org.jollychain.core.sheet.Supply;

/**
 * The checks for a part of a sheet, with what the sheet says of it filled in.
 *
 * @param given inputs that are known, as they would be typed
 */
public record Ratings(Card card, Map<String, String> given) {

  /** Every check for a part, those with its ratings first. */
  public static List<Ratings> of(Part part, Supply supply) {
    Map<String, String> known = known(part, supply);
    return PartChecks.of(part.kind()).stream().map(check -> with(check.card(), known)).toList();
  }

  private static Ratings with(Card card, Map<String, String> known) {
    Map<String, String> given = new LinkedHashMap<>();
    card.inputs().stream()
        .filter(i -> known.containsKey(i.name()))
        .forEach(i -> given.put(i.name(), known.get(i.name())));
    return new Ratings(card, given);
  }

  private static Map<String, String> known(Part part, Supply supply) {
    Map<String, String> known = new LinkedHashMap<>();
    part.load()
        .ifPresent(
            load -> {
              // the sheet keeps its ohms: the power is what they give at the supply
              double volts = supply.volts();
              known.put("watts", Dimension.WATTS.round(volts * volts / load.ohms()));
              known.put("volts", Dimension.VOLTS.round(volts));
            });
    part.thermal()
        .ifPresent(
            rating -> {
              known.put("rated", Dimension.CELSIUS.round(rating.actsAtCelsius()));
              known.put("opens-at", Dimension.CELSIUS.round(rating.actsAtCelsius()));
              known.put("control", Dimension.CELSIUS.round(rating.actsAtCelsius()));
              rating
                  .returnsAtCelsius()
                  .ifPresent(c -> known.put("closes-at", Dimension.CELSIUS.round(c)));
            });
    part.curve()
        .ifPresent(
            curve -> {
              if (curve instanceof SensorCurve.Ntc ntc) {
                known.put(
                    "paper",
                    String.format(
                        Locale.ROOT,
                        "%s at %s, beta %.0f",
                        Dimension.OHMS.round(ntc.ohms()),
                        Dimension.CELSIUS.round(ntc.atCelsius()),
                        ntc.betaKelvin()));
              } else if (curve instanceof SensorCurve.Platinum platinum) {
                known.put("type", String.format(Locale.ROOT, "Pt%.0f", platinum.ohmsAtZero()));
              }
            });
    return known;
  }
}
