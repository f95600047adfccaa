package org.jollychain.server.account;

import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface AuditMapper {

  /**
   * @param subject every kind where empty
   * @param key every one of a kind where empty
   * @param before lines older than this one
   */
  List<AuditLine> lines(
      @Param("subject") String subject,
      @Param("key") String key,
      @Param("by") String by,
      @Param("before") long before,
      @Param("most") int most);
}
