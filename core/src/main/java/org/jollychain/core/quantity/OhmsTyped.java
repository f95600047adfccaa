package org.jollychain.core.quantity;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Ohms as people type what a meter shows: {@code 12.8}, {@code 12.8 Ohms}, {@code 11.8K}, {@code 8
 * meg}, {@code 0.L}. Unlike a sheet's text it is typed in haste, so capitals say nothing but for
 * the one letter that is a factor of a billion: a lower m is asked about.
 */
public final class OhmsTyped {

  private static final Pattern FIGURE =
      Pattern.compile("([+-]?(?:\\d+[.,]?\\d*|[.,]\\d+))\\s*([\\p{L}Ω]*)");

  private static final Set<String> BEYOND =
      Set.of(
          "ol",
          "0l",
          "o.l",
          "o.l.",
          "0.l",
          "0.l.",
          "open",
          "inf",
          "∞",
          "infinity",
          "infinite",
          "overload");

  private OhmsTyped() {}

  /** Whether it says that the range is exceeded. */
  public static boolean beyondRange(String typed) {
    return BEYOND.contains(typed.strip().toLowerCase(Locale.ROOT));
  }

  /**
   * Reads a figure.
   *
   * @return the ohms
   * @throws IllegalArgumentException when the text is not a figure in ohms; the message says what
   *     to type
   */
  public static double parse(String typed) {
    Matcher m = FIGURE.matcher(typed.strip());
    if (!m.matches()) {
      throw new IllegalArgumentException(
          "\"%s\" is no quantity; write it like \"11.8 k\"".formatted(typed));
    }
    return Double.parseDouble(m.group(1).replace(',', '.')) * factor(typed, m.group(1), m.group(2));
  }

  private static double factor(String typed, String figure, String unit) {
    String lower = unit.toLowerCase(Locale.ROOT).replace("ω", "ohm");
    return switch (lower) {
      case "", "ohm", "ohms", "r" -> 1;
      case "k", "kohm", "kohms", "kilohm", "kilohms" -> 1e3;
      case "meg", "megs", "megohm", "megohms" -> 1e6;
      case "m", "mohm", "mohms" -> {
        if (!unit.startsWith("M")) {
          throw new IllegalArgumentException(
              "\"%s\" may be millions or thousandths of an ohm; type %s M, or the ohms with their point"
                  .formatted(typed, figure));
        }
        yield 1e6;
      }
      default ->
          throw new IllegalArgumentException(
              "\"%s\" has the unit \"%s\"; write it like \"11.8 k\" (units: ohm k M)"
                  .formatted(typed, unit));
    };
  }
}
