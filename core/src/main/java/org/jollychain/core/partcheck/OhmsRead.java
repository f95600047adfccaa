package org.jollychain.core.partcheck;

import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.quantity.OhmsTyped;

/** Ohms as they are typed, OL for beyond the range. */
final class OhmsRead {

  /** What OL stands for (ohm). */
  static final double OPEN = 4e7;

  private OhmsRead() {}

  static double of(String input, String typed) {
    String text = typed.strip();
    if (OhmsTyped.beyondRange(text) || text.equals("1.")) {
      return OPEN;
    }
    try {
      double ohms = OhmsTyped.parse(text);
      if (ohms < 0) {
        throw new InvalidInputsException(
            input, "a part has no negative ohms; zero the leads first");
      }
      return ohms;
    } catch (IllegalArgumentException e) {
      throw new InvalidInputsException(input, e.getMessage() + ", or OL");
    }
  }

  static String said(double ohms) {
    return ohms >= OPEN ? "OL" : Dimension.OHMS.round(ohms);
  }
}
