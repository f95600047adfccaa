package org.jollychain.server.unit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.server.platform.CsvTable;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Units, and what their plates say, as a table of comma-separated values. */
@Service
public class UnitTable {

  private static final int MOST_ROWS = 5000;
  private static final int LONGEST = 120;
  private static final String FACTS = "facts";
  private static final int LONGEST_FACTS = 8000;

  private static final List<String> HEADINGS =
      List.of("tag", "title", "model", "serial", "place", FACTS);

  private final UnitMapper units;
  private final UnitFactLog facts;

  UnitTable(UnitMapper units, UnitFactLog facts) {
    this.units = units;
    this.facts = facts;
  }

  /** All of them as comma-separated values. */
  @Transactional(readOnly = true)
  public String csv() {
    Map<String, String> said = facts.cells();
    return CsvTable.write(
        HEADINGS,
        units.all().stream()
            .map(
                u ->
                    List.of(
                        u.tag(),
                        u.title(),
                        u.model(),
                        u.serial(),
                        u.place(),
                        said.getOrDefault(u.tag(), "")))
            .toList());
  }

  /**
   * Makes and changes the units of such a table, all of them or none.
   *
   * @throws EvidenceException when it is no such table
   * @throws RefusedException when rows of it are wrong; says each of them
   */
  @Transactional
  public void importCsv(String text, Stamp stamp) {
    stamp.require(Role.LEAD, "Taking a table of units in");
    List<CsvTable.Row> rows = CsvTable.read(text, HEADINGS);
    List<String> wrong = new ArrayList<>();
    if (rows.size() > MOST_ROWS) {
      wrong.add("there are %d rows; at most %d at a time".formatted(rows.size(), MOST_ROWS));
    }
    Set<String> seen = new HashSet<>();
    for (CsvTable.Row row : rows) {
      problem(row, seen).ifPresent(why -> wrong.add("line %d: %s".formatted(row.number(), why)));
    }
    if (!wrong.isEmpty()) {
      throw RefusedException.unprocessable("Nothing was taken. " + String.join("; ", wrong));
    }
    rows.forEach(row -> take(row, stamp));
  }

  private static int longest(String heading) {
    return heading.equals(FACTS) ? LONGEST_FACTS : LONGEST;
  }

  private static Optional<String> problem(CsvTable.Row row, Set<String> seen) {
    String tag = UnitService.tag(row.cell("tag"));
    if (!UnitService.TAG.matcher(tag).matches()) {
      return Optional.of(
          "\"%s\" is no tag; up to 20 letters, digits and dashes".formatted(row.cell("tag")));
    }
    if (!seen.add(tag)) {
      return Optional.of("%s is in the table twice".formatted(tag));
    }
    return row.cells().entrySet().stream()
        .filter(c -> c.getValue().length() > longest(c.getKey()) || hasControls(c.getValue()))
        .map(
            c -> "%s: one line of %d characters at most".formatted(c.getKey(), longest(c.getKey())))
        .findFirst();
  }

  private static boolean hasControls(String text) {
    return text.chars().anyMatch(Character::isISOControl);
  }

  /** A cell that is empty changes nothing of a unit there is. */
  private void take(CsvTable.Row row, Stamp stamp) {
    String tag = UnitService.tag(row.cell("tag"));
    Optional<Unit> known = units.byTag(tag);
    Unit wanted =
        new Unit(
            UUID.randomUUID(),
            tag,
            or(row.cell("title"), known.map(Unit::title).orElse(tag)),
            or(row.cell("model"), known.map(Unit::model).orElse("")),
            or(row.cell("serial"), known.map(Unit::serial).orElse("")),
            or(row.cell("place"), known.map(Unit::place).orElse("")),
            known.map(Unit::version).orElse(1));
    int done = known.isPresent() ? units.change(wanted, stamp) : units.insertIfNew(wanted, stamp);
    if (done == 0) {
      throw RefusedException.conflict(
          "Another changed %s at the same moment; nothing was taken, repeat it.".formatted(tag));
    }
    if (!row.cell(FACTS).isEmpty()) {
      try {
        facts.take(tag, row.cell(FACTS), stamp);
      } catch (EvidenceException e) {
        throw row.wrong(e.getMessage());
      }
    }
  }

  private static String or(String text, String otherwise) {
    return text.isEmpty() ? otherwise : text;
  }
}
