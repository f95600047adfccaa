package org.jollychain.core.visit;

import java.util.Optional;
import org.jollychain.core.network.MeasurementCategory;
import org.jollychain.core.quantity.Kebab;
import org.jollychain.core.sheet.Sheet;

/**
 * Whether a meter fits the place that a unit stands at (IEC 61010-1).
 *
 * @param id as readings name it
 * @param why in words
 */
public record MeterFit(String id, String name, Fits fits, String why) {

  /** Whether it does. */
  public enum Fits {
    YES,
    NO,
    /** Its category is not known. */
    UNSAID;

    @Override
    public String toString() {
      return Kebab.of(this);
    }
  }

  /**
   * @param marking beside its sockets, like {@code CAT III 600 V}; empty where it is not known
   */
  public static MeterFit of(Sheet sheet, String id, String name, String marking) {
    MeasurementCategory needed = MeasurementCategory.neededAt(sheet);
    if (needed.level() == 0) {
      return new MeterFit(
          id,
          name,
          Fits.YES,
          "Behind a transformer or on a pile no category is asked for; the mains side is not behind it.");
    }
    String place = needed.level() == 2 ? "at its outlet" : "at fixed wiring";
    Optional<MeasurementCategory> has = MeasurementCategory.of(marking);
    if (has.isEmpty()) {
      return new MeterFit(
          id,
          name,
          Fits.UNSAID,
          "Look beside its sockets: %s at least is needed %s.".formatted(needed, place));
    }
    boolean fits = needed.metBy(has.get());
    return new MeterFit(
        id,
        name,
        fits ? Fits.YES : Fits.NO,
        fits
            ? "%s; %s is needed %s.".formatted(has.get(), needed, place)
            : "%s is too little: %s is needed %s. Not for live work, nor to prove dead."
                .formatted(has.get(), needed, place));
  }
}
