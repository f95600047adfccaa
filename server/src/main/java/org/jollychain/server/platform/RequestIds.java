package org.jollychain.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HexFormat;
import java.util.concurrent.ThreadLocalRandom;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Gives every request an id, which its answer and all that is logged of it bear. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class RequestIds extends OncePerRequestFilter {

  private static final String HEADER = "X-Request-Id";
  private static final String KEY = "request";

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String id = HexFormat.of().toHexDigits(ThreadLocalRandom.current().nextInt());
    response.setHeader(HEADER, id);
    MDC.put(KEY, id);
    try {
      chain.doFilter(request, response);
    } finally {
      MDC.remove(KEY);
    }
  }
}
