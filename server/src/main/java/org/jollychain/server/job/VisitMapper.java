package org.jollychain.server.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.platform.Stamp;

@Mapper
interface VisitMapper {

  List<VisitLine> lines(@Param("jobId") UUID jobId);

  Optional<VisitLine> find(@Param("jobId") UUID jobId, @Param("id") UUID id);

  /** Numbers it next; none where the id is taken. */
  int insert(
      @Param("jobId") UUID jobId,
      @Param("id") UUID id,
      @Param("entry") VisitEntry entry,
      @Param("stamp") Stamp stamp);

  int strike(@Param("id") UUID id, @Param("why") String why, @Param("stamp") Stamp stamp);
}
