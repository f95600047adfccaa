package org.jollychain.server.account;

import java.time.OffsetDateTime;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface SignInTryMapper {

  /**
   * Counts a try, in one statement.
   *
   * @param free how many failures are free of a lock
   * @param firstSeconds how long the first lock lasts; each further failure doubles it
   * @param mostSeconds how long a lock lasts at most
   * @return 0 where the login is locked and nothing was counted
   */
  int count(
      @Param("login") String login,
      @Param("now") OffsetDateTime now,
      @Param("free") int free,
      @Param("firstSeconds") long firstSeconds,
      @Param("mostSeconds") long mostSeconds);

  Optional<OffsetDateTime> lockedUntil(String login);

  void forget(String login);

  void takeBack(String login);

  /** Those of logins at which nobody has tried since. */
  void forgetOlder(OffsetDateTime then);
}
