package org.jollychain.server.account;

import java.util.Set;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface SessionMapper {

  Set<String> open(@Param("ids") String[] ids);
}
