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
 * {@code /proc/net/tcp}). Where there is no such table, or nobody listens at the request's port,
 * everybody is taken to wait.
 */
@Component
public class ClientConnections {

  private static final List<Path> TABLES =
      List.of(Path.of("/proc/self/net/tcp"), Path.of("/proc/self/net/tcp6"));

  private static final String ESTABLISHED = "01";
  private static final String LISTEN = "0A";
  private static final long FRESH_NANOS = TimeUnit.MILLISECONDS.toNanos(250);

  /** Columns of a line of the table. */
  private static final int LOCAL = 1;

  private static final int REMOTE = 2;
  private static final int STATE = 3;

  private record Ends(int local, int remote) {}

  private record Table(Set<Ends> open, Set<Integer> listening) {}

  private Table table = new Table(Set.of(), Set.of());
  private long readAt = System.nanoTime() - FRESH_NANOS;

  /** Whether the sender of the request that this thread answers has gone, asked whenever wanted. */
  public BooleanSupplier gone() {
    if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes current)
        || !TABLES.stream().allMatch(Files::isReadable)) {
      return () -> false;
    }
    Ends ends = new Ends(current.getRequest().getLocalPort(), current.getRequest().getRemotePort());
    return () -> {
      Table now = table();
      return now.listening.contains(ends.local) && !now.open.contains(ends);
    };
  }

  private synchronized Table table() {
    if (System.nanoTime() - readAt >= FRESH_NANOS) {
      Table read = new Table(new HashSet<>(), new HashSet<>());
      for (Path file : TABLES) {
        try (Stream<String> lines = Files.lines(file)) {
          lines.map(line -> line.strip().split("\\s+")).forEach(columns -> add(read, columns));
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      }
      table = read;
      readAt = System.nanoTime();
    }
    return table;
  }

  private static void add(Table table, String[] columns) {
    if (columns[STATE].equals(ESTABLISHED)) {
      table.open.add(new Ends(port(columns[LOCAL]), port(columns[REMOTE])));
    } else if (columns[STATE].equals(LISTEN)) {
      table.listening.add(port(columns[LOCAL]));
    }
  }

  private static int port(String address) {
    return Integer.parseInt(address.substring(address.indexOf(':') + 1), 16);
  }
}
