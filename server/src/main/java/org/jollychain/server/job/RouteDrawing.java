package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jollychain.core.plan.DecisionTree;
import org.jollychain.server.report.PdfRenderer;

/** A route card drawn: a tree from left to right down a sheet of paper, one line a row. */
final class RouteDrawing {

  private static final int ROW = 20;
  private static final int INDENT = 26;
  private static final int LEFT = 24;
  private static final int LETTER = 8;
  private static final int LONGEST_LINE = 92;

  private final List<String> shapes = new ArrayList<>();
  private int y = 56;
  private int right = 640;

  private RouteDrawing() {}

  static String svg(String heading, DecisionTree card) {
    RouteDrawing drawing = new RouteDrawing();
    drawing.draw(card, LEFT);
    String font = "font-family=\"IBM Plex Sans, sans-serif\" font-size=\"14\" fill=\"#17211f\"";
    return """
        <svg xmlns="http://www.w3.org/2000/svg" width="%d" height="%d" viewBox="0 0 %d %d" %s>
        <rect width="100%%" height="100%%" fill="#fffef9"/>
        <text x="%d" y="30" font-size="18" font-weight="600">%s</text>
        %s
        </svg>
        """
        .formatted(
            drawing.right,
            drawing.y,
            drawing.right,
            drawing.y,
            font,
            LEFT,
            PdfRenderer.text(heading),
            String.join("\n", drawing.shapes));
  }

  private void draw(DecisionTree card, int x) {
    if (!card.steps().isEmpty()) {
      line(x, "fill=\"#55615d\" font-size=\"12\"", String.join(" › ", card.steps()));
    }
    boolean leaf = card.branches().isEmpty();
    String said =
        leaf
            ? card.title()
            : String.format(Locale.ROOT, "%s (%.1f min)", card.heading(), card.minutes());
    line(x, leaf ? "fill=\"#00695a\" font-weight=\"600\"" : "font-weight=\"600\"", said);
    int stem = y - ROW / 2;
    for (DecisionTree.Branch b : card.branches()) {
      int at = y - 5;
      shapes.add(
          "<path d=\"M%d %d V%d H%d\" fill=\"none\" stroke=\"#8a5e10\" stroke-width=\"1.5\"/>"
              .formatted(x + 6, stem, at, x + INDENT - 6));
      line(
          x + INDENT,
          "font-family=\"IBM Plex Mono, monospace\"",
          String.format(Locale.ROOT, "%s  %.0f %%", b.answer(), 100 * b.probability()));
      draw(b.then(), x + 2 * INDENT);
    }
  }

  private void line(int x, String style, String text) {
    for (int from = 0; from < text.length(); ) {
      int end = Math.min(text.length(), from + LONGEST_LINE);
      if (end < text.length()) {
        int space = text.lastIndexOf(' ', end);
        end = space > from ? space : end;
      }
      String part = text.substring(from, end).strip();
      shapes.add(
          "<text x=\"%d\" y=\"%d\" %s>%s</text>".formatted(x, y, style, PdfRenderer.text(part)));
      right = Math.max(right, x + LETTER * part.length() + LEFT);
      y += ROW;
      from = end;
    }
  }
}
