package org.jollychain.server.job;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.server.account.SessionsService;
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
    private final List<Watcher> watchers = new CopyOnWriteArrayList<>();
    private volatile String told = "";
  }

  /**
   * A page that looks at a job.
   *
   * @param session by which it may; empty where a program listens by its token
   */
  private record Watcher(SseEmitter emitter, String session) {

    /**
     * @return whether it is still there
     */
    boolean tell(SseEmitter.SseEventBuilder event) {
      try {
        emitter.send(event);
        return true;
      } catch (IOException | IllegalStateException e) {
        return false;
      }
    }
  }

  private final JobMapper jobs;
  private final SessionsService sessions;
  private final Map<UUID, Watched> watched = new ConcurrentHashMap<>();
  private final ScheduledExecutorService clock;
  private int beats;

  JobWatch(
      JobMapper jobs,
      SessionsService sessions,
      @Value("${jolly.background:true}") boolean background) {
    this.jobs = jobs;
    this.sessions = sessions;
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

  /**
   * A stream that tells the mark of a job at once, and again whenever it is another. It ends with
   * the session.
   *
   * @param session by which whoever listens is signed in; empty where there is none
   */
  SseEmitter watch(UUID id, String session) {
    JobService.found(jobs, id);
    SseEmitter emitter = new SseEmitter(LONGEST_MILLIS);
    if (watched.values().stream().mapToInt(w -> w.watchers.size()).sum() >= MOST_WATCHERS) {
      emitter.complete();
      return emitter;
    }
    Watcher watcher = new Watcher(emitter, session);
    watched.compute(
        id,
        (k, known) -> {
          Watched job = known == null ? new Watched() : known;
          job.watchers.add(watcher);
          Runnable gone = () -> job.watchers.remove(watcher);
          emitter.onCompletion(gone);
          emitter.onTimeout(emitter::complete);
          emitter.onError(e -> gone.run());
          return job;
        });
    // after it began to listen: what changes from here on is told, what changed before is in this
    jobs.marks(new UUID[] {id}).forEach(mark -> watcher.tell(changed(mark)));
    return emitter;
  }

  private static SseEmitter.SseEventBuilder changed(JobMapper.Mark mark) {
    return SseEmitter.event().name("changed").data(mark.mark());
  }

  /** Looks once, and tells. */
  void look() {
    for (UUID id : watched.keySet()) {
      watched.computeIfPresent(id, (k, job) -> job.watchers.isEmpty() ? null : job);
    }
    boolean sign = ++beats % BEATS_TO_A_SIGN == 0;
    if (watched.isEmpty()) {
      return;
    }
    try {
      endWithTheirSessions();
      for (JobMapper.Mark mark : jobs.marks(watched.keySet().toArray(UUID[]::new))) {
        Watched job = watched.get(mark.id());
        if (job != null && !job.told.equals(mark.mark())) {
          job.told = mark.mark();
          send(job, changed(mark));
        } else if (job != null && sign) {
          send(job, SseEmitter.event().comment("still here"));
        }
      }
    } catch (DataAccessException e) {
      LOG.debug("nobody can be told of changes: {}", e.getMessage());
    }
  }

  private void endWithTheirSessions() {
    Set<String> listening =
        watchers().map(Watcher::session).filter(s -> !s.isEmpty()).collect(Collectors.toSet());
    listening.removeAll(sessions.open(listening));
    watchers().filter(w -> listening.contains(w.session())).forEach(w -> w.emitter().complete());
  }

  private Stream<Watcher> watchers() {
    return watched.values().stream().flatMap(w -> w.watchers.stream());
  }

  private static void send(Watched job, SseEmitter.SseEventBuilder event) {
    job.watchers.removeIf(watcher -> !watcher.tell(event));
  }

  /** Before the server waits for what is still being answered. */
  @EventListener(ContextClosedEvent.class)
  void end() {
    clock.shutdownNow();
    watchers().forEach(w -> w.emitter().complete());
  }
}
