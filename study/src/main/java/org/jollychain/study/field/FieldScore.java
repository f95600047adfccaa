package org.jollychain.study.field;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.diagnosis.SupplyVerdict;
import org.jollychain.core.diagnosis.Verdict;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.sheet.Sheet;

/** What is counted of one sheet. */
final class FieldScore {

  static final String HEADINGS =
      "sheet                  units  named  first  condemned  sure  right-when-sure  not-on-sheet  supply  explains";

  private static final double SURE = 0.95;
  private static final double CONDEMNED = 0.9;

  private int units;
  private int named;
  private int first;
  private int condemned;
  private int sure;
  private int rightWhenSure;
  private int notOnSheet;
  private int supplies;
  private int supplyRight;
  private int ended;
  private int explained;

  /**
   * @param truth what is wrong; nothing where it lies outside of the circuit
   * @param due what may be said of the supply; nothing where it was not read
   * @return what was wrong with an answer, in a word; empty where nothing was
   */
  Optional<String> count(
      Sheet sheet, List<FieldFault> truth, Assessment said, Collection<SupplyVerdict> due) {
    units++;
    Assessment.Leading leading = said.leading();
    boolean right =
        truth.isEmpty() ? leading.part().equals("unit") : blamed(sheet, truth, leading.part());
    boolean isNamed =
        right || said.parts().stream().anyMatch(p -> fails(p) && blamed(sheet, truth, p.id()));
    boolean isSure = leading.probability() >= SURE;
    boolean wronged =
        said.parts().stream().anyMatch(p -> condemned(p) && !blamed(sheet, truth, p.id()));
    boolean given = leading.part().equals("not-on-sheet");
    named += isNamed ? 1 : 0;
    first += right ? 1 : 0;
    condemned += wronged ? 1 : 0;
    sure += isSure ? 1 : 0;
    rightWhenSure += isSure && right ? 1 : 0;
    notOnSheet += given ? 1 : 0;
    boolean supply = due.isEmpty() || due.contains(said.supply().verdict());
    supplies += due.isEmpty() ? 0 : 1;
    supplyRight += supply && !due.isEmpty() ? 1 : 0;
    return wronged
        ? Optional.of("condemned")
        : given
            ? Optional.of("not on sheet")
            : isSure && !right
                ? Optional.of("sure and wrong")
                : !supply ? Optional.of("supply") : right ? Optional.empty() : Optional.of("wrong");
  }

  /** Counts a search that ended with what leads; whether that explains the complaint. */
  void ended(Assessment said, boolean explains) {
    if (said.leading().probability() >= SURE) {
      ended++;
      explained += explains ? 1 : 0;
    }
  }

  static boolean blamed(Sheet sheet, List<FieldFault> truth, String answer) {
    return truth.stream().anyMatch(f -> f.isBlamedBy(answer) || oneBody(sheet, f, answer));
  }

  private static boolean oneBody(Sheet sheet, FieldFault fault, String answer) {
    return sheet.parts().containsKey(answer)
        && sheet.parts().containsKey(fault.culprit())
        && sheet.part(answer).body().isPresent()
        && sheet.part(answer).body().equals(sheet.part(fault.culprit()).body());
  }

  private static boolean fails(PartAssessment part) {
    return switch (part.verdict()) {
      case OPEN, DROPPING, STUCK, LEAKING, OFF_VALUE, TRIPPED -> true;
      default -> false;
    };
  }

  /** What has tripped is reset, what comes and goes is looked for; nobody renews them for it. */
  private static boolean condemned(PartAssessment part) {
    return fails(part)
        && part.verdict() != Verdict.TRIPPED
        && part.modes().stream()
                .filter(m -> m.mode() != FaultMode.INTERMITTENT)
                .mapToDouble(Assessment.ModeProbability::probability)
                .sum()
            > CONDEMNED;
  }

  void add(FieldScore o) {
    units += o.units;
    named += o.named;
    first += o.first;
    condemned += o.condemned;
    sure += o.sure;
    rightWhenSure += o.rightWhenSure;
    notOnSheet += o.notOnSheet;
    supplies += o.supplies;
    supplyRight += o.supplyRight;
    ended += o.ended;
    explained += o.explained;
  }

  String line(String name) {
    return String.format(
        Locale.ROOT,
        "%-22s %5d  %.3f  %.3f  %.4f     %.2f  %.3f            %.4f        %.3f   %.3f",
        name,
        units,
        share(named, units),
        share(first, units),
        share(condemned, units),
        share(sure, units),
        share(rightWhenSure, sure),
        share(notOnSheet, units),
        share(supplyRight, supplies),
        share(explained, ended));
  }

  private static double share(int of, int all) {
    return all == 0 ? 1 : (double) of / all;
  }
}
