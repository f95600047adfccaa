package org.jollychain.core.sheet;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;

/**
 * At what temperatures a thermal contact acts. Between the two temperatures its state depends on
 * its history, so neither state is a fault there.
 *
 * @param acts whether the contact opens or closes as the temperature rises
 * @param actsAtCelsius the temperature of that action (C)
 * @param returnsAtCelsius where it goes back on falling temperature (C); empty for one that never
 *     does
 * @param reset who brings it back
 */
public record ThermalRating(
    Acts acts, double actsAtCelsius, Optional<Double> returnsAtCelsius, Reset reset) {

  /** What the contact does on rising temperature. */
  public enum Acts {
    OPENS,
    CLOSES;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /** Who brings a contact back after it acted. */
  public enum Reset {
    AUTO,
    MANUAL,
    NONE;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  // common practice, no source: L<a>-<b> opens on rise at a and closes at a-b, F<a>-<b> closes at a
  // and opens at a-b; in Fahrenheit unless C is marked.
  private static final Pattern MARKING = Pattern.compile("([LF])(\\d{2,3})-(\\d{1,3})\\s*([CF]?)");

  /**
   * Reads the marking printed on a disc, e.g. {@code L150-45F}: opens at 150 F, closes again at 105
   * F.
   *
   * @throws IllegalArgumentException when it is no such marking, or the disc could never return
   */
  public static ThermalRating ofMarking(String text, Reset reset) {
    Matcher m = MARKING.matcher(text.strip().toUpperCase(Locale.ROOT));
    if (!m.matches()) {
      throw new IllegalArgumentException(
          "\"%s\" is no disc marking; write it like \"L200-40F\" or \"F110-20\"".formatted(text));
    }
    double at = Double.parseDouble(m.group(2));
    double differential = Double.parseDouble(m.group(3));
    if (differential >= at) {
      throw new IllegalArgumentException(
          "\"%s\" has a differential of %.0f below a rating of %.0f: the second figure is how far it must cool, like \"L150-40\""
              .formatted(text, differential, at));
    }
    String unit = m.group(4).equals("C") ? "C" : "F";
    return new ThermalRating(
        m.group(1).equals("L") ? Acts.OPENS : Acts.CLOSES,
        Dimension.CELSIUS.parse(at + unit),
        Optional.of(Dimension.CELSIUS.parse(at - differential + unit)),
        reset);
  }

  /**
   * The state at a temperature (C), for a contact that has not been forced past its rating before.
   */
  public ContactState stateAt(double celsius) {
    boolean past = celsius >= actsAtCelsius;
    boolean between = !past && returnsAtCelsius.isPresent() && celsius > returnsAtCelsius.get();
    if (between) {
      return ContactState.EITHER;
    }
    return past == (acts == Acts.OPENS) ? ContactState.OPEN : ContactState.CLOSED;
  }
}
