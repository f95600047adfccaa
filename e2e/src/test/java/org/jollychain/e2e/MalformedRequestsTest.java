package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Requests as nobody should send them, over every endpoint and format of the published API: none is
 * answered by a failure of the server or late, and nothing is half saved. Sent byte for byte, since
 * a client library would refuse most. {@code ./jolly torture} sends more.
 */
class MalformedRequestsTest {

  private static final int REQUESTS = Integer.getInteger("jolly.requests", 1200);
  private static final long SEED = Long.getLong("jolly.seed", 20261126L);

  /** How long an answer may take; only measured where nothing else uses the processors. */
  private static final double LONGEST_SECONDS = Integer.getInteger("jolly.seconds", 600);

  /** A server that has just started learns its sheets and loads what it prints with. */
  private static final int COLD = 1000;

  private static final int PATIENCE_MS = 600_000;

  /** What plays out whole plans takes longer, so it is asked less often. */
  private static final double SHARE_OF_LONG = 0.03;

  private static final String JOB = "6f2a1c9e-4b1d-4f6e-9a70-1d5f7c2e0b04";
  private static final String[] NASTY = {
    "null",
    "true",
    "-1",
    "1e300",
    "99999999999999999999",
    "\"\"",
    "\"\\u0000\"",
    "\"\\n.control\"",
    "\"\\ud800\"",
    "\"\\u202e\"",
    "\"\\uffff\"",
    "\"=cmd()\"",
    "\"'; drop table job; --\"",
    "\"<script>\"",
    "[]",
    "[null]",
    "{}",
    "{\"a\": [[[[[[]]]]]]}",
    "\"\\u00a0\"",
    "0x10",
    "NaN"
  };
  private static final String[] TYPES = {
    "application/json", "application/yaml", "text/csv", "application/x-www-form-urlencoded",
    "multipart/form-data", "application/json;charset=utf-16", "nonsense", "text/plain"
  };
  private static final String[] HEADERS = {
    "Cookie: JOLLY=",
    "Cookie: XSRF-TOKEN=",
    "Cookie: ",
    "X-XSRF-TOKEN: ",
    "Authorization: Bearer ",
    "Authorization: ",
    "Accept: ",
    "Accept-Language: ",
    "Origin: ",
    "Sec-Fetch-Site: ",
    "X-Forwarded-For: ",
    "X-Forwarded-Proto: ",
    "If-None-Match: ",
    "If-Modified-Since: ",
    "Range: bytes=",
    "Content-Encoding: ",
    "Last-Event-ID: ",
    "X-Request-Id: "
  };

  private static final String[] ODD = {
    "",
    "null",
    "YQBi",
    "a\u0001b",
    "\u00e9\u00ff",
    "http://[",
    "0-99999999999999999999",
    "*/*;q=x",
    "=;=;=",
    "\"",
    "x".repeat(7000)
  };

  private static final String[] SEGMENTS = {
    "%00",
    "%zz",
    "%ff",
    "..%2f",
    "null",
    "-1",
    "99999999999999",
    "a%0Ab",
    "%F0%9F%98%80",
    "%E2%80%AE"
  };

  private static Application application;

  private final Random random = new Random(SEED);

  /** An operation of the API. */
  private record Operation(String method, String path, List<String> types, List<String> queries) {

    boolean isLong() {
      return path.contains("forecast") || path.contains("route");
    }
  }

  @BeforeAll
  static void start() {
    application = new Application();
  }

  /** A request may have withdrawn a sheet by right; the tests after this one work by them. */
  @AfterAll
  static void stop() throws Exception {
    HttpClient http = HttpClient.newHttpClient();
    try (Stream<Path> sheets = Files.list(Path.of("../core/src/main/resources/sheets"))) {
      for (Path sheet : sheets.filter(f -> f.toString().endsWith(".yaml")).toList()) {
        String key = sheet.getFileName().toString().replace(".yaml", "");
        http.send(
            HttpRequest.newBuilder(
                    URI.create(application.address() + "api/sheets/" + key + "/restore"))
                .PUT(HttpRequest.BodyPublishers.noBody())
                .build(),
            HttpResponse.BodyHandlers.discarding());
      }
    }
    application.close();
  }

