package org.jollychain.server.unit;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface UnitMapper {

  List<Unit> all();

  Optional<Unit> byTag(String tag);

  void insertIfNew(@Param("unit") Unit unit, @Param("createdAt") OffsetDateTime createdAt);
}
