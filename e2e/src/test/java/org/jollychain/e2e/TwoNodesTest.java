package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.api.parallel.ResourceLock;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Two nodes on one database behind one address, technicians signed in at either: one node is
 * killed, and nothing that was acknowledged is lost. {@code ./jolly torture} does it with fifty.
 */
@EnabledIfSystemProperty(named = "jolly.technicians", matches = "\\d+")
@ResourceLock(BrowserTest.STATION)
class TwoNodesTest {

  private static final int TECHNICIANS = Integer.getInteger("jolly.technicians", 4);
  private static final int SECONDS = TECHNICIANS > 10 ? 60 : 8;
  private static final long PAUSE_MILLIS = TECHNICIANS > 10 ? 2000 : 300;
  private static final int JOBS = 8;

  private static final String READING =
      "{\"function\": \"volts-ac\", \"across\": \"high-limit\", \"situation\": \"heat-call\", \"value\": \"0.%d\"}";

  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
  private final AtomicLong until = new AtomicLong();
  private final List<Double> millis = Collections.synchronizedList(new ArrayList<>());
  private final List<Double> recoveries = Collections.synchronizedList(new ArrayList<>());
  private String cookies = "";
  private String csrf = "";

  @Test
  void nothing_is_lost_when_one_of_two_nodes_is_killed_and_the_others_go_on() throws Exception {
    try (Application one = new Application();
        Application two = new Application();
        OneAddress address = new OneAddress(one.port(), two.port())) {
      signIn(address.base());
      // another test may have withdrawn it
      assertThat(put(address.base() + "api/sheets/dryer-timer-240/restore", "{}")).isEqualTo(200);
      List<String> jobs = new ArrayList<>();
      for (int i = 0; i < JOBS; i++) {
        String job = address.base() + "api/jobs/" + UUID.randomUUID();
        String body =
            "{\"tag\": \"NOD-%d\", \"sheet\": \"dryer-timer-240\", \"permit\": \"live\"}"
                .formatted(i);
        assertThat(put(job, body)).isEqualTo(200);
        jobs.add(job);
      }
      until.set(System.nanoTime() + TimeUnit.SECONDS.toNanos(SECONDS));
      ExecutorService writers = Executors.newFixedThreadPool(TECHNICIANS);
      List<Future<Set<String>>> written = new ArrayList<>();
      for (int i = 0; i < TECHNICIANS; i++) {
        String job = jobs.get(i % JOBS);
        written.add(writers.submit(() -> write(job)));
      }
      TimeUnit.MILLISECONDS.sleep(SECONDS * 500L);
      one.crash();
      Set<String> acknowledged = new HashSet<>();
      for (Future<Set<String>> w : written) {
        acknowledged.addAll(w.get(2, TimeUnit.MINUTES));
      }
      writers.shutdown();
      Set<String> stored = new HashSet<>();
      for (String job : jobs) {
        stored.addAll(stored(job));
      }
      assertThat(stored).isEqualTo(acknowledged);
      assertThat(address.atEach()).as("connections to each node").allMatch(n -> n > 0);
      System.out.printf(
          "| %d technicians on two nodes, one killed | %d readings acknowledged, 0 lost; p50 %.0f, p99 %.0f ms; "
              + "%d had to go to the other node, the slowest within %.0f ms |%n",
          TECHNICIANS,
          acknowledged.size(),
          quantile(millis, 0.5),
          quantile(millis, 0.99),
          recoveries.size(),
          recoveries.stream().mapToDouble(d -> d).max().orElse(0));
    }
  }

  private static double quantile(List<Double> all, double share) {
    List<Double> sorted = all.stream().sorted().collect(Collectors.toList());
    return sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()));
  }

  /** As a page does, so that the other node has to know the session too. */
  private void signIn(String base) throws Exception {
    HttpResponse<String> in =
        http.send(
            HttpRequest.newBuilder(URI.create(base + "api/session/demo"))
                .header("Content-Type", "application/json")
                .header("Sec-Fetch-Site", "same-origin")
                .POST(HttpRequest.BodyPublishers.ofString("{\"login\": \"imke\"}"))
                .build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(in.statusCode()).isEqualTo(200);
    for (String set : in.headers().allValues("Set-Cookie")) {
      String cookie = set.substring(0, set.indexOf(';'));
      if (cookie.startsWith("XSRF-TOKEN=")) {
        csrf = cookie.substring(cookie.indexOf('=') + 1);
      } else {
        cookies = cookie;
      }
    }
    cookies += "; XSRF-TOKEN=" + csrf;
  }

  private Set<String> write(String job) throws InterruptedException {
    Set<String> acknowledged = new HashSet<>();
    while (System.nanoTime() < until.get()) {
      String id = UUID.randomUUID().toString();
      long since = System.nanoTime();
      boolean again = false;
      int status;
      while ((status = put(job + "/evidence/" + id, READING.formatted(acknowledged.size() % 9)))
          != 200) {
        assertThat(status).isIn(0, 503);
        again = true;
        TimeUnit.MILLISECONDS.sleep(20);
      }
      double took = (System.nanoTime() - since) / 1e6;
      (again ? recoveries : millis).add(took);
      acknowledged.add(id);
      TimeUnit.MILLISECONDS.sleep(PAUSE_MILLIS);
    }
    return acknowledged;
  }

  private HttpRequest.Builder request(String address) {
    return HttpRequest.newBuilder(URI.create(address))
        .timeout(Duration.ofSeconds(20))
        .header("Sec-Fetch-Site", "same-origin")
        .header("Cookie", cookies)
        .header("X-XSRF-TOKEN", csrf);
  }

  /**
   * @return the status, 0 where there is no answer
   */
  private int put(String address, String body) throws InterruptedException {
    HttpRequest put =
        request(address)
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body))
            .build();
    try {
      return http.send(put, HttpResponse.BodyHandlers.discarding()).statusCode();
    } catch (IOException e) {
      return 0;
    }
  }

  private Set<String> stored(String job) throws Exception {
    JsonNode view =
        new JsonMapper()
            .readTree(http.send(request(job).build(), HttpResponse.BodyHandlers.ofString()).body());
    Set<String> ids = new HashSet<>();
    view.get("evidence").forEach(e -> ids.add(e.get("id").asString()));
    return ids;
  }
}
