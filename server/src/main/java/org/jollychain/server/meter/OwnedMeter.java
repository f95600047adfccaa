package org.jollychain.server.meter;

/**
 * A meter as the shop keeps it.
 *
 * @param retired no longer offered; readings taken with it stand
 */
public record OwnedMeter(
    String id,
    String name,
    int counts,
    double voltsAcShare,
    double voltsDcShare,
    double ohmsShare,
    double voltsOhms,
    double lowImpedanceOhms,
    double buzzerOhms,
    double leadOhms,
    double overLimitOhms,
    String category,
    boolean retired,
    int version) {

  public ShopMeter figures() {
    return new ShopMeter(
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
        overLimitOhms,
        category);
  }
}
