package org.jollychain.server.meter;

import java.time.OffsetDateTime;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jspecify.annotations.Nullable;

@Mapper
interface MeterMapper {

  List<OwnedMeter> all();

  /** Two who add a meter take turns, so that the bound holds. */
  void lock();

  int insertIfNew(@Param("meter") ShopMeter meter, @Param("createdAt") OffsetDateTime createdAt);

  int update(@Param("meter") ShopMeter meter, @Param("version") int version);

  int retire(@Param("id") String id, @Param("at") @Nullable OffsetDateTime at);
}
