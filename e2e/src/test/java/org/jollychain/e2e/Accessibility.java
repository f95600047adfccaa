package org.jollychain.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Page;
import java.util.List;

/** What axe-core finds on a page. */
final class Accessibility {

  private Accessibility() {}

  static List<String> seriousFindings(Page page) {
    return new AxeBuilder(page)
        .analyze().getViolations().stream()
            .filter(r -> List.of("serious", "critical").contains(r.getImpact()))
            .map(Accessibility::finding)
            .toList();
  }

  private static String finding(Rule rule) {
    return rule.getId() + " " + rule.getNodes().stream().map(n -> n.getHtml()).toList();
  }
}
