package org.jollychain.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jollychain.server.platform.Role;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Where the door is open, programs of this machine work without a token: whoever runs them could
 * sign in by a click as well. A browser says what it is by Fetch Metadata and gets the page to sign
 * in.
 */
class ScriptsOfThisMachine extends OncePerRequestFilter {

  static final String LOGIN = "script";

  private final OpenDoor door;

  ScriptsOfThisMachine(OpenDoor door) {
    this.door = door;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (SecurityContextHolder.getContext().getAuthentication() == null
        && request.getHeader("Sec-Fetch-Site") == null
        && request.getHeader(HttpHeaders.AUTHORIZATION) == null
        && (door.demo(request) || door.withoutLead(request))) {
      SecurityContextHolder.getContext().setAuthentication(Role.LEAD.of(LOGIN));
    }
    chain.doFilter(request, response);
  }
}
