package org.jollychain.server.unit;

import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Pattern;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Stamps;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the machines of the shop. */
@Service
public class UnitService {

  private static final Pattern TAG = Pattern.compile("[A-Z0-9][A-Z0-9-]{0,19}");

  private final UnitMapper units;
  private final Stamps stamps;

  UnitService(UnitMapper units, Stamps stamps) {
    this.units = units;
    this.stamps = stamps;
  }

  public List<Unit> all() {
    return units.all();
  }

  /** A tag as it is kept. */
  public static String tag(String typed) {
    return typed.strip().toUpperCase(Locale.ROOT);
  }

  /**
   * The unit with a tag, made if there is none.
   *
   * @throws RefusedException when the tag is none
   */
  @Transactional
  public Unit withTag(String typed, String title, String model, String place) {
    String tag = tag(typed);
    if (!TAG.matcher(tag).matches()) {
      throw RefusedException.unprocessable(
          "\"%s\" is no tag; use up to 20 letters, digits and dashes, like LAU-2."
              .formatted(typed));
    }
    units.insertIfNew(
        new Unit(
            UUID.randomUUID(),
            tag,
            title.isBlank() ? tag : title.strip(),
            model.strip(),
            place.strip()),
        stamps.now());
    return units.byTag(tag).orElseThrow();
  }
}
