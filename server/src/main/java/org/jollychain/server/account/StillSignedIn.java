package org.jollychain.server.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jollychain.server.account.PersonMapper.Present;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Whether a session still lets in, and as what, is decided at each request by what the database
 * says now: it ends after a shift, and with the epoch of its person, whatever was under way. Where
 * the shop asks for a second factor, a session of somebody without one is good for setting it up.
 */
class StillSignedIn extends OncePerRequestFilter {

  /** What a session was begun with. */
  static final String EPOCH = "epoch";

  private final PersonMapper people;
  private final OpenDoor door;
  private final Duration shift;
  private final Clock clock;

  StillSignedIn(PersonMapper people, OpenDoor door, Duration shift, Clock clock) {
    this.people = people;
    this.door = door;
    this.shift = shift;
    this.clock = clock;
  }

  /** The pages themselves are for everybody, also while the database is away. */
  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getRequestURI().startsWith(WebSecurity.API);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    HttpSession session = request.getSession(false);
    if (session != null) {
      Authentication who = SecurityContextHolder.getContext().getAuthentication();
      Optional<Present> person =
          who == null || over(session) ? Optional.empty() : people.present(who.getName());
      if (person.isEmpty()
          || !Integer.valueOf(person.get().epoch()).equals(session.getAttribute(EPOCH))) {
        session.invalidate();
        SecurityContextHolder.clearContext();
      } else if (person.get().required()
          && !person.get().secondFactor()
          && !door.demo(request)
          && !request.getRequestURI().startsWith(WebSecurity.SESSION)) {
        response.sendError(
            HttpStatus.FORBIDDEN.value(), "Set up your second factor first; it is asked for here.");
        return;
      }
    }
    chain.doFilter(request, response);
  }

  private boolean over(HttpSession session) {
    return Instant.ofEpochMilli(session.getCreationTime()).plus(shift).isBefore(Instant.now(clock));
  }
}
