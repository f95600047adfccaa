package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * One signs a job off as not reproduced while another logs the readings that show its limit open.
 * Whatever comes first, no job is closed so over a failed test. {@code ./jolly torture} does it
 * longer.
 */
class RacesTest {

  private static final int RACES = Integer.getInteger("jolly.races", 6);
  private static final long SEED = Long.getLong("jolly.seed", 20261126L);

  private final HttpClient http = HttpClient.newHttpClient();

  @Test
  void no_job_is_signed_off_on_what_was_not_looked_at() throws Exception {
    System.out.println("races: seed " + SEED);
    Random random = new Random(SEED);
    int refused = 0;
    int closedFirst = 0;
    try (Application application = new Application()) {
      for (int i = 0; i < RACES; i++) {
        String job = application.address() + "api/jobs/" + UUID.randomUUID();
        put(
            job,
            "{\"tag\": \"RAC-%d\", \"sheet\": \"dryer-timer-240\", \"complaint\": \"no-heat\", \"permit\": \"isolated\"}"
                .formatted(i));
        read(job);
        JsonNode opened = get(job);
        assertThat(opened.has("job")).as(opened.toString()).isTrue();
        JsonNode seen = opened.get("job");
        int head = random.nextInt(40);
        CompletableFuture<Integer> reading =
            CompletableFuture.supplyAsync(
                () -> {
                  pause(random.nextInt(20));
                  return read(job);
                });
        pause(head);
        int closing =
            put(
                job + "/close",
                "{\"as\": \"not-reproduced\", \"outcome\": \"Nothing failed.\", \"version\": %d, \"changes\": %d}"
                    .formatted(seen.get("version").asInt(), seen.get("changes").asInt()));
        int read = reading.get();
        JsonNode now = get(job);
        boolean closed = now.get("job").has("closedAt");
        boolean failed = now.at("/assessment/leading/confirmed").asBoolean();
        assertThat(closed && failed)
            .as("race %d: closing %d, reading %d", i, closing, read)
            .isFalse();
        assertThat(closed).isEqualTo(closing == 200).isNotEqualTo(read == 200);
        if (closed) {
          closedFirst++;
        } else {
          assertThat(closing).isIn(409, 422);
          refused++;
        }
      }
    }
    System.out.printf(
        Locale.ROOT,
        "| %d sign-offs against a reading | %d refused, %d signed off before it, none over a failed test |%n",
        RACES,
        refused,
        closedFirst);
  }

  /** The limit by itself, as it is confirmed: its second reading. */
  private int read(String job) {
    return put(
        job + "/evidence/" + UUID.randomUUID(),
        "{\"function\": \"ohms\", \"across\": \"high-limit\", \"situation\": \"isolated\", \"liftedAt\": [\"O1\"], \"value\": \"OL\"}");
  }

  private static void pause(int millis) {
    try {
      TimeUnit.MILLISECONDS.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private JsonNode get(String address) throws Exception {
    return JsonMapper.shared()
        .readTree(
            http.send(
                    HttpRequest.newBuilder(URI.create(address)).build(),
                    HttpResponse.BodyHandlers.ofString())
                .body());
  }

  private int put(String address, String body) {
    return http.sendAsync(
            HttpRequest.newBuilder(URI.create(address))
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(body))
                .build(),
            HttpResponse.BodyHandlers.discarding())
        .join()
        .statusCode();
  }
}
