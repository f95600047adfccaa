package org.jollychain.server.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Tells whether whoever sent the current request still waits for its answer. A servlet container
 * finds that out only when it writes; the kernel knows at once: a connection the other side has
 * closed stands in its table as CLOSE-WAIT, one that was reset is not in it any more (proc(5),
 * {@code /proc/net/tcp}). Where there is no such table everybody is taken to wait.
 */
@Component
public class ClientConnections {

  private static final List<Path> TABLES =
      List.of(Path.of("/proc/self/net/tcp"), Path.of("/proc/self/net/tcp6"));

  private static final String ESTABLISHED = "01";
  private static final long FRESH_NANOS = TimeUnit.MILLISECONDS.toNanos(250);

  /** Columns of a line of the table. */
  private static final int LOCAL = 1;

  private static final int REMOTE = 2;
  private static final int STATE = 3;

  private record Ends(int local, int remote) {}

  private Set<Ends> open = Set.of();
  private long readAt = System.nanoTime() - FRESH_NANOS;

  /** Whether the sender of the request that this thread answers has gone, asked whenever wanted. */
  public BooleanSupplier gone() {
    if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes current)
        || !TABLES.stream().allMatch(Files::isReadable)) {
      return () -> false;
    }
    Ends ends = new Ends(current.getRequest().getLocalPort(), current.getRequest().getRemotePort());
    return () -> !open().contains(ends);
  }

  private synchronized Set<Ends> open() {
    if (System.nanoTime() - readAt >= FRESH_NANOS) {
      Set<Ends> found = new HashSet<>();
      for (Path table : TABLES) {
        try (Stream<String> lines = Files.lines(table)) {
          lines
              .map(line -> line.strip().split("\\s+"))
              .filter(columns -> columns[STATE].equals(ESTABLISHED))
              .forEach(columns -> found.add(new Ends(port(columns[LOCAL]), port(columns[REMOTE]))));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      }
      open = found;
      readAt = System.nanoTime();
    }
    return open;
  }

  private static int port(String address) {
    return Integer.parseInt(address.substring(address.indexOf(':') + 1), 16);
  }
}
