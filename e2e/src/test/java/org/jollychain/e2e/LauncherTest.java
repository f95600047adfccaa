package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
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

    // whatever dies alone comes back by itself, and everything goes on
    long database = jolly.database();
    Launcher.kill(database);
    Launcher.await("the database", () -> jolly.database() != database);
    Launcher.await("a reading", () -> get(again + OPEN_JOB).statusCode() == 200);
    for (String one : List.of("keeper", "copier")) {
      long was = jolly.process(one);
      Launcher.kill(was);
      Launcher.await("the " + one, () -> jolly.process(one) != was);
    }
    assertThat(jolly.says("status"))
        .contains("application: runs", "keeper: runs", "copier: runs", "database: runs")
        .contains("ready: yes")
        .doesNotContain("DOES NOT RUN");

    // built anew meanwhile: the old one makes way
    Files.writeString(jolly.home().resolve("unpacked"), "what was built before");
    assertThat(jolly.says("demo")).contains("Jolly Chain is ready");

    assertThat(jolly.says("start")).contains("it runs already, as ./jolly demo");
    assertThat(jolly.says("stop")).contains("Stopped.");
    assertThat(jolly.says("stop")).contains("It was not running.");
    assertThat(jolly.says("status")).contains("It does not run");
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
    nothing_but_an_upgrades_own_copies_makes_way();
    try (Launcher other = new Launcher()) {
      // a first start that was killed half way left this
      Files.createDirectories(other.home().resolve("postgres/data"));
      Files.writeString(other.home().resolve("postgres/data/PG_VERSION"), "15");
      assertThat(other.says("restore", copy)).contains("Restored and compared");
      assertThat(get(other.address("demo") + OPEN_JOB).body()).contains("LAU-2");
    }
    restores_nothing_that_a_copy_brings_along();
    byte[] damaged = Files.readAllBytes(Path.of(copy));
    damaged[damaged.length / 2] ^= 1;
    Files.write(Path.of(copy), damaged);
    try (Launcher other = new Launcher()) {
      assertThat(other.says("restore", copy)).contains("is damaged");
    }
  }

  /** A release whose tables are newer than those of the home. */
  private void nothing_but_an_upgrades_own_copies_makes_way() throws Exception {
    Path copies = jolly.home().resolve("copies");
    List<String> kept = new ArrayList<>(List.of("mine.backup", "jolly_demo.backup"));
    for (int i = 10; i < 22; i++) {
      kept.add("nightly-202601%dT020000.backup".formatted(i));
    }
    for (String copy : kept) {
      Files.writeString(copies.resolve(copy), "a copy");
    }
    for (int i = 1; i < 8; i++) {
      Path old = copies.resolve("jolly_demo-schema-%d-20260101T020000.backup".formatted(i));
      Files.writeString(old, "from before");
      Files.setLastModifiedTime(
          old, FileTime.from(Instant.parse("2026-01-0%dT02:00:00Z".formatted(i))));
    }
    Path release = Files.createTempDirectory("jolly-release");
    try {
      String jar = release + "/server/target/jolly-chain.jar";
      Path migration = release.resolve("BOOT-INF/classes/db/migration/V99__nothing.sql");
      Files.createDirectories(migration.getParent());
      Files.createDirectories(release.resolve("server/target"));
      Files.writeString(migration, "select 1;");
      Launcher.run("cp", "../jolly", release.toString());
      Launcher.run("cp", "../server/target/jolly-chain.jar", jar);
      Launcher.run(
          "jar", "--update", "--no-compress", "--file", jar, "-C", release.toString(), "BOOT-INF");
      Files.writeString(Path.of(jar + ".original"), "");
      assertThat(jolly.says(release.resolve("jolly"), Map.of(), "demo"))
          .contains("change from schema", "Jolly Chain is ready");
      jolly.says("stop");
    } finally {
      Launcher.run("rm", "-rf", release.toString());
    }
    try (Stream<Path> files = Files.list(copies)) {
      List<String> there = files.map(f -> f.getFileName().toString()).toList();
      assertThat(there).containsAll(kept);
      assertThat(there)
          .filteredOn(f -> f.startsWith("jolly_demo-schema-"))
          .hasSize(5)
          .contains("jolly_demo-schema-7-20260101T020000.backup")
          .doesNotContain("jolly_demo-schema-3-20260101T020000.backup");
    }
  }

  /** A function that is carried out where its rows are put in, as whoever puts them in. */
  private void restores_nothing_that_a_copy_brings_along() throws Exception {
    String crafted = jolly.file("crafted.backup");
    try (Launcher other = new Launcher()) {
      other.address("demo");
      other.sql(
          "jolly_demo",
          """
          create function public.who(text) returns text immutable language plpgsql as
            $$ begin perform pg_read_file('/etc/hostname'); return current_user; end $$;
          create table public.innocent (word text, who text generated always as (who(word)) stored);
          insert into public.innocent values ('rain');
          """);
      assertThat(other.says("backup", crafted)).contains("All data is in");
    }
    try (Launcher other = new Launcher()) {
      assertThat(other.says("restore", crafted))
          .contains("none of ours", "FUNCTION public who")
          .contains("Nothing was changed");
    }
  }

  /** What anybody of this machine may read of all processes, from the first start to the last. */
  @Test
  void no_password_stands_in_an_argument_or_an_environment_that_others_can_read() throws Exception {
    assumeTrue(Launcher.run("id", "-u").equals("0"), "somebody else is needed to look");
    Path seen = Files.createTempFile("seen", ".txt");
    Path over = Files.createTempDirectory("over").resolve("over");
    Launcher.run("chmod", "755", over.getParent().toString());
    String look =
        "while [ ! -e %s ]; do cat /proc/[0-9]*/cmdline /proc/[0-9]*/environ 2>/dev/null; done"
            .formatted(over);
    Process other =
        new ProcessBuilder("runuser", "-u", "nobody", "--", "sh", "-c", look)
            .redirectOutput(seen.toFile())
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    jolly.address("demo");
    jolly.says("stop");
    jolly.says("password");
    Files.writeString(over, "");
    assertThat(other.waitFor(1, TimeUnit.MINUTES)).isTrue();
    String all = Files.readString(seen, StandardCharsets.ISO_8859_1);
    assertThat(all).contains("jolly-chain.jar", "initdb");
    for (String file : List.of("password", "app-password", "owner-password")) {
      String password = Files.readString(jolly.home().resolve("postgres").resolve(file));
      assertThat(password).hasSizeGreaterThan(40);
      assertThat(all.contains(password)).as(file).isFalse();
    }
    String before = Files.readString(jolly.home().resolve("secrets/spring.datasource.password"));
    assertThat(all.contains(before)).isFalse();
    Files.delete(seen);
  }
}
