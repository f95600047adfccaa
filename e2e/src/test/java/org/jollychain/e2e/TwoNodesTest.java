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
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Two nodes on one database behind one address, technicians signed in at either, each down the
 * chain of a dryer that does not heat and then of the next: one node is killed, and nothing that
 * was acknowledged is lost. {@code ./jolly torture} does it with fifty.
 */
@EnabledIfSystemProperty(named = "jolly.technicians", matches = "\\d+")
class TwoNodesTest {

  private static final int TECHNICIANS = Integer.getInteger("jolly.technicians", 4);
  private static final int SECONDS = TECHNICIANS > 10 ? 180 : 8;
  private static final long PAUSE_MILLIS = TECHNICIANS > 10 ? 2000 : 300;

  /** What a shop asks of its readings, and of the others when a node goes. */
  private static final double P99_MILLIS = 250;

  private static final double RECOVERY_MILLIS = 1000;

  /** An open thermostat: the supply, the drops along the chain, then ohms with the plug out. */
  private static final List<String> READINGS =
      List.of(
          live("\"red\": \"L1\", \"black\": \"L2\"", "240.1"),
          live("\"red\": \"L1\", \"black\": \"N\"", "120.2"),
          live("\"across\": \"timer-heat-contact\"", "0.02"),
          live("\"across\": \"thermal-cutoff\"", "0.02"),
          live("\"across\": \"high-limit\"", "0.01"),
          live("\"across\": \"cycling-thermostat\"", "239.8"),
          live("\"across\": \"element\"", "0.02"),
          live("\"across\": \"centrifugal-switch\"", "0.01"),
          ohms("thermal-cutoff", "0.2"),
          ohms("high-limit", "0.3"),
          ohms("cycling-thermostat", "OL"),
          ohms("element", "11.2"));

  private static String live(String where, String value) {
    return "{\"function\": \"volts-ac\", %s, \"situation\": \"heat-call\", \"value\": \"%s\"}"
        .formatted(where, value);
  }

  private static String ohms(String part, String value) {
    return "{\"function\": \"ohms\", \"across\": \"%s\", \"situation\": \"isolated\", \"value\": \"%s\"}"
        .formatted(part, value);
  }

  private final HttpClient http =
      HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(2)).build();
  private volatile long since;
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
      since = System.nanoTime();
      ExecutorService writers = Executors.newFixedThreadPool(TECHNICIANS);
      List<Future<Map<String, Set<String>>>> written = new ArrayList<>();
      for (int i = 0; i < TECHNICIANS; i++) {
        String tag = "NOD-" + i;
        written.add(writers.submit(() -> write(address.base(), tag)));
      }
      TimeUnit.MILLISECONDS.sleep(SECONDS * 700L);
      one.crash();
      int acknowledged = 0;
      for (Future<Map<String, Set<String>>> w : written) {
        for (Map.Entry<String, Set<String>> job : w.get(2, TimeUnit.MINUTES).entrySet()) {
          assertThat(stored(job.getKey())).isEqualTo(job.getValue());
          acknowledged += job.getValue().size();
        }
      }
      writers.shutdown();
      assertThat(address.atEach()).as("connections to each node").allMatch(n -> n > 0);
      double slowest = recoveries.stream().mapToDouble(d -> d).max().orElse(0);
      System.out.printf(
          "| %d technicians on two nodes, one killed | %d readings acknowledged, 0 lost; p50 %.0f, p99 %.0f ms; "
              + "%d had to go to the other node, the slowest within %.0f ms |%n",
          TECHNICIANS,
          acknowledged,
          quantile(millis, 0.5),
          quantile(millis, 0.99),
          recoveries.size(),
          slowest);
      assertThat(quantile(millis, 0.99)).isLessThan(P99_MILLIS);
      assertThat(slowest).isLessThan(RECOVERY_MILLIS);
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

  /**
   * Works one dryer after another until the time is over.
   *
   * @return the readings that were acknowledged, by job
   */
  private Map<String, Set<String>> write(String base, String tag) throws InterruptedException {
    TimeUnit.MILLISECONDS.sleep(ThreadLocalRandom.current().nextLong(PAUSE_MILLIS));
    Map<String, Set<String>> acknowledged = new HashMap<>();
    String job = "";
    for (int i = 0; seconds() < SECONDS; i++) {
      int at = i % READINGS.size();
      if (at == 0) {
        job = base + "api/jobs/" + UUID.randomUUID();
        until200(
            job,
            "{\"tag\": \"%s\", \"sheet\": \"dryer-timer-240\", \"complaint\": \"no-heat\", \"permit\": \"live\"}"
                .formatted(tag));
        acknowledged.put(job, new HashSet<>());
      }
      String id = UUID.randomUUID().toString();
      double began = seconds();
      boolean again = until200(job + "/evidence/" + id, READINGS.get(at));
      double took = 1e3 * (seconds() - began);
      // a node that has just started learns its sheets beside it
      if (again) {
        recoveries.add(took);
      } else if (began > SECONDS / 2.0) {
        millis.add(took);
      }
      acknowledged.get(job).add(id);
      TimeUnit.MILLISECONDS.sleep(Math.max(0, PAUSE_MILLIS - (long) took));
    }
    return acknowledged;
  }

  private double seconds() {
    return (System.nanoTime() - since) / 1e9;
  }

  /**
   * @return whether it had to be sent again
   */
  private boolean until200(String address, String body) throws InterruptedException {
    boolean again = false;
    int status;
    while ((status = put(address, body)) != 200) {
      assertThat(status).isIn(0, 503);
      again = true;
      TimeUnit.MILLISECONDS.sleep(20);
    }
    return again;
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
