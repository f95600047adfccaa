package org.jollychain.core.inference;

import java.util.stream.IntStream;
import org.hipparchus.analysis.integration.gauss.GaussIntegrator;
import org.hipparchus.analysis.integration.gauss.GaussIntegratorFactory;
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

  private static final int POINTS = 10;

  /** Gauss and Hermite's rule for the standard normal. */
  private static final GaussIntegrator RULE = new GaussIntegratorFactory().hermite(POINTS);

  private static final double[] NODES =
      IntStream.range(0, POINTS).mapToDouble(i -> Math.sqrt(2) * RULE.getPoint(i)).toArray();

  private static final double[] WEIGHTS =
      IntStream.range(0, POINTS).mapToDouble(i -> RULE.getWeight(i) / Math.sqrt(Math.PI)).toArray();

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
      for (int i = 0; i < POINTS; i++) {
        double a = major * NODES[i];
        for (int j = 0; j < POINTS; j++) {
          double b = minor * NODES[j];
          double x = v.re() + a * cos - b * sin;
          double y = v.im() + a * sin + b * cos;
          double length = Math.hypot(x, y);
          double weight = WEIGHTS[i] * WEIGHTS[j];
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
}
