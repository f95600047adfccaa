package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import org.jollychain.core.diagnosis.Assessment;

/**
 * The potential along a chain as bars on paper (mm): a level line at every point, an upright one
 * where a part drops it.
 *
 * @param height of the drawing (mm)
 */
record StaircasePaper(double height, List<Bar> bars, List<Label> labels) {

  private static final double WIDTH = 174;
  private static final double HEIGHT = 22;
  private static final double THICK = 0.5;

  /** A filled box. */
  record Bar(double left, double top, double width, double height) {}

  /** A point and its volts, at the left of its level line. */
  record Label(double left, String point, String volts) {}

  static StaircasePaper of(
      Assessment.Staircase chain, ToDoubleFunction<Assessment.Tread> potential) {
    List<Bar> bars = new ArrayList<>();
    List<Label> labels = new ArrayList<>();
    double most =
        chain.treads().stream()
            .mapToDouble(
                t -> Math.max(Math.abs(potential.applyAsDouble(t)), Math.abs(t.expected())))
            .max()
            .orElse(1);
    double step = WIDTH / chain.treads().size();
    double before = 0;
    for (int i = 0; i < chain.treads().size(); i++) {
      double volts = Math.abs(potential.applyAsDouble(chain.treads().get(i)));
      double top = HEIGHT * (1 - (most == 0 ? 0 : volts / most));
      bars.add(new Bar(step * i, top, step, THICK));
      if (i > 0) {
        bars.add(new Bar(step * i, Math.min(top, before), THICK, Math.abs(top - before) + THICK));
      }
      labels.add(
          new Label(
              step * i,
              chain.treads().get(i).point(),
              String.format(Locale.ROOT, most < 2 ? "%.2f V" : "%.0f V", volts)));
      before = top;
    }
    return new StaircasePaper(HEIGHT, bars, labels);
  }
}
