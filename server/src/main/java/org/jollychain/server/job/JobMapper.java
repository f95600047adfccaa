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

  /** The number of a job's latest piece of evidence, 0 if it has none. */
  int lastNumber(@Param("jobId") UUID jobId);

  /** Those whose id is taken are left out. */
  int insertEvidence(
      @Param("jobId") UUID jobId,
      @Param("takenAt") OffsetDateTime takenAt,
      @Param("pieces") List<StoredEvidence.New> pieces);

  /** Counts anew what stands. */
  void evidenceChanged(@Param("jobId") UUID jobId);

  /** Keeps what led at a count of changes, unless a later one is kept. */
  void keepLeading(
      @Param("id") UUID id, @Param("changes") int changes, @Param("leading") String leading);

  /** Open jobs whose leading suspect is not that of their evidence. */
  List<Job> withoutLeading(int most);

  /** The latest open job on each sheet. */
  List<UUID> openOnEachSheet(int most);

  int strikeEvidence(
      @Param("id") UUID id, @Param("why") String why, @Param("struckAt") OffsetDateTime struckAt);
}
