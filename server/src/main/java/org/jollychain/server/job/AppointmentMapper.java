package org.jollychain.server.job;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.jollychain.server.platform.Stamp;

@Mapper
interface AppointmentMapper {

  void insert(
      @Param("unitId") UUID unitId,
      @Param("appointment") Appointment appointment,
      @Param("stamp") Stamp stamp);

  /** Unsettled ones up to a day, the first due first. */
  List<Appointment> due(@Param("until") LocalDate until, @Param("most") int most);

  List<Appointment> ofUnit(UUID unitId);

  /** What it was settled as; empty where it is not yet. */
  Optional<String> settledAs(UUID id);

  int settle(@Param("id") UUID id, @Param("as") String as, @Param("stamp") Stamp stamp);

  void settleFollowUps(
      @Param("jobId") UUID jobId, @Param("as") String as, @Param("stamp") Stamp stamp);
}
