package org.jollychain.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;

/** What stands before several nodes: each connection goes to the next that takes it. */
final class OneAddress implements AutoCloseable {

  private static final int CONNECT_MILLIS = 500;

  private final ServerSocket door;
  private final int[] ports;
  private final AtomicInteger[] connections;
  private final ExecutorService threads =
      Executors.newCachedThreadPool(
          work -> {
            Thread thread = new Thread(work, "one-address");
            thread.setDaemon(true);
            return thread;
          });
  private int turn;

  OneAddress(int... ports) {
    this.ports = ports;
    this.connections =
        Arrays.stream(ports).mapToObj(p -> new AtomicInteger()).toArray(AtomicInteger[]::new);
    try {
      door = new ServerSocket(0, 200, InetAddress.getLoopbackAddress());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    threads.submit(this::accept);
  }

  String base() {
    return "http://127.0.0.1:" + door.getLocalPort() + "/";
  }

  /** How many connections went to each node. */
  List<Integer> atEach() {
    return Arrays.stream(connections).map(AtomicInteger::get).toList();
  }

  private void accept() {
    while (!door.isClosed()) {
      try {
        Socket client = door.accept();
        int first = turn++;
        threads.submit(() -> forward(client, first));
      } catch (IOException e) {
        return;
      }
    }
  }

  private void forward(Socket client, int first) {
    for (int i = 0; i < ports.length; i++) {
      int node = (first + i) % ports.length;
      Socket server = new Socket();
      try {
        server.connect(
            new InetSocketAddress(InetAddress.getLoopbackAddress(), ports[node]), CONNECT_MILLIS);
      } catch (IOException e) {
        continue;
      }
      connections[node].incrementAndGet();
      threads.submit(() -> pump(server, client));
      pump(client, server);
      return;
    }
    end(client);
  }

  /** Until one of the two ends, which ends the other. */
  private static void pump(Socket from, Socket to) {
    try {
      from.getInputStream().transferTo(to.getOutputStream());
    } catch (IOException e) {
      // what follows is the same as where it ends by itself
    }
    end(from);
    end(to);
  }

  private static void end(Socket socket) {
    try {
      socket.close();
    } catch (IOException e) {
      // it is
    }
  }

  @Override
  public void close() throws IOException {
    door.close();
    threads.shutdownNow();
  }
}
