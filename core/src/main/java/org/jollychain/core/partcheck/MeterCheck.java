package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;

/**
 * How sure a reading is: the meter's own share and counts, its last digit and what the leads add,
 * each as a standard uncertainty, added as squares, twice that said (JCGM 100, the GUM). Which
 * range to choose, what the leads take off, whether a voltage is a ghost, which category the place
 * asks for (IEC 61010-1).
 */
final class MeterCheck implements PartCheck {

  private static final double SQUARE = Math.sqrt(3);

  @Override
  public Card card() {
    return new Card(
        "meter",
        "How sure a reading is",
        Set.of(),
        List.of("meter", "accuracy", "budget", "ghost", "category", "range", "leads", "CAT III"),
        "",
        List.of(
            Input.choice("function", "Read as", "AC volts", "DC volts", "ohms"),
            Input.text("reading", "What it shows", "238.4"),
            Input.figure(
                "percent", "Its accuracy, per cent of the reading", Dimension.SHARE, "1.0", 0, 20),
            Input.figure("digits", "and digits", Dimension.SHARE, "3", 0, 100),
            Input.text("leads", "Ohms with the leads together", "0.3").optional(),
            Input.text("low-z", "The same voltage with a low-impedance input", "2.1").optional(),
            Input.choice(
                    "place",
                    "Where it is measured",
                    "outlet",
                    "fixed installation or terminal block",
                    "service entrance or utility meter",
                    "behind a transformer or in a board")
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    boolean ohms = in.text("function").equals("ohms");
    Dimension dimension = ohms ? Dimension.OHMS : Dimension.VOLTS;
    String typed = in.text("reading").replace(',', '.');
    double value = parsed("reading", typed, dimension);
    double leads = ohms && in.has("leads") ? OhmsRead.of("leads", in.text("leads")) : 0;
    double net = value - leads;
    double digit = digit(typed) * (value == 0 ? 1 : value / Math.max(1e-12, leading(typed)));
    double share = in.figure("percent") / 100 * Math.abs(value) / SQUARE;
    double counts = in.figure("digits") * digit / SQUARE;
    double rounding = digit / (2 * SQUARE);
    double lead = ohms ? 0.1 / SQUARE : 0;
    double one = Math.sqrt(share * share + counts * counts + rounding * rounding + lead * lead);
    boolean ghost = false;
    CheckResult.Writer answer;
    if (in.has("low-z") && !ohms) {
      double low = Math.abs(parsed("low-z", in.text("low-z"), Dimension.VOLTS));
      ghost = low < 0.3 * Math.abs(value);
    }
    answer =
        CheckResult.saying(
            ghost ? CheckResult.Grade.DOUBTFUL : CheckResult.Grade.PLAIN,
            ghost ? "A ghost: it collapses under load" : "%s, give or take %s",
            Figures.round(dimension, net),
            Figures.round(dimension, 2 * one));
    answer
        .measured("value", net, dimension, 2 * one)
        .result("standard-uncertainty", one, dimension)
        .because(
            "Share of the reading: %s / sqrt 3 = %s.",
            Figures.round(dimension, in.figure("percent") / 100 * Math.abs(value)),
            Figures.round(dimension, share))
        .because(
            "Digits: %.0f x %s / sqrt 3 = %s; the last digit itself %s.",
            in.figure("digits"),
            Figures.round(dimension, digit),
            Figures.round(dimension, counts),
            Figures.round(dimension, rounding));
    if (leads > 0) {
      answer.because("The leads' own %s taken off.", Figures.round(Dimension.OHMS, leads));
    }
    if (!ohms) {
      answer.because("Range: the next above; a 200 V range cannot read 240 V.");
    }
    switch (in.text("place")) {
      case "outlet" ->
          answer.because("At an outlet: CAT II at least, rated for the volts to earth there.");
      case "fixed installation or terminal block" ->
          answer.because(
              "At the fixed installation: CAT III at least, rated for the volts to earth there.");
      case "service entrance or utility meter" ->
          answer.because(
              "At the service: CAT IV, rated for the volts to earth there. A panel is the electrician's.");
      case "behind a transformer or in a board" ->
          answer.because(
              "Behind its transformer no category is asked for, only a rating above its volts; its primary side is not behind it.");
      default -> {}
    }
    return answer
        .band("two standard deviations")
        .drawn(
            Picture.scale(
                dimension.symbol(),
                List.of(
                    new Picture.Band(
                        net - 2 * one, net + 2 * one, "here it is", CheckResult.Grade.GOOD)),
                new Picture.Mark(net, 0, "shown")))
        .from("JCGM 100 (GUM); categories: IEC 61010-1.")
        .means(
            ghost
                ? "The wire is floating beside a live one."
                : "Two readings closer than this are the same.")
        .next("Prove the meter before and after.")
        .done();
  }

  private static double parsed(String input, String typed, Dimension dimension) {
    try {
      return dimension.parse(typed.replace(',', '.'));
    } catch (IllegalArgumentException e) {
      throw new InvalidInputsException(input, e.getMessage());
    }
  }

  /** The figure as it is written. */
  private static double leading(String typed) {
    return Math.abs(Double.parseDouble(typed.replaceAll("[^0-9.].*$", "").replaceAll("^$", "0")));
  }

  /** The last digit that is written, in the unit it is written in. */
  private static double digit(String typed) {
    String figure = typed.replaceAll("[^0-9.].*$", "");
    int point = figure.indexOf('.');
    return point < 0 ? 1 : Math.pow(10, point + 1 - figure.length());
  }
}
