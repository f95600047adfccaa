package org.jollychain.core.evidence;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;

/**
 * A reading as it is said on the job: {@code 238.6}, {@code C2-L2 240}, {@code element 12.8 ohm},
 * {@code limit: no beep}. What stands in front of the value says where, in place of what stands
 * beside the field; a unit or a word that belongs to one function says which, whatever was
 * proposed.
 *
 * @param red a point, where two were typed
 * @param black the other
 * @param part a part, where one was named
 * @param function what the value can only have been read with; empty where it does not say
 * @param value without the place
 */
record TypedLine(
    Optional<String> red,
    Optional<String> black,
    Optional<String> part,
    Optional<MeterFunction> function,
    String value) {

  /** A figure with its unit; a comma may stand for the point. */
  private static final Pattern FIGURE =
      Pattern.compile("[+-]?\\d*[.,]?\\d*\\s*([a-zµμΩω°]{0,7})", Pattern.CASE_INSENSITIVE);

  /** Two points, joined as people join them. */
  private static final Pattern JOINED = Pattern.compile("\\s*(?:-|–|/|,|\\bto\\b|\\s)\\s*");

  private static final Set<String> WORDS_OF_NO_PLACE = Set.of("across", "the", "at", "over", "of");

  private static final Map<String, Dimension> UNITS =
      Map.ofEntries(
          Map.entry("ohm", Dimension.OHMS),
          Map.entry("ohms", Dimension.OHMS),
          Map.entry("ω", Dimension.OHMS),
          Map.entry("k", Dimension.OHMS),
          Map.entry("kω", Dimension.OHMS),
          Map.entry("kohm", Dimension.OHMS),
          Map.entry("mω", Dimension.OHMS),
          Map.entry("mohm", Dimension.OHMS),
          Map.entry("kohms", Dimension.OHMS),
          Map.entry("mohms", Dimension.OHMS),
          Map.entry("meg", Dimension.OHMS),
          Map.entry("megohm", Dimension.OHMS),
          Map.entry("megohms", Dimension.OHMS),
          Map.entry("v", Dimension.VOLTS),
          Map.entry("mv", Dimension.VOLTS),
          Map.entry("volt", Dimension.VOLTS),
          Map.entry("volts", Dimension.VOLTS),
          Map.entry("vac", Dimension.VOLTS),
          Map.entry("vdc", Dimension.VOLTS),
          Map.entry("a", Dimension.AMPERES),
          Map.entry("ma", Dimension.AMPERES),
          Map.entry("ua", Dimension.AMPERES),
          Map.entry("µa", Dimension.AMPERES),
          Map.entry("μa", Dimension.AMPERES),
          Map.entry("amp", Dimension.AMPERES),
          Map.entry("amps", Dimension.AMPERES),
          Map.entry("c", Dimension.CELSIUS),
          Map.entry("f", Dimension.CELSIUS),
          Map.entry("°c", Dimension.CELSIUS),
          Map.entry("°f", Dimension.CELSIUS));

  /** Words that say something happened, and nothing that a meter shows once. */
  private static final Map<String, String> ASKED_ABOUT =
      Map.of(
          "short", "type what the meter shows, like 0.1 ohm, or beep",
          "shorted", "type what the meter shows, like 0.1 ohm, or beep",
          "flutters", "type each figure as a reading of its own, like 0.2 and then OL",
          "jumps", "type each figure as a reading of its own, like 0.2 and then OL",
          "unstable", "type each figure as a reading of its own, like 0.2 and then OL");

  /**
   * Reads a line.
   *
   * @param standing the function that stands beside the field, if it is one
   * @throws EvidenceException when what stands in front of the value is not on this sheet, or may
   *     be several parts, or when no meter shows such a word; the message says what to type
   */
  static TypedLine read(String typed, Optional<MeterFunction> standing, Sheet sheet) {
    String text = typed.strip().replaceAll("\\s+", " ");
    List<String> words = List.of(text.split(" "));
    String unknown = "";
    // the longest place first: a name may hold figures itself
    for (int i = words.size() - 1; i >= 0; i--) {
      String value = String.join(" ", words.subList(i, words.size()));
      String place = place(words.subList(0, i));
      if (isValue(value)) {
        Optional<TypedLine> line =
            place.isEmpty() ? Optional.of(bare(value)) : at(place, value, sheet);
        if (line.isPresent()) {
          return line.get().readWith(standing, sheet);
        }
        unknown = unknown.isEmpty() ? place : unknown;
      }
    }
    if (!unknown.isEmpty() && Character.isLetter(unknown.charAt(0))) {
      throw noPlace(unknown, sheet);
    }
    return bare(text);
  }

  /** A value with no place in front of it. */
  private static TypedLine bare(String value) {
    return new TypedLine(
        Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), value);
  }

  private static String place(List<String> words) {
    String place =
        String.join(
            " ",
            words.stream()
                .filter(w -> !WORDS_OF_NO_PLACE.contains(w.toLowerCase(Locale.ROOT)))
                .toList());
    return place.endsWith(":") ? place.substring(0, place.length() - 1).strip() : place;
  }

  private static boolean isValue(String text) {
    String lower = text.toLowerCase(Locale.ROOT);
    String asked = ASKED_ABOUT.get(lower);
    if (asked != null) {
      throw new EvidenceException("value", "\"%s\": %s".formatted(text, asked));
    }
    Matcher figure = FIGURE.matcher(text);
    return ShownParser.isWord(lower)
        || figure.matches() && text.chars().anyMatch(Character::isDigit);
  }

  private static Optional<TypedLine> at(String place, String value, Sheet sheet) {
    Optional<TypedLine> points = between(place, value, sheet);
    if (points.isPresent()) {
      return points;
    }
    if (point(place, sheet).isPresent()) {
      throw new EvidenceException(
          "value",
          "%s is one point; where was the other probe? Type both, like %s-%s %s"
              .formatted(place, place, anotherThan(place, sheet), value));
    }
    return part(place, sheet)
        .map(
            p ->
                new TypedLine(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.of(p.id()),
                    Optional.empty(),
                    value));
  }

  private static Optional<TypedLine> between(String place, String value, Sheet sheet) {
    Matcher joint = JOINED.matcher(place);
    for (int from = 1; from < place.length() && joint.find(from); from = joint.start() + 1) {
      Optional<String> red = point(place.substring(0, joint.start()), sheet);
      Optional<String> black = point(place.substring(joint.end()), sheet);
      if (red.isPresent() && black.isPresent()) {
        return Optional.of(new TypedLine(red, black, Optional.empty(), Optional.empty(), value));
      }
    }
    return Optional.empty();
  }

  private static String anotherThan(String point, Sheet sheet) {
    return sheet.points().keySet().stream()
        .filter(p -> !p.equalsIgnoreCase(point))
        .findFirst()
        .orElse("");
  }

  private static Optional<String> point(String typed, Sheet sheet) {
    return sheet.points().keySet().stream().filter(typed.strip()::equalsIgnoreCase).findFirst();
  }

  /** The part of a name: its id, its title, or the only one that has all those words. */
  private static Optional<Part> part(String typed, Sheet sheet) {
    String name = plain(typed);
    Optional<Part> exact =
        sheet.parts().values().stream()
            .filter(p -> plain(p.id()).equals(name) || plain(p.title()).equals(name))
            .findFirst();
    if (exact.isPresent()) {
      return exact;
    }
    List<Part> like =
        sheet.parts().values().stream()
            .filter(p -> hasAll(plain(p.id()) + " " + plain(p.title()), name))
            .sorted(Comparator.comparing(Part::id))
            .toList();
    if (like.size() > 1) {
      throw new EvidenceException(
          "value",
          "\"%s\" may be %s; say which"
              .formatted(typed, String.join(" or ", like.stream().map(Part::title).toList())));
    }
    return like.stream().findFirst();
  }

  private static boolean hasAll(String title, String name) {
    List<String> words = List.of(title.split(" "));
    return List.of(name.split(" ")).stream()
        .allMatch(n -> words.stream().anyMatch(w -> w.startsWith(n)));
  }

  private static String plain(String name) {
    return name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
  }

  private static EvidenceException noPlace(String typed, Sheet sheet) {
    return new EvidenceException(
        "value",
        typed.indexOf('-', 1) > 0 && typed.indexOf(' ') < 0
            ? "\"%s\" are not two points of this sheet; there are %s"
                .formatted(typed, String.join(", ", sheet.points().keySet()))
            : "there is no part or point \"%s\" on this sheet%s"
                .formatted(typed, Nearest.suggestion(typed, sheet.parts().keySet())));
  }

  /** The same with what its unit or its word can only have been read with. */
  private TypedLine readWith(Optional<MeterFunction> standing, Sheet sheet) {
    return new TypedLine(red, black, part, function(standing, sheet), value);
  }

  private Optional<MeterFunction> function(Optional<MeterFunction> standing, Sheet sheet) {
    String lower = value.toLowerCase(Locale.ROOT);
    if (ShownParser.isOfBuzzer(lower)) {
      return Optional.of(MeterFunction.CONTINUITY);
    }
    Matcher figure = FIGURE.matcher(value);
    Dimension dimension =
        ShownParser.isOfOhms(lower)
            ? Dimension.OHMS
            : figure.matches() ? UNITS.get(figure.group(1).toLowerCase(Locale.ROOT)) : null;
    if (dimension == null
        || standing.filter(f -> f.dimension() == dimension).isPresent()
            && !lower.endsWith("vdc")
            && !lower.endsWith("vac")) {
      return Optional.empty();
    }
    return Optional.of(
        switch (dimension) {
          case VOLTS ->
              lower.endsWith("vdc")
                  ? MeterFunction.VOLTS_DC
                  : lower.endsWith("vac")
                      ? standing
                          .filter(f -> f == MeterFunction.VOLTS_AC_LOZ)
                          .orElse(MeterFunction.VOLTS_AC)
                      : MeterFunction.voltsOf(sheet.supply());
          case AMPERES -> MeterFunction.amperesOf(sheet.supply());
          case CELSIUS -> MeterFunction.CELSIUS;
          default -> MeterFunction.OHMS;
        });
  }
}
