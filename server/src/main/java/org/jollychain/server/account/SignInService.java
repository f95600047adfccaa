package org.jollychain.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.server.account.PersonMapper.AtTheDoor;
import org.jollychain.server.platform.RefusedException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;

/**
 * Lets people in by login and password. After five failures the login is locked for half a minute,
 * and twice as long after each further one, up to an hour.
 */
@Service
class SignInService {

  private static final Logger LOG = LoggerFactory.getLogger(SignInService.class);
  private static final int FREE_FAILURES = 5;
  private static final Duration FIRST_LOCK = Duration.ofSeconds(30);
  private static final Duration LONGEST_LOCK = Duration.ofHours(1);

  private final PersonMapper people;
  private final PasswordEncoder passwords;
  private final Clock clock;

  /** What an unknown login is held against, so that it takes as long as a known one. */
  private final String nobodys;

  SignInService(PersonMapper people, PasswordEncoder passwords, Clock clock) {
    this.people = people;
    this.passwords = passwords;
    this.clock = clock;
    this.nobodys = passwords.encode(UUID.randomUUID().toString());
  }

  /**
   * @throws RefusedException when login or password is wrong, or the login is locked
   */
  Authentication signIn(String login, String password) {
    Optional<AtTheDoor> known = people.atTheDoor(login);
    OffsetDateTime now = OffsetDateTime.now(clock);
    if (known.isPresent() && locked(known.get(), now)) {
      throw RefusedException.tooMany(
          "Too many failures; this login opens again in %d s."
              .formatted(Duration.between(now, known.get().lockedUntil()).toSeconds() + 1));
    }
    String hash = known.map(AtTheDoor::password).orElse(nobodys);
    boolean right = passwords.matches(password, hash);
    if (known.isEmpty() || !right || known.get().retired()) {
      LOG.info("sign-in of \"{}\" failed", known.map(AtTheDoor::login).orElse("somebody unknown"));
      known.ifPresent(p -> people.failed(p.login(), lockAfter(p.failures() + 1, now)));
      throw RefusedException.unauthorized("Login or password is wrong.");
    }
    people.succeeded(login);
    if (passwords.upgradeEncoding(hash)) {
      people.rehash(login, passwords.encode(password));
    }
    return known.get().role().of(login);
  }

  private static boolean locked(AtTheDoor person, OffsetDateTime now) {
    return person.lockedUntil() != null && person.lockedUntil().isAfter(now);
  }

  private static @Nullable OffsetDateTime lockAfter(int failures, OffsetDateTime now) {
    if (failures < FREE_FAILURES) {
      return null;
    }
    long doublings = Math.min(failures - FREE_FAILURES, 20);
    Duration lock = FIRST_LOCK.multipliedBy(1L << doublings);
    return now.plus(lock.compareTo(LONGEST_LOCK) > 0 ? LONGEST_LOCK : lock);
  }
}
