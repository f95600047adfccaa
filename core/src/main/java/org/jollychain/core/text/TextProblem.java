package org.jollychain.core.text;

/**
 * One thing wrong in a text.
 *
 * @param line from 1
 * @param column from 1
 * @param where the place in it, e.g. {@code parts.high-limit.between}
 * @param message what is wrong and what would be right
 */
public record TextProblem(int line, int column, String where, String message) {

  @Override
  public String toString() {
    return "line %d, column %d%s: %s"
        .formatted(line, column, where.isEmpty() ? "" : " (" + where + ")", message);
  }
}
