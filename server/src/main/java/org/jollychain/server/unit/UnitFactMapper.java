package org.jollychain.server.unit;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface UnitFactMapper {

  /** Of a unit, the latest first, the struck ones too. */
  List<KeptFact> of(@Param("unitId") UUID unitId);

  /** Those that stand of all units. */
  List<KeptFact> standing();

  /** What stands of other units of a model. */
  List<KeptFact> ofModel(@Param("model") String model, @Param("but") UUID unitId);

  Optional<KeptFact> find(@Param("id") UUID id);

  /** None where the id is taken, or where another stands of the part. */
  int insert(
      @Param("id") UUID id,
      @Param("unitId") UUID unitId,
      @Param("fact") NewFact fact,
      @Param("stamp") Stamp stamp);

  int strike(@Param("id") UUID id, @Param("why") String why, @Param("stamp") Stamp stamp);
}
