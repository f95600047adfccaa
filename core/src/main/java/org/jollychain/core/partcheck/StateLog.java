package org.jollychain.core.partcheck;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jollychain.core.quantity.Dimension;

/**
 * A log as it is pasted or told: a line an event, with its time, a temperature where one was read,
 * and what happened. Commas and tabs may stand between them; an upright stroke is a new line too.
 */
final class StateLog {

  private static final int MOST_LINES = 500;

  private StateLog() {}

  /**
   * @param time from the beginning, in the unit the log is asked in
   * @param celsius NaN where no temperature stands in the line (C)
   */
  record Line(double time, double celsius, String event) {}

  /**
   * @param input whose text it is
   * @param temperatures whether each line has one
   * @param events what may happen
   * @throws InvalidInputsException when it is no such log; says the line
   */
  static List<Line> read(String input, String text, boolean temperatures, List<String> events) {
    List<Line> lines = new ArrayList<>();
    int number = 0;
    for (String raw : text.split("\\R|\\|")) {
      number++;
      if (raw.isBlank()) {
        continue;
      }
      String[] words = raw.strip().split("[\\s,;]+");
      int expected = temperatures ? 3 : 2;
      if (words.length != expected) {
        throw wrong(
            input,
            number,
            "\"%s\" has %d words; it should be like \"12.5%s %s\"",
            raw.strip(),
            words.length,
            temperatures ? " 118C" : "",
            events.get(0));
      }
      String event = words[expected - 1].toLowerCase(Locale.ROOT);
      if (!events.contains(event)) {
        throw wrong(input, number, "\"%s\" is none of %s", event, String.join(", ", events));
      }
      double time = figure(input, number, words[0], "\"%s\" is no time");
      double celsius = Double.NaN;
      if (temperatures) {
        try {
          celsius = Dimension.CELSIUS.parse(words[1]);
        } catch (IllegalArgumentException e) {
          throw wrong(input, number, "%s", e.getMessage());
        }
      }
      if (!lines.isEmpty() && time < lines.get(lines.size() - 1).time()) {
        throw wrong(input, number, "%s is before the line above it", words[0]);
      }
      lines.add(new Line(time, celsius, event));
    }
    if (lines.isEmpty() || lines.size() > MOST_LINES) {
      throw new InvalidInputsException(
          input, "has %d lines; 1 to %d".formatted(lines.size(), MOST_LINES));
    }
    return lines;
  }

  private static double figure(String input, int number, String word, String why) {
    double value;
    try {
      value = Double.parseDouble(word.replace(',', '.'));
    } catch (NumberFormatException e) {
      throw wrong(input, number, why, word);
    }
    if (!Double.isFinite(value) || value < 0) {
      throw wrong(input, number, why, word);
    }
    return value;
  }

  private static InvalidInputsException wrong(
      String input, int number, String why, Object... about) {
    return new InvalidInputsException(input, "line " + number + ": " + why.formatted(about));
  }
}
