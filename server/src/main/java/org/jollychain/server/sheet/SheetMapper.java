package org.jollychain.server.sheet;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;
import org.jspecify.annotations.Nullable;

@Mapper
interface SheetMapper {

  List<SheetSummary> latest();

  Optional<SheetRevision> newest(String key);

  int newestRevision(String key);

  Optional<SheetRevision> find(@Param("key") String key, @Param("revision") int revision);

  List<SheetSummary> revisions(String key);

  void lock(String key);

  void withdraw(@Param("key") String key, @Param("stamp") Stamp stamp);

  boolean withdrawn(String key);

  void restore(@Param("key") String key, @Param("stamp") Stamp stamp);

  void insert(
      @Param("key") String key,
      @Param("revision") int revision,
      @Param("title") String title,
      @Param("family") String family,
      @Param("text") String text,
      @Param("shorthand") @Nullable String shorthand,
      @Param("parsed") String parsed,
      @Param("hash") String hash,
      @Param("stamp") Stamp stamp);
}
