package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.CleanupMode;
import org.junit.jupiter.api.io.TempDir;

/** The launcher as a newcomer uses it, in a folder of its own. */
class LauncherTest {

  private static final Pattern ADDRESS = Pattern.compile("http://127\\.0\\.0\\.1:\\d+/");
  private static final String OPEN_JOB = "api/jobs/6f2a1c9e-4b1d-4f6e-9a70-1d5f7c2e0b04";

  // the database's files belong to another user
  @TempDir(cleanup = CleanupMode.NEVER)
  Path home;

  private final HttpClient http = HttpClient.newHttpClient();

  @BeforeEach
  void let_the_database_user_in() throws IOException {
    Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
  }

  @AfterEach
  void leave_nothing_behind() throws Exception {
    jolly("stop");
    new ProcessBuilder("rm", "-rf", home.toString()).start().waitFor();
  }

  @Test
  void what_was_acknowledged_survives_a_kill_of_server_and_database() throws Exception {
    String address = address(jolly("demo"));
    assertThat(jolly("demo")).contains("It runs already: " + address);

    String reading = OPEN_JOB + "/evidence/" + UUID.randomUUID();
    String body =
        "{\"function\": \"volts-ac\", \"across\": \"high-limit\", \"situation\": \"heat-call\", \"value\": \"238.9\"}";
    HttpRequest put =
        HttpRequest.newBuilder(URI.create(address + reading))
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body))
            .build();
    assertThat(http.send(put, HttpResponse.BodyHandlers.ofString()).statusCode()).isEqualTo(200);

    kill(Long.parseLong(Files.readString(home.resolve("server.pid")).strip()));
    // at once: nobody may have reaped it yet, and its helpers may still run
    send9(postmaster());

    String again = address(jolly("demo"));
    String job =
        http.send(
                HttpRequest.newBuilder(URI.create(again + OPEN_JOB)).build(),
                HttpResponse.BodyHandlers.ofString())
            .body();
    assertThat(job).contains("238.9").contains("\"verdict\":\"open\"");

    // the database alone dies: the server says so, and the launcher mends it
    kill(postmaster());
    HttpResponse<String> away =
        http.send(
            HttpRequest.newBuilder(URI.create(again + OPEN_JOB)).build(),
            HttpResponse.BodyHandlers.ofString());
    assertThat(away.statusCode()).isEqualTo(503);
    assertThat(away.body()).contains("The database is away");
    assertThat(jolly("demo")).contains("http://127.0.0.1:");

    // built anew meanwhile: the old one makes way
    Files.writeString(home.resolve("jolly-chain.jar"), "what was built before");
    assertThat(jolly("demo")).contains("Jolly Chain is ready");
    assertThat(jolly("demo")).contains("It runs already");

    assertThat(jolly("start")).contains("it runs already, as ./jolly demo");
    assertThat(jolly("stop")).contains("Stopped.");
    assertThat(jolly("stop")).contains("It was not running.");
  }

  private static String address(String said) {
    Matcher m = ADDRESS.matcher(said);
    assertThat(m.find()).as(said).isTrue();
    return m.group();
  }

  private long postmaster() throws IOException, InterruptedException {
    Process read =
        new ProcessBuilder(
                "head", "-n", "1", home.resolve("postgres/data/postmaster.pid").toString())
            .start();
    String pid = new String(read.getInputStream().readAllBytes()).strip();
    read.waitFor();
    return Long.parseLong(pid);
  }

  private static void send9(long pid) throws InterruptedException, IOException {
    new ProcessBuilder("kill", "-9", String.valueOf(pid)).start().waitFor();
  }

  private static void kill(long pid) throws InterruptedException, IOException {
    send9(pid);
    ProcessHandle.of(pid).ifPresent(p -> p.onExit().orTimeout(20, TimeUnit.SECONDS).join());
  }

  private String jolly(String command) throws IOException, InterruptedException {
    ProcessBuilder builder = new ProcessBuilder("../jolly", command).redirectErrorStream(true);
    builder.environment().put("JOLLY_HOME", home.toString());
    Path said = Files.createTempFile("jolly", ".txt");
    Process process = builder.redirectOutput(said.toFile()).start();
    assertThat(process.waitFor(5, TimeUnit.MINUTES)).as("./jolly " + command).isTrue();
    String text = Files.readString(said);
    Files.delete(said);
    return text;
  }
}
