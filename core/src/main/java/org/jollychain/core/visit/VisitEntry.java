package org.jollychain.core.visit;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.Watch;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.unit.UnitFacts;

/**
 * What a technician tells of a visit beside what is read and seen in the circuit.
 *
 * @param subject an id of the guide or of the sheet, by the kind
 * @param value what came of it
 */
public record VisitEntry(Kind kind, String subject, String value) {

  /** In place of a cause: none was found, for a reason. */
  public static final String NO_CAUSE = "none";

  /** Something was found as it should be, or holds. */
  public static final String YES = "yes";

  /** Something was not, or does not. */
  public static final String NO = "no";

  /** Steps that may be passed over. */
  private static final List<String> PASSABLE = List.of(Step.ARRIVE.toString());

  /** What kinds there are, and of what their subject is an id. */
  public enum Kind {
    /** A hazard of the guide was read. */
    READ,
    /** A step was passed over on purpose, though not all of it was answered. */
    PASSED,
    /** A simple thing of the guide: right as found, or put right. */
    GIVEN,
    /** An access of the sheet was opened. */
    OPENED,
    /** An access of the sheet was closed again. */
    CLOSED,
    /** A check of the guide; its value is an outcome. */
    CHECK,
    /** A check of the guide that figures decide; its value is what was typed on the bench. */
    COMPUTED,
    /** A part of the sheet was checked on the bench; its value is the check and what was typed. */
    BENCHED,
    /** A cause of the guide was found; or none, for a reason. */
    CAUSE,
    /** An action of the guide was done, or left out on purpose where its value is no. */
    DONE,
    /**
     * A part of the sheet was renewed; its value is what is printed on the new one, or in words.
     */
    RENEWED,
    /** A complaint stays, though what was found was put right. */
    STAYS,
    /** A part that goes with a renewed one stays in; its value is the reason. */
    KEPT,
    /** A run of the guide was watched; its value is the events with their seconds. */
    WATCHED,
    /** A figure of a proof was read; its subject is the figure's. */
    MEASURED,
    /** A proof of the guide holds or does not. */
    PROVED;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * Makes sure that it can be an entry of a visit.
   *
   * @param sheet as this unit is built
   * @param facts what is printed on it
   * @param told before it
   * @throws EvidenceException when it names what is not there, a protective part was renewed by
   *     another, or a proof holds whose figure was not read
   */
  public void check(Sheet sheet, UnitFacts facts, Optional<Guide> guide, List<VisitEntry> told) {
    switch (kind) {
      case READ -> known("hazard", guide.map(Guide::hazards).orElse(Map.of()).keySet());
      case PASSED -> known("step", PASSABLE);
      case GIVEN -> {
        known("simple thing", guide.map(Guide::simple).orElse(Map.of()).keySet());
        yesOrNo();
      }
      case OPENED, CLOSED -> known("access", sheet.access().keySet());
      case CHECK -> {
        Map<String, Check> checks = guide.map(Guide::checks).orElse(Map.of());
        known("check", checks.keySet());
        known("value", "outcome", value, checks.get(subject).outcomes().keySet());
      }
      case COMPUTED -> {
        Map<String, Check> checks = guide.map(Guide::checks).orElse(Map.of());
        known("check", checks.keySet());
        DerivedChecks.computed(checks.get(subject), value);
      }
      case BENCHED -> {
        known("part", sheet.parts().keySet());
        OnBench.answer(value);
      }
      case CAUSE -> {
        if (subject.equals(NO_CAUSE)) {
          if (value.isBlank()) {
            throw new EvidenceException("value", "say why no cause was found");
          }
        } else {
          known("cause", guide.map(Guide::causes).orElse(Map.of()).keySet());
        }
      }
      case DONE -> {
        known("action", guide.map(Guide::actions).orElse(Map.of()).keySet());
        if (!value.isEmpty()) {
          yesOrNo();
        }
      }
      case STAYS -> {
        known("complaint", sheet.complaints().keySet());
        if (told.stream().anyMatch(e -> e.kind == Kind.RENEWED)) {
          throw new EvidenceException(
              "subject",
              "a part was renewed: sign off what was done and open a visit that follows, since readings on the old part would mislead the search");
        }
        if (told.stream().noneMatch(VisitEntry::putsRight)) {
          throw new EvidenceException("subject", "say first what was put right");
        }
      }
      case RENEWED -> {
        known("part", sheet.parts().keySet());
        Replacement.of(sheet.part(subject), facts.of(subject), value).refuse();
      }
      case KEPT -> {
        known("part", sheet.parts().keySet());
        if (value.isBlank()) {
          throw new EvidenceException(
              "value", "say why the %s stays in".formatted(sheet.part(subject).title()));
        }
      }
      case WATCHED -> {
        Map<String, Watch> watches = guide.map(Guide::watches).orElse(Map.of());
        known("watch", watches.keySet());
        Timeline.run(watches.get(subject), value);
      }
      case MEASURED ->
          Proof.checkFigure(
              sheet,
              guide.orElseThrow(
                  () -> new EvidenceException("subject", "there is no guide for this family yet")),
              subject,
              value);
      case PROVED -> {
        known("proof", guide.map(Guide::proofs).orElse(Map.of()).keySet());
        yesOrNo();
        if (value.equals(YES)) {
          Proof.checkRead(guide.orElseThrow().proofs().get(subject), told);
        }
      }
    }
  }

  /** Whether something was done about what was found. */
  private boolean putsRight() {
    return switch (kind) {
      case DONE -> !value.equals(NO);
      case GIVEN -> value.equals(NO);
      default -> false;
    };
  }

  /** Accesses that were opened and not closed again, in the order they were opened. */
  public static Set<String> open(List<VisitEntry> entries) {
    Set<String> open = new LinkedHashSet<>();
    for (VisitEntry e : entries) {
      if (e.kind == Kind.OPENED) {
        open.add(e.subject);
      } else if (e.kind == Kind.CLOSED) {
        open.remove(e.subject);
      }
    }
    return open;
  }

  private void yesOrNo() {
    known("value", "answer", value, List.of(YES, NO));
  }

  private void known(String what, Collection<String> names) {
    known("subject", what, subject, names);
  }

  private static void known(String field, String what, String name, Collection<String> names) {
    if (!names.contains(name)) {
      throw new EvidenceException(
          field, "there is no %s \"%s\"%s".formatted(what, name, Nearest.suggestion(name, names)));
    }
  }
}
