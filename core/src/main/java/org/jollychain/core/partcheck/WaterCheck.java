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

  @Override
  public Card card() {
    return new Card(
        "water",
        "Water's hardness, scale and the relief valve",
        Set.of(),
        List.of("hardness", "descale", "scale", "dH", "ppm", "grains", "relief valve"),
        "",
        List.of(
            Input.figure("hardness", "Hardness", Dimension.MILLIMOLES_PER_LITRE, "14 dH", 0, 20),
            Input.figure("relief", "Age of the relief valve", Dimension.YEARS, "4 years", 0, 60)
                .optional()));
  }

  @Override
  public CheckResult answer(Inputs in) {
    double mmol = in.figure("hardness");
    String title =
        mmol < 1.5 ? "Soft" : mmol < 2.5 ? "Middling" : mmol < 3.8 ? "Hard" : "Very hard";
    int months = mmol < 1.5 ? 24 : mmol < 2.5 ? 12 : mmol < 3.8 ? 6 : 3;
    boolean old = in.figure("relief", 0) >= RELIEF_YEARS;
    CheckResult.Writer answer =
        CheckResult.saying(
                old
                    ? CheckResult.Grade.DOUBTFUL
                    : mmol < 2.5 ? CheckResult.Grade.GOOD : CheckResult.Grade.DOUBTFUL,
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
        .band("soft under 1.5, middling to 2.5, hard to 3.8 mmol/l")
        .drawn(
            Picture.scale(
                "mmol/l",
                List.of(
                    new Picture.Band(0, 1.5, "soft", CheckResult.Grade.GOOD),
                    new Picture.Band(1.5, 2.5, "middling", CheckResult.Grade.GOOD),
                    new Picture.Band(2.5, 3.8, "hard", CheckResult.Grade.DOUBTFUL),
                    new Picture.Band(3.8, 6, "very hard", CheckResult.Grade.BAD)),
                new Picture.Mark(mmol, 0, "yours")))
        .from("The units by definition; the classes and intervals are common practice, no source.")
        .means(
            mmol >= 2.5
                ? "Scale keeps the heat in the element until it or its cut-off gives way."
                : "Scale is slow here.")
        .next(
            old
                ? "Renew the relief valve; it must lift and reseat."
                : mmol >= 2.5 ? "Descale, and put it on the sheet as prevention." : "Nothing.")
        .done();
  }
}
