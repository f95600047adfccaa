package org.jollychain.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** {@code ./jolly} with a home of its own, which goes with it. */
final class Launcher implements AutoCloseable {

  private static final Pattern ADDRESS = Pattern.compile("http://127\\.0\\.0\\.1:\\d+/");

  private static final Duration PATIENCE = Duration.ofMinutes(5);

  private final Path home;

  Launcher() throws IOException {
    home = Files.createTempDirectory("jolly-home");
    // the database's files belong to another user, who has to get there
    Files.setPosixFilePermissions(home, PosixFilePermissions.fromString("rwxr-xr-x"));
  }

  Path home() {
    return home;
  }

  /** What it says; whatever it says, it ends. */
  String says(String... command) throws IOException, InterruptedException {
    return says(Map.of(), command);
  }

  String says(Map<String, String> environment, String... command)
      throws IOException, InterruptedException {
    return says(Path.of("../jolly"), environment, command);
  }

  /**
   * @param launcher another release's
   */
  String says(Path launcher, Map<String, String> environment, String... command)
      throws IOException, InterruptedException {
    String[] all = new String[command.length + 1];
    all[0] = launcher.toString();
    System.arraycopy(command, 0, all, 1, command.length);
    return ran(environment, all);
  }

  /** As on a disk that becomes full: no file grows above so many kilobytes. */
  String saysWithFilesUpTo(int kilobytes, String command, String argument)
      throws IOException, InterruptedException {
    String limited = "ulimit -f %d; exec ../jolly \"$@\"".formatted(kilobytes);
    return ran(Map.of(), "bash", "-c", limited, "jolly", command, argument);
  }

  private String ran(Map<String, String> environment, String... all)
      throws IOException, InterruptedException {
    ProcessBuilder builder = new ProcessBuilder(all).redirectErrorStream(true);
    builder.environment().put("JOLLY_HOME", home.toString());
    builder.environment().put("JOLLY_WARMUP", "false");
    builder.environment().put("JOLLY_PATIENCE", "10m");
    builder.environment().put("JOLLY_JAVA_OPTIONS", Application.JAVA_OPTIONS);
    builder.environment().putAll(environment);
    Path said = Files.createTempFile("jolly", ".txt");
    Process process = builder.redirectOutput(said.toFile()).start();
    assertThat(process.waitFor(15, TimeUnit.MINUTES)).as(String.join(" ", all)).isTrue();
    String text = Files.readString(said);
    Files.delete(said);
    return text;
  }

  /** Starts it and says where it is. */
  String address(String mode) throws IOException, InterruptedException {
    String said = says(mode);
    Matcher m = ADDRESS.matcher(said);
    assertThat(m.find()).as(said).isTrue();
    return m.group();
  }

  long application() throws IOException {
    return Long.parseLong(Files.readString(home.resolve("server.pid")).strip());
  }

  /** A process that watches or is watched: server, keeper or copier. */
  long process(String name) throws IOException {
    return Long.parseLong(Files.readString(home.resolve(name + ".pid")).strip());
  }

  /** Carried out by the cluster's own role. */
  void sql(String database, String statements) throws IOException, SQLException {
    String address =
        "jdbc:postgresql://127.0.0.1:%s/%s"
            .formatted(Files.readString(home.resolve("postgres/port")).strip(), database);
    String password = Files.readString(home.resolve("postgres/password"));
    try (Connection cluster = DriverManager.getConnection(address, "jolly", password);
        Statement statement = cluster.createStatement()) {
      statement.execute(statements);
    }
  }

  /** Waits for what comes about by itself; how long is no matter of a test. */
  static void await(String what, Callable<Boolean> comesAbout) throws Exception {
    Instant end = Instant.now().plus(PATIENCE);
    while (!there(comesAbout)) {
      assertThat(Instant.now()).as(what).isBefore(end);
      TimeUnit.MILLISECONDS.sleep(200);
    }
  }

  /** What cannot be asked yet is not there yet. */
  private static boolean there(Callable<Boolean> comesAbout) throws Exception {
    try {
      return comesAbout.call();
    } catch (IOException | NumberFormatException e) {
      return false;
    }
  }

  long database() throws IOException, InterruptedException {
    return Long.parseLong(run("head", "-n", "1", file("postgres/data/postmaster.pid")));
  }

  String file(String name) {
    return home.resolve(name).toString();
  }

  /** Ends a process as a power cut would; at once, so nobody may have reaped it yet. */
  static void kill(long pid) throws IOException, InterruptedException {
    run("kill", "-9", String.valueOf(pid));
  }

  static String run(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes()).strip();
    process.waitFor();
    return said;
  }

  @Override
  public void close() throws IOException {
    try {
      says("stop");
      run("rm", "-rf", home.toString());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
