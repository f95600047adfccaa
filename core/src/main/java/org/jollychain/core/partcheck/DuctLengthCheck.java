package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;

/**
 * The duct of a dryer: 10.67 m (35 ft), less 1.52 m (5 ft) for each square mitred elbow, 0.76 m
 * (2.5 ft) for each half one and 0.53 m (1.75 ft) for a smooth square one of 6 in. radius (IRC
 * M1502, the smooth one from memory). What its maker's table allows with just these bends holds as
 * it is printed. The hose between unit and duct is one piece of 2.44 m (8 ft) at most.
 */
final class DuctLengthCheck implements PartCheck {

  private static final double FOOT = Dimension.METRES.parse("1 ft");
  private static final double MOST = 35 * FOOT;
  private static final double SQUARE = 5 * FOOT;
  private static final double HALF = 2.5 * FOOT;
  private static final double SMOOTH = 1.75 * FOOT;
  private static final double LONGEST_HOSE = 8 * FOOT;

  @Override
  public Card card() {
    return new Card(
        "duct-length",
        "A dryer's duct with its bends",
        Set.of(),
        List.of("duct", "vent", "elbow", "dryer exhaust", "35 ft"),
        "",
        List.of(
            Input.figure("length", "Length of its straight runs", Dimension.METRES, "6 m", 0, 100),
            Input.figure("square", "Bends of 90 degrees", Dimension.SHARE, "2", 0, 20),
            Input.figure("half", "Bends of 45 degrees", Dimension.SHARE, "0", 0, 20).optional(),
            Input.figure(
                    "smooth",
                    "Smooth bends of 90 degrees, 6 in. radius",
                    Dimension.SHARE,
                    "0",
                    0,
                    20)
                .optional(),
            Input.figure(
                    "hose", "Length of the hose behind the unit", Dimension.METRES, "1 m", 0, 30)
                .optional(),
            Input.figure(
                    "maker",
                    "Length the maker's table allows with these bends",
                    Dimension.METRES,
                    "20 m",
                    1,
                    60)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    boolean byTable = in.has("maker");
    double less =
        byTable
            ? 0
            : in.figure("square") * SQUARE
                + in.figure("half", 0) * HALF
                + in.figure("smooth", 0) * SMOOTH;
    double most = in.figure("maker", MOST);
    double allowed = Math.max(0, most - less);
    double length = in.figure("length");
    boolean longHose = in.figure("hose", 0) > LONGEST_HOSE;
    boolean within = length <= allowed && !longHose;
    return CheckResult.saying(
            within ? CheckResult.Grade.GOOD : CheckResult.Grade.BAD,
            within
                ? "Within its length"
                : length <= allowed ? "The hose behind the unit is too long" : "Too long")
        .result("allowed", allowed, Dimension.METRES)
        .result("left", allowed - length, Dimension.METRES)
        .because(
            "%.2f m less %.2f m for its bends is %.2f m (%.1f ft); it is %.2f m (%.1f ft).",
            most, less, allowed, allowed / FOOT, length, length / FOOT)
        .band(
            byTable
                ? "%.2f m as the maker's table has it; a hose of 2.44 m (8 ft) at most"
                : "%.2f m, less 1.52 m a square bend, 0.76 m a half one, 0.53 m a smooth one; a hose of 2.44 m (8 ft) at most",
            most)
        .from(byTable ? "The maker's table; the hose: IRC M1502." : "IRC M1502.")
        .means(
            within ? "Clean, it carries the air." : "It cannot carry the air however clean it is.")
        .next(
            within
                ? "See that it is clean and round."
                : length <= allowed
                    ? "One short piece of listed metal hose, or rigid duct up to the unit."
                    : "Shorter, with fewer bends.")
        .drawn(
            Picture.scale(
                "m",
                List.of(
                    new Picture.Band(0, allowed, "within", CheckResult.Grade.GOOD),
                    new Picture.Band(
                        allowed,
                        1.1 * Math.max(allowed, length),
                        "too long",
                        CheckResult.Grade.BAD)),
                new Picture.Mark(length, 0, "this one")))
        .done();
  }
}
