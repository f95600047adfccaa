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

  /** The one that lets in now. */
  Optional<ApiToken> valid(@Param("hash") String hash, @Param("now") OffsetDateTime now);

  int insertIfNew(
      @Param("id") UUID id,
      @Param("title") String title,
      @Param("role") Role role,
      @Param("endsAt") OffsetDateTime endsAt,
      @Param("hash") String hash,
      @Param("stamp") Stamp stamp);

  int revoke(@Param("id") UUID id, @Param("stamp") Stamp stamp);
}
