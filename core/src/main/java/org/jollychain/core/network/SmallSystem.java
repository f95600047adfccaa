package org.jollychain.core.network;

/**
 * Complex systems of a few unknowns, solved in place by Gauss with the largest pivot of each
 * column. Real and imaginary parts stand in turn.
 */
final class SmallSystem {

  private SmallSystem() {}

  /**
   * @param a the n by n matrix, by rows; spent afterwards
   * @param y the right side, then the solution
   */
  static void solve(double[] a, double[] y, int n) {
    for (int c = 0; c < n; c++) {
      int pivot = c;
      for (int r = c + 1; r < n; r++) {
        pivot = size(a, r * n + c) > size(a, pivot * n + c) ? r : pivot;
      }
      if (size(a, pivot * n + c) == 0) {
        throw new IllegalStateException("the changed circuit has no solution");
      }
      if (pivot != c) {
        for (int k = c; k < n; k++) {
          swap(a, pivot * n + k, c * n + k);
        }
        swap(y, pivot, c);
      }
      for (int r = c + 1; r < n; r++) {
        int at = 2 * (r * n + c);
        if (a[at] != 0 || a[at + 1] != 0) {
          divide(a, r * n + c, a, c * n + c);
          double re = a[at];
          double im = a[at + 1];
          for (int k = c + 1; k < n; k++) {
            subtract(a, r * n + k, re, im, a, c * n + k);
          }
          subtract(y, r, re, im, y, c);
        }
      }
    }
    for (int r = n - 1; r >= 0; r--) {
      for (int k = r + 1; k < n; k++) {
        subtract(y, r, a[2 * (r * n + k)], a[2 * (r * n + k) + 1], y, k);
      }
      divide(y, r, a, r * n + r);
    }
  }

  private static double size(double[] a, int i) {
    return Math.abs(a[2 * i]) + Math.abs(a[2 * i + 1]);
  }

  private static void swap(double[] a, int i, int j) {
    double re = a[2 * i];
    double im = a[2 * i + 1];
    a[2 * i] = a[2 * j];
    a[2 * i + 1] = a[2 * j + 1];
    a[2 * j] = re;
    a[2 * j + 1] = im;
  }

  private static void divide(double[] a, int i, double[] by, int j) {
    double re = by[2 * j];
    double im = by[2 * j + 1];
    double size = re * re + im * im;
    double x = a[2 * i];
    a[2 * i] = (x * re + a[2 * i + 1] * im) / size;
    a[2 * i + 1] = (a[2 * i + 1] * re - x * im) / size;
  }

  /** a[i] -= (re, im) b[j] */
  private static void subtract(double[] a, int i, double re, double im, double[] b, int j) {
    a[2 * i] -= re * b[2 * j] - im * b[2 * j + 1];
    a[2 * i + 1] -= re * b[2 * j + 1] + im * b[2 * j];
  }
}
