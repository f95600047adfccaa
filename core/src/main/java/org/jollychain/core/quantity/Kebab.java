package org.jollychain.core.quantity;

import java.util.Locale;
import java.util.Optional;

/**
 * How names of closed sets are written outside Java: {@code THERMAL_FUSE} is {@code thermal-fuse}.
 */
public final class Kebab {

  private Kebab() {}

  public static String of(Enum<?> constant) {
    return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The constant so written, if there is one. */
  public static <E extends Enum<E>> Optional<E> read(Class<E> type, String text) {
    for (E constant : type.getEnumConstants()) {
      if (of(constant).equals(text)) {
        return Optional.of(constant);
      }
    }
    return Optional.empty();
  }
}
