package org.jollychain.server.unit;

import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What is told of a unit.
 *
 * @param title what it is called; its tag where nothing is said
 * @param version of the unit that is changed; left out for a new one
 */
public record UnitPlate(
    @Nullable @Size(max = 120) String title,
    @Nullable @Size(max = 120) String model,
    @Nullable @Size(max = 120) String serial,
    @Nullable @Size(max = 120) String place,
    @Nullable Integer version) {

  /** As it is kept under a tag. */
  Unit unit(UUID id, String tag) {
    String called = or(title);
    return new Unit(
        id,
        tag,
        called.isEmpty() ? tag : called,
        or(model),
        or(serial),
        or(place),
        version == null ? 1 : version);
  }

  private static String or(@Nullable String text) {
    return text == null ? "" : text.strip();
  }
}
