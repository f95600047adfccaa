package org.jollychain.server.unit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.text.Nearest;
import org.jollychain.core.unit.UnitFacts;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.sheet.SheetService;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What plates, parts and papers of units say: added, struck out, never changed. A later one of the
 * same part strikes the earlier one out. What is sent again is added once.
 */
@Service
public class UnitFactLog {

  private final UnitService units;
  private final UnitFactMapper facts;
  private final SheetService sheets;
  private final ApplicationEventPublisher events;

  UnitFactLog(
      UnitService units,
      UnitFactMapper facts,
      SheetService sheets,
      ApplicationEventPublisher events) {
    this.units = units;
    this.facts = facts;
    this.sheets = sheets;
    this.events = events;
  }

  /**
   * @param sheet whose parts are asked about
   * @throws RefusedException when there is no such unit
   */
  @Transactional(readOnly = true)
  public UnitFactsView of(String tag, Optional<Sheet> sheet) {
    Unit unit = units.one(tag);
    List<KeptFact> own = facts.of(unit.id());
    List<String> told =
        own.stream().filter(f -> f.struckAt() == null).map(UnitFactLog::place).toList();
    return new UnitFactsView(
        own,
        facts.ofModel(unit.model(), unit.id()).stream()
            .filter(f -> !told.contains(place(f)))
            .toList(),
        sheet.map(UnitFactsView.Asked::of).orElse(List.of()));
  }

  private static String place(KeptFact fact) {
    return fact.sheetKey() + " " + fact.part();
  }

  /** What stands of a unit on a sheet, as far as its parts are on it. */
  @Transactional(readOnly = true)
  public UnitFacts known(String tag, Sheet sheet) {
    return known(facts.of(units.one(tag).id()), sheet);
  }

  /** The same, with what other units of its model say where it says nothing itself. */
  @Transactional(readOnly = true)
  public UnitFacts ofModel(String tag, Sheet sheet) {
    UnitFactsView view = of(tag, Optional.empty());
    return known(Stream.concat(view.facts().stream(), view.offered().stream()).toList(), sheet);
  }

  /** What stands of these on a sheet. */
  public static UnitFacts known(List<KeptFact> all, Sheet sheet) {
    UnitFacts known = UnitFacts.NONE;
    for (KeptFact fact : all) {
      boolean stands = fact.struckAt() == null && fact.sheetKey().equals(sheet.key());
      if (stands && UnitFacts.concerns(sheet, fact.part())) {
        try {
          known = known.and(sheet, fact.part(), fact.said());
        } catch (IllegalArgumentException e) {
          // another revision of the sheet has another kind of part there: it says nothing of it
        }
      }
    }
    return known;
  }

  /**
   * Adds what was read; sent again, it adds nothing.
   *
   * @throws EvidenceException when it is nothing that such a part bears
   * @throws RefusedException when there is no such unit or part; when it is unlikely and was not
   *     confirmed
   */
  @Transactional
  public void add(String tag, UUID id, NewFact fact, Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Keeping what a plate says");
    Unit unit = units.one(tag);
    Optional<KeptFact> known = facts.find(id);
    if (known.isPresent()) {
      if (!known.get().tag().equals(unit.tag())
          || !known.get().said().equals(fact.said().strip())) {
        throw RefusedException.conflict("There is another fact with this id; make a new id.");
      }
      return;
    }
    List<KeptFact> own = facts.of(unit.id());
    check(own, fact);
    own.stream()
        .filter(f -> f.struckAt() == null)
        .filter(f -> f.sheetKey().equals(fact.sheet()) && f.part().equals(fact.part()))
        .forEach(f -> facts.strike(f.id(), "Read again: " + fact.said().strip(), stamp));
    NewFact kept = new NewFact(fact.sheet(), fact.part(), fact.said().strip(), fact.confirmed());
    if (facts.insert(id, unit.id(), kept, stamp) == 0) {
      throw RefusedException.conflict(
          "Someone else entered this part at the same moment. Check the entry that is there now.");
    }
    events.publishEvent(new UnitFactsChanged(unit.id()));
  }

  private void check(List<KeptFact> own, NewFact fact) {
    Sheet sheet = sheets.sheet(fact.sheet(), sheets.newestRevision(fact.sheet()));
    if (!UnitFacts.concerns(sheet, fact.part())) {
      throw new EvidenceException(
          "part",
          "there is no part \"%s\" on this sheet%s"
              .formatted(fact.part(), Nearest.suggestion(fact.part(), sheet.parts().keySet())));
    }
    UnitFacts before = known(own, sheet);
    UnitFacts after;
    try {
      after = before.and(sheet, fact.part(), fact.said());
    } catch (IllegalArgumentException e) {
      throw new EvidenceException("said", e.getMessage());
    }
    List<String> odd =
        after.odd(sheet).stream().filter(o -> !before.odd(sheet).contains(o)).toList();
    if (!odd.isEmpty() && !Boolean.TRUE.equals(fact.confirmed())) {
      throw RefusedException.toConfirm(
          String.join(" ", odd) + " Look again, and confirm it if it is so.");
    }
  }

  /**
   * Strikes one out; it stays visible.
   *
   * @throws RefusedException when it is not of this unit, or was struck out for another reason
   */
  @Transactional
  public void strike(String tag, UUID id, String why, Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Striking out what a plate says");
    Unit unit = units.one(tag);
    KeptFact fact =
        facts
            .find(id)
            .filter(f -> f.tag().equals(unit.tag()))
            .orElseThrow(() -> RefusedException.notFound("There is no such fact of this unit."));
    if (fact.struckAt() != null) {
      if (!fact.struckWhy().equals(why.strip())) {
        throw RefusedException.conflict("It is struck out already: %s".formatted(fact.struckWhy()));
      }
      return;
    }
    facts.strike(id, why.strip(), stamp);
    events.publishEvent(new UnitFactsChanged(unit.id()));
  }

  /** What stands of every unit in one cell: {@code dryer-gas-120/igniter: 180 ohm | ...}. */
  Map<String, String> cells() {
    return facts.standing().stream()
        .collect(
            Collectors.groupingBy(
                KeptFact::tag,
                LinkedHashMap::new,
                Collectors.mapping(
                    f -> "%s/%s: %s".formatted(f.sheetKey(), f.part(), f.said()),
                    Collectors.joining(" | "))));
  }

  /**
   * Takes such a cell in; what stands already stays as it is.
   *
   * @throws EvidenceException when the cell is not written in this form
   */
  void take(String tag, String cell, Stamp stamp) {
    Map<String, KeptFact> standing =
        facts.of(units.one(tag).id()).stream()
            .filter(f -> f.struckAt() == null)
            .collect(Collectors.toMap(f -> f.sheetKey() + "/" + f.part(), Function.identity()));
    for (String one : cell.split("\\|")) {
      String[] halves = one.split(":", 2);
      String[] place = halves[0].strip().split("/", 2);
      if (halves.length < 2 || place.length < 2 || halves[1].isBlank()) {
        throw new EvidenceException(
            "facts",
            "\"%s\" is no fact; write it like dryer-gas-120/igniter: 180 ohm"
                .formatted(one.strip()));
      }
      KeptFact known = standing.get(halves[0].strip());
      if (known == null || !known.said().equals(halves[1].strip())) {
        add(
            tag,
            UUID.randomUUID(),
            new NewFact(place[0].strip(), place[1].strip(), halves[1].strip(), true),
            stamp);
      }
    }
  }
}
