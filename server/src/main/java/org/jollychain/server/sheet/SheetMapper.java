package org.jollychain.server.sheet;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface SheetMapper {

  List<SheetSummary> latest();

  Optional<SheetRevision> newest(String key);

  Optional<SheetRevision> find(@Param("key") String key, @Param("revision") int revision);

  List<SheetSummary> revisions(String key);

  void lock(String key);

  void withdraw(@Param("key") String key, @Param("at") OffsetDateTime at);

  void restore(String key);

  void insert(
      @Param("key") String key,
      @Param("revision") int revision,
      @Param("title") String title,
      @Param("family") String family,
      @Param("text") String text,
      @Param("parsed") String parsed,
      @Param("hash") String hash,
      @Param("createdAt") OffsetDateTime createdAt);
}
