package org.jollychain.server.job;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.jollychain.core.visit.Outcome;
import org.jollychain.core.visit.VisitEntry;
import org.jollychain.core.visit.VisitEntry.Kind;
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
   * @param changes of the job as it was seen
   */
  record Planning(
      @NotNull Permit permit,
      @NotNull @Valid PolicyItem policy,
      int version,
      @NotNull Integer changes) {

    Seen seen() {
      return new Seen(version, changes);
    }
  }

  /**
   * What a job came to.
   *
   * @param as how it ended; where it is left out nothing is asked for
   * @param version of the job that is being closed
   * @param changes of the job as it was seen: what is signed off rests on what stood there
   */
  record Closing(
      @Nullable Outcome as,
      @NotBlank @Size(max = 2000) @JsonDeserialize(using = StrictReading.SeveralLines.class)
          String outcome,
      int version,
      @NotNull(message = "must be the job's, as it was seen: sign off what you looked at")
          Integer changes) {

    Seen seen() {
      return new Seen(version, changes);
    }
  }

  /**
   * What is told of a visit.
   *
   * @param subject an id of the guide or of the sheet, by the kind
   * @param changes of the job as it was seen, where what is told rests on that: a part that is
   *     renewed, a proof that holds
   */
  record Told(
      @NotNull Kind kind,
      @NotBlank @Size(max = 80) String subject,
      @Nullable @Size(max = 4000) String value,
      @Nullable Integer changes) {

    VisitEntry entry() {
      return new VisitEntry(kind, subject, value == null ? "" : value.strip());
    }
  }

  /**
   * By which revision of its sheet a job goes on.
   *
   * @param version of the job as it was seen
   * @param changes of the job as it was seen
   */
  record Move(int revision, int version, @NotNull Integer changes) {

    Seen seen() {
      return new Seen(version, changes);
    }
  }

  /** Why a job is struck out. */
  record StrikeJob(@NotBlank @Size(max = 500) String why, int version) {}
}
