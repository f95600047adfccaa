package org.jollychain.server.platform;

import java.util.List;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.TextProblem;

/** What is wrong with a sheet's text; nothing where it could be saved. */
public record Validation(List<TextProblem> problems) {

  /** What a reader has against a text; nothing where it takes it. */
  public static Validation of(Runnable reading) {
    try {
      reading.run();
      return new Validation(List.of());
    } catch (InvalidTextException e) {
      return new Validation(e.problems());
    }
  }
}
