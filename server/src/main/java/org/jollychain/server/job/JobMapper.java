package org.jollychain.server.job;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.visit.Outcome;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;

@Mapper
interface JobMapper {

  List<Job> list(
      @Param("search") JobSearch search, @Param("most") int most, @Param("after") int after);

  int count(@Param("search") JobSearch search);

  List<String> technicians();

  List<Job> onUnit(UUID unitId);

  Optional<Job> find(@Param("id") UUID id);

  /** The same, held against closing until the transaction ends. */
  Optional<Job> findForEvidence(@Param("id") UUID id);

  int insertIfNew(@Param("job") Job job, @Param("stamp") Stamp stamp);

  int plan(
      @Param("id") UUID id,
      @Param("seen") Seen seen,
      @Param("permit") Permit permit,
      @Param("policy") PolicyItem policy,
      @Param("stamp") Stamp stamp);

  /** What tells whether jobs are as they were. */
  List<Mark> marks(@Param("ids") UUID[] ids);

  /** One job's: it is another whenever anything of the job changed. */
  record Mark(UUID id, String mark) {}

  /** Takes a job to another revision of its sheet. */
  int moveTo(
      @Param("id") UUID id,
      @Param("seen") Seen seen,
      @Param("revision") int revision,
      @Param("complaint") String complaint,
      @Param("title") String title,
      @Param("stamp") Stamp stamp);

  int close(
      @Param("id") UUID id,
      @Param("seen") Seen seen,
      @Param("as") Outcome as,
      @Param("outcome") String outcome,
      @Param("stamp") Stamp stamp);

  int strike(
      @Param("id") UUID id,
      @Param("version") int version,
      @Param("why") String why,
      @Param("stamp") Stamp stamp);

  List<StoredEvidence> evidence(@Param("jobId") UUID jobId);

  Optional<StoredEvidence> findEvidence(@Param("id") UUID id);

  int countEvidence(@Param("jobId") UUID jobId);

  /** The number of a job's latest piece of evidence, 0 if it has none. */
  int lastNumber(@Param("jobId") UUID jobId);

  /** Those whose id is taken are left out. */
  int insertEvidence(
      @Param("jobId") UUID jobId,
      @Param("stamp") Stamp stamp,
      @Param("pieces") List<StoredEvidence.New> pieces);

  /** Counts anew what stands. */
  void evidenceChanged(@Param("jobId") UUID jobId);

  /** What is concluded in open jobs on a unit is to be looked at again. */
  void factsChanged(@Param("unitId") UUID unitId);

  /** Keeps what led, and where the work was, at a count of changes, unless a later one is kept. */
  void keepLeading(
      @Param("id") UUID id,
      @Param("changes") int changes,
      @Param("leading") Leading leading,
      @Param("step") String step,
      @Param("next") String next,
      @Param("complaints") String complaints);

  /** Open jobs whose leading suspect is not that of their evidence. */
  List<Job> withoutLeading(int most);

  /** The latest open job on each sheet. */
  List<UUID> openOnEachSheet(int most);

  int strikeEvidence(@Param("id") UUID id, @Param("why") String why, @Param("stamp") Stamp stamp);
}
