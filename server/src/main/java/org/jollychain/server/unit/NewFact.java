package org.jollychain.server.unit;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/**
 * What is read from a plate, a part or a paper.
 *
 * @param sheet the key of the sheet whose part it is
 * @param said as printed: {@code 8 to 30 ohm}, {@code 4500 W 240 V}, {@code not readable}
 * @param confirmed whether it was looked at again, where it is unlikely
 */
public record NewFact(
    @NotBlank @Size(max = 80) String sheet,
    @NotBlank @Size(max = 80) String part,
    @NotBlank @Size(max = 200) String said,
    @Nullable Boolean confirmed) {}
