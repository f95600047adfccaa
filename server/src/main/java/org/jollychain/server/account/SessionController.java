package org.jollychain.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import org.jollychain.server.account.PersonMapper.Present;
import org.jollychain.server.account.SessionView.SecondFactor;
import org.jollychain.server.account.SignInService.SignedIn;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamps;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
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
  private final SessionsService sessions;
  private static final int TRIES_PER_MINUTE = 30;

  private final Rate tries = new Rate(TRIES_PER_MINUTE);
  private final OpenDoor door;
  private final Stamps stamps;
  private final SecurityContextRepository contexts;
  private final CookieCsrfTokenRepository csrfTokens;

  SessionController(
      SignInService signIn,
      PeopleService people,
      SessionsService sessions,
      OpenDoor door,
      Stamps stamps,
      SecurityContextRepository contexts,
      CookieCsrfTokenRepository csrfTokens) {
    this.signIn = signIn;
    this.people = people;
    this.sessions = sessions;
    this.door = door;
    this.stamps = stamps;
    this.contexts = contexts;
    this.csrfTokens = csrfTokens;
  }

  /**
   * What is typed to sign in.
   *
   * @param code of the second factor, where there is one: that of the device, or a recovery code
   */
  record Credentials(
      @NotBlank @Size(max = 40) String login,
      @NotBlank @Size(max = 200) String password,
      @Nullable @Size(max = 20) String code) {}

  /** One of the demo station's people. */
  record Click(@NotBlank @Size(max = 40) String login) {}

  /** One's own password and the one to be. */
  record NewPassword(
      @NotBlank @Size(max = 200) String present, @NotBlank @Size(max = 200) String wanted) {}

  @GetMapping
  SessionView session(HttpServletRequest request) {
    String login = stamps.now().by();
    List<Person> all = people.all();
    Optional<Present> present = people.present(login);
    return new SessionView(
        all.stream().filter(p -> p.login().equals(login)).findFirst().orElse(null),
        door.demo(request) ? all.stream().filter(p -> !p.retired()).toList() : List.of(),
        door.withoutLead(request),
        present.map(p -> secondFactor(p, request)).orElse(SecondFactor.NONE),
        present.map(Present::deviceKey).orElse(null));
  }

  private SecondFactor secondFactor(Present person, HttpServletRequest request) {
    if (person.secondFactor()) {
      return SecondFactor.ON;
    }
    return person.required() && !door.demo(request) ? SecondFactor.DUE : SecondFactor.NONE;
  }

  @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
  SessionView signIn(
      @RequestBody @Valid Credentials typed,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (!tries.allows(request.getRemoteAddr())) {
      throw RefusedException.tooMany("Too many tries from here; wait a minute.");
    }
    String code = typed.code() == null ? "" : typed.code();
    begin(signIn.signIn(typed.login().strip(), typed.password(), code), request, response);
    return session(request);
  }

  /** In the demo, on the machine itself. */
  @PostMapping(path = "/demo", consumes = MediaType.APPLICATION_JSON_VALUE)
  SessionView click(
      @RequestBody @Valid Click click, HttpServletRequest request, HttpServletResponse response) {
    if (!door.demo(request)) {
      throw RefusedException.forbidden("Only the demo is entered by a click, on its own machine.");
    }
    begin(now(click.login()), request, response);
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
    begin(now(lead.login()), request, response);
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
      sessions.endAll(stamps.now().by());
    }
    signOut(request);
  }

  /** One's own sessions, the one used last first. */
  @GetMapping("/all")
  List<SessionsService.OwnSession> own(HttpServletRequest request) {
    stamps.now().require(Role.VIEWER, "The list of one's own sessions");
    return sessions.own(here(request));
  }

  /** Ends one of one's own. */
  @DeleteMapping("/all/{id}")
  List<SessionsService.OwnSession> end(@PathVariable String id, HttpServletRequest request) {
    stamps.now().require(Role.VIEWER, "Ending a session of one's own");
    sessions.end(id);
    return sessions.own(here(request));
  }

  private static String here(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    return session == null ? "" : session.getId();
  }

  private SignedIn now(String login) {
    Person person = people.found(login);
    return new SignedIn(
        person.role().of(login),
        people
            .present(login)
            .orElseThrow(() -> RefusedException.forbidden(person.name() + " is retired."))
            .epoch());
  }

  /** A session of a new id, so that none that was known before gains by it. */
  private void begin(SignedIn in, HttpServletRequest request, HttpServletResponse response) {
    HttpSession before = request.getSession(false);
    if (before != null) {
      before.invalidate();
    }
    HttpSession session = request.getSession();
    session.setAttribute(StillSignedIn.EPOCH, in.epoch());
    session.setAttribute(SessionsService.DEVICE, device(request));
    session.setAttribute(SessionsService.ADDRESS, request.getRemoteAddr());
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(in.who());
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    csrfTokens.saveToken(csrfTokens.generateToken(request), request, response);
  }

  private static String device(HttpServletRequest request) {
    String program = request.getHeader(HttpHeaders.USER_AGENT);
    if (program == null || !program.startsWith("Mozilla/")) {
      return "program";
    }
    return program.contains("Mobile") ? "phone" : "computer";
  }
}
