package org.jollychain.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** The packaged application with the demo station's data, on a port and a database of its own. */
final class Application implements AutoCloseable {

  private static final Path JAR = Path.of("../server/target/jolly-chain.jar");

  /**
   * It is started often and works little: half the processor's time of a start is the compiler's.
   */
  static final String JAVA_OPTIONS =
      System.getProperty("jolly.java", "-XX:TieredStopAtLevel=1 -XX:+UseSerialGC");

  private static final Path LOG = Path.of("target/application.log");
  private static final Duration PATIENCE = Duration.ofMinutes(5);

  private final int port = freePort();
  private Process process = start();

  String address() {
    return "http://127.0.0.1:" + port + "/";
  }

  int port() {
    return port;
  }

  /** Ends it as a power cut would, and starts it again. */
  void crashAndRestart() {
    crash();
    restart();
  }

  void crash() {
    process.destroyForcibly();
    waitForEnd();
  }

  void restart() {
    process = start();
  }

  @Override
  public void close() {
    process.destroy();
    waitForEnd();
  }

  static String database() {
    return System.getenv("JOLLY_TEST_DB") + "/jolly_e2e";
  }

  private Process start() {
    ProcessBuilder builder =
        new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-Djava.io.tmpdir=" + Path.of("target").toAbsolutePath(),
            "-jar",
            JAR.toString());
    builder.command().addAll(1, List.of(JAVA_OPTIONS.split(" ")));
    builder.environment().put("JOLLY_DB_URL", database());
    builder.environment().put("JOLLY_PORT", String.valueOf(port));
    builder.environment().put("JOLLY_DEMO", "true");
    builder.environment().put("JOLLY_WARMUP", "false");
    builder.environment().put("JOLLY_PATIENCE", "10m");
    builder
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.appendTo(LOG.toFile()));
    try {
      Process started = builder.start();
      waitUntilReady(started);
      return started;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private void waitUntilReady(Process started) {
    Instant end = Instant.now().plus(PATIENCE);
    HttpClient http = HttpClient.newHttpClient();
    HttpRequest ready = HttpRequest.newBuilder(URI.create(address() + "api/ready")).build();
    while (Instant.now().isBefore(end) && started.isAlive()) {
      try {
        if (http.send(ready, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
          return;
        }
        TimeUnit.MILLISECONDS.sleep(100);
      } catch (IOException e) {
        pause();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }
    throw new IllegalStateException("the application did not start; see e2e/" + LOG);
  }

  private static void pause() {
    try {
      TimeUnit.MILLISECONDS.sleep(100);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private void waitForEnd() {
    try {
      process.waitFor(30, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  static int freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
