package org.jollychain.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

class ClientConnectionsTest {

  private final ClientConnections connections = new ClientConnections();

  @AfterEach
  void noRequest() {
    RequestContextHolder.resetRequestAttributes();
  }

  @ParameterizedTest(name = "reset: {0}")
  @ValueSource(booleans = {false, true})
  void a_client_is_gone_once_it_has_closed_its_connection(boolean reset) throws Exception {
    try (ServerSocket server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      Socket client = new Socket(server.getInetAddress(), server.getLocalPort());
      Socket accepted = server.accept();
      BooleanSupplier gone = requestOver(accepted);
      assertThat(gone.getAsBoolean()).isFalse();
      if (reset) {
        client.setSoLinger(true, 0);
      }
      client.close();
      for (int i = 0; i < 30_000 && !gone.getAsBoolean(); i++) {
        TimeUnit.MILLISECONDS.sleep(10);
      }
      assertThat(gone.getAsBoolean()).isTrue();
    }
  }

  private BooleanSupplier requestOver(Socket accepted) throws IOException {
    MockHttpServletRequest request = new MockHttpServletRequest();
    request.setLocalPort(accepted.getLocalPort());
    request.setRemotePort(accepted.getPort());
    RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(request));
    return connections.gone();
  }

  @Test
  void work_that_no_request_asked_for_is_never_taken_for_abandoned() {
    assertThat(connections.gone().getAsBoolean()).isFalse();
  }
}
