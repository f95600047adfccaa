package org.jollychain.server.account;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.commons.codec.digest.DigestUtils;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Tokens for scripts: 256 random bits, told once and kept as their SHA-256, which for a secret
 * nobody chose is enough. A token belongs to the lead who made it: it may no more than they, and
 * ends with them.
 */
@Service
class TokenService {

  private static final String PREFIX = "jolly_";
  private static final int BYTES = 32;
  private static final int LONGEST_DAYS = 366;

  private final TokenMapper tokens;
  private final PersonMapper people;
  private final Stamps stamps;
  private final Clock clock;
  private final SecureRandom random = new SecureRandom();

  TokenService(TokenMapper tokens, PersonMapper people, Stamps stamps, Clock clock) {
    this.tokens = tokens;
    this.people = people;
    this.stamps = stamps;
    this.clock = clock;
  }

  List<ApiToken> all() {
    stamps.now().require(Role.LEAD, "The list of tokens");
    return tokens.all();
  }

  /**
   * Makes a token and tells it, this once.
   *
   * @throws RefusedException when the id was used before, or it would last too long
   */
  @Transactional
  String make(UUID id, String title, Role role, int days) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Making a token");
    if (people.find(now.by()).isEmpty()) {
      throw RefusedException.forbidden(
          "A token belongs to the person who makes it: sign in first.");
    }
    if (days < 1 || days > LONGEST_DAYS) {
      throw RefusedException.unprocessable("days: 1 to %d.".formatted(LONGEST_DAYS));
    }
    byte[] secret = new byte[BYTES];
    random.nextBytes(secret);
    String token = PREFIX + Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    OffsetDateTime end = OffsetDateTime.now(clock).plusDays(days);
    if (tokens.insertIfNew(id, title.strip(), role, end, DigestUtils.sha256Hex(token), now) == 0) {
      throw RefusedException.conflict(
          "This token was made already, and is told once only; revoke it and make another.");
    }
    return token;
  }

  /**
   * @throws RefusedException when there is no such token
   */
  @Transactional
  void revoke(UUID id) {
    stamps.now().require(Role.LEAD, "Revoking a token");
    if (tokens.revoke(id, stamps.now()) == 0) {
      throw RefusedException.notFound("There is no token %s.".formatted(id));
    }
  }

  Optional<TokenMapper.Valid> valid(String token) {
    return tokens.valid(DigestUtils.sha256Hex(token), OffsetDateTime.now(clock));
  }
}
