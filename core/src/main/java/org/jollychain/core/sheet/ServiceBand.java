package org.jollychain.core.sheet;

/**
 * How far off nominal a supply may be.
 *
 * @param below nominal (a share)
 * @param above nominal (a share)
 * @param source of it
 */
public record ServiceBand(double below, double above, String source) {

  /** 114 to 126 V, 228 to 252 V. */
  public static final ServiceBand ANSI_A =
      new ServiceBand(0.05, 0.05, "ANSI C84.1, service voltage, range A: 5 % either way.");

  /** 110 to 127 V, 220 to 254 V. */
  public static final ServiceBand ANSI_B =
      new ServiceBand(1.0 / 12, 14.0 / 240, "ANSI C84.1, service voltage, range B.");

  /** 207 to 253 V. */
  public static final ServiceBand IEC = new ServiceBand(0.1, 0.1, "IEC 60038: 10 % either way.");

  /** A control transformer that is hardly loaded shows more. */
  public static final ServiceBand CONTROL_TRANSFORMER =
      new ServiceBand(0.1, 0.18, "Common practice: a transformer hardly loaded shows more.");

  private static final double HZ_50 = 50;
  private static final double ROUNDING = 1e-9;

  /** That of a supply; where no standard speaks of it, twice what its sheet tolerates. */
  public static ServiceBand of(Supply supply) {
    if (supply.dc()) {
      double share = 2 * supply.tolerance();
      return new ServiceBand(share, share, "The sheet's tolerance, twice.");
    }
    if (supply.system() == SupplySystem.TRANSFORMER) {
      return CONTROL_TRANSFORMER;
    }
    return supply.hertz() == HZ_50 ? IEC : ANSI_A;
  }

  /** Whether a share of nominal lies within it. */
  public boolean holds(double share) {
    return share >= 1 - below - ROUNDING && share <= 1 + above + ROUNDING;
  }
}
