package org.jollychain.server.job;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Sees to it in the background that lists can show what leads. */
@Component
@ConditionalOnProperty(name = "jolly.background", matchIfMissing = true)
class CatchUp {

  private static final Logger LOG = LoggerFactory.getLogger(CatchUp.class);

  private final JobAssessor assessor;

  CatchUp(JobAssessor assessor) {
    this.assessor = assessor;
  }

  @EventListener(ApplicationReadyEvent.class)
  void start() {
    Thread thread = new Thread(this::run, "catch-up");
    thread.setDaemon(true);
    thread.start();
  }

  private void run() {
    try {
      assessor.catchUp();
    } catch (RuntimeException e) {
      LOG.info("not all open jobs were assessed: {}", e.getMessage());
    }
  }
}
