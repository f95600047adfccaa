package org.jollychain.core.text;

import java.util.List;
import java.util.stream.Collectors;

/** Thrown when a text is not what it should be; it lists every problem found. */
public final class InvalidTextException extends RuntimeException {

  private final transient List<TextProblem> problems;

  public InvalidTextException(List<TextProblem> problems) {
    super(problems.stream().map(TextProblem::toString).collect(Collectors.joining("\n")));
    this.problems = List.copyOf(problems);
  }

  public List<TextProblem> problems() {
    return problems;
  }
}
