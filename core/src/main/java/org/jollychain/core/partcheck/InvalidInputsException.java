package org.jollychain.core.partcheck;

import java.util.List;
import java.util.stream.Collectors;

/** Thrown when what was typed cannot be checked; says it for every field. */
public final class InvalidInputsException extends RuntimeException {

  /** What is wrong with a field, and what would be right. */
  public record Problem(String field, String message) {}

  private final transient List<Problem> problems;

  public InvalidInputsException(List<Problem> problems) {
    super(
        problems.stream()
            .map(p -> p.field() + ": " + p.message())
            .collect(Collectors.joining("; ")));
    this.problems = List.copyOf(problems);
  }

  public InvalidInputsException(String field, String message) {
    this(List.of(new Problem(field, message)));
  }

  public List<Problem> problems() {
    return problems;
  }
}
