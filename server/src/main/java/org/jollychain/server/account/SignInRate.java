package org.jollychain.server.account;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.jollychain.server.platform.RefusedException;
import org.springframework.stereotype.Component;

/** So many tries to sign in come from one address in a minute. */
@Component
class SignInRate {

  private static final int PER_MINUTE = 30;
  private static final int ADDRESSES = 10_000;

  private final LoadingCache<String, Bucket> buckets =
      Caffeine.newBuilder()
          .maximumSize(ADDRESSES)
          .expireAfterAccess(Duration.ofMinutes(10))
          .build(
              address ->
                  Bucket.builder()
                      .addLimit(
                          l ->
                              l.capacity(PER_MINUTE)
                                  .refillGreedy(PER_MINUTE, Duration.ofMinutes(1)))
                      .build());

  /**
   * @throws RefusedException when it is one too many
   */
  void refuseTooMany(String address) {
    if (!buckets.get(address).tryConsume(1)) {
      throw RefusedException.tooMany("Too many tries from here; wait a minute.");
    }
  }
}
