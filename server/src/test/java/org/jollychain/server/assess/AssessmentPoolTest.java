package org.jollychain.server.assess;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jollychain.core.quantity.Work;
import org.jollychain.server.platform.BusyException;
import org.jollychain.server.platform.ClientConnections;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class AssessmentPoolTest {

  private final AtomicBoolean gone = new AtomicBoolean();
  private final ClientConnections clients = mock();
  private final AssessmentPool pool = new AssessmentPool(clients, 1, Duration.ofSeconds(12));
  private final ExecutorService callers = Executors.newCachedThreadPool();
  private final CountDownLatch held = new CountDownLatch(1);

  @BeforeEach
  void everybodyWaits() {
    when(clients.gone()).thenReturn(gone::get);
  }

  @AfterEach
  void end() {
    held.countDown();
    callers.shutdownNow();
    pool.close();
  }

  /** Work that holds the only worker until it is let go. */
  private void hold() throws InterruptedException {
    CountDownLatch begun = new CountDownLatch(1);
    callers.submit(
        () ->
            pool.run(
                "held",
                () -> {
                  begun.countDown();
                  await(held);
                  return "";
                }));
    begun.await();
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void waitFor(int waiting) throws InterruptedException {
    for (int i = 0; i < 5000 && pool.waiting() < waiting; i++) {
      TimeUnit.MILLISECONDS.sleep(1);
    }
    assertThat(pool.waiting()).isEqualTo(waiting);
  }

  @Test
  void one_job_with_much_to_do_holds_up_no_other() throws Exception {
    hold();
    List<String> done = Collections.synchronizedList(new ArrayList<>());
    List<Future<?>> all = new ArrayList<>();
    for (String job : List.of("long", "long", "long", "short")) {
      all.add(callers.submit(() -> pool.run(job, () -> done.add(job))));
      waitFor(all.size());
    }
    held.countDown();
    for (Future<?> each : all) {
      each.get(5, TimeUnit.MINUTES);
    }
    assertThat(done).containsExactly("long", "short", "long", "long");
  }

  @Test
  void what_finds_no_room_is_told_so_at_once() throws Exception {
    hold();
    for (int i = 0; i < AssessmentPool.MOST_WAITING; i++) {
      callers.submit(() -> pool.run("many", () -> ""));
    }
    waitFor(AssessmentPool.MOST_WAITING);
    assertThatThrownBy(() -> pool.run("one more", () -> ""))
        .isInstanceOf(BusyException.class)
        .hasMessageContaining("busy with other assessments");
  }

  @Test
  void what_goes_wrong_in_it_is_told_as_it_is() {
    assertThatThrownBy(
            () ->
                pool.run(
                    "job",
                    () -> {
                      throw new IllegalArgumentException("no sheet");
                    }))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessage("no sheet");
    assertThat(pool.run("job", () -> "next")).isEqualTo("next");
  }

  @Test
  void work_for_a_client_that_is_gone_ends() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch ended = new CountDownLatch(1);
    Future<?> works =
        callers.submit(
            () ->
                pool.run(
                    "works",
                    () -> {
                      begun.countDown();
                      try {
                        while (true) {
                          Work.check();
                        }
                      } finally {
                        ended.countDown();
                      }
                    }));
    begun.await();
    gone.set(true);
    assertThat(ended.await(5, TimeUnit.MINUTES)).isTrue();
    assertThatThrownBy(() -> works.get(5, TimeUnit.MINUTES))
        .hasCauseInstanceOf(BusyException.class);
    pool.awaitIdle();
    gone.set(false);
    assertThat(pool.run("next", () -> "next")).isEqualTo("next");
  }

  @Test
  void nothing_waits_for_a_client_that_is_gone() throws Exception {
    hold();
    when(clients.gone()).thenReturn(() -> true);
    Future<?> waits = callers.submit(() -> pool.run("waits", () -> ""));
    assertThatThrownBy(() -> waits.get(5, TimeUnit.MINUTES))
        .hasCauseInstanceOf(BusyException.class);
    assertThat(pool.waiting()).isZero();
  }
}
