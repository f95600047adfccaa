package org.jollychain.core.sheet;

/**
 * One thing wrong in a sheet's text.
 *
 * @param line from 1
 * @param column from 1
 * @param where the place in the sheet, e.g. {@code parts.high-limit.between}
 * @param message what is wrong and what would be right
 */
public record SheetProblem(int line, int column, String where, String message) {

  @Override
  public String toString() {
    return "line %d, column %d%s: %s"
        .formatted(line, column, where.isEmpty() ? "" : " (" + where + ")", message);
  }
}
