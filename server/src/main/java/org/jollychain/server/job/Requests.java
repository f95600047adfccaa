package org.jollychain.server.job;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.server.platform.StrictReading;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.annotation.JsonDeserialize;

/** What is sent to change a job. */
final class Requests {

  private Requests() {}

  /** Why something is struck out. */
  record Strike(@NotBlank @Size(max = 500) String why) {}

  /**
   * How a job is to be done.
   *
   * @param version of the job as it was seen
   */
  record Planning(@NotNull Permit permit, @NotNull @Valid PolicyItem policy, int version) {}

  /**
   * What a job came to.
   *
   * @param as how it ended; where it is left out nothing is asked for
   * @param version of the job that is being closed
   */
  record Closing(
      @Nullable Outcome as,
      @NotBlank @Size(max = 2000) @JsonDeserialize(using = StrictReading.SeveralLines.class)
          String outcome,
      int version) {}

  /**
   * What is told of a visit.
   *
   * @param subject an id of the guide or of the sheet, by the kind
   */
  record Told(
      VisitEntry.@NotNull Kind kind,
      @NotBlank @Size(max = 80) String subject,
      @Nullable @Size(max = 4000) String value) {

    VisitEntry entry() {
      return new VisitEntry(kind, subject, value == null ? "" : value.strip());
    }
  }

  /**
   * By which revision of its sheet a job goes on.
   *
   * @param version of the job as it was seen
   */
  record Move(int revision, int version) {}

  /** Why a job is struck out. */
  record StrikeJob(@NotBlank @Size(max = 500) String why, int version) {}
}
