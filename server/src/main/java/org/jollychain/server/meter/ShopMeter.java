package org.jollychain.server.meter;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.jollychain.core.network.Accuracy;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jspecify.annotations.Nullable;

/**
 * A meter by the figures of its maker's sheet.
 *
 * @param id as readings name it, in kebab case
 * @param counts of the full display
 * @param voltsAcShare accuracy on AC volts, 0.01 for 1 %
 * @param voltsDcShare accuracy on DC volts
 * @param ohmsShare accuracy on ohms
 * @param voltsOhms input resistance on volts (ohm)
 * @param lowImpedanceOhms input resistance on low-impedance volts (ohm)
 * @param buzzerOhms below this, continuity sounds (ohm)
 * @param leadOhms what its leads add on ohms (ohm)
 * @param overLimitOhms above this, ohms shows OL (ohm)
 * @param category what is printed beside its sockets, like {@code CAT III 600 V}
 */
public record ShopMeter(
    @NotBlank
        @Size(max = 40)
        @Pattern(
            regexp = "[a-z][a-z0-9]*(-[a-z0-9]+)*",
            message = "should be in kebab case, like bench-2")
        String id,
    @NotBlank @Size(max = 80) String name,
    @Min(200) @Max(10_000_000) int counts,
    @DecimalMin("0.00001") @DecimalMax("0.2") double voltsAcShare,
    @DecimalMin("0.00001") @DecimalMax("0.2") double voltsDcShare,
    @DecimalMin("0.00001") @DecimalMax("0.2") double ohmsShare,
    @DecimalMin("1e3") @DecimalMax("1e12") double voltsOhms,
    @DecimalMin("1e2") @DecimalMax("1e12") double lowImpedanceOhms,
    @DecimalMin("1") @DecimalMax("1e4") double buzzerOhms,
    @DecimalMin("0") @DecimalMax("10") double leadOhms,
    @DecimalMin("1e3") @DecimalMax("1e12") double overLimitOhms,
    @Nullable
        @Pattern(
            regexp = "(CAT (II|III|IV) \\d{2,4} V)?",
            message = "should be as printed beside its sockets, like CAT III 600 V")
        String category) {

  static ShopMeter of(Meter meter, String category) {
    Accuracy ac = meter.accuracy(MeterFunction.VOLTS_AC);
    return new ShopMeter(
        meter.id(),
        meter.name(),
        ac.fullScaleCounts(),
        ac.share(),
        meter.accuracy(MeterFunction.VOLTS_DC).share(),
        meter.accuracy(MeterFunction.OHMS).share(),
        meter.voltsOhms(),
        meter.lowImpedanceOhms(),
        meter.buzzerOhms(),
        meter.leadOhms(),
        meter.overLimitOhms(),
        category);
  }

  /** As a part of the circuit. */
  public Meter meter() {
    return Meter.of(
        id,
        name,
        counts,
        voltsAcShare,
        voltsDcShare,
        ohmsShare,
        voltsOhms,
        lowImpedanceOhms,
        buzzerOhms,
        leadOhms,
        overLimitOhms);
  }
}
