package org.jollychain.core.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** The resistance of a temperature sensor over temperature. */
public sealed interface SensorCurve {

  /**
   * @param celsius temperature of the sensor (C)
   * @return its resistance (ohm)
   */
  double ohmsAt(double celsius);

  /** As a shorthand says it: {@code 10000 ohm at 25C beta 3950}. */
  String said();

  /** Sensors work within these (C), the range of IEC 60751. */
  double COLDEST = -200;

  double HOTTEST = 850;
  int HALVINGS = 60;

  /**
   * The temperature at which it has such a resistance, by halving: every curve rises or falls all
   * the way.
   *
   * @param ohms its resistance (ohm)
   * @return its temperature, from -200 to 850 (C)
   */
  default double celsiusAt(double ohms) {
    double low = COLDEST;
    double high = HOTTEST;
    boolean rises = ohmsAt(high) > ohmsAt(low);
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      if (ohmsAt(middle) < ohms == rises) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (low + high) / 2;
  }

  /** R = R0 exp(beta (1/T - 1/T0)), temperatures in kelvin: the two-parameter model of an NTC. */
  record Ntc(double ohms, double atCelsius, double betaKelvin) implements SensorCurve {
    private static final double ZERO_CELSIUS_KELVIN = 273.15;

    /** The one that has two points of a table: beta = ln(Ra / Rb) / (1/Ta - 1/Tb). */
    public static Ntc through(TablePoint a, TablePoint b) {
      double apart =
          1 / (a.celsius() + ZERO_CELSIUS_KELVIN) - 1 / (b.celsius() + ZERO_CELSIUS_KELVIN);
      return new Ntc(a.ohms(), a.celsius(), Math.log(a.ohms() / b.ohms()) / apart);
    }

    @Override
    public String said() {
      return "%s at %s beta %s"
          .formatted(
              ShorthandWriter.ohms(ohms),
              ShorthandWriter.celsius(atCelsius),
              ShorthandWriter.figure(betaKelvin));
    }

    @Override
    public double ohmsAt(double celsius) {
      double kelvin = celsius + ZERO_CELSIUS_KELVIN;
      double kelvin0 = atCelsius + ZERO_CELSIUS_KELVIN;
      return ohms * Math.exp(betaKelvin * (1 / kelvin - 1 / kelvin0));
    }
  }

  /**
   * A maker's table; between its points the logarithm of the resistance is straight, beyond them
   * the nearest value holds.
   */
  record Table(List<TablePoint> points) implements SensorCurve {
    @Override
    public String said() {
      return points.stream()
          .map(p -> ShorthandWriter.figure(p.celsius()) + "C=" + ShorthandWriter.figure(p.ohms()))
          .collect(Collectors.joining(" ", "table ", ""));
    }

    @Override
    public double ohmsAt(double celsius) {
      TablePoint before = points.get(0);
      for (TablePoint next : points) {
        if (celsius <= next.celsius()) {
          double span = next.celsius() - before.celsius();
          double share = span == 0 ? 0 : Math.max(0, (celsius - before.celsius()) / span);
          return before.ohms() * Math.pow(next.ohms() / before.ohms(), share);
        }
        before = next;
      }
      return before.ohms();
    }
  }

  /** One line of a maker's table: resistance (ohm) at a temperature (C). */
  record TablePoint(double celsius, double ohms) {}

  /**
   * An NTC after Steinhart and Hart (1968), 1/T = a + b ln R + c (ln R)^3, temperatures in kelvin;
   * solved for R it is a cubic in ln R, by Cardano's formula.
   */
  record SteinhartHart(double a, double b, double c) implements SensorCurve {
    private static final double ZERO_CELSIUS_KELVIN = 273.15;

    @Override
    public String said() {
      // no table, but one that is as near as it is read: from point to point in the logarithm
      List<TablePoint> points = new ArrayList<>();
      for (int c = 0; c <= 100; c += 10) {
        points.add(new TablePoint(c, ohmsAt(c)));
      }
      return new Table(points).said();
    }

    @Override
    public double ohmsAt(double celsius) {
      double x = (a - 1 / (celsius + ZERO_CELSIUS_KELVIN)) / c;
      double y = Math.sqrt(Math.pow(b / (3 * c), 3) + x * x / 4);
      return Math.exp(Math.cbrt(y - x / 2) - Math.cbrt(y + x / 2));
    }
  }

  /**
   * Platinum after Callendar and Van Dusen, IEC 60751: R = R0 (1 + A t + B t^2 + C (t - 100) t^3),
   * the last term below 0 C only.
   *
   * @param ohmsAtZero 100 for Pt100, 1000 for Pt1000 (ohm)
   */
  record Platinum(double ohmsAtZero) implements SensorCurve {
    private static final double A = 3.9083e-3;
    private static final double B = -5.775e-7;
    private static final double C = -4.183e-12;

    @Override
    public String said() {
      return ohmsAtZero > 500 ? "pt1000" : "pt100";
    }

    @Override
    public double ohmsAt(double t) {
      double below = t < 0 ? C * (t - 100) * t * t * t : 0;
      return ohmsAtZero * (1 + A * t + B * t * t + below);
    }
  }
}
