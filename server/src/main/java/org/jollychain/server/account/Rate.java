package org.jollychain.server.account;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;

/** So many a minute for each of those who do something. */
final class Rate {

  private static final int MOST_KNOWN = 10_000;
  private static final Duration MINUTE = Duration.ofMinutes(1);

  private final LoadingCache<String, Bucket> buckets;

  Rate(int perMinute) {
    buckets =
        Caffeine.newBuilder()
            .maximumSize(MOST_KNOWN)
            .expireAfterAccess(Duration.ofMinutes(10))
            .build(
                who ->
                    Bucket.builder()
                        .addLimit(l -> l.capacity(perMinute).refillGreedy(perMinute, MINUTE))
                        .build());
  }

  /** Whether one more is within it. */
  boolean allows(String who) {
    return buckets.get(who).tryConsume(1);
  }
}
