package org.jollychain.server.policy;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface PolicyMapper {

  ShopPolicy shop();

  int keep(
      @Param("policy") PolicyItem policy,
      @Param("version") int version,
      @Param("stamp") Stamp stamp);
}