  @Test
  void no_request_breaks_the_server_or_waits_and_nothing_is_half_saved() throws Exception {
    System.out.println("malformed requests: seed " + SEED);
    List<Operation> operations = operations();
    assertThat(operations).hasSizeGreaterThan(25);
    Map<Integer, Integer> answers = new TreeMap<>();
    double slowest = 0;
    for (int i = 0; i < REQUESTS; ) {
      Operation operation = operations.get(random.nextInt(operations.size()));
      if (operation.isLong() && random.nextDouble() > SHARE_OF_LONG) {
        continue;
      }
      i++;
      byte[] request = request(operation);
      long since = System.nanoTime();
      String answer = send(request);
      double seconds = (System.nanoTime() - since) / 1e9;
      int status = answer.isEmpty() ? 0 : Integer.parseInt(answer.split(" ")[1]);
      String said =
          "request %d (%s %s): %s in %.2f s%n%s%n%s"
              .formatted(
                  i,
                  operation.method,
                  operation.path,
                  status,
                  seconds,
                  shown(request),
                  shown(answer));
      // what came too much at once is told to come again
      assertThat(status == 503 || status >= 200 && status < 500).as(said).isTrue();
      if (i > COLD) {
        assertThat(seconds).as(said).isLessThan(LONGEST_SECONDS);
        slowest = Math.max(slowest, seconds);
      }
      answers.merge(status, 1, Integer::sum);
    }
    everythingIsWhole();
    System.out.printf(
        Locale.ROOT,
        "| %d malformed requests | no 5xx but 503, answers %s, slowest %.2f s, nothing half saved |%n",
        REQUESTS,
        answers,
        slowest);
  }

  private static String shown(byte[] request) {
    return shown(new String(request, StandardCharsets.UTF_8));
  }

  private static String shown(String text) {
    return text.substring(0, Math.min(600, text.length()));
  }

  private static List<Operation> operations() throws IOException, InterruptedException {
    JsonNode api =
        JsonMapper.shared()
            .readTree(
                HttpClient.newHttpClient()
                    .send(
                        HttpRequest.newBuilder(URI.create(application.address() + "api/openapi"))
                            .build(),
                        HttpResponse.BodyHandlers.ofString())
                    .body());
    List<Operation> operations = new ArrayList<>();
    api.get("paths")
        .properties()
        .forEach(
            path ->
                // what never ends by design is no request to be answered
                (path.getKey().endsWith("/changes")
                        ? List.<Map.Entry<String, JsonNode>>of()
                        : path.getValue().properties())
                    .forEach(
                        method -> {
                          List<String> types = new ArrayList<>();
                          method
                              .getValue()
                              .path("requestBody")
                              .path("content")
                              .propertyNames()
                              .forEach(types::add);
                          List<String> queries = new ArrayList<>();
                          method
                              .getValue()
                              .path("parameters")
                              .forEach(
                                  p -> {
                                    if (p.path("in").asString().equals("query")) {
                                      queries.add(p.path("name").asString());
                                    }
                                  });
                          operations.add(
                              new Operation(
                                  method.getKey().toUpperCase(Locale.ROOT),
                                  path.getKey(),
                                  types,
                                  queries));
                        }));
    return operations;
  }

  private byte[] request(Operation operation) throws IOException {
    StringBuilder path = new StringBuilder();
    for (String segment : operation.path.substring(1).split("/")) {
      path.append('/').append(segment.startsWith("{") ? value(segment) : segment);
    }
    String separator = "?";
    for (String query : operation.queries) {
      path.append(separator)
          .append(query)
          .append('=')
          .append(chance(0.5) ? "heat-call" : pick(SEGMENTS));
      separator = "&";
    }
    String type =
        operation.types.isEmpty() || chance(0.1)
            ? pick(TYPES)
            : operation.types.get(random.nextInt(operation.types.size()));
    byte[] body = operation.method.equals("GET") ? new byte[0] : body(operation.path, type);
    String head =
        "%s %s HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\nContent-Type: %s\r\nContent-Length: %d\r\n%s\r\n"
            .formatted(operation.method, path, type, body.length, odd());
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    all.write(head.getBytes(StandardCharsets.UTF_8));
    all.write(body);
    return all.toByteArray();
  }

  /** A header or a cookie that no page sends, now and then. */
  private String odd() {
    if (!chance(0.2)) {
      return "";
    }
    String value = chance(0.5) ? pick(ODD) : Base64.getEncoder().encodeToString(noise(40));
    return "%s%s\r\n".formatted(pick(HEADERS), value);
  }

