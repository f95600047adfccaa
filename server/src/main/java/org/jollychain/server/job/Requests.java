package org.jollychain.server.job;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.jollychain.server.platform.StrictReading;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
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
   * @param version of the job that is being closed
   */
  record Closing(
      @NotBlank @Size(max = 2000) @JsonDeserialize(using = StrictReading.SeveralLines.class)
          String outcome,
      int version) {}

  /** Why a job is struck out. */
  record StrikeJob(@NotBlank @Size(max = 500) String why, int version) {}
}
