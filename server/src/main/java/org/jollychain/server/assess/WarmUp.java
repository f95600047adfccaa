package org.jollychain.server.assess;

import java.util.List;
import java.util.Optional;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.sheet.SheetSummary;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Gets to know the library's sheets before anyone asks, so that the first job opens at once. */
@Component
@Order(3)
class WarmUp implements ApplicationRunner {

  private final SheetService sheets;
  private final AssessService assess;

  WarmUp(SheetService sheets, AssessService assess) {
    this.sheets = sheets;
    this.assess = assess;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    for (SheetSummary sheet : sheets.latest()) {
      assess.diagnosis(sheets.newest(sheet.key()).text()).assess(List.of(), Optional.empty());
    }
  }
}
