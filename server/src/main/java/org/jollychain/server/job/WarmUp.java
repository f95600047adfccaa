package org.jollychain.server.job;

import java.lang.management.ManagementFactory;
import java.lang.management.RuntimeMXBean;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Queue;
import org.jollychain.server.assess.AssessService;
import org.jollychain.server.sheet.SheetService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * Views an open job on each sheet and gets to know the other sheets, so that the first to ask has
 * not to wait. A start waits for that some seconds, as nobody can work yet; what is left is done in
 * the background, standing back whenever anybody waits for an assessment.
 */
@Component
@Order
@ConditionalOnProperty(name = "jolly.background", matchIfMissing = true)
class WarmUp implements ApplicationRunner {

  private static final Logger LOG = LoggerFactory.getLogger(WarmUp.class);

  /** So long after its process began a start waits no more: it is to be ready within 15 s. */
  private static final Duration READY_AFTER = Duration.ofSeconds(12);

  private static final int MOST_SHEETS = 30;

  private final JobMapper jobs;
  private final JobAssessor assessor;
  private final SheetService sheets;
  private final AssessService assess;
  private final JsonMapper json;
  private final boolean wanted;

  WarmUp(
      JobMapper jobs,
      JobAssessor assessor,
      SheetService sheets,
      AssessService assess,
      JsonMapper json,
      @Value("${jolly.warmup:true}") boolean wanted) {
    this.json = json;
    this.wanted = wanted;
    this.jobs = jobs;
    this.assessor = assessor;
    this.sheets = sheets;
    this.assess = assess;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    RuntimeMXBean process = ManagementFactory.getRuntimeMXBean();
    Queue<Runnable> tasks = wanted ? tasks() : new ArrayDeque<>();
    while (!tasks.isEmpty() && process.getUptime() < READY_AFTER.toMillis()) {
      attempt(tasks.remove());
    }
    Thread thread = new Thread(() -> doRest(tasks), "warm-up");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    thread.start();
  }

  private Queue<Runnable> tasks() {
    Queue<Runnable> tasks = new ArrayDeque<>();
    // written too: what makes JSON of a view is as cold as the rest
    jobs.openOnEachSheet(MOST_SHEETS)
        .forEach(id -> tasks.add(() -> json.writeValueAsString(assessor.view(id))));
    sheets
        .latest()
        .forEach(sheet -> tasks.add(() -> assess.learn(sheets.newest(sheet.key()).text())));
    return tasks;
  }

  private void doRest(Queue<Runnable> tasks) {
    try {
      // on a single core technicians come first
      while (!tasks.isEmpty() && Runtime.getRuntime().availableProcessors() > 1) {
        assess.awaitIdle();
        attempt(tasks.remove());
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    attempt(assessor::catchUp);
  }

  private static void attempt(Runnable task) {
    try {
      task.run();
    } catch (RuntimeException e) {
      LOG.info("not all was got ready ahead: {}", e.getMessage());
    }
  }
}
