package org.jollychain.core.evidence;

import org.jollychain.core.network.MeterFunction;

/** What the display shows, or the buzzer says. */
public sealed interface Shown {

  /**
   * A figure.
   *
   * @param value in the SI unit of the function
   * @param resolution the last digit written, in the same unit: no more is known of it
   */
  record Figure(double value, double resolution) implements Shown {}

  /** Beyond the range: OL. */
  record OverLimit() implements Shown {}

  /** The continuity buzzer sounds or stays silent. */
  record Buzzer(boolean sounds) implements Shown {}

  /** Nothing to be read: {@code --}. */
  record Nothing() implements Shown {}

  /**
   * Reads what people type: {@code 119.8}, {@code 119.8 V}, {@code 158mV}, {@code 11.8k}, {@code
   * OL}, {@code .02}, {@code 0L}, {@code beep}, {@code no beep}, {@code --}.
   *
   * @param function what the meter was set to; a unit that is not its own is refused
   * @throws IllegalArgumentException when it cannot be meant; the message says what would be right
   */
  static Shown parse(String typed, MeterFunction function) {
    return ShownParser.parse(typed, function);
  }
}
