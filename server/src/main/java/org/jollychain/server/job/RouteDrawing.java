package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jollychain.core.plan.DecisionTree;

/**
 * Where a route card's lines stand when it is drawn: a tree from left to right down a sheet of
 * paper, one line a row.
 *
 * @param width (px)
 * @param height (px)
 */
record RouteDrawing(int width, int height, List<Line> lines, List<Branch> branches) {

  private static final int ROW = 20;
  private static final int INDENT = 26;
  private static final int LEFT = 24;
  private static final int TOP = 56;
  private static final int LETTER = 8;
  private static final int LONGEST_LINE = 92;
  private static final int NARROWEST = 640;

  /**
   * A line of text.
   *
   * @param role of what it says, as the drawing's style names it
   */
  record Line(int x, int y, String role, String text) {}

  /** A stem down from what is asked, and along to an answer. */
  record Branch(int x, int from, int to, int end) {}

  static RouteDrawing of(DecisionTree card) {
    Pen pen = new Pen();
    pen.draw(card, LEFT);
    return new RouteDrawing(pen.right, pen.y, pen.lines, pen.branches);
  }

  /** Goes down the page. */
  private static final class Pen {
    private final List<Line> lines = new ArrayList<>();
    private final List<Branch> branches = new ArrayList<>();
    private int y = TOP;
    private int right = NARROWEST;

    private void draw(DecisionTree card, int x) {
      if (!card.steps().isEmpty()) {
        write(x, "steps", String.join(" › ", card.steps()));
      }
      if (card.branches().isEmpty()) {
        write(x, "comes-to", card.title());
        return;
      }
      write(
          x, "asked", String.format(Locale.ROOT, "%s (%.1f min)", card.heading(), card.minutes()));
      int stem = y - ROW / 2;
      for (DecisionTree.Branch b : card.branches()) {
        branches.add(new Branch(x + 6, stem, y - 5, x + INDENT - 6));
        write(
            x + INDENT,
            "answer",
            String.format(Locale.ROOT, "%s  %.0f %%", b.answer(), 100 * b.probability()));
        draw(b.then(), x + 2 * INDENT);
      }
    }

    private void write(int x, String role, String text) {
      for (int from = 0; from < text.length(); ) {
        int end = Math.min(text.length(), from + LONGEST_LINE);
        if (end < text.length()) {
          int space = text.lastIndexOf(' ', end);
          end = space > from ? space : end;
        }
        String part = text.substring(from, end).strip();
        lines.add(new Line(x, y, role, part));
        right = Math.max(right, x + LETTER * part.length() + LEFT);
        y += ROW;
        from = end;
      }
    }
  }
}
