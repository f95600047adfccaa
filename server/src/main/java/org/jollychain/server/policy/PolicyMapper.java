package org.jollychain.server.policy;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface PolicyMapper {

  ShopPolicyRow shop();

  int keep(@Param("policy") String policy, @Param("version") int version);
}
