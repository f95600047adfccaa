package org.jollychain.server.account;

import java.util.Optional;
import java.util.UUID;
import org.jollychain.server.account.PersonMapper.AtTheDoor;
import org.jollychain.server.platform.RefusedException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/** Lets people in by login, password and, where they have one, the code of their second factor. */
@Service
class SignInService {

  private static final Logger LOG = LoggerFactory.getLogger(SignInService.class);

  private final PersonMapper people;
  private final PasswordEncoder passwords;
  private final SignInTries tries;
  private final SecondFactorService factors;

  /** What an unknown login is held against, so that it takes as long as a known one. */
  private final String nobodys;

  SignInService(
      PersonMapper people,
      PasswordEncoder passwords,
      SignInTries tries,
      SecondFactorService factors) {
    this.people = people;
    this.passwords = passwords;
    this.tries = tries;
    this.factors = factors;
    this.nobodys = passwords.encode(UUID.randomUUID().toString());
  }

  /**
   * Somebody who came in.
   *
   * @param epoch their sessions were in when the password was read: one that begins later than a
   *     retirement, a new role or a new password is over at its first request
   */
  record SignedIn(Authentication who, int epoch) {}

  /**
   * @param code of the second factor; empty where none was typed
   * @throws RefusedException when something is wrong, the login is locked, or a code is needed
   */
  SignedIn signIn(String login, String password, String code) {
    tries.begin(login);
    Optional<AtTheDoor> known = people.atTheDoor(login);
    String hash = known.map(AtTheDoor::password).orElse(nobodys);
    boolean right = passwords.matches(password, hash);
    if (known.isEmpty() || !right || known.get().retired()) {
      LOG.info("sign-in of \"{}\" failed", known.map(AtTheDoor::login).orElse("somebody unknown"));
      throw RefusedException.unauthorized("Login or password is wrong.");
    }
    if (known.get().secondFactor()) {
      if (code.isEmpty()) {
        tries.takeBack(login);
        throw RefusedException.codeNeeded("Type the code that your second factor shows now.");
      }
      if (!factors.accepts(login, code)) {
        LOG.info("sign-in of \"{}\" failed at its code", login);
        throw RefusedException.codeNeeded(
            "That code is wrong or was used; type the one that is shown now, or a recovery code.");
      }
    }
    tries.right(login);
    if (passwords.upgradeEncoding(hash)) {
      people.rehash(login, passwords.encode(password), hash);
    }
    return new SignedIn(known.get().role().of(login), known.get().epoch());
  }
}
