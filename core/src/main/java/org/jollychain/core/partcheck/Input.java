package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.Kebab;

/**
 * What a check asks for.
 *
 * @param unit in which a figure without one is taken; empty for what is no figure
 * @param dimension of a figure
 * @param example as it may be typed
 * @param choices what it may be, where it is one of some
 * @param least the least it may be, in SI
 * @param most the most it may be, in SI
 */
public record Input(
    String name,
    String title,
    Kind kind,
    String unit,
    Optional<Dimension> dimension,
    boolean required,
    String example,
    List<String> choices,
    double least,
    double most) {

  /** What is typed. */
  public enum Kind {
    FIGURE,
    CHOICE,
    TEXT,
    /** A line an event, like {@code 0 closed}, {@code 60 72F closed}. */
    LOG;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * A figure that has to be there.
   *
   * @param least the least it may be, in SI
   * @param most the most it may be, in SI
   */
  static Input figure(
      String name, String title, Dimension dimension, String example, double least, double most) {
    return new Input(
        name,
        title,
        Kind.FIGURE,
        dimension.symbol(),
        Optional.of(dimension),
        true,
        example,
        List.of(),
        least,
        most);
  }

  static Input choice(String name, String title, String... choices) {
    return new Input(
        name, title, Kind.CHOICE, "", Optional.empty(), true, choices[0], List.of(choices), 0, 0);
  }

  static Input text(String name, String title, String example) {
    return new Input(name, title, Kind.TEXT, "", Optional.empty(), true, example, List.of(), 0, 0);
  }

  static Input log(String name, String title, String example) {
    return new Input(name, title, Kind.LOG, "", Optional.empty(), true, example, List.of(), 0, 0);
  }

  /** The same, where people leave out another unit than that of the SI. */
  Input bare(String usual) {
    return new Input(name, title, kind, usual, dimension, required, example, choices, least, most);
  }

  /** The same, where it may be left out. */
  Input optional() {
    return new Input(name, title, kind, unit, dimension, false, example, choices, least, most);
  }

  /**
   * Reads a figure.
   *
   * @throws IllegalArgumentException when it is none, or cannot be; says what would be right
   */
  double read(String typed) {
    Dimension d = dimension.orElseThrow();
    boolean bare = typed.chars().noneMatch(c -> Character.isLetter(c) || c == '°' || c == '%');
    String text = bare && !unit.equals(d.symbol()) ? typed + " " + unit : typed;
    double value = d.parse(text.replace(',', '.'));
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT,
              "%s cannot be; from %s to %s, like \"%s\"",
              d.round(value),
              d.round(least),
              d.round(most),
              example));
    }
    return value;
  }
}
