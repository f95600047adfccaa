package org.jollychain.core.inference;

import org.jollychain.core.network.Sensitivities.Prediction;
import org.jollychain.core.quantity.Complex;

/**
 * What an alternating-current meter makes of an uncertain phasor: its magnitude as the best
 * straight line in the parameters. V is normal in the plane, with mean v and the covariance of its
 * slopes. Far from zero |V| is v's length plus what lies along v; near zero its moments are
 * integrated by Gauss and Hermite's rule along the principal axes.
 */
final class Magnitude {

  /** Beyond so many standard deviations from zero the second order is enough. */
  private static final double FAR = 8;

  /** Ten-point rule for the standard normal: positive nodes, and their weights. */
  private static final double[] NODES = {
    0.48493570751549764,
    1.4659890943911582,
    2.4843258416389546,
    3.581823483551927,
    4.859462828332312
  };

  private static final double[] WEIGHTS = {
    0.34464233493201896,
    0.13548370298026777,
    0.01911158050077027,
    0.0007580709343122171,
    4.3106526307183114e-06
  };

  private Magnitude() {}

  static LinearPrediction line(Prediction p) {
    double xx = 0;
    double yy = 0;
    double xy = 0;
    double[] g = p.slopes();
    for (int i = 0; i < g.length; i += 2) {
      xx += g[i] * g[i];
      yy += g[i + 1] * g[i + 1];
      xy += g[i] * g[i + 1];
    }
    Complex v = p.value();
    double size = v.abs();
    double mean;
    double towardsX;
    double towardsY;
    if (size * size > FAR * FAR * (xx + yy)) {
      towardsX = v.re() / size;
      towardsY = v.im() / size;
      double across =
          xx * towardsY * towardsY + yy * towardsX * towardsX - 2 * xy * towardsX * towardsY;
      mean = size + across / (2 * size);
    } else {
      double angle = 0.5 * Math.atan2(2 * xy, xx - yy);
      double cos = Math.cos(angle);
      double sin = Math.sin(angle);
      double major = Math.sqrt(Math.max(0, xx * cos * cos + yy * sin * sin + 2 * xy * cos * sin));
      double minor = Math.sqrt(Math.max(0, xx * sin * sin + yy * cos * cos - 2 * xy * cos * sin));
      mean = 0;
      towardsX = 0;
      towardsY = 0;
      for (int i = -NODES.length; i < NODES.length; i++) {
        double a = major * node(i);
        for (int j = -NODES.length; j < NODES.length; j++) {
          double b = minor * node(j);
          double x = v.re() + a * cos - b * sin;
          double y = v.im() + a * sin + b * cos;
          double length = Math.hypot(x, y);
          double weight = weight(i) * weight(j);
          mean += weight * length;
          if (length > 0) {
            towardsX += weight * x / length;
            towardsY += weight * y / length;
          }
        }
      }
    }
    double[] slopes = new double[g.length / 2];
    double explained = 0;
    for (int i = 0; i < slopes.length; i++) {
      slopes[i] = g[2 * i] * towardsX + g[2 * i + 1] * towardsY;
      explained += slopes[i] * slopes[i];
    }
    double square = size * size + xx + yy;
    return new LinearPrediction(
        mean, slopes, Math.max(0, square - mean * mean - explained), p.floating());
  }

  /** Nodes from -n to n-1, negative ones first. */
  static double node(int i) {
    return i < 0 ? -NODES[-i - 1] : NODES[i];
  }

  static double weight(int i) {
    return WEIGHTS[i < 0 ? -i - 1 : i];
  }
}
