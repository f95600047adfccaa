package org.jollychain.core.sheet;

/**
 * The secondary of a transformer inside the unit.
 *
 * @param primary the part that is its primary winding
 * @param volts between its ends, unloaded, with the primary at its rated volts (V RMS)
 * @param ratio those volts over the primary's rated volts
 * @param ohms what it drops per ampere (ohm)
 * @param windingOhms its copper, as an ohmmeter meets it (ohm)
 */
public record Winding(
    String primary, double volts, double ratio, double ohms, double windingOhms) {}
