package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jollychain.core.text.TextSpan;

/** What is to be said of a shorthand while it is read: problems in their places, assumptions. */
final class ShorthandNotes {

  private static final int MOST = 100;

  private final List<Shorthand.Problem> problems = new ArrayList<>();
  private final List<Shorthand.Assumption> assumptions = new ArrayList<>();

  void error(TextSpan at, String message) {
    add(at.line(), at.column(), Shorthand.Level.ERROR, message);
  }

  void question(TextSpan at, String message) {
    add(at.line(), at.column(), Shorthand.Level.QUESTION, message);
  }

  void note(TextSpan at, String message) {
    add(at.line(), at.column(), Shorthand.Level.NOTE, message);
  }

  void add(int line, int column, Shorthand.Level level, String message) {
    Shorthand.Problem problem = new Shorthand.Problem(line, column, level, message);
    if (problems.size() < MOST && !problems.contains(problem)) {
      problems.add(problem);
    }
  }

  /**
   * @param say what to write in the link to say it outright
   */
  void assume(ShorthandLink link, String text, String say) {
    TextSpan span = link.span();
    assumptions.add(
        new Shorthand.Assumption(span.endLine(), span.endColumn(), link.title(), text, say));
  }

  /**
   * @param say the lines to write to say it outright
   */
  void assume(String about, String text, String say) {
    assumptions.add(new Shorthand.Assumption(0, 0, about, text, say));
  }

  List<Shorthand.Problem> problems() {
    return problems;
  }

  List<Shorthand.Assumption> assumptions() {
    return assumptions;
  }

  boolean wrong() {
    return problems.stream().anyMatch(p -> p.level() == Shorthand.Level.ERROR);
  }

  /** Some words as a name of format 1. */
  static String slug(String words) {
    String slug =
        words
            .toLowerCase(Locale.ROOT)
            .replace("'", "")
            .replaceAll("[^a-z0-9]+", "-")
            .replaceAll("^-+|-+$", "");
    String led = slug.isEmpty() || !Character.isLetter(slug.charAt(0)) ? "p-" + slug : slug;
    return led.substring(0, Math.min(led.length(), 40)).replaceAll("-+$", "");
  }
}
