package org.jollychain.server.meter;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface MeterMapper {

  List<OwnedMeter> all();

  /** Two who add a meter take turns, so that the bound holds. */
  void lock();

  int insertIfNew(@Param("meter") ShopMeter meter, @Param("stamp") Stamp stamp);

  int update(
      @Param("meter") ShopMeter meter, @Param("version") int version, @Param("stamp") Stamp stamp);

  int retire(
      @Param("id") String id, @Param("retired") boolean retired, @Param("stamp") Stamp stamp);
}
