package org.jollychain.core.text;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A stretch of a typed text that still knows where each of its characters stands, also where it was
 * put together from several lines.
 */
public final class TextSpan {

  private static final int LINE = 16;
  private static final int COLUMN = (1 << LINE) - 1;

  private final String text;
  private final int[] at;

  private TextSpan(String text, int[] at) {
    this.text = text;
    this.at = at;
  }

  /** The lines of a text, without what follows a {@code #} that stands alone or begins a word. */
  public static List<TextSpan> lines(String text) {
    List<TextSpan> lines = new ArrayList<>();
    String[] all = text.split("\r\n|\r|\n", -1);
    for (int i = 0; i < all.length; i++) {
      String line = all[i].replace('\t', ' ');
      Matcher comment = COMMENT.matcher(line);
      int end = comment.find() ? comment.start() : line.length();
      int[] at = new int[end];
      for (int j = 0; j < end; j++) {
        at[j] = i + 1 << LINE | Math.min(COLUMN, j + 1);
      }
      lines.add(new TextSpan(line.substring(0, end), at));
    }
    return lines;
  }

  private static final Pattern COMMENT = Pattern.compile("(?:^|\\s)#");

  /** This one with another behind it. */
  public TextSpan then(TextSpan other) {
    int[] both = Arrays.copyOf(at, at.length + other.at.length);
    System.arraycopy(other.at, 0, both, at.length, other.at.length);
    return new TextSpan(text + other.text, both);
  }

  /** Some characters, all standing where this one begins. */
  public TextSpan saying(String other) {
    int[] here = new int[other.length()];
    Arrays.fill(here, first());
    return new TextSpan(other, here);
  }

  public TextSpan sub(int from, int to) {
    return new TextSpan(text.substring(from, to), Arrays.copyOfRange(at, from, to));
  }

  public TextSpan sub(int from) {
    return sub(from, text.length());
  }

  /** Without the blanks around it. */
  public TextSpan strip() {
    int from = 0;
    int to = text.length();
    while (from < to && Character.isWhitespace(text.charAt(from))) {
      from++;
    }
    while (to > from && Character.isWhitespace(text.charAt(to - 1))) {
      to--;
    }
    return from == to && from > 0 ? new TextSpan("", new int[0]) : sub(from, to);
  }

  /** The pieces between all that a pattern finds. */
  public List<TextSpan> split(Pattern separator) {
    List<TextSpan> pieces = new ArrayList<>();
    Matcher m = separator.matcher(text);
    int from = 0;
    while (m.find()) {
      pieces.add(sub(from, m.start()));
      from = m.end();
    }
    pieces.add(sub(from));
    return pieces;
  }

  public boolean isBlank() {
    return text.isBlank();
  }

  public String text() {
    return text;
  }

  /** Its line, from 1. */
  public int line() {
    return Math.max(1, first() >> LINE);
  }

  /** Its column, from 1. */
  public int column() {
    return Math.max(1, first() & COLUMN);
  }

  /** The line of its last character, from 1. */
  public int endLine() {
    return Math.max(1, last() >> LINE);
  }

  /** The column behind its last character, from 1. */
  public int endColumn() {
    return Math.max(1, (last() & COLUMN) + 1);
  }

  private int last() {
    return at.length == 0 ? 0 : at[at.length - 1];
  }

  private int first() {
    return at.length == 0 ? 0 : at[0];
  }

  @Override
  public String toString() {
    return text;
  }
}
