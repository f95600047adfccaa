package org.jollychain.server.job;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.UUID;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.visit.Outcome;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
import org.jspecify.annotations.Nullable;

/**
 * A job on a unit, on the revision of its sheet that held when it was opened.
 *
 * @param guideKey the guide of the sheet's family when it was opened, if there was one
 * @param complaint one of the sheet's complaints, empty if none was told
 * @param customerWords what the customer says, word for word; empty if it was not told
 * @param owner login of whose job it is; empty where it is anybody's
 * @param liveBy login of who permitted live work; empty where it is not permitted
 * @param follows the job on the same unit that it follows, if it follows one
 * @param policy how it is to be done, complete
 * @param outcome what was found and done, once closed
 * @param readings pieces of evidence that stand
 * @param changes how often evidence was added or struck out
 * @param leadingSuspect what led when that was last assessed
 * @param leadingOf the count of changes it was assessed at
 * @param atStep the step of the visit at which the work was then, in words
 * @param nextToDo what came next, in words
 */
public record Job(
    UUID id,
    UUID unitId,
    String unitTag,
    String unitTitle,
    String unitModel,
    String unitPlace,
    String sheetKey,
    int sheetRevision,
    @Nullable String guideKey,
    @Nullable Integer guideRevision,
    String complaint,
    String customerWords,
    Permit permit,
    String technician,
    String owner,
    String liveBy,
    @Nullable UUID follows,
    OffsetDateTime openedAt,
    @Nullable OffsetDateTime closedAt,
    String outcome,
    Outcome closedAs,
    @Nullable OffsetDateTime struckAt,
    String struckWhy,
    @JsonIgnore PolicyItem policy,
    int version,
    @JsonIgnore String complaintTitle,
    @JsonIgnore int readings,
    int changes,
    @JsonIgnore @Nullable Leading leadingSuspect,
    @JsonIgnore @Nullable Integer leadingOf,
    @JsonIgnore String atStep,
    @JsonIgnore String nextToDo) {

  /** A revision of a guide. */
  record GuideOf(String key, int revision) {}

  /** What it is guided by. */
  Optional<GuideOf> guide() {
    return guideKey == null || guideRevision == null
        ? Optional.empty()
        : Optional.of(new GuideOf(guideKey, guideRevision));
  }

  /** When it was closed, or now. */
  OffsetDateTime end() {
    return closedAt == null ? OffsetDateTime.now(ZoneOffset.UTC) : closedAt;
  }

  /** Whether the leading suspect is that of the evidence as it is. */
  boolean leadingIsOfNow() {
    return leadingOf != null && leadingOf == changes;
  }

  /**
   * @throws RefusedException when it is not theirs to write to
   */
  void refuseUnlessTheirs(Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Working on a job");
    if (!owner.isEmpty() && !owner.equals(stamp.by()) && !stamp.may(Role.LEAD)) {
      throw RefusedException.forbidden(
          "This job is %s's; a lead may work on it, or open one of your own."
              .formatted(technician.isEmpty() ? owner : technician));
    }
  }

  /**
   * @throws RefusedException when it takes no more
   */
  void refuseUnlessOpen() {
    if (struckAt != null) {
      throw RefusedException.conflict(
          "This job is struck out (%s); open a new one.".formatted(struckWhy));
    }
    if (closedAt != null) {
      throw RefusedException.conflict("This job is closed; open a new one for what is read now.");
    }
  }
}
