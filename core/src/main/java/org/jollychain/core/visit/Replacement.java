package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.LoadRating;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.ThermalRating;
import org.jollychain.core.unit.UnitFact;

/**
 * A new part beside the old one, by what is printed on it: {@code L250-40F}, {@code 121 C}, {@code
 * manual}, {@code 4500 W}, {@code 12.8 ohm}, {@code 15 A}; or in words: {@code same as the old one}
 * where both were held side by side, {@code by the maker's list} where that names it for the model.
 * Where the old one was not read, a print stands beside the sheet's example, which is the weaker
 * word.
 *
 * @param read whether the old one, or the unit's paper, was read
 * @param compared what was compared, in words
 * @param differences what is different, in words
 * @param protective whether the part protects: then nothing may be different
 */
public record Replacement(
    Part part,
    boolean read,
    Verdict verdict,
    List<String> compared,
    List<String> differences,
    boolean protective) {

  /** How the new one compares. */
  public enum Verdict {
    SAME,
    /** Nobody has compared it with the old one; the maker's list names it for this model. */
    LISTED,
    DIFFERENT,
    /** Nothing of what is printed could be compared. */
    NOT_READABLE;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /** Printed ratings are rounded to whole degrees, of either scale (K). */
  private static final double ROUNDING_KELVIN = 1.2;

  /** Ratings of loads are printed with two digits (a share). */
  private static final double ROUNDING_SHARE = 0.04;

  private static final Pattern AS_OLD =
      Pattern.compile("=|SAME(?: PRINT)?(?: AS (?:ON )?(?:THE )?OLD(?: ONE| PART)?)?");
  private static final Pattern LIST = Pattern.compile("\\bMAKER'?S LIST\\b");
  private static final Pattern AMPERES = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*A\\b");
  private static final Pattern DISC = Pattern.compile("[LF]\\d{2,3}-\\d{1,3}\\s*[CF]?");
  private static final Pattern CELSIUS = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*°?\\s*([CF])\\b");
  private static final Pattern OHMS =
      Pattern.compile("(\\d+(?:\\.\\d+)?\\s*[KM]?)\\s*(?:OHM|Ω)", Pattern.CASE_INSENSITIVE);
  private static final Pattern WATTS = Pattern.compile("(\\d+(?:\\.\\d+)?\\s*K?)\\s*W\\b");
  private static final Pattern RESET = Pattern.compile("\\b(MANUAL|AUTO)");

  /**
   * @param part the old one, as this unit has it
   * @param old what was read of it, or in the unit's paper; else there is the sheet's example alone
   * @param printed on the new part; empty where nothing can be read
   * @throws EvidenceException when it is a marking that no part can bear
   */
  public static Replacement of(Part part, Optional<UnitFact> old, String printed) {
    String text = printed.strip().toUpperCase(Locale.ROOT).replace('\u2019', '\'');
    try {
      return of(part, old, text, new ArrayList<>(), new ArrayList<>());
    } catch (IllegalArgumentException e) {
      throw new EvidenceException("value", e.getMessage());
    }
  }

  private static Replacement of(
      Part part,
      Optional<UnitFact> old,
      String text,
      List<String> compared,
      List<String> differences) {
    boolean read = old.filter(f -> !(f instanceof UnitFact.NotReadable)).isPresent();
    boolean listed = LIST.matcher(text).find();
    if (AS_OLD.matcher(text).matches()) {
      compared.add("the print on both");
    } else if (old.filter(UnitFact.Marking.class::isInstance).isPresent()) {
      print(old.get(), text, compared, differences);
    } else {
      part.thermal().ifPresent(rating -> thermal(rating, text, compared, differences));
      part.load().ifPresent(rating -> load(rating, text, compared, differences));
      old.ifPresent(fact -> print(fact, text, compared, differences));
    }
    if (listed && !read) {
      // the list is of this model, the sheet an example
      differences.clear();
    }
    Verdict verdict =
        !differences.isEmpty()
            ? Verdict.DIFFERENT
            : listed ? Verdict.LISTED : compared.isEmpty() ? Verdict.NOT_READABLE : Verdict.SAME;
    return new Replacement(
        part, read, verdict, List.copyOf(compared), List.copyOf(differences), protects(part));
  }

  /** Whether it is told that it is the right one; a part that protects is not let in without. */
  boolean settled() {
    return !protective || verdict != Verdict.NOT_READABLE;
  }

  /** Links that act by heat or only once, and those that guard a door. */
  private static boolean protects(Part part) {
    return part.thermal().isPresent()
        || part.kind().is(PartKind.Trait.ONE_SHOT)
        || part.kind().is(PartKind.Trait.GUARDS_DOOR);
  }

  /**
   * @throws EvidenceException when a protective part was renewed by another
   */
  void refuse() {
    if (protective && verdict == Verdict.DIFFERENT) {
      throw new EvidenceException(
          "value",
          read
              ? "%s protects and is renewed like for like only: %s"
                  .formatted(part.title(), String.join("; ", differences))
              : "%s protects and is renewed like for like only, and it differs from the sheet's example: %s. Read the old one first, or take its rating from the maker's list for this model"
                  .formatted(
                      part.title(),
                      String.join("; ", differences).replace("the old one", "the example")));
    }
  }

  private static void thermal(
      ThermalRating old, String text, List<String> compared, List<String> differences) {
    Matcher disc = DISC.matcher(text);
    Matcher celsius = CELSIUS.matcher(text);
    if (disc.find()) {
      ThermalRating other = ThermalRating.ofMarking(disc.group(), old.reset());
      if (other.acts() != old.acts()) {
        differences.add("it %s on rise, the old one %s".formatted(other.acts(), old.acts()));
      }
      degrees("acts at", old.actsAtCelsius(), other.actsAtCelsius(), compared, differences);
      if (old.returnsAtCelsius().isPresent()) {
        degrees(
            "goes back at",
            old.returnsAtCelsius().get(),
            other.returnsAtCelsius().orElseThrow(),
            compared,
            differences);
      }
    } else if (celsius.find()) {
      double at = Dimension.CELSIUS.parse(celsius.group(1) + celsius.group(2));
      degrees("acts at", old.actsAtCelsius(), at, compared, differences);
    }
    Matcher reset = RESET.matcher(text);
    if (reset.find() && old.reset() != ThermalRating.Reset.NONE) {
      boolean manual = reset.group(1).equals("MANUAL");
      if (manual == (old.reset() == ThermalRating.Reset.MANUAL)) {
        compared.add("reset " + old.reset());
      } else {
        differences.add(
            "it resets %s, the old one %s"
                .formatted(manual ? "by hand" : "by itself", old.reset()));
      }
    }
  }

  /** Amperes of a fuse, or any marking that is the same on both. */
  private static void print(
      UnitFact old, String text, List<String> compared, List<String> differences) {
    if (old instanceof UnitFact.Fuse fuse) {
      find(AMPERES, text)
          .ifPresent(
              a -> share("%.3g A", fuse.amperes(), Double.parseDouble(a), compared, differences));
    } else if (old instanceof UnitFact.Marking marking
        && bare(text).equals(bare(marking.said().toUpperCase(Locale.ROOT)))) {
      compared.add("the print on both");
    }
  }

  private static String bare(String print) {
    return print.replaceAll("[\\s.,-]", "");
  }

  private static void degrees(
      String what, double old, double other, List<String> compared, List<String> differences) {
    if (Math.abs(old - other) <= ROUNDING_KELVIN) {
      compared.add("%s %.0f °C".formatted(what, old));
    } else {
      differences.add("it %s %.0f °C, the old one at %.0f °C".formatted(what, other, old));
    }
  }

  private static void load(
      LoadRating old, String text, List<String> compared, List<String> differences) {
    find(OHMS, text)
        .ifPresent(
            printed -> {
              double ohms = Dimension.OHMS.parse(printed.replace('K', 'k'));
              double due = old.windingOhms().orElse(old.ohms());
              share("%.3g ohm", due, ohms, compared, differences);
            });
    find(WATTS, text)
        .ifPresent(
            printed -> {
              Matcher volts = Pattern.compile("(\\d+(?:\\.\\d+)?)\\s*V\\b").matcher(text);
              if (volts.find()) {
                double v = Double.parseDouble(volts.group(1));
                double due = v * v * old.powerFactor() / old.ohms();
                share(
                    "%.0f W",
                    due,
                    Dimension.WATTS.parse(printed.replace('K', 'k') + "W"),
                    compared,
                    differences);
              }
            });
  }

  private static Optional<String> find(Pattern pattern, String text) {
    Matcher m = pattern.matcher(text);
    return m.find() ? Optional.of(m.group(1)) : Optional.empty();
  }

  private static void share(
      String figure, double old, double other, List<String> compared, List<String> differences) {
    if (Math.abs(other / old - 1) <= ROUNDING_SHARE) {
      compared.add(figure.formatted(old));
    } else {
      differences.add(("it has " + figure + ", the old one " + figure).formatted(other, old));
    }
  }
}
