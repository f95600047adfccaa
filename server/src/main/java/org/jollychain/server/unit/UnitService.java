package org.jollychain.server.unit;

import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the machines of the shop. */
@Service
public class UnitService {

  static final Pattern TAG = Pattern.compile("[A-Z0-9][A-Z0-9-]{0,19}");

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
}
