package org.jollychain.core.sheet;

import java.util.List;
import java.util.stream.Collectors;

/** Thrown when a text is no valid sheet; it lists every problem found. */
public final class InvalidSheetException extends RuntimeException {

  private final transient List<SheetProblem> problems;

  public InvalidSheetException(List<SheetProblem> problems) {
    super(problems.stream().map(SheetProblem::toString).collect(Collectors.joining("\n")));
    this.problems = List.copyOf(problems);
  }

  public List<SheetProblem> problems() {
    return problems;
  }
}
