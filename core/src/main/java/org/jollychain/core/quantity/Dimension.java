package org.jollychain.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.DoubleUnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A physical dimension and the units people write for it. Inside, every quantity is an SI double
 * with the unit in its name ({@code ohms}, {@code volts}, {@code celsius}); only text speaks of F,
 * mV or k.
 */
public enum Dimension {
  CELSIUS("C", "121 C"),
  OHMS("Ω", "11.8 k"),
  VOLTS("V", "240 V"),
  AMPERES("A", "18.7 A"),
  WATTS("W", "4500 W"),
  FARADS("F", "60 pF"),
  HERTZ("Hz", "60 Hz"),
  SHARE("", "5 %"),
  MINUTES("min", "4 min"),
  SECONDS("s", "32 s"),
  /** A difference of temperatures, so that 40 F is 22.2 K. */
  KELVIN("K", "22 K"),
  METRES("m", "7.5 m"),
  PASCALS("Pa", "101 kPa"),
  CUBIC_METRES_PER_SECOND("m3/s", "1200 cfm"),
  /** Hardness of water as calcium and magnesium. */
  MILLIMOLES_PER_LITRE("mmol/l", "14 dH"),
  YEARS("years", "6 years");

  private static final Pattern TEXT =
      Pattern.compile("([+-]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][+-]?\\d{1,3})?)\\s*([^\\s\\d]\\S*|)");

  private static final Map<Dimension, Map<String, DoubleUnaryOperator>> UNITS = units();

  private static final Set<Dimension> PREFIXED =
      EnumSet.of(OHMS, VOLTS, AMPERES, WATTS, FARADS, HERTZ, METRES, PASCALS);

  /** Volts or amperes that no meter shows. */
  private static final double NOTHING = 5e-7;

  private final String symbol;
  private final String example;

  Dimension(String symbol, String example) {
    this.symbol = symbol;
    this.example = example;
  }

  /** The unit in which values of this dimension are kept, as printed. */
  public String symbol() {
    return symbol;
  }

