package org.jollychain.core.partcheck;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
              known.put("watts", figure(volts * volts / load.ohms(), "W"));
              known.put("volts", figure(volts, "V"));
            });
    part.thermal()
        .ifPresent(
            rating -> {
              known.put("rated", figure(rating.actsAtCelsius(), "C"));
              known.put("opens-at", figure(rating.actsAtCelsius(), "C"));
              known.put("control", figure(rating.actsAtCelsius(), "C"));
              rating.returnsAtCelsius().ifPresent(c -> known.put("closes-at", figure(c, "C")));
            });
    part.curve()
        .ifPresent(
            curve -> {
              if (curve instanceof SensorCurve.Ntc ntc) {
                known.put("nominal", figure(ntc.ohms(), "ohm"));
                known.put("at", figure(ntc.atCelsius(), "C"));
                known.put("beta", figure(ntc.betaKelvin(), "").strip());
              } else if (curve instanceof SensorCurve.Platinum platinum) {
                known.put("type", String.format(Locale.ROOT, "Pt%.0f", platinum.ohmsAtZero()));
              }
            });
    return known;
  }

  private static String figure(double value, String unit) {
    return new BigDecimal(value).round(new MathContext(4)).stripTrailingZeros().toPlainString()
        + " "
        + unit;
  }
}
