package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;

/**
 * What a check says.
 *
 * @param verdict in the words of the trade
 * @param results the figures it comes to
 * @param because the arithmetic, with its numbers
 * @param band it is held against, in words; empty where there is none
 * @param source where the band or the equation comes from
 * @param meaning what it means for the unit
 * @param next what to do
 */
public record CheckResult(
    Grade grade,
    String verdict,
    List<Value> results,
    List<String> because,
    String band,
    String source,
    String meaning,
    String next,
    Optional<Picture> picture) {

  /** Common practice, for which there is no source to name. */
  static final String PRACTICE = "Common practice, no source.";

  /** How a part comes out of its check. */
  public enum Grade {
    GOOD,
    DOUBTFUL,
    BAD,
    /** It says what is, not whether it is good. */
    PLAIN;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * A figure.
   *
   * @param value in its unit
   * @param uncertainty two standard deviations, in its unit; empty where nothing was measured
   */
  public record Value(String name, double value, String unit, Optional<Double> uncertainty) {}

  static Writer saying(Grade grade, String verdict, Object... about) {
    return new Writer(grade, String.format(Locale.ROOT, verdict, about));
  }

  /** Writes an answer. */
  static final class Writer {
    private final Grade grade;
    private final String verdict;
    private final List<Value> results = new ArrayList<>();
    private final List<String> because = new ArrayList<>();
    private String band = "";
    private String source = PRACTICE;
    private String meaning = "";
    private String next = "";
    private Optional<Picture> picture = Optional.empty();

    private Writer(Grade grade, String verdict) {
      this.grade = grade;
      this.verdict = verdict;
    }

    Writer result(String name, double value, String unit) {
      results.add(new Value(name, value, unit, Optional.empty()));
      return this;
    }

    Writer result(String name, double value, Dimension dimension) {
      return result(name, value, dimension.symbol());
    }

    /**
     * @param uncertainty two standard deviations
     */
    Writer measured(String name, double value, Dimension dimension, double uncertainty) {
      results.add(new Value(name, value, dimension.symbol(), Optional.of(uncertainty)));
      return this;
    }

    Writer because(String why, Object... about) {
      because.add(String.format(Locale.ROOT, why, about));
      return this;
    }

    Writer band(String text, Object... about) {
      this.band = String.format(Locale.ROOT, text, about);
      return this;
    }

    Writer from(String where) {
      this.source = where;
      return this;
    }

    Writer means(String text) {
      this.meaning = text;
      return this;
    }

    Writer next(String text) {
      this.next = text;
      return this;
    }

    Writer drawn(Picture as) {
      this.picture = Optional.of(as);
      return this;
    }

    CheckResult done() {
      return new CheckResult(
          grade, verdict, results, because, band, source, meaning, next, picture);
    }
  }
}
