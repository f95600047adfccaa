package org.jollychain.server.job;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;

@Mapper
interface JobMapper {

  List<Job> recent(int most);

  Optional<Job> find(@Param("id") UUID id);

  /** The same, held against closing until the transaction ends. */
  Optional<Job> findForEvidence(@Param("id") UUID id);

  int insertIfNew(Job job);

  int plan(
      @Param("id") UUID id,
      @Param("version") int version,
      @Param("permit") String permit,
      @Param("policy") String policy);

  int close(
      @Param("id") UUID id,
      @Param("version") int version,
      @Param("outcome") String outcome,
      @Param("closedAt") OffsetDateTime closedAt);

  int strike(
      @Param("id") UUID id,
      @Param("version") int version,
      @Param("why") String why,
      @Param("struckAt") OffsetDateTime struckAt);

  List<StoredEvidence> evidence(@Param("jobId") UUID jobId);

  Optional<StoredEvidence> findEvidence(@Param("id") UUID id);

  int countEvidence(@Param("jobId") UUID jobId);

  int insertEvidenceIfNew(
      @Param("id") UUID id,
      @Param("jobId") UUID jobId,
      @Param("body") String body,
      @Param("takenAt") OffsetDateTime takenAt);

  int strikeEvidence(
      @Param("id") UUID id, @Param("why") String why, @Param("struckAt") OffsetDateTime struckAt);
}
