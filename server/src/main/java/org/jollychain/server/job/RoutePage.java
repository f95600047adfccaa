package org.jollychain.server.job;

import static org.jollychain.server.report.PdfRenderer.text;

import java.util.Locale;
import org.jollychain.core.plan.DecisionTree;

/** A route card for paper. */
final class RoutePage {

  private static final String CAUTION =
      "Isolate, lock off and prove dead before hands go in; prove the meter before and after."
          + " Never ohms on a live circuit. Live steps only by whoever is permitted them.";

  private RoutePage() {}

  /** The card as XHTML under what it is of. */
  static String xhtml(JobView view, DecisionTree card) {
    StringBuilder page = new StringBuilder();
    page.append("<h1>%s, route card</h1>".formatted(text(view.job().unitTag())));
    String complaint = view.complaintTitle().isEmpty() ? "" : ". " + view.complaintTitle();
    page.append("<p>%s.</p>".formatted(text(view.sheetTitle() + complaint)));
    page.append("<p class='caution'>%s</p>".formatted(CAUTION));
    write(page, card);
    return page.toString();
  }

  private static void write(StringBuilder page, DecisionTree card) {
    if (!card.steps().isEmpty()) {
      page.append("<p class='soft'>%s</p>".formatted(text(String.join(" › ", card.steps()))));
    }
    if (card.branches().isEmpty()) {
      page.append("<p class='comes-to'>%s</p>".formatted(text(card.title())));
      return;
    }
    page.append(
        String.format(
            Locale.ROOT,
            "<p class='asked'>%s <span class='soft'>%.1f min</span></p>",
            text(card.heading()),
            card.minutes()));
    for (DecisionTree.Branch b : card.branches()) {
      page.append(
          String.format(
              Locale.ROOT,
              "<p class='answer'>%s <span class='soft'>%.0f %%</span></p><div class='then'>",
              text(b.answer()),
              100 * b.probability()));
      write(page, b.then());
      page.append("</div>");
    }
  }
}
