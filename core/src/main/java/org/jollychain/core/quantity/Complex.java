package org.jollychain.core.quantity;

/**
 * A complex number: a phasor of voltage or current (RMS, at supply frequency) or an impedance.
 *
 * @param re the real part
 * @param im the imaginary part
 */
public record Complex(double re, double im) {

  public static final Complex ZERO = new Complex(0, 0);
  public static final Complex ONE = new Complex(1, 0);

  public static Complex of(double re) {
    return new Complex(re, 0);
  }

  /**
   * @param magnitude the length
   * @param radians the angle (rad)
   */
  public static Complex polar(double magnitude, double radians) {
    return new Complex(magnitude * Math.cos(radians), magnitude * Math.sin(radians));
  }

  public Complex plus(Complex o) {
    return new Complex(re + o.re, im + o.im);
  }

  public Complex minus(Complex o) {
    return new Complex(re - o.re, im - o.im);
  }

  public Complex times(Complex o) {
    return new Complex(re * o.re - im * o.im, re * o.im + im * o.re);
  }

  public Complex times(double factor) {
    return new Complex(re * factor, im * factor);
  }

  /**
   * Division after Smith (1962): scaled by the larger part of the divisor, so that it cannot
   * overflow early.
   */
  public Complex over(Complex o) {
    if (Math.abs(o.re) >= Math.abs(o.im)) {
      double ratio = o.im / o.re;
      double scale = o.re + o.im * ratio;
      return new Complex((re + im * ratio) / scale, (im - re * ratio) / scale);
    }
    double ratio = o.re / o.im;
    double scale = o.re * ratio + o.im;
    return new Complex((re * ratio + im) / scale, (im * ratio - re) / scale);
  }

  public double abs() {
    return Math.hypot(re, im);
  }
}
