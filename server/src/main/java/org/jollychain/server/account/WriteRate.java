package org.jollychain.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.jollychain.server.platform.Listening;
import org.jollychain.server.platform.Stamps;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.filter.OncePerRequestFilter;

/** Where a network is served, nobody writes faster than fingers and a queue that catches up. */
class WriteRate extends OncePerRequestFilter {

  private static final int PER_MINUTE = 600;
  private static final Set<String> READS = Set.of("GET", "HEAD", "OPTIONS");

  private final Rate rate = new Rate(PER_MINUTE);
  private final Listening listening;
  private final Stamps stamps;

  WriteRate(Listening listening, Stamps stamps) {
    this.listening = listening;
    this.stamps = stamps;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (listening.served() && !READS.contains(request.getMethod())) {
      String login = stamps.now().by();
      if (!rate.allows(login.isEmpty() ? request.getRemoteAddr() : login)) {
        response.setHeader(HttpHeaders.RETRY_AFTER, "5");
        response.sendError(HttpStatus.TOO_MANY_REQUESTS.value());
        return;
      }
    }
    chain.doFilter(request, response);
  }
}
