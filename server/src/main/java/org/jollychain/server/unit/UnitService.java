package org.jollychain.server.unit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.server.platform.CsvTable;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the machines of the shop. */
@Service
public class UnitService {

  private static final Pattern TAG = Pattern.compile("[A-Z0-9][A-Z0-9-]{0,19}");

  private static final int MOST_ROWS = 5000;
  private static final int LONGEST = 120;

  private static final List<String> HEADINGS = List.of("tag", "title", "model", "serial", "place");

  private final UnitMapper units;

  UnitService(UnitMapper units) {
    this.units = units;
  }

  public List<Unit> all() {
    return units.all();
  }

  /** A tag as it is kept. */
  public static String tag(String typed) {
    return typed.strip().toUpperCase(Locale.ROOT);
  }

  /**
   * @throws RefusedException when there is none with this tag
   */
  public Unit one(String typed) {
    return units
        .byTag(tag(typed))
        .orElseThrow(
            () -> RefusedException.notFound("There is no unit \"%s\".".formatted(tag(typed))));
  }

  /**
   * The unit with a tag, made as told if there is none.
   *
   * @throws RefusedException when the tag is none
   */
  @Transactional
  public Unit withTag(String typed, UnitPlate plate, Stamp stamp) {
    String tag = checked(typed);
    units.insertIfNew(plate.unit(UUID.randomUUID(), tag), stamp);
    return units.byTag(tag).orElseThrow();
  }

  private static String checked(String typed) {
    String tag = tag(typed);
    if (!TAG.matcher(tag).matches()) {
      throw RefusedException.unprocessable(
          "\"%s\" is no tag; use up to 20 letters, digits and dashes, like LAU-2."
              .formatted(typed));
    }
    return tag;
  }

  /**
   * Makes a unit, or changes the one there is; the same told again changes nothing.
   *
   * @throws RefusedException when the tag is none, or another changed it meanwhile
   */
  @Transactional
  public Unit keep(String typed, UnitPlate plate, Stamp stamp) {
    stamp.require(Role.APPRENTICE, "Changing a unit");
    String tag = checked(typed);
    Unit wanted = plate.unit(UUID.randomUUID(), tag);
    if (units.insertIfNew(wanted, stamp) == 0) {
      Unit known = units.byTag(tag).orElseThrow();
      if (!same(known, wanted) && (plate.version() == null || units.change(wanted, stamp) == 0)) {
        throw RefusedException.conflict(
            "%s is kept as %s; look at it again and repeat.".formatted(tag, said(known)));
      }
    }
    return units.byTag(tag).orElseThrow();
  }

  private static boolean same(Unit a, Unit b) {
    return said(a).equals(said(b));
  }

  private static String said(Unit u) {
    return "\"%s\", model \"%s\", serial \"%s\", place \"%s\""
        .formatted(u.title(), u.model(), u.serial(), u.place());
  }

  /** All of them as comma-separated values. */
  String csv() {
    return CsvTable.write(
        HEADINGS,
        units.all().stream()
            .map(u -> List.of(u.tag(), u.title(), u.model(), u.serial(), u.place()))
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

  private static Optional<String> problem(CsvTable.Row row, Set<String> seen) {
    String tag = tag(row.cell("tag"));
    if (!TAG.matcher(tag).matches()) {
      return Optional.of(
          "\"%s\" is no tag; up to 20 letters, digits and dashes".formatted(row.cell("tag")));
    }
    if (!seen.add(tag)) {
      return Optional.of("%s stands there twice".formatted(tag));
    }
    return row.cells().entrySet().stream()
        .filter(c -> c.getValue().length() > LONGEST || hasControls(c.getValue()))
        .map(c -> "%s: one line of %d characters at most".formatted(c.getKey(), LONGEST))
        .findFirst();
  }

  private static boolean hasControls(String text) {
    return text.chars().anyMatch(Character::isISOControl);
  }

  /** A cell that is empty changes nothing of a unit there is. */
  private void take(CsvTable.Row row, Stamp stamp) {
    String tag = tag(row.cell("tag"));
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
  }

  private static String or(String text, String otherwise) {
    return text.isEmpty() ? otherwise : text;
  }
}
