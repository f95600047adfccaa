package org.jollychain.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Locale;
import org.jollychain.server.platform.RefusedException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Counts tries to guess a password or a code. A try counts as a failure before it is looked at, so
 * that many at once are no more than many in turn, and alike for logins that nobody has. After five
 * the login is locked for half a minute, and twice as long after each further one, up to an hour;
 * after a day without a try they are forgotten. What is counted stays, whatever becomes of the
 * request.
 */
@Service
class SignInTries {

  private static final int FREE_FAILURES = 5;
  private static final Duration FIRST_LOCK = Duration.ofSeconds(30);
  private static final Duration LONGEST_LOCK = Duration.ofHours(1);
  private static final Duration KEPT = Duration.ofDays(1);

  private final SignInTryMapper tries;
  private final Clock clock;

  SignInTries(SignInTryMapper tries, Clock clock) {
    this.tries = tries;
    this.clock = clock;
  }

  /**
   * Counts one more try.
   *
   * @throws RefusedException when the login is locked
   */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void begin(String login) {
    OffsetDateTime now = OffsetDateTime.now(clock);
    tries.forgetOlder(now.minus(KEPT));
    String key = key(login);
    if (tries.count(key, now, FREE_FAILURES, FIRST_LOCK.toSeconds(), LONGEST_LOCK.toSeconds())
        == 0) {
      Duration left = Duration.between(now, tries.lockedUntil(key).orElse(now));
      throw RefusedException.tooMany(
          "Too many failures; this login opens again in %d s.".formatted(left.toSeconds() + 1));
    }
  }

  /** It was right: all failures before it are forgotten. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void right(String login) {
    tries.forget(key(login));
  }

  /** It was right as far as it went: this try is no failure, those before it stay. */
  @Transactional(propagation = Propagation.REQUIRES_NEW)
  public void takeBack(String login) {
    tries.takeBack(key(login));
  }

  private static String key(String login) {
    return login.strip().toLowerCase(Locale.ROOT);
  }
}
