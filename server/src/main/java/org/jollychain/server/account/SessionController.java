package org.jollychain.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Stamps;
import org.springframework.http.MediaType;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Signing in and out. */
@RestController
@RequestMapping(path = "/api/session", produces = MediaType.APPLICATION_JSON_VALUE)
class SessionController {

  private final SignInService signIn;
  private final PeopleService people;
  private static final int TRIES_PER_MINUTE = 30;

  private final Rate tries = new Rate(TRIES_PER_MINUTE);
  private final OpenDoor door;
  private final Stamps stamps;
  private final SecurityContextRepository contexts;
  private final CookieCsrfTokenRepository csrfTokens;

  SessionController(
      SignInService signIn,
      PeopleService people,
      OpenDoor door,
      Stamps stamps,
      SecurityContextRepository contexts,
      CookieCsrfTokenRepository csrfTokens) {
    this.signIn = signIn;
    this.people = people;
    this.door = door;
    this.stamps = stamps;
    this.contexts = contexts;
    this.csrfTokens = csrfTokens;
  }

  /** What is typed to sign in. */
  record Credentials(
      @NotBlank @Size(max = 40) String login, @NotBlank @Size(max = 200) String password) {}

  /** One of the demo station's people. */
  record Click(@NotBlank @Size(max = 40) String login) {}

  /** One's own password and the one to be. */
  record NewPassword(
      @NotBlank @Size(max = 200) String present, @NotBlank @Size(max = 200) String wanted) {}

  @GetMapping
  SessionView session(HttpServletRequest request) {
    String login = stamps.now().by();
    List<Person> all = people.all();
    return new SessionView(
        all.stream().filter(p -> p.login().equals(login)).findFirst().orElse(null),
        door.demo(request) ? all.stream().filter(p -> !p.retired()).toList() : List.of(),
        door.withoutLead(request));
  }

  @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
  SessionView signIn(
      @RequestBody @Valid Credentials typed,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (!tries.allows(request.getRemoteAddr())) {
      throw RefusedException.tooMany("Too many tries from here; wait a minute.");
    }
    begin(signIn.signIn(typed.login().strip(), typed.password()), request, response);
    return session(request);
  }

  /** In the demo, on the machine itself. */
  @PostMapping(path = "/demo", consumes = MediaType.APPLICATION_JSON_VALUE)
  SessionView click(
      @RequestBody @Valid Click click, HttpServletRequest request, HttpServletResponse response) {
    if (!door.demo(request)) {
      throw RefusedException.forbidden("Only the demo is entered by a click, on its own machine.");
    }
    Person person = people.found(click.login());
    begin(person.role().of(person.login()), request, response);
    return session(request);
  }

  /** Makes the first lead of an empty library, and signs them in. */
  @PostMapping(path = "/first", consumes = MediaType.APPLICATION_JSON_VALUE)
  SessionView first(
      @RequestBody @Valid NewPerson lead,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (!door.withoutLead(request)) {
      throw RefusedException.forbidden(
          "The first lead is made on the machine itself, in a library that has none.");
    }
    people.first(lead);
    begin(lead.role().of(lead.login()), request, response);
    return session(request);
  }

  @PutMapping(path = "/password", consumes = MediaType.APPLICATION_JSON_VALUE)
  void change(@RequestBody @Valid NewPassword change) {
    people.change(change.present(), change.wanted());
  }

  @DeleteMapping
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
  }

  /** On every device. */
  @DeleteMapping("/everywhere")
  void signOutEverywhere(HttpServletRequest request) {
    if (!stamps.now().by().isEmpty()) {
      people.endSessions(stamps.now().by());
    }
    signOut(request);
  }

  /** A session of a new id, so that none that was known before gains by it. */
  private void begin(Authentication who, HttpServletRequest request, HttpServletResponse response) {
    HttpSession before = request.getSession(false);
    if (before != null) {
      before.invalidate();
    }
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(who);
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    csrfTokens.saveToken(csrfTokens.generateToken(request), request, response);
  }
}
