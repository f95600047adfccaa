package org.jollychain.server.unit;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What the plate, a part or the paper of a unit says of one part.
 *
 * @param tag of the unit
 * @param sheetKey of the sheet whose part it is
 * @param said as it was typed
 * @param toldBy login of who read it
 */
public record KeptFact(
    UUID id,
    String tag,
    String sheetKey,
    String part,
    String said,
    OffsetDateTime toldAt,
    String toldBy,
    @Nullable OffsetDateTime struckAt,
    String struckWhy) {}
