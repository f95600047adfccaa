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

  void insertIfNew(@Param("unit") Unit unit, @Param("stamp") Stamp stamp);
}
