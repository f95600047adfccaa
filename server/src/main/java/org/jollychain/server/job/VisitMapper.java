package org.jollychain.server.job;

import java.time.OffsetDateTime;
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

  /** Of the visit before at the same unit, that was closed before this one began. */
  List<VisitLine> earlier(@Param("jobId") UUID jobId);

  Optional<VisitLine> find(@Param("jobId") UUID jobId, @Param("id") UUID id);

  /** Parts that were renewed at a unit, the latest first. */
  List<Fitted> fitted(UUID unitId);

  /**
   * A part that was renewed.
   *
   * @param printed on the new one
   */
  record Fitted(
      UUID jobId,
      String sheetKey,
      int sheetRevision,
      String part,
      String printed,
      OffsetDateTime on) {}

  /** Numbers it next; none where the id is taken. */
  int insert(
      @Param("jobId") UUID jobId,
      @Param("id") UUID id,
      @Param("entry") VisitEntry entry,
      @Param("stamp") Stamp stamp);

  int strike(@Param("id") UUID id, @Param("why") String why, @Param("stamp") Stamp stamp);
}