  /**
   * Reads a quantity.
   *
   * @param text a number with or without a unit, e.g. {@code 250 F}; without one it is in SI
   * @return the value in SI (temperatures in degrees Celsius, shares as fractions of one)
   * @throws IllegalArgumentException when the text is no such quantity; the message says what would
   *     be right
   */
  public double parse(String text) {
    Matcher m = TEXT.matcher(text.strip());
    if (!m.matches()) {
      throw new IllegalArgumentException(
          "\"%s\" is no quantity; write it like \"%s\"".formatted(text, example));
    }
    Map<String, DoubleUnaryOperator> units = UNITS.get(this);
    DoubleUnaryOperator toSi = units.get(m.group(2));
    if (toSi == null) {
      throw new IllegalArgumentException(
          "\"%s\" has the unit \"%s\"; write it like \"%s\" (units: %s)"
              .formatted(text, m.group(2), example, String.join(" ", units.keySet()).strip()));
    }
    double value = toSi.applyAsDouble(Double.parseDouble(m.group(1)));
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException(
          "\"%s\" is too large; write it like \"%s\"".formatted(text, example));
    }
    return value;
  }

  /**
   * Prints a value with an SI prefix and about four figures, as a meter would: {@code 12.80 mΩ}.
   *
   * @param si the value in SI
   */
  public String format(double si) {
    if (this == SHARE) {
      return String.format(Locale.ROOT, "%.1f %%", 100 * si);
    }
    return prefixed(si, Dimension::plain);
  }

  /**
   * The same to three figures, as one says it: {@code 239 V}, {@code 11.6 Ω}.
   *
   * @param si the value in SI
   */
  public String round(double si) {
    return prefixed(
        si,
        (value, unit) ->
            new BigDecimal(value).round(new MathContext(3)).toPlainString() + " " + unit);
  }

  private String prefixed(double value, BiFunction<Double, String, String> said) {
    boolean nothing = (this == VOLTS || this == AMPERES) && Math.abs(value) < NOTHING;
    double si = nothing ? 0 : value;
    double size = Math.abs(si);
    if (!PREFIXED.contains(this) || size == 0) {
      return said.apply(si, symbol);
    }
    if (size >= 0.9995e6) {
      return said.apply(si / 1e6, "M" + symbol);
    }
    if (size >= 9.995e3 || (size >= 999.5 && this == OHMS)) {
      return said.apply(si / 1e3, "k" + symbol);
    }
    return size < 0.0995 ? said.apply(si * 1e3, "m" + symbol) : said.apply(si, symbol);
  }

  private static String plain(double value, String unit) {
    double size = Math.abs(value);
    int places = size >= 1000 || size == 0 ? 0 : size >= 10 ? 1 : size >= 1 ? 2 : 3;
    BigDecimal rounded = BigDecimal.valueOf(value).setScale(places, RoundingMode.HALF_UP);
    return (rounded.toPlainString() + " " + unit).strip();
  }

  private static Map<Dimension, Map<String, DoubleUnaryOperator>> units() {
    Map<Dimension, Map<String, DoubleUnaryOperator>> units = new EnumMap<>(Dimension.class);
    units.putAll(electrical());
    units.put(SECONDS, scale(Map.of("", 1.0, "s", 1.0, "min", 60.0, "h", 3600.0, "ms", 1e-3)));
    units.put(KELVIN, scale(Map.of("", 1.0, "K", 1.0, "C", 1.0, "F", 1 / 1.8)));
    units.put(
        METRES,
        scale(
            Map.of(
                "", 1.0, "m", 1.0, "cm", 0.01, "mm", 1e-3, "km", 1e3, "ft", 0.3048, "in", 0.0254)));
    units.put(
        PASCALS,
        scale(
            Map.of(
                "", 1.0, "Pa", 1.0, "kPa", 1e3, "MPa", 1e6, "bar", 1e5, "mbar", 100.0, "psi",
                6894.757)));
    units.put(
        CUBIC_METRES_PER_SECOND,
        scale(
            Map.of(
                "",
                1.0,
                "m3/s",
                1.0,
                "m3/h",
                1 / 3600.0,
                "l/s",
                1e-3,
                "l/min",
                1 / 60_000.0,
                "cfm",
                4.719474e-4,
                "gpm",
                6.309020e-5)));
    // one degree of hardness is 10 mg of CaO a litre, one grain a gallon 17.12 mg of CaCO3
    units.put(
        MILLIMOLES_PER_LITRE,
        scale(
            Map.of(
                "", 1.0, "mmol/l", 1.0, "dH", 0.1783, "fH", 0.0999, "ppm", 0.00999, "mg/l", 0.00999,
                "gpg", 0.1710)));
    units.put(
        YEARS, scale(Map.of("", 1.0, "years", 1.0, "year", 1.0, "a", 1.0, "months", 1 / 12.0)));
    return units;
  }

  private static Map<Dimension, Map<String, DoubleUnaryOperator>> electrical() {
    return Map.of(
        CELSIUS, scale(Map.of("", 1.0, "C", 1.0, "°C", 1.0), "F", "°F"),
        OHMS,
            scale(
                Map.of(
                    "", 1.0, "ohm", 1.0, "ohms", 1.0, "Ω", 1.0, "k", 1e3, "kohm", 1e3, "kΩ", 1e3,
                    "M", 1e6, "mohm", 1e-3)),
        VOLTS, scale(Map.of("", 1.0, "V", 1.0, "mV", 1e-3, "kV", 1e3)),
        AMPERES, scale(Map.of("", 1.0, "A", 1.0, "mA", 1e-3, "uA", 1e-6, "µA", 1e-6)),
        WATTS, scale(Map.of("", 1.0, "W", 1.0, "kW", 1e3)),
        FARADS, scale(Map.of("", 1.0, "F", 1.0, "pF", 1e-12, "nF", 1e-9, "uF", 1e-6, "µF", 1e-6)),
        HERTZ, scale(Map.of("", 1.0, "Hz", 1.0)),
        SHARE, scale(Map.of("", 1.0, "%", 0.01)),
        MINUTES, scale(Map.of("", 1.0, "min", 1.0, "s", 1 / 60.0)));
  }

  private static Map<String, DoubleUnaryOperator> scale(
      Map<String, Double> factors, String... fahrenheit) {
    Map<String, DoubleUnaryOperator> units = new LinkedHashMap<>();
    factors.keySet().stream().sorted().forEach(u -> units.put(u, v -> v * factors.get(u)));
    for (String unit : fahrenheit) {
      units.put(unit, v -> (v - 32) / 1.8);
    }
    return units;
  }
}
