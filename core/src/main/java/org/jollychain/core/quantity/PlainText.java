package org.jollychain.core.quantity;

import java.util.Locale;
import java.util.Optional;

/**
 * What a text that people type may hold: letters, digits, signs and blanks. What would write over a
 * neighbouring line, hide or turn round what follows, or be no character at all is refused, here
 * for all texts, before any of them reaches a list, a netlist, a picture or a page.
 */
public final class PlainText {

  private static final int LINE_SEPARATOR = 0x2028;
  private static final int PARAGRAPH_SEPARATOR = 0x2029;

  private PlainText() {}

  /**
   * @return what is wrong with a text of one line, if anything is
   */
  public static Optional<String> problemInLine(String text) {
    return problem(text, false);
  }

  /**
   * @return what is wrong with a text of several lines, if anything is
   */
  public static Optional<String> problemInLines(String text) {
    return problem(text, true);
  }

  /** Whether there is nothing to see in it. */
  public static boolean isBlank(String text) {
    return text.codePoints()
        .allMatch(
            c ->
                Character.isWhitespace(c)
                    || Character.isSpaceChar(c)
                    || Character.getType(c) == Character.FORMAT
                    || Character.isISOControl(c));
  }

  private static Optional<String> problem(String text, boolean lines) {
    for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
      int c = text.codePointAt(i);
      boolean lineBreak = c == '\n' || c == '\r' || c == LINE_SEPARATOR || c == PARAGRAPH_SEPARATOR;
      if (lineBreak && lines || c == '\t' && lines) {
        continue;
      }
      String what =
          lineBreak
              ? "a line break; write it in one line"
              : isDirection(c)
                  ? "a character that turns the direction of writing; leave it out"
                  : c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE
                      ? "half a character; write it anew"
                      : Character.isISOControl(c) || isNoCharacter(c)
                          ? "a character that cannot be written; leave it out"
                          : "";
      if (!what.isEmpty()) {
        return Optional.of("holds U+%04X at place %d, %s".formatted(c, i + 1, what));
      }
    }
    return Optional.empty();
  }

  /** The same as it begins a sentence. */
  public static String sentence(String text) {
    return text.isEmpty()
        ? text
        : text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
  }

  /** The same within a sentence; what is written in capitals stays so. */
  public static String inSentence(String text) {
    boolean capitals = text.length() > 1 && !Character.isLowerCase(text.charAt(1));
    return text.isEmpty() || capitals
        ? text
        : text.substring(0, 1).toLowerCase(Locale.ROOT) + text.substring(1);
  }

  /** Embeddings, overrides and isolates (Unicode Standard Annex 9). */
  private static boolean isDirection(int c) {
    return c >= 0x202A && c <= 0x202E || c >= 0x2066 && c <= 0x2069;
  }

  /** Noncharacters (Unicode Standard, section 23.7). */
  private static boolean isNoCharacter(int c) {
    return (c & 0xFFFE) == 0xFFFE || c >= 0xFDD0 && c <= 0xFDEF;
  }
}
