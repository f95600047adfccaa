package org.jollychain.server.assess;

import jakarta.annotation.PreDestroy;
import java.util.ArrayDeque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import org.jollychain.server.platform.BusyException;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Where all assessing is done: as many at a time as there are cores, the others waiting in a line
 * of their own for each job, so that one job with much to do holds up no other. What waits or works
 * too long is given up; nothing here holds a connection to the database.
 */
@Component
public class AssessmentPool {

  static final int MOST_WAITING = 80;
  private static final long LONGEST_WAIT_MILLIS = 8_000;
  private static final long LONGEST_WORK_MILLIS = 12_000;

  private final Map<Object, Queue<Task<?>>> lines = new LinkedHashMap<>();
  private final Thread[] workers;
  private int waiting;
  private boolean closed;

  @Autowired
  AssessmentPool() {
    this(Runtime.getRuntime().availableProcessors());
  }

  AssessmentPool(int atATime) {
    workers = new Thread[atATime];
    for (int i = 0; i < workers.length; i++) {
      workers[i] = new Thread(this::work, "assessment-" + i);
      workers[i].setDaemon(true);
      workers[i].start();
    }
  }

  private static final class Task<T> extends FutureTask<T> {
    private boolean begun;

    Task(Supplier<T> work) {
      super(work::get);
    }

    @Override
    public void run() {
      synchronized (this) {
        begun = true;
        notifyAll();
      }
      super.run();
    }

    /** Whether it has begun, at the latest after so long. */
    synchronized boolean begins(long withinMillis) throws InterruptedException {
      long end = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(withinMillis);
      long left = withinMillis;
      while (!begun && left > 0) {
        wait(left);
        left = TimeUnit.NANOSECONDS.toMillis(end - System.nanoTime());
      }
      return begun;
    }
  }

  /**
   * Does some work and waits for it.
   *
   * @param line whose it is; the lines take turns
   * @throws BusyException when there is no room for it, or it took too long
   */
  public <T> T run(Object line, Supplier<T> work) {
    Task<T> task = new Task<>(work);
    enqueue(line, task);
    try {
      if (!task.begins(LONGEST_WAIT_MILLIS) && withdraw(line, task)) {
        throw busy();
      }
      return task.get(LONGEST_WORK_MILLIS, TimeUnit.MILLISECONDS);
    } catch (TimeoutException e) {
      task.cancel(true);
      throw new BusyException(
          "To assess this took more than %d s and was given up; what was sent is stored."
              .formatted(LONGEST_WORK_MILLIS / 1000));
    } catch (InterruptedException e) {
      task.cancel(true);
      Thread.currentThread().interrupt();
      throw busy();
    } catch (CancellationException e) {
      throw busy();
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException known) {
        throw known;
      }
      throw new IllegalStateException(e.getCause());
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
    }
    return waited;
  }

  synchronized int waiting() {
    return waiting;
  }

  private void work() {
    for (Task<?> task = next(); task != null; task = next()) {
      task.run();
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
