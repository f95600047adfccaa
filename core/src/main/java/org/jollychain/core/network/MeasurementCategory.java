package org.jollychain.core.network;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Supply;

/**
 * The measurement category of IEC 61010-1: how near the source a meter may be used, and up to what
 * voltage to earth. Category II is for what plugs into an outlet, III for the fixed installation,
 * IV for its origin; behind a transformer none is asked for.
 *
 * @param level 2 to 4; 0 where none is asked for
 * @param volts to earth (V)
 */
public record MeasurementCategory(int level, double volts) {

  private static final Pattern MARKING =
      Pattern.compile("CAT\\s*(II|III|IV)\\s+(\\d{2,4})\\s*V", Pattern.CASE_INSENSITIVE);

  private static final List<String> LEVELS = List.of("", "I", "II", "III", "IV");

  /** The voltages that meters are marked with (V). */
  private static final List<Double> STEPS = List.of(50.0, 100.0, 150.0, 300.0, 600.0, 1000.0);

  private static final double EXTRA_LOW_VOLTS = 50;
  private static final double SQRT_3 = Math.sqrt(3);

  /** Reads what is printed beside a meter's sockets: {@code CAT III 600 V}. */
  public static Optional<MeasurementCategory> of(String marking) {
    Matcher m = MARKING.matcher(marking.strip());
    return m.matches()
        ? Optional.of(
            new MeasurementCategory(
                LEVELS.indexOf(m.group(1).toUpperCase(Locale.ROOT)),
                Double.parseDouble(m.group(2))))
        : Optional.empty();
  }

  /** What a unit asks of a meter: by its plug or its fixed wiring, and its volts to earth. */
  public static MeasurementCategory neededAt(Sheet sheet) {
    Supply supply = sheet.supply();
    double toEarth =
        switch (supply.system()) {
          case SPLIT_PHASE -> supply.volts() / 2;
          case WYE_PAIR -> supply.volts() / SQRT_3;
          default -> supply.volts();
        };
    if (toEarth < EXTRA_LOW_VOLTS) {
      return new MeasurementCategory(0, EXTRA_LOW_VOLTS);
    }
    boolean plugged =
        supply.terminals().values().stream()
            .flatMap(point -> sheet.partsAt(point).stream())
            .anyMatch(p -> p.kind() == PartKind.CORD);
    double step = STEPS.stream().filter(s -> s >= toEarth).findFirst().orElse(toEarth);
    return new MeasurementCategory(plugged ? 2 : 3, step);
  }

  /** Whether a meter so marked may be used where this is asked for. */
  public boolean metBy(MeasurementCategory meter) {
    return meter.level >= level && meter.volts >= volts;
  }

  /** As it is marked, like {@code CAT III 600 V}. */
  @Override
  public String toString() {
    return level == 0 ? "" : "CAT %s %.0f V".formatted(LEVELS.get(level), volts);
  }
}