  private byte[] noise(int most) {
    byte[] noise = new byte[random.nextInt(most)];
    random.nextBytes(noise);
    return noise;
  }

  private String value(String parameter) {
    if (chance(0.3)) {
      return pick(SEGMENTS);
    }
    return switch (parameter) {
      case "{key}" -> chance(0.7) ? "dryer-timer-240" : "fuzzed-" + random.nextInt(5);
      case "{revision}" -> String.valueOf(random.nextInt(3));
      case "{evidenceId}" -> new UUID(0, random.nextInt(50)).toString();
      default -> chance(0.7) ? JOB : new UUID(1, random.nextInt(50)).toString();
    };
  }

  /** A right body with something wrong in it, or what is no body at all. */
  private byte[] body(String path, String type) {
    if (chance(0.05)) {
      return noise(3000);
    }
    String right =
        type.startsWith("text/csv")
            ? "function,across,situation,value,at\nvolts-ac,high-limit,heat-call,0.1,2026-01-02T03:04:05Z\n"
            : type.startsWith("application/yaml") && !path.contains("assess")
                ? "format: jolly-chain/sheet/1\nkey: fuzzed-1\ntitle: \"Fuzzed\"\nfamily: other\nsupply: {system: single-phase, volts: 230, hertz: 50, terminals: {line1: L, neutral: N}}\npoints: {L: {title: A}, N: {title: B}}\nparts: {e: {kind: heating-element, between: [L, N], watts: 900, at-volts: 230}}\nsituations: {on: {title: On, supply: on}}\npaths: {heat: {title: Heat, load: e}}\n"
                : example(path);
    StringBuilder text = new StringBuilder(right);
    for (int i = random.nextInt(4); i > 0 && text.length() > 2; i--) {
      int at = random.nextInt(text.length());
      switch (random.nextInt(5)) {
        case 0 -> text.setLength(at);
        case 1 -> text.insert(at, pick(NASTY));
        case 2 -> text.deleteCharAt(at);
        case 3 -> text.setCharAt(at, (char) random.nextInt(0x250));
        default -> {
          int value = text.indexOf(": ", at);
          int end = value < 0 ? -1 : end(text, value + 2);
          if (end > 0) {
            text.replace(value + 2, end, pick(NASTY));
          }
        }
      }
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static int end(CharSequence text, int from) {
    int end = from;
    while (end < text.length() && ",}\n".indexOf(text.charAt(end)) < 0) {
      end++;
    }
    return end;
  }

  private String example(String path) {
    String reading =
        "\"function\": \"volts-ac\", \"across\": \"high-limit\", \"situation\": \"heat-call\", \"value\": \"%.1f\", \"liftedAt\": [\"E2\"], \"at\": \"2026-01-02T03:04:05Z\""
            .formatted(random.nextInt(2400) / 10.0);
    if (path.endsWith("assess")) {
      return "{\"sheet\": \"dryer-timer-240\", \"complaint\": \"no-heat\", \"livePermit\": true, \"meters\": [], \"evidence\": [{\"id\": \"r1\", %s}]}"
          .formatted(reading);
    }
    if (path.endsWith("solve")) {
      return "{\"sheet\": \"dryer-timer-240\", \"situation\": \"heat-call\", \"faults\": [{\"part\": \"high-limit\", \"mode\": \"open\"}], \"probes\": [{\"function\": \"volts-ac\", \"across\": \"high-limit\"}], \"supplyVolts\": 231.5}";
    }
    if (path.endsWith("strike")) {
      return "{\"why\": \"slipped\", \"version\": 1}";
    }
    if (path.contains("entries")) {
      return "{\"kind\": \"%s\", \"subject\": \"%s\", \"value\": \"%s\", \"changes\": 3}"
          .formatted(
              pick(
                  new String[] {
                    "check", "renewed", "kept", "done", "proved", "measured", "watched", "benched"
                  }),
              pick(
                  new String[] {"duct-look", "high-limit", "clean-duct", "warm", "run", "element"}),
              pick(
                  new String[] {
                    "lint", "121 C", "", "yes", "start 0; hot 12.5", "element ohms=11"
                  }));
    }
    if (path.contains("people") && path.contains("{login}")) {
      return "{\"name\": \"Fuzzed\", \"role\": \"viewer\", \"retired\": false, \"version\": 99, \"password\": \"x\"}";
    }
    if (path.contains("people")) {
      return "{\"login\": \"fuzzed\", \"name\": \"Fuzzed\", \"role\": \"viewer\", \"password\": \"x\"}";
    }
    if (path.contains("session")) {
      return "{\"login\": \"nobody\", \"password\": \"x\", \"code\": \"123456\", \"present\": \"x\", \"wanted\": \"x\"}";
    }
    if (path.contains("tokens")) {
      return "{\"title\": \"Fuzzed\", \"role\": \"viewer\", \"days\": 1}";
    }
    if (path.contains("units")) {
      return "{\"title\": \"Fuzzed\", \"model\": \"F-1\", \"place\": \"Attic\"}";
    }
    if (path.contains("checks") || path.contains("bench")) {
      return "{\"check\": \"element\", \"inputs\": {\"watts\": \"4500\", \"volts\": \"240\", \"ohms\": \"12.8\"}, \"note\": \"\"}";
    }
    if (path.endsWith("close")) {
      return "{\"outcome\": \"renewed\", \"version\": 99, \"changes\": 99}";
    }
    if (path.endsWith("policy")) {
      return "{\"permit\": \"live\", \"policy\": {\"method\": \"mixed\", \"order\": \"best-value\", \"exposureMinutes\": 0.5, \"skipped\": [\"x\"], \"minutes\": null}, \"version\": 99, \"changes\": 99}";
    }
    if (path.contains("meters")) {
      return "{\"id\": \"%s\", \"name\": \"Fuzzed\", \"counts\": 6000, \"voltsAcShare\": 0.01, \"voltsDcShare\": 0.01, \"ohmsShare\": 0.01, \"voltsOhms\": 1e7, \"lowImpedanceOhms\": 3e5, \"buzzerOhms\": 30, \"leadOhms\": 0.1, \"overLimitOhms\": 4e7}"
          .formatted(JOB);
    }
    if (path.contains("evidence")) {
      return "{" + reading + "}";
    }
    return "{\"tag\": \"FUZ-1\", \"sheet\": \"dryer-timer-240\", \"complaint\": \"no-heat\", \"permit\": \"live\", \"technician\": \"Imke\", \"unitTitle\": \"Fuzzed\"}";
  }

  private boolean chance(double share) {
    return random.nextDouble() < share;
  }

  private String pick(String[] from) {
    return from[random.nextInt(from.length)];
  }

  private static String send(byte[] request) throws IOException {
    URI address = URI.create(application.address());
    try (Socket socket = new Socket(address.getHost(), address.getPort())) {
      socket.setSoTimeout(PATIENCE_MS);
      socket.getOutputStream().write(request);
      socket.getOutputStream().flush();
      InputStream in = socket.getInputStream();
      return new String(in.readNBytes(4000), StandardCharsets.UTF_8);
    } catch (SocketTimeoutException e) {
      return "HTTP/1.1 599 no answer";
    }
  }

  private static void everythingIsWhole() throws Exception {
    HttpClient http = HttpClient.newHttpClient();
    for (String list : List.of("jobs", "units", "sheets", "meters", "policy")) {
      HttpResponse<String> answer =
          http.send(
              HttpRequest.newBuilder(URI.create(application.address() + "api/" + list)).build(),
              HttpResponse.BodyHandlers.ofString());
      assertThat(answer.statusCode()).as(list).isEqualTo(200);
      if (list.equals("jobs")) {
        for (JsonNode job : JsonMapper.shared().readTree(answer.body())) {
          String id = job.get("job").get("id").asString();
          assertThat(
                  http.send(
                          HttpRequest.newBuilder(
                                  URI.create(application.address() + "api/jobs/" + id))
                              .build(),
                          HttpResponse.BodyHandlers.discarding())
                      .statusCode())
              .isEqualTo(200);
        }
      }
    }
    assertThat(
            count(
                "select count(*) from job j where readings <>"
                    + " (select count(*) from evidence e where e.job_id = j.id and e.struck_at is null)"))
        .isZero();
    assertThat(
            count(
                "select count(*) from (select job_id from evidence group by job_id"
                    + " having max(number) <> count(*)) gaps"))
        .isZero();
  }

  private static int count(String query) throws SQLException {
    try (Connection database =
            DriverManager.getConnection(
                Application.database(),
                System.getenv("JOLLY_DB_USER"),
                System.getenv("JOLLY_DB_PASSWORD"));
        ResultSet rows = database.createStatement().executeQuery(query)) {
      rows.next();
      return rows.getInt(1);
    }
  }
}
