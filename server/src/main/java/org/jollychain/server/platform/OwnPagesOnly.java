package org.jollychain.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Set;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Requests must name this machine as host, or a name it is configured to have, and come from its
 * own pages if they come from a page. A link elsewhere may lead to the first page, to nothing else.
 */
public final class OwnPagesOnly extends OncePerRequestFilter {
  private static final Set<String> LOOPBACK = Set.of("localhost", "127.0.0.1", "[::1]");
  private static final int HTTP = 80;
  private static final int HTTPS = 443;
  private static final Set<String> OWN_PAGE = Set.of("same-origin", "none");

  private final Set<String> hosts;

  /**
   * @param hosts names and addresses that this server is called by, beside loopback's
   */
  public OwnPagesOnly(Set<String> hosts) {
    this.hosts = hosts;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String origin = request.getHeader("Origin");
    if (!LOOPBACK.contains(request.getServerName()) && !hosts.contains(request.getServerName())
        || origin != null && !own(origin, request)
        || fromElsewhere(request)) {
      response.sendError(HttpStatus.FORBIDDEN.value());
      return;
    }
    chain.doFilter(request, response);
  }

  /** As the browser says (Fetch Metadata); other programs say nothing. */
  private static boolean fromElsewhere(HttpServletRequest request) {
    String site = request.getHeader("Sec-Fetch-Site");
    boolean link =
        request.getRequestURI().equals("/")
            && "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
            && "document".equals(request.getHeader("Sec-Fetch-Dest"));
    return site != null && !OWN_PAGE.contains(site) && !link;
  }

  /** The same scheme, host and port; a browser leaves out the port that its scheme has anyway. */
  private static boolean own(String origin, HttpServletRequest request) {
    try {
      URI uri = URI.create(origin);
      int usual = "https".equals(uri.getScheme()) ? HTTPS : HTTP;
      int port = uri.getPort() < 0 ? usual : uri.getPort();
      return request.getScheme().equals(uri.getScheme())
          && request.getServerName().equals(uri.getHost())
          && (port == request.getServerPort() || port == portOfHost(request, usual));
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  /** What the browser asked, where a proxy stands between; it passes the header on. */
  private static int portOfHost(HttpServletRequest request, int usual) {
    String host = request.getHeader(HttpHeaders.HOST);
    int port = host == null ? -1 : URI.create("//" + host).getPort();
    return port < 0 ? usual : port;
  }
}
