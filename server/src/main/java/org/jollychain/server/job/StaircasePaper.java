package org.jollychain.server.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.jollychain.core.diagnosis.Assessment;

/**
 * The potential along a chain as bars on paper (mm): a level line at every point where it is known,
 * an upright one where a part drops it.
 *
 * @param height of the drawing (mm)
 */
record StaircasePaper(double height, List<Bar> bars, List<Label> labels) {

  private static final double WIDTH = 174;
  private static final double HEIGHT = 22;
  private static final double THICK = 0.5;

  /** Room for two lines below the drawing. */
  private static final double LABEL = 9;

  /** A filled box. */
  record Bar(double left, double top, double width, double height) {}

  /** A point and its volts, at the left of its level line. */
  record Label(double left, String point, String volts) {}

  /**
   * Where its boxes lie, as CSS.
   *
   * @param id of the drawing on the page; its bars are called by it, b and their number, its labels
   *     by l
   */
  String rules(String id) {
    StringBuilder css = new StringBuilder("#%s{%s}".formatted(id, mm("height", height + LABEL)));
    for (int i = 0; i < bars.size(); i++) {
      Bar b = bars.get(i);
      css.append("#%sb%d{".formatted(id, i))
          .append(mm("left", b.left))
          .append(mm("top", b.top))
          .append(mm("width", b.width))
          .append(mm("height", b.height))
          .append('}');
    }
    for (int i = 0; i < labels.size(); i++) {
      css.append("#%sl%d{".formatted(id, i))
          .append(mm("left", labels.get(i).left))
          .append(mm("top", height + 1))
          .append('}');
    }
    return css.toString();
  }

  private static String mm(String what, double value) {
    return String.format(Locale.ROOT, "%s:%.2fmm;", what, value);
  }

  /**
   * @param potential at a point (V); where it is not known nothing is drawn
   */
  static StaircasePaper of(
      Assessment.Staircase chain, Function<Assessment.Tread, Optional<Double>> potential) {
    List<Bar> bars = new ArrayList<>();
    List<Label> labels = new ArrayList<>();
    double most =
        chain.treads().stream()
            .mapToDouble(
                t ->
                    Math.max(potential.apply(t).map(Math::abs).orElse(0.0), Math.abs(t.expected())))
            .max()
            .orElse(1);
    double step = WIDTH / chain.treads().size();
    Optional<Double> before = Optional.empty();
    for (int i = 0; i < chain.treads().size(); i++) {
      Assessment.Tread tread = chain.treads().get(i);
      Optional<Double> volts = potential.apply(tread).map(Math::abs);
      Optional<Double> top = volts.map(v -> HEIGHT * (1 - (most == 0 ? 0 : v / most)));
      if (top.isPresent()) {
        bars.add(new Bar(step * i, top.get(), step, THICK));
      }
      if (top.isPresent() && before.isPresent()) {
        double drop = Math.abs(top.get() - before.get());
        bars.add(new Bar(step * i, Math.min(top.get(), before.get()), THICK, drop + THICK));
      }
      String shown =
          volts.map(v -> String.format(Locale.ROOT, most < 2 ? "%.2f V" : "%.0f V", v)).orElse("");
      labels.add(new Label(step * i, tread.point(), shown));
      before = top;
    }
    return new StaircasePaper(HEIGHT, bars, labels);
  }
}
