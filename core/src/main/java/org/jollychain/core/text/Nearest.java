package org.jollychain.core.text;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** Finds what somebody probably meant. */
public final class Nearest {

  private static final int CLOSE = 2;
  private static final int MOST_LISTED = 12;
  private static final int LISTED = 3;
  private static final LevenshteinDistance DISTANCE = LevenshteinDistance.getDefaultInstance();

  private Nearest() {}

  /**
   * @return {@code ; did you mean "x"?}, or the list of names where it is short, or nothing
   */
  public static String suggestion(String name, Collection<String> names) {
    String lower = name.toLowerCase(Locale.ROOT);
    return names.stream()
        .min(Comparator.comparingInt(n -> DISTANCE.apply(lower, n.toLowerCase(Locale.ROOT))))
        .filter(
            n ->
                DISTANCE.apply(lower, n.toLowerCase(Locale.ROOT))
                    <= Math.min(CLOSE, name.length() - 1))
        .map("; did you mean \"%s\"?"::formatted)
        .orElseGet(
            () ->
                names.isEmpty() || names.size() > MOST_LISTED
                    ? ""
                    : "; there are " + String.join(", ", names));
  }

  /** The three that are spelled most alike, the nearest first. */
  public static List<String> closest(String name, Collection<String> names) {
    String lower = name.toLowerCase(Locale.ROOT);
    return names.stream()
        .sorted(Comparator.comparingInt(n -> DISTANCE.apply(lower, n.toLowerCase(Locale.ROOT))))
        .limit(LISTED)
        .toList();
  }
}
