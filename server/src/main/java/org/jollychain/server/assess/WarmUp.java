package org.jollychain.server.assess;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.plan.Policy;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.sheet.SheetSummary;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Gets to know the library's sheets in the background, so that the first job on each opens at once.
 */
@Component
@ConditionalOnProperty(name = "jolly.background", matchIfMissing = true)
class WarmUp {

  private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);

  private final SheetService sheets;
  private final AssessService assess;

  WarmUp(SheetService sheets, AssessService assess) {
    this.sheets = sheets;
    this.assess = assess;
  }

  @EventListener(ApplicationReadyEvent.class)
  void start() {
    if (Runtime.getRuntime().availableProcessors() == 1) {
      // technicians come first
      return;
    }
    Thread thread = new Thread(this::run, "warm-up");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    thread.start();
  }

  private void run() {
    try {
      for (SheetSummary sheet : sheets.latest()) {
        Engine engine = assess.engine(sheets.newest(sheet.key()).text());
        Diagnosis.Opinion opinion = engine.diagnosis().opinion(List.of(), Optional.empty());
        engine.planner().plan(opinion, List.of(), Optional.empty(), Policy.usual(true));
      }
    } catch (RuntimeException e) {
      LOG.info("the warm-up ended early: {}", e.getMessage());
    }
  }
}
