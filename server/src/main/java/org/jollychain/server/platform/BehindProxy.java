package org.jollychain.server.platform;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;

/**
 * Behind a proxy that has TLS only that proxy is answered, by its address on the connection itself;
 * this machine may ask whether it is ready. What comes by the proxy came by TLS, whatever headers
 * it sends.
 */
final class BehindProxy extends ValveBase {

  private static final int FORBIDDEN = 403;

  private final String proxy;

  /**
   * @param proxy its address, in figures
   */
  BehindProxy(String proxy) {
    super(true);
    this.proxy = proxy;
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    String peer = request.getPeerAddr();
    if (!peer.equals(proxy) && !asksWhetherReady(request, peer)) {
      response.sendError(FORBIDDEN, "Only the proxy in front of it is answered here.");
      return;
    }
    if (!request.isSecure()) {
      request.setSecure(true);
      request.getCoyoteRequest().scheme().setString("https");
    }
    getNext().invoke(request, response);
  }

  private static boolean asksWhetherReady(Request request, String peer) {
    return peer.equals(request.getLocalAddr()) && request.getRequestURI().equals(Readiness.PATH);
  }
}
