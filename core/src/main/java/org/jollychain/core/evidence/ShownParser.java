package org.jollychain.core.evidence;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.OhmsTyped;

/** Reads displays as they are typed. */
final class ShownParser {

  private static final Pattern FIGURE =
      Pattern.compile("([+-]?)(\\d*)(?:[.,](\\d*))?\\s*([^\\d\\s.,]*)");

  /** What is said of ohms alone; OL shows on volts too, where the range is too small. */
  private static final Set<String> OF_OHMS = Set.of("open", "inf", "∞", "infinity", "infinite");

  private static final Set<String> BEEP =
      Set.of("beep", "beeps", "buzz", "buzzes", "tone", "continuity", "yes");
  private static final Set<String> SILENT =
      Set.of("no beep", "nobeep", "no tone", "no continuity", "silent", "no");
  private static final Set<String> NOTHING = Set.of("--", "---", "----");
  private static final int MOST_DIGITS = 12;

  /** Beyond these nothing in this trade is measured, and no meter of it shows a figure. */
  private static final Map<Dimension, Double> LARGEST =
      Map.of(
          Dimension.VOLTS,
          2000.0,
          Dimension.AMPERES,
          1000.0,
          Dimension.OHMS,
          1e9,
          Dimension.CELSIUS,
          1400.0);

  private ShownParser() {}

  /** Whether it is a word that stands for what a meter shows. */
  static boolean isWord(String lower) {
    return OhmsTyped.beyondRange(lower)
        || BEEP.contains(lower)
        || SILENT.contains(lower)
        || NOTHING.contains(lower);
  }

  /** Whether only the buzzer says so; yes and no may be of anything. */
  static boolean isOfBuzzer(String lower) {
    return (BEEP.contains(lower) || SILENT.contains(lower))
        && !lower.equals("yes")
        && !lower.equals("no");
  }

  static boolean isOfOhms(String lower) {
    return OF_OHMS.contains(lower);
  }

  static Shown parse(String typed, MeterFunction function) {
    String text = typed.strip().toLowerCase(Locale.ROOT);
    if (text.isEmpty()) {
      throw new IllegalArgumentException(
          "nothing was typed; type what the meter shows, like " + example(function));
    }
    if (NOTHING.contains(text)) {
      return new Shown.Nothing();
    }
    if (BEEP.contains(text) || SILENT.contains(text)) {
      if (function != MeterFunction.CONTINUITY) {
        throw new IllegalArgumentException(
            "\"%s\" goes with continuity, and the meter was on %s; type what it shows, like %s"
                .formatted(typed, function.word(), example(function)));
      }
      return new Shown.Buzzer(BEEP.contains(text));
    }
    if (OhmsTyped.beyondRange(text)) {
      return new Shown.OverLimit();
    }
    return figure(typed.strip(), function);
  }

  private static Shown figure(String typed, MeterFunction function) {
    Matcher m = FIGURE.matcher(typed);
    String fraction = m.matches() && m.group(3) != null ? m.group(3) : "";
    if (!m.matches() || m.group(2).length() + fraction.length() == 0) {
      throw new IllegalArgumentException(
          "\"%s\" is no reading; type what the meter shows, like %s or OL"
              .formatted(typed, example(function)));
    }
    if (m.group(2).length() + fraction.length() > MOST_DIGITS) {
      throw new IllegalArgumentException("\"%s\" has more digits than any meter".formatted(typed));
    }
    Dimension dimension = function.dimension();
    String number = m.group(1) + m.group(2) + "." + fraction + "0";
    double value;
    try {
      value = si(number, m.group(4), dimension);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          dimension == Dimension.OHMS && m.group(4).startsWith("m")
              ? e.getMessage()
              : "\"%s\" is not in a unit of %s; type it like %s"
                  .formatted(typed, function.word(), example(function)),
          e);
    }
    double unit = si("2", m.group(4), dimension) - si("1", m.group(4), dimension);
    boolean signed =
        function == MeterFunction.VOLTS_DC
            || function == MeterFunction.AMPS_DC
            || function == MeterFunction.CELSIUS;
    if (value < 0 && !signed) {
      throw new IllegalArgumentException(
          "\"%s\" is negative, and %s cannot be; type the figure without the sign"
              .formatted(typed, function.word()));
    }
    double largest = LARGEST.getOrDefault(dimension, Double.MAX_VALUE);
    if (Math.abs(value) > largest) {
      throw new IllegalArgumentException(
          "\"%s\" is beyond what a meter shows (%s at most); check the digits and the prefix"
              .formatted(typed, dimension.format(largest)));
    }
    return new Shown.Figure(value, unit * Math.pow(10, -fraction.length()));
  }

  private static double si(String number, String unit, Dimension dimension) {
    return dimension == Dimension.OHMS
        ? OhmsTyped.parse(number + unit)
        : dimension.parse(number + spelled(unit, dimension));
  }

  /** The unit as the sheet's quantities spell it, whatever its capitals; m and M differ. */
  private static String spelled(String unit, Dimension dimension) {
    if (unit.isEmpty()) {
      return "";
    }
    String lower = unit.toLowerCase(Locale.ROOT);
    return switch (dimension) {
      case VOLTS ->
          Set.of("v", "vac", "vdc", "volt", "volts").contains(lower)
              ? "V"
              : lower.equals("mv") ? "mV" : unit;
      case AMPERES ->
          Set.of("a", "amp", "amps").contains(lower)
              ? "A"
              : lower.equals("ma") ? "mA" : lower.equals("ua") || lower.equals("µa") ? "uA" : unit;
      default ->
          lower.equals("c") || lower.equals("°c")
              ? "C"
              : lower.equals("f") || lower.equals("°f") ? "F" : unit;
    };
  }

  private static String example(MeterFunction function) {
    return switch (function.dimension()) {
      case VOLTS -> "119.8";
      case OHMS -> "0.2";
      case AMPERES -> "18.7";
      default -> "72 F";
    };
  }
}
