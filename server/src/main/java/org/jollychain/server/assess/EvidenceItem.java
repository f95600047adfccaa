package org.jollychain.server.assess;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.ComplaintTold;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Inspection;
import org.jollychain.core.evidence.Observation;
import org.jollychain.core.network.Meters;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.jspecify.annotations.Nullable;

/**
 * A piece of evidence as a case file writes it: a reading has a {@code function} and says where the
 * probes were; an observation has the name of one and a {@code part}.
 *
 * @param value what the meter shows; {@code yes}, {@code weakly} or {@code no} of a load that runs;
 *     what an inspection found; the code that is shown; one of the sheet's complaints
 * @param liftedAt points at which all but the part under test was taken off
 * @param meter one of the known meters, the usual one where left out
 * @param celsius what the part was brought to, where other than the situation says: {@code 95 C}
 * @param reseated whether the part's terminals had been taken off and put on again before
 * @param at when it was taken; only faults that come and go depend on it
 */
public record EvidenceItem(
    @Nullable @Size(max = 40) String function,
    @Nullable @Size(max = 40) String red,
    @Nullable @Size(max = 40) String black,
    @Nullable @Size(max = 80) String across,
    @Nullable @Size(max = 80) String through,
    @NotBlank @Size(max = 80) String situation,
    @Nullable @Size(max = 20) List<@NotBlank @Size(max = 40) String> liftedAt,
    @Nullable @Size(max = 40) String meter,
    @Nullable @Size(max = 40) String observation,
    @Nullable @Size(max = 80) String part,
    @Nullable @Size(max = 20) String celsius,
    @Nullable Boolean reseated,
    @Nullable OffsetDateTime at,
    @NotBlank @Size(max = 60) String value) {

  private static final String LOAD_RUNS = "load-runs";
  private static final String INSPECTION = "inspection";
  private static final String CODE_SHOWN = "code-shown";
  private static final String COMPLAINT = "complaint";

  /**
   * @throws EvidenceException when it cannot be evidence of this sheet
   */
  public Evidence on(Sheet sheet, Meters meters, String id) {
    if (observation == null) {
      return entry(id).on(sheet, meters);
    }
    String seenOn = part == null ? "" : part;
    Optional<Instant> when = Optional.ofNullable(at).map(OffsetDateTime::toInstant);
    return switch (observation) {
      case LOAD_RUNS -> Observation.on(sheet, id, seenOn, situation, value, when);
      case INSPECTION -> Inspection.on(sheet, id, seenOn, situation, value, when);
      case CODE_SHOWN -> CodeShown.on(sheet, id, situation, value, when);
      case COMPLAINT -> ComplaintTold.on(sheet, id, value, when);
      default ->
          throw new EvidenceException(
              "observation",
              "\"%s\" is no observation known here; there are %s, %s, %s and %s"
                  .formatted(observation, LOAD_RUNS, INSPECTION, CODE_SHOWN, COMPLAINT));
    };
  }

  /** What the customer also sees, where it says that. */
  public Optional<String> complaint() {
    return Optional.of(value).filter(v -> COMPLAINT.equals(observation));
  }

  /** The same, taken then unless it says itself when it was taken. */
  public EvidenceItem takenAt(OffsetDateTime then) {
    return at != null ? this : timed(then);
  }

  /** The same, without its time. */
  public EvidenceItem untimed() {
    return at == null ? this : timed(null);
  }

  private EvidenceItem timed(@Nullable OffsetDateTime when) {
    return with(when, value);
  }

  private EvidenceItem with(@Nullable OffsetDateTime when, String shown) {
    return new EvidenceItem(
        function,
        red,
        black,
        across,
        through,
        situation,
        liftedAt,
        meter,
        observation,
        part,
        celsius,
        reseated,
        when,
        shown);
  }

  /**
   * The same with points that were typed in front of the value put where they belong, and with what
   * a displayed code means.
   *
   * @param facts of the unit
   */
  public EvidenceItem resolved(Sheet sheet, Supplier<UnitFacts> facts) {
    if (CODE_SHOWN.equals(observation) && !CodeShown.known(sheet, value)) {
      return facts
          .get()
          .code(value)
          .map(code -> with(at, CodeShown.shownAs(code, value)))
          .orElse(this);
    }
    if (observation != null) {
      return this;
    }
    Entry entry = entry("").resolved(sheet);
    return new EvidenceItem(
        function == null && entry.function().isEmpty() ? null : entry.function(),
        entry.red().orElse(null),
        entry.black().orElse(null),
        entry.across().orElse(null),
        entry.through().orElse(null),
        situation,
        liftedAt,
        meter,
        null,
        null,
        celsius,
        reseated,
        at,
        entry.value());
  }

  private Entry entry(String id) {
    return new Entry(
        id,
        function == null ? "" : function,
        Optional.ofNullable(red),
        Optional.ofNullable(black),
        Optional.ofNullable(across),
        Optional.ofNullable(through),
        situation,
        new Entry.How(
            liftedAt == null ? List.of() : liftedAt,
            Optional.ofNullable(meter),
            Optional.ofNullable(celsius),
            Boolean.TRUE.equals(reseated),
            Optional.ofNullable(at).map(OffsetDateTime::toInstant)),
        value);
  }
}
