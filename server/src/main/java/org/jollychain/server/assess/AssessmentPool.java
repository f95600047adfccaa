package org.jollychain.server.assess;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import org.jollychain.server.platform.BusyException;
import org.jollychain.server.platform.ClientConnections;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Where all assessing is done: as many at a time as there are cores, the others waiting in a line
 * of their own for each job, so that one job with much to do holds up no other. What waits or works
 * too long is given up; nothing here holds a connection to the database.
 */
@Component
public class AssessmentPool {

  static final int MOST_WAITING = 80;
  private static final long LOOK_EACH_MILLIS = 250;

  private final Map<Object, Queue<Task<?>>> lines = new LinkedHashMap<>();
  private final ClientConnections clients;
  private final Thread[] workers;

  /** How long a piece of work may take, and how long it may wait for its turn. */
  private final Duration longestWork;

  private final Duration longestWait;
  private int waiting;
  private int working;
  private boolean closed;

  /**
   * @param patience how long whoever asked waits for a piece of work once it has begun
   */
  @Autowired
  AssessmentPool(ClientConnections clients, @Value("${jolly.patience}") Duration patience) {
    this(clients, Runtime.getRuntime().availableProcessors(), patience);
  }

  AssessmentPool(ClientConnections clients, int atATime, Duration patience) {
    this.clients = clients;
    this.longestWork = patience;
    this.longestWait = patience.multipliedBy(2).dividedBy(3);
    workers = new Thread[atATime];
    for (int i = 0; i < workers.length; i++) {
      workers[i] = new Thread(this::work, "assessment-" + i);
      workers[i].setDaemon(true);
      workers[i].start();
    }
  }

  private static final class Task<T> extends FutureTask<T> {
    private volatile long begunAt;

    Task(Supplier<T> work) {
      super(work::get);
    }

    @Override
    public void run() {
      begunAt = System.nanoTime();
      super.run();
    }

    boolean hasBegun() {
      return begunAt != 0;
    }

    boolean worksLongerThan(long millis) {
      return hasBegun() && System.nanoTime() - begunAt > TimeUnit.MILLISECONDS.toNanos(millis);
    }
  }

  /**
   * Does some work and waits for it, as long as whoever sent the request waits for its answer.
   *
   * @param line whose it is; the lines take turns
   * @throws BusyException when there is no room for it, or it took too long
   */
  public <T> T run(Object line, Supplier<T> work) {
    BooleanSupplier gone = clients.gone();
    Task<T> task = new Task<>(work);
    enqueue(line, task);
    long end = System.nanoTime() + longestWait.toNanos();
    try {
      while (true) {
        try {
          return task.get(LOOK_EACH_MILLIS, TimeUnit.MILLISECONDS);
        } catch (TimeoutException e) {
          boolean abandoned = gone.getAsBoolean();
          boolean late = !task.hasBegun() && System.nanoTime() > end;
          if ((abandoned || late) && withdraw(line, task) || abandoned) {
            throw busy();
          }
          if (task.worksLongerThan(longestWork.toMillis())) {
            throw new BusyException(
                "To assess this took more than %d s and was given up; what was sent is stored."
                    .formatted(longestWork.toSeconds()));
          }
        }
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw busy();
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException known) {
        throw known;
      }
      throw new IllegalStateException(e.getCause());
    } finally {
      task.cancel(true);
    }
  }

  private static BusyException busy() {
    return new BusyException(
        "Jolly Chain is busy with other assessments; what was sent is stored. Try again in some seconds.");
  }

  private synchronized void enqueue(Object line, Task<?> task) {
    if (closed || waiting >= MOST_WAITING) {
      throw busy();
    }
    lines.computeIfAbsent(line, l -> new ArrayDeque<>()).add(task);
    waiting++;
    notifyAll();
  }

  /** True if it was still waiting. */
  private synchronized boolean withdraw(Object line, Task<?> task) {
    Queue<Task<?>> queue = lines.get(line);
    boolean waited = queue != null && queue.remove(task);
    if (waited) {
      waiting--;
      if (queue.isEmpty()) {
        lines.remove(line);
      }
      notifyAll();
    }
    return waited;
  }

  synchronized int waiting() {
    return waiting;
  }

  /** Waits until nothing waits or is worked on. */
  synchronized void awaitIdle() throws InterruptedException {
    while (waiting + working > 0) {
      wait();
    }
  }

  private synchronized void ended() {
    working--;
    notifyAll();
  }

  private void work() {
    for (Task<?> task = next(); task != null; task = next()) {
      task.run();
      ended();
      // whoever gave it up may have said so just after it ended
      Thread.interrupted();
    }
  }

  /** The first of the line whose turn it is, which then goes behind the others. */
  private synchronized Task<?> next() {
    while (lines.isEmpty() && !closed) {
      try {
        wait();
      } catch (InterruptedException e) {
        // a task that ended as it was given up
      }
    }
    if (closed) {
      return null;
    }
    Map.Entry<Object, Queue<Task<?>>> first = lines.entrySet().iterator().next();
    lines.remove(first.getKey());
    Task<?> task = first.getValue().remove();
    if (!first.getValue().isEmpty()) {
      lines.put(first.getKey(), first.getValue());
    }
    waiting--;
    working++;
    return task;
  }

  @PreDestroy
  synchronized void close() {
    closed = true;
    notifyAll();
    for (Thread worker : workers) {
      worker.interrupt();
    }
  }
}
