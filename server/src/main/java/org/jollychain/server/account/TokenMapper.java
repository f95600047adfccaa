package org.jollychain.server.account;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;

@Mapper
interface TokenMapper {

  List<ApiToken> all();

  /** The one that lets in now, with what its person may: it is nothing without them. */
  Optional<Valid> valid(@Param("hash") String hash, @Param("now") OffsetDateTime now);

  /**
   * A token that lets in.
   *
   * @param roleOfPerson what whoever made it may today
   */
  record Valid(String title, Role role, Role roleOfPerson) {

    /** What it may: never more than its person. */
    Role may() {
      return role.atLeast(roleOfPerson) ? roleOfPerson : role;
    }
  }

  int insertIfNew(
      @Param("id") UUID id,
      @Param("title") String title,
      @Param("role") Role role,
      @Param("endsAt") OffsetDateTime endsAt,
      @Param("hash") String hash,
      @Param("stamp") Stamp stamp);

  int revoke(@Param("id") UUID id, @Param("stamp") Stamp stamp);

  /** All that somebody made. */
  void revokeOf(@Param("login") String login, @Param("stamp") Stamp stamp);
}
