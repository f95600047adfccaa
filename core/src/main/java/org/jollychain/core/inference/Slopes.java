package org.jollychain.core.inference;

import java.util.Arrays;

/** Slopes by the place of their parameter; those that are nothing are left out. */
public final class Slopes {

  private final int[] places;
  private final double[] values;

  private Slopes(int[] places, double[] values) {
    this.places = places;
    this.values = values;
  }

  /**
   * @param dense one for every parameter
   */
  static Slopes of(double... dense) {
    int[] places = new int[dense.length];
    double[] values = new double[dense.length];
    int n = 0;
    for (int i = 0; i < dense.length; i++) {
      if (dense[i] != 0) {
        places[n] = i;
        values[n++] = dense[i];
      }
    }
    return new Slopes(Arrays.copyOf(places, n), Arrays.copyOf(values, n));
  }

  /** With one more, at a place behind all others. */
  Slopes and(int place, double value) {
    int n = places.length;
    int[] more = Arrays.copyOf(places, n + 1);
    double[] of = Arrays.copyOf(values, n + 1);
    more[n] = place;
    of[n] = value;
    return new Slopes(more, of);
  }

  /** Without those smaller than this. */
  Slopes without(double trifle) {
    int n = 0;
    int[] left = new int[places.length];
    double[] of = new double[places.length];
    for (int i = 0; i < places.length; i++) {
      if (Math.abs(values[i]) >= trifle) {
        left[n] = places[i];
        of[n++] = values[i];
      }
    }
    return new Slopes(Arrays.copyOf(left, n), Arrays.copyOf(of, n));
  }

  /** The squares of those smaller than this. */
  double squaredBelow(double trifle) {
    double sum = 0;
    for (double v : values) {
      sum += Math.abs(v) < trifle ? v * v : 0;
    }
    return sum;
  }

  double at(int place) {
    int i = Arrays.binarySearch(places, place);
    return i < 0 ? 0 : values[i];
  }

  /** The sum of their products with others. */
  double dot(Slopes other) {
    double sum = 0;
    int i = 0;
    int j = 0;
    while (i < places.length && j < other.places.length) {
      int step = Integer.compare(places[i], other.places[j]);
      if (step == 0) {
        sum += values[i] * other.values[j];
      }
      i += step <= 0 ? 1 : 0;
      j += step >= 0 ? 1 : 0;
    }
    return sum;
  }

  public double squared() {
    double sum = 0;
    for (double v : values) {
      sum += v * v;
    }
    return sum;
  }

  /** Whether no two at the same place are further apart than this. */
  boolean near(Slopes other, double apart) {
    int i = 0;
    int j = 0;
    while (i < places.length || j < other.places.length) {
      int here = i < places.length ? places[i] : Integer.MAX_VALUE;
      int there = j < other.places.length ? other.places[j] : Integer.MAX_VALUE;
      double difference = (here <= there ? values[i] : 0) - (there <= here ? other.values[j] : 0);
      if (Math.abs(difference) > apart) {
        return false;
      }
      i += here <= there ? 1 : 0;
      j += there <= here ? 1 : 0;
    }
    return true;
  }
}
