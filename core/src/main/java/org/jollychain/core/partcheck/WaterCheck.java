package org.jollychain.core.partcheck;

import java.util.List;
import java.util.Set;
import org.jollychain.core.quantity.Dimension;

/**
 * Water: its hardness in every unit, how much scale it leaves a year where it is heated, how often
 * to descale, and whether a relief valve is due. Units by definition; the intervals are common
 * practice, no source.
 */
final class WaterCheck implements PartCheck {

  private static final double RELIEF_YEARS = 6;

  /** Of each unit (mmol/l). */
  private static final double DH = Dimension.MILLIMOLES_PER_LITRE.parse("1 dH");

  private static final double FH = Dimension.MILLIMOLES_PER_LITRE.parse("1 fH");
  private static final double PPM = Dimension.MILLIMOLES_PER_LITRE.parse("1 ppm");
  private static final double GPG = Dimension.MILLIMOLES_PER_LITRE.parse("1 gpg");

  /** Up to 60, 120 and 180 mg/l of calcium carbonate (mmol/l). */
  private static final double SOFT = 60 * PPM;

  private static final double MODERATE = 120 * PPM;
  private static final double HARD = 180 * PPM;

  @Override
  public Card card() {
    return new Card(
        "water",
        "Water's hardness, scale and the relief valve",
        Set.of(),
        List.of("hardness", "descale", "scale", "dH", "ppm", "grains", "relief valve"),
        "",
        List.of(
            Input.figure("hardness", "Hardness", Dimension.MILLIMOLES_PER_LITRE, "14 gpg", 0, 20)
                .bare("gpg"),
            Input.figure("relief", "Age of the relief valve", Dimension.YEARS, "4 years", 0, 60)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double mmol = in.figure("hardness");
    String title =
        mmol <= SOFT
            ? "Soft"
            : mmol <= MODERATE ? "Moderately hard" : mmol <= HARD ? "Hard" : "Very hard";
    int months = mmol <= MODERATE ? 24 : mmol <= HARD ? 12 : 6;
    boolean old = in.figure("relief", 0) >= RELIEF_YEARS;
    CheckResult.Writer answer =
        CheckResult.saying(
                old
                    ? CheckResult.Grade.DOUBTFUL
                    : mmol <= MODERATE ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
                old ? title + "; the relief valve is due" : title)
            .result("mmol-per-litre", mmol, "mmol/l")
            .result("dH", mmol / DH, "dH")
            .result("fH", mmol / FH, "fH")
            .result("ppm", mmol / PPM, "ppm CaCO3")
            .result("gpg", mmol / GPG, "grains/gallon")
            .result("descale-months", months, "months")
            .because(
                "%.2f mmol/l is %.1f dH, %.1f fH, %.0f ppm, %.1f grains a gallon.",
                mmol, mmol / DH, mmol / FH, mmol / PPM, mmol / GPG)
            .because("Descale about every %d months.", months);
    if (in.has("relief")) {
      answer.because(
          "Relief valves are renewed after about %.0f years, and tested every year.", RELIEF_YEARS);
    }
    return answer
        .band("soft to 3.5, moderately hard to 7, hard to 10.5 grains a gallon")
        .drawn(
            Picture.scale(
                "mmol/l",
                List.of(
                    new Picture.Band(0, SOFT, "soft", CheckResult.Grade.GOOD),
                    new Picture.Band(SOFT, MODERATE, "moderate", CheckResult.Grade.GOOD),
                    new Picture.Band(MODERATE, HARD, "hard", CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(HARD, 2 * HARD, "very hard", CheckResult.Grade.BAD)),
                new Picture.Mark(mmol, 0, "yours")))
        .from(
            "Classes: USGS (from memory); the units by definition; the intervals are common practice.")
        .means(
            mmol > MODERATE
                ? "Scale keeps the heat in the element until it or its cut-off gives way."
                : "Scale is slow here.")
        .next(
            old
                ? "Renew the relief valve; it must lift and reseat."
                : mmol > MODERATE ? "Descale, and put it on the sheet as prevention." : "Nothing.")
        .done();
  }
}
