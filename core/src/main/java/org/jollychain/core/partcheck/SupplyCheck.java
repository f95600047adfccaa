package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.quantity.Dimension;
import org.jollychain.core.sheet.PartKind;
import org.jollychain.core.sheet.ServiceBand;

/**
 * Voltages of a supply: each against its band (ANSI C84.1 ranges A and B, IEC 60038), the two legs
 * of a split phase against each other, two legs of a three-phase one (208), an open neutral, and
 * the heat they give, which goes with the square.
 */
final class SupplyCheck implements PartCheck {

  /** What is read at a unit is below its service by what the wires take. */
  private static final ServiceBand AT_THE_UNIT_A =
      new ServiceBand(1.0 / 12, 0.05, "ANSI C84.1, utilization voltage, range A.");

  private static final ServiceBand AT_THE_UNIT_B =
      new ServiceBand(14.0 / 120, 14.0 / 240, "ANSI C84.1, utilization voltage, range B.");

  @Override
  public Card card() {
    return new Card(
        "supply",
        "The supply's volts",
        Set.of(PartKind.CORD, PartKind.BREAKER),
        List.of("240", "208", "open neutral", "dead leg", "outlet", "low voltage"),
        "Live: only with a permit; the meter on AC volts, on a range above the supply.",
        List.of(
            Input.choice(
                "system", "Which", "split-phase 120/240", "single-phase 120", "single-phase 230"),
            Input.figure(
                "line", "Line to line, or line to neutral", Dimension.VOLTS, "238 V", 0, 1000),
            Input.figure("leg-one", "First leg to neutral", Dimension.VOLTS, "119 V", 0, 1000)
                .optional(),
            Input.figure("leg-two", "Second leg to neutral", Dimension.VOLTS, "119 V", 0, 1000)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    boolean split = in.text("system").startsWith("split");
    double nominal = split ? 240 : in.text("system").endsWith("120") ? 120 : 230;
    double line = in.figure("line");
    boolean iec = nominal == 230;
    ServiceBand sound = iec ? ServiceBand.IEC : AT_THE_UNIT_A;
    ServiceBand edge = iec ? ServiceBand.IEC : AT_THE_UNIT_B;
    double share = line / nominal;
    String verdict;
    CheckResult.Grade grade = CheckResult.Grade.BAD;
    boolean legs = split && in.has("leg-one") && in.has("leg-two");
    double one = in.figure("leg-one", 0);
    double two = in.figure("leg-two", 0);
    if (line < 0.1 * nominal && (!legs || Math.max(one, two) < 0.1 * nominal)) {
      verdict = "Dead";
    } else if (legs && line < 0.1 * nominal && Math.min(one, two) > 60) {
      verdict = "Dead leg, fed back through the load; or one leg twice";
    } else if (legs
        && Math.max(one, two) > 190
        && Math.max(one, two) < 220
        && Math.min(one, two) < 132) {
      verdict = "A high leg of a delta: stop";
    } else if (legs && Math.min(one, two) < 30 && Math.max(one, two) > 100) {
      verdict = "Dead leg";
    } else if (legs
        && Math.abs(one + two - line) < 0.06 * nominal
        && Math.abs(one - two) > 12
        && Math.abs(share - 1) < 0.12) {
      verdict = "Open neutral: the legs are unequal and add up";
    } else if (split && line > 198 && line < 216 && (!legs || Math.min(one, two) > 110)) {
      verdict = "Two legs of a three-phase supply (208 V)";
      grade = CheckResult.Grade.DOUBTFUL;
    } else if (sound.holds(share)) {
      verdict = "Sound";
      grade = CheckResult.Grade.GOOD;
    } else if (edge.holds(share)) {
      verdict = "Sound, at the edge";
      grade = CheckResult.Grade.DOUBTFUL;
    } else {
      verdict = share < 1 ? "Low" : "High";
    }
    CheckResult.Writer answer =
        CheckResult.saying(grade, verdict)
            .measured("line", line, Dimension.VOLTS, Figures.twice(MeterFunction.VOLTS_AC, line))
            .result("share", share, "")
            .result("heat-share", share * share, "")
            .because(
                "%.0f V of %.0f V: heat goes with the square, %s of nominal.",
                line, nominal, Figures.percent(share * share));
    if (legs) {
      double mean = (one + two) / 2;
      answer
          .result(
              "unbalance",
              mean > 0 ? Math.max(Math.abs(one - mean), Math.abs(two - mean)) / mean : 0,
              "")
          .because("%.0f V and %.0f V to neutral add up to %.0f V.", one, two, one + two);
    }
    return answer
        .band(
            iec
                ? "207 to 253 V"
                : split
                    ? "at the unit: range A 220 to 252 V, range B 212 to 254 V"
                    : "at the unit: range A 110 to 126 V, range B 106 to 127 V")
        .from(iec ? "IEC 60038." : "ANSI C84.1, utilization voltage (from memory).")
        .means(
            grade == CheckResult.Grade.GOOD
                ? "The supply is not it."
                : verdict.startsWith("Two legs")
                    ? "It heats, slower, and as it should on that supply."
                    : "The unit is not fed as it should be.")
        .next(
            switch (verdict) {
              case "Dead", "Dead leg", "Dead leg, fed back through the load; or one leg twice" ->
                  "Plug, breaker, outlet, block, cord, in this order.";
              case "A high leg of a delta: stop" ->
                  "Nothing of 120 V on the high leg: switch off, and the electrician.";
              case "Two legs of a three-phase supply (208 V)" ->
                  "See its plate: many units are rated for 208 V too, at three quarters of the heat.";
              case "Open neutral: the legs are unequal and add up" ->
                  "Dangerous for everything on it: switch off, and the electrician.";
              default ->
                  grade == CheckResult.Grade.GOOD
                      ? "Go on to the chain."
                      : "Under load and without; then the electrician.";
            })
        .drawn(
            Picture.scale(
                "V",
                List.of(
                    new Picture.Band(0, nominal * (1 - edge.below()), "low", CheckResult.Grade.BAD),
                    new Picture.Band(
                        nominal * (1 - sound.below()),
                        nominal * (1 + sound.above()),
                        "sound",
                        CheckResult.Grade.GOOD),
                    new Picture.Band(
                        nominal * (1 + edge.above()),
                        nominal * 1.3,
                        "high",
                        CheckResult.Grade.BAD)),
                new Picture.Mark(line, 0, "read")))
        .done();
  }
}
