package org.jollychain.server.platform;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.util.Map;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;

/** The headers of every answer, also of those that the container gives by itself. */
public final class HeadersOnAll extends ValveBase {

  public static final String CONTENT_POLICY =
      "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; "
          + "connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

  public static final String PERMISSIONS =
      "accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), microphone=(), payment=(), usb=()";

  private static final Map<String, String> HEADERS =
      Map.of(
          "Content-Security-Policy", CONTENT_POLICY,
          "X-Content-Type-Options", "nosniff",
          "X-Frame-Options", "DENY",
          "Referrer-Policy", "no-referrer",
          "Cross-Origin-Resource-Policy", "same-origin",
          "Cross-Origin-Opener-Policy", "same-origin",
          "Permissions-Policy", PERMISSIONS);

  HeadersOnAll() {
    super(true);
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    set(response);
    getNext().invoke(request, response);
    // an error page begins with a clean answer
    if (!response.isCommitted()) {
      set(response);
    }
  }

  private static void set(Response response) {
    HEADERS.forEach(response::setHeader);
  }
}
