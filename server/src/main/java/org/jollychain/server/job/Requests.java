package org.jollychain.server.job;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/** What is sent to change a job. */
final class Requests {

  private Requests() {}

  /** Why something is struck out. */
  record Strike(@NotBlank @Size(max = 500) String why) {}

  /**
   * What a job came to.
   *
   * @param version of the job that is being closed
   */
  record Closing(@NotBlank @Size(max = 2000) String outcome, int version) {}

  /** Why a job is struck out. */
  record StrikeJob(@NotBlank @Size(max = 500) String why, int version) {}
}
