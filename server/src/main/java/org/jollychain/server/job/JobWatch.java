package org.jollychain.server.job;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Tells those who look at a job when it changed, whoever changed it and by whichever node: the
 * marks of all jobs that are looked at are asked for in one small query, twice a second.
 */
@Component
class JobWatch {

  private static final Logger LOG = LoggerFactory.getLogger(JobWatch.class);
  private static final long EVERY_MILLIS = 500;

  /** A connection that says nothing may have been forgotten by what lies between. */
  private static final int BEATS_TO_A_SIGN = 40;

  /** The page connects again by itself. */
  private static final long LONGEST_MILLIS = 600_000;

  private static final int MOST_WATCHERS = 500;

  /** What a job had become when its watchers were last told. */
  private static final class Watched {
    private final List<SseEmitter> watchers = new CopyOnWriteArrayList<>();
    private volatile String told = "";
  }

  private final JobMapper jobs;
  private final Map<UUID, Watched> watched = new ConcurrentHashMap<>();
  private final ScheduledExecutorService clock;
  private int beats;

  JobWatch(JobMapper jobs, @Value("${jolly.background:true}") boolean background) {
    this.jobs = jobs;
    this.clock =
        Executors.newSingleThreadScheduledExecutor(
            work -> {
              Thread thread = new Thread(work, "job-watch");
              thread.setDaemon(true);
              return thread;
            });
    if (background) {
      clock.scheduleWithFixedDelay(this::look, EVERY_MILLIS, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }
  }

  /** A stream that has an event whenever the job is another than it was. */
  SseEmitter watch(UUID id) {
    JobService.found(jobs, id);
    SseEmitter emitter = new SseEmitter(LONGEST_MILLIS);
    if (watched.values().stream().mapToInt(w -> w.watchers.size()).sum() >= MOST_WATCHERS) {
      emitter.complete();
      return emitter;
    }
    Watched job = watched.computeIfAbsent(id, k -> new Watched());
    job.watchers.add(emitter);
    Runnable gone = () -> job.watchers.remove(emitter);
    emitter.onCompletion(gone);
    emitter.onTimeout(emitter::complete);
    emitter.onError(e -> gone.run());
    return emitter;
  }

  /** Looks once, and tells. */
  void look() {
    watched.values().removeIf(w -> w.watchers.isEmpty());
    boolean sign = ++beats % BEATS_TO_A_SIGN == 0;
    if (watched.isEmpty()) {
      return;
    }
    try {
      for (JobMapper.Mark mark : jobs.marks(watched.keySet().toArray(UUID[]::new))) {
        Watched job = watched.get(mark.id());
        if (job != null && !job.told.equals(mark.mark())) {
          job.told = mark.mark();
          send(job, SseEmitter.event().name("changed").data(mark.mark()));
        } else if (job != null && sign) {
          send(job, SseEmitter.event().comment("still here"));
        }
      }
    } catch (DataAccessException e) {
      LOG.debug("nobody can be told of changes: {}", e.getMessage());
    }
  }

  private static void send(Watched job, SseEmitter.SseEventBuilder event) {
    for (SseEmitter watcher : job.watchers) {
      try {
        watcher.send(event);
      } catch (IOException | IllegalStateException e) {
        job.watchers.remove(watcher);
      }
    }
  }

  /** Before the server waits for what is still being answered. */
  @EventListener(ContextClosedEvent.class)
  void end() {
    clock.shutdownNow();
    watched.values().forEach(w -> w.watchers.forEach(SseEmitter::complete));
  }
}
