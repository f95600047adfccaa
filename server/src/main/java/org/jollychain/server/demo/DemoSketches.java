package org.jollychain.server.demo;

import java.util.List;
import org.jollychain.core.sheet.Shorthand;
import org.jollychain.core.sheet.Sketches;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.sheet.SheetSummary;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Brings the sketched units into the demo's library. */
@Component
@ConditionalOnProperty(name = "jolly.demo", havingValue = "true")
@Order(2)
class DemoSketches implements ApplicationRunner {

  private final SheetService sheets;

  DemoSketches(SheetService sheets) {
    this.sheets = sheets;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    List<String> there = sheets.latest().stream().map(SheetSummary::key).toList();
    for (String sketch : Sketches.keys()) {
      String text = Sketches.text(sketch);
      String key = Shorthand.read(text).sheet().orElseThrow().key();
      if (!there.contains(key)) {
        sheets.saveShorthand(key, text, false, null);
      }
    }
  }
}
