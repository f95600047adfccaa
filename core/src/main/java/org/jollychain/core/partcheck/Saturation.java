package org.jollychain.core.partcheck;

/**
 * Steam at saturation: pressure over temperature and back, region 4 of IAPWS-IF97 (equations 30 and
 * 31 of its release of 2007), valid from 273.15 K to 647.096 K. The coefficients are the release's;
 * the tests hold its verification values.
 */
final class Saturation {

  private static final double[] N = {
    0.11670521452767e4,
    -0.72421316703206e6,
    -0.17073846940092e2,
    0.12020824702470e5,
    -0.32325550322333e7,
    0.14915108613530e2,
    -0.48232657361591e4,
    0.40511340542057e6,
    -0.23855557567849,
    0.65017534844798e3
  };

  private static final double MEGA = 1e6;

  private Saturation() {}

  /**
   * @param kelvin temperature (K)
   * @return pressure of saturation (Pa)
   */
  static double pascals(double kelvin) {
    double t = kelvin + N[8] / (kelvin - N[9]);
    double a = t * t + N[0] * t + N[1];
    double b = N[2] * t * t + N[3] * t + N[4];
    double c = N[5] * t * t + N[6] * t + N[7];
    return MEGA * Math.pow(2 * c / (-b + Math.sqrt(b * b - 4 * a * c)), 4);
  }

  /**
   * @param pascals pressure (Pa)
   * @return temperature of saturation (K)
   */
  static double kelvin(double pascals) {
    double beta = Math.pow(pascals / MEGA, 0.25);
    double e = beta * beta + N[2] * beta + N[5];
    double f = N[0] * beta * beta + N[3] * beta + N[6];
    double g = N[1] * beta * beta + N[4] * beta + N[7];
    double d = 2 * g / (-f - Math.sqrt(f * f - 4 * e * g));
    return (N[9] + d - Math.sqrt((N[9] + d) * (N[9] + d) - 4 * (N[8] + N[9] * d))) / 2;
  }
}
