package org.jollychain.server.job;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.RefusedException;
import org.jspecify.annotations.Nullable;

/**
 * What of a table a job does not hold yet. A line with an id is that piece of evidence; one without
 * is compared by what it says and when, and is held as often as the job says so. An id that is
 * another job's stays there, and the line gets one of its own.
 */
final class TableMerge {

  private final UUID jobId;
  private final Predicate<UUID> elsewhere;
  private final Map<UUID, StoredEvidence> byId = new HashMap<>();
  private final Map<Said, Integer> held = new HashMap<>();
  private final Map<Said, Integer> met = new HashMap<>();

  /** What a piece says, and when it was taken, as far as it says so. */
  private record Said(EvidenceItem item, Instant at) {

    static Said of(EvidenceItem item, @Nullable OffsetDateTime takenAt) {
      OffsetDateTime when = item.at() == null ? takenAt : item.at();
      return new Said(item.untimed(), when == null ? Instant.MIN : when.toInstant());
    }

    /** Whether a piece that is held is meant; where no time is said, at whatever time. */
    boolean means(EvidenceItem other, OffsetDateTime takenAt) {
      return at.equals(Instant.MIN)
          ? other.untimed().equals(item)
          : of(other, takenAt).equals(this);
    }
  }

  /**
   * @param elsewhere whether an id that this job does not hold is taken
   */
  TableMerge(UUID jobId, List<StoredEvidence> evidence, Predicate<UUID> elsewhere) {
    this.jobId = jobId;
    this.elsewhere = elsewhere;
    for (StoredEvidence e : evidence) {
      byId.put(e.id(), e);
      held.merge(Said.of(e.item(), e.takenAt()), 1, Integer::sum);
    }
  }

  /**
   * The id a line is to be kept under, if the job does not hold it. To be asked line by line.
   *
   * @throws RefusedException when the job holds other evidence under the line's id
   */
  Optional<UUID> idIfNew(EvidenceCsv.Line line, EvidenceItem item) {
    Said said = Said.of(item, null);
    int occurrence = met.merge(said, 1, Integer::sum);
    UUID own = idOf(said, occurrence);
    UUID told = line.id();
    if (told == null) {
      return held.getOrDefault(said, 0) >= occurrence ? Optional.empty() : unlessHeld(own);
    }
    StoredEvidence same = byId.get(told);
    if (same == null) {
      return unlessHeld(elsewhere.test(told) ? own : told);
    }
    if (!said.means(same.item(), same.takenAt())) {
      throw RefusedException.conflict(
          "line %d: there is other evidence with this id in the job; take the id out of the line."
              .formatted(line.number()));
    }
    return Optional.empty();
  }

  private Optional<UUID> unlessHeld(UUID id) {
    return byId.containsKey(id) ? Optional.empty() : Optional.of(id);
  }

  private UUID idOf(Said said, int occurrence) {
    return UUID.nameUUIDFromBytes(
        "%s %d %s".formatted(jobId, occurrence, said).getBytes(StandardCharsets.UTF_8));
  }
}
