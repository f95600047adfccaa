package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The launcher as a newcomer uses it, in a folder of its own. */
class LauncherTest {

  private static final String OPEN_JOB = "api/jobs/6f2a1c9e-4b1d-4f6e-9a70-1d5f7c2e0b04";

  private final HttpClient http = HttpClient.newHttpClient();
  private Launcher jolly;

  @BeforeEach
  void begin() throws IOException {
    jolly = new Launcher();
  }

  @AfterEach
  void leave_nothing_behind() throws Exception {
    jolly.close();
  }

  private HttpResponse<String> get(String address) throws IOException, InterruptedException {
    return http.send(
        HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString());
  }

  private static void ended(long pid) {
    ProcessHandle.of(pid).ifPresent(p -> p.onExit().orTimeout(20, TimeUnit.SECONDS).join());
  }

  @Test
  void what_was_acknowledged_survives_a_kill_of_server_and_database() throws Exception {
    // what the environment says of the server's address is not heard
    String address = jolly.address("demo");
    assertThat(jolly.says(Map.of("SERVER_ADDRESS", "0.0.0.0"), "demo"))
        .contains("It runs already: " + address);

    String reading = OPEN_JOB + "/evidence/" + UUID.randomUUID();
    String body =
        "{\"function\": \"volts-ac\", \"across\": \"high-limit\", \"situation\": \"heat-call\", \"value\": \"238.9\"}";
    HttpRequest put =
        HttpRequest.newBuilder(URI.create(address + reading))
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body))
            .build();
    assertThat(http.send(put, HttpResponse.BodyHandlers.ofString()).statusCode()).isEqualTo(200);

    long application = jolly.application();
    Launcher.kill(application);
    ended(application);
    Launcher.kill(jolly.database());

    String again = jolly.address("demo");
    assertThat(get(again + OPEN_JOB).body()).contains("238.9").contains("\"verdict\":\"open\"");

    // the database alone dies: the server says so, and the launcher mends it
    long database = jolly.database();
    Launcher.kill(database);
    ended(database);
    HttpResponse<String> away = get(again + OPEN_JOB);
    assertThat(away.statusCode()).isEqualTo(503);
    assertThat(away.body()).contains("The database is away");
    assertThat(jolly.says("demo")).contains("http://127.0.0.1:");

    // built anew meanwhile: the old one makes way
    Files.writeString(jolly.home().resolve("unpacked"), "what was built before");
    assertThat(jolly.says("demo")).contains("Jolly Chain is ready");

    assertThat(jolly.says("start")).contains("it runs already, as ./jolly demo");
    assertThat(jolly.says("stop")).contains("Stopped.");
    assertThat(jolly.says("stop")).contains("It was not running.");
  }

  @Test
  void no_start_deletes_data_and_a_copy_brings_all_of_it_back() throws Exception {
    jolly.address("demo");
    String copy = jolly.file("copy.backup");
    assertThat(jolly.saysWithFilesUpTo(40, "backup", copy)).contains("nothing was written");
    assertThat(Path.of(copy)).doesNotExist();
    assertThat(jolly.home().resolve("tmp")).isDirectoryNotContaining("glob:**backup*");
    assertThat(jolly.says("backup", copy)).contains("All data is in");
    assertThat(jolly.says("backup", copy)).contains("is there already");

    // the application is never root, its role is not the cluster's own
    assertThat(Launcher.run("ps", "-o", "user=", "-p", String.valueOf(jolly.application())))
        .isNotEqualTo("root");

    // the password's file is lost, while it runs and when it does not
    Files.delete(jolly.home().resolve("postgres/password"));
    assertThat(jolly.says("demo")).contains("password is missing").contains("Nothing was changed");
    jolly.says("stop");
    Files.writeString(jolly.home().resolve("postgres/password"), "");
    assertThat(jolly.says("demo")).contains("password is missing");
    assertThat(jolly.says("password")).contains("New passwords are set");
    // nor does an empty port matter, nor a stale process number that is a stranger's by now
    Files.writeString(jolly.home().resolve("postgres/port"), "");
    Process stranger = new ProcessBuilder("sleep", "600").start();
    Files.writeString(jolly.home().resolve("server.pid"), String.valueOf(stranger.pid()));
    assertThat(get(jolly.address("demo") + OPEN_JOB).statusCode()).isEqualTo(200);
    jolly.says("stop");
    assertThat(stranger.isAlive()).isTrue();
    stranger.destroy();

    assertThat(jolly.says("restore", copy)).contains("there is data here already");
    try (Launcher other = new Launcher()) {
      // a first start that was killed half way left this
      Files.createDirectories(other.home().resolve("postgres/data"));
      Files.writeString(other.home().resolve("postgres/data/PG_VERSION"), "15");
      assertThat(other.says("restore", copy)).contains("Restored and compared");
      assertThat(get(other.address("demo") + OPEN_JOB).body()).contains("LAU-2");
    }
    byte[] damaged = Files.readAllBytes(Path.of(copy));
    damaged[damaged.length / 2] ^= 1;
    Files.write(Path.of(copy), damaged);
    try (Launcher other = new Launcher()) {
      assertThat(other.says("restore", copy)).contains("is damaged");
    }
  }
}
