package org.jollychain.server.unit;

import java.util.List;
import java.util.Optional;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface UnitMapper {

  List<Unit> all();

  Optional<Unit> byTag(String tag);

  int insertIfNew(@Param("unit") Unit unit, @Param("stamp") Stamp stamp);

  /** Nothing where it is no longer of the version it says. */
  int change(@Param("unit") Unit unit, @Param("stamp") Stamp stamp);
}
