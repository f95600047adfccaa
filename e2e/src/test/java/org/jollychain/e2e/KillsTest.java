package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Kills of application and database at random while technicians write: what was acknowledged is
 * stored once, and nothing else. {@code ./jolly torture} does it longer.
 */
class KillsTest {

  private static final int KILLS = Integer.getInteger("jolly.kills", 8);
  private static final long SEED = Long.getLong("jolly.seed", 20261126L);
  private static final Duration PATIENCE = Duration.ofMinutes(10);
  private static final int WRITERS = 3;

  /** One kill in so many is the application's, which takes seconds to start again. */
  private static final int APPLICATION_EACH = 10;

  private static final String READING =
      "{\"function\": \"volts-ac\", \"across\": \"high-limit\", \"situation\": \"heat-call\", \"value\": \"%s\"}";

  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
  private final AtomicBoolean over = new AtomicBoolean();

  @Test
  void what_was_acknowledged_survives_every_kill_once() throws Exception {
    System.out.println("kills: seed " + SEED);
    Random random = new Random(SEED);
    try (Launcher jolly = new Launcher()) {
      kill(jolly, random);
    }
  }

  private void kill(Launcher jolly, Random random) throws Exception {
    try {
      String address = jolly.address("start");
      ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
      Map<UUID, Future<Map<UUID, String>>> written = new HashMap<>();
      for (int i = 0; i < WRITERS; i++) {
        UUID job = UUID.randomUUID();
        long seed = random.nextLong();
        assertThat(
                put(
                    address + "api/jobs/" + job,
                    "{\"tag\": \"KIL-%d\", \"sheet\": \"dryer-timer-240\", \"permit\": \"live\"}"
                        .formatted(i)))
            .isEqualTo(200);
        written.put(job, writers.submit(() -> write(address + "api/jobs/" + job, seed)));
      }
      for (int kill = 0; kill < KILLS; kill++) {
        TimeUnit.MILLISECONDS.sleep(random.nextInt(300, 1200));
        if (kill % APPLICATION_EACH == APPLICATION_EACH / 2) {
          Launcher.kill(jolly.application());
          // its keeper starts it again
          await(address);
        } else {
          Launcher.kill(jolly.database());
          jolly.says("start");
        }
      }
      over.set(true);
      int acknowledged = 0;
      for (Map.Entry<UUID, Future<Map<UUID, String>>> e : written.entrySet()) {
        Map<UUID, String> kept = e.getValue().get(2, TimeUnit.MINUTES);
        acknowledged += kept.size();
        assertThat(stored(address + "api/jobs/" + e.getKey())).isEqualTo(kept);
      }
      writers.shutdown();
      System.out.printf(
          "| %d kills with %d writers | %d readings acknowledged, 0 lost, 0 doubled |%n",
          KILLS, WRITERS, acknowledged);
      assertThat(acknowledged).isGreaterThan(KILLS);
    } catch (Exception e) {
      System.out.println(
          Launcher.run(
              "grep", "-a", "-A", "40", "Problems .*unexpected", jolly.file("log/server.log")));
      throw e;
    }
  }

  /** Sends readings one after another, each under its id until it is acknowledged. */
  private Map<UUID, String> write(String job, long seed) throws InterruptedException {
    Random random = new Random(seed);
    Map<UUID, String> acknowledged = new HashMap<>();
    while (!over.get()) {
      UUID id = new UUID(random.nextLong(), random.nextLong());
      String value = "%.1f".formatted(random.nextInt(2400) / 10.0);
      int status = 0;
      while (status != 200) {
        status = put(job + "/evidence/" + id, READING.formatted(value));
        assertThat(status).isIn(0, 200, 503);
        if (status != 200) {
          TimeUnit.MILLISECONDS.sleep(50);
        }
      }
      acknowledged.put(id, value);
    }
    return acknowledged;
  }

  /**
   * @return the status, 0 where there is no answer
   */
  private int put(String address, String body) throws InterruptedException {
    HttpRequest put =
        HttpRequest.newBuilder(URI.create(address))
            .timeout(Duration.ofMinutes(2))
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body))
            .build();
    try {
      return http.send(put, HttpResponse.BodyHandlers.discarding()).statusCode();
    } catch (IOException e) {
      return 0;
    }
  }

  private void await(String address) throws InterruptedException {
    HttpRequest ready = HttpRequest.newBuilder(URI.create(address + "api/ready")).build();
    Instant end = Instant.now().plus(PATIENCE);
    while (Instant.now().isBefore(end)) {
      try {
        if (http.send(ready, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
          return;
        }
      } catch (IOException e) {
        // not yet
      }
      TimeUnit.MILLISECONDS.sleep(100);
    }
    throw new AssertionError("the application was not started again");
  }

  private Map<UUID, String> stored(String job) throws IOException, InterruptedException {
    HttpResponse<String> answer =
        http.send(
            HttpRequest.newBuilder(URI.create(job)).build(), HttpResponse.BodyHandlers.ofString());
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    Map<UUID, String> stored = new HashMap<>();
    List<Integer> numbers = new ArrayList<>();
    for (JsonNode e : JsonMapper.shared().readTree(answer.body()).get("evidence")) {
      stored.put(UUID.fromString(e.get("id").asString()), e.get("item").get("value").asString());
      numbers.add(e.get("number").asInt());
    }
    assertThat(numbers).as("numbered without a gap").hasSize(stored.size());
    for (int i = 0; i < numbers.size(); i++) {
      assertThat(numbers.get(i)).isEqualTo(i + 1);
    }
    return stored;
  }
}
