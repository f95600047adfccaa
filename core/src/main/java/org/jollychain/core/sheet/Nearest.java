package org.jollychain.core.sheet;

import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;

/** Finds what somebody probably meant. */
public final class Nearest {

  private static final int CLOSE = 2;
  private static final int MOST_LISTED = 12;

  private Nearest() {}

  /**
   * @return {@code ; did you mean "x"?}, or the list of names where it is short, or nothing
   */
  public static String suggestion(String name, Collection<String> names) {
    String lower = name.toLowerCase(Locale.ROOT);
    return names.stream()
        .min(Comparator.comparingInt(n -> distance(lower, n.toLowerCase(Locale.ROOT))))
        .filter(
            n -> distance(lower, n.toLowerCase(Locale.ROOT)) <= Math.min(CLOSE, name.length() - 1))
        .map("; did you mean \"%s\"?"::formatted)
        .orElseGet(
            () ->
                names.isEmpty() || names.size() > MOST_LISTED
                    ? ""
                    : "; there are " + String.join(", ", names));
  }

  /** Levenshtein distance: how many letters must be put in, taken out or changed. */
  private static int distance(String a, String b) {
    int[] row = new int[b.length() + 1];
    for (int j = 0; j <= b.length(); j++) {
      row[j] = j;
    }
    for (int i = 1; i <= a.length(); i++) {
      int diagonal = row[0];
      row[0] = i;
      for (int j = 1; j <= b.length(); j++) {
        int above = row[j];
        int change = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
        row[j] = Math.min(change, Math.min(row[j], row[j - 1]) + 1);
        diagonal = above;
      }
    }
    return row[b.length()];
  }
}
