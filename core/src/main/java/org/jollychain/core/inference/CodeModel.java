package org.jollychain.core.inference;

import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Code;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** How likely the unit's own display is to show a code. */
public final class CodeModel {

  /** How often a display shows another code than is due; common practice, no source. */
  private static final double CODE_WRONG = 0.1;

  private final Sheet sheet;
  private final UnitModel unit;

  public CodeModel(UnitModel unit) {
    this.unit = unit;
    this.sheet = unit.sheet();
  }

  EvidenceModel<Double> of(CodeShown shown) {
    return (EvidenceModel.OfSight) (hypothesis, index) -> probability(shown, hypothesis);
  }

  /** The probability that the unit's display would show what it shows. */
  public double probability(CodeShown shown, Hypothesis h) {
    List<String> due = due(unit, p -> h.modeOf(p).isPresent(), h::changesIn);
    int all = sheet.codes().size() + 1;
    if (due.isEmpty()) {
      return shown.code().isEmpty() ? 1 - CODE_WRONG : CODE_WRONG / (all - 1);
    }
    return shown.code().filter(due::contains).isPresent()
        ? (1 - CODE_WRONG) / due.size()
        : CODE_WRONG / (all - due.size());
  }

  /**
   * What a unit's display has to show: a control that finds a part of its own bad says so, not what
   * comes of it.
   *
   * @param bad whether a part is at fault
   */
  public static List<String> due(
      UnitModel unit, Predicate<String> bad, Function<Situation, List<Change>> changes) {
    Sheet sheet = unit.sheet();
    List<String> own = ids(sheet, code -> code.suspects().stream().anyMatch(bad));
    return own.isEmpty()
        ? ids(
            sheet,
            code ->
                code.watchesLoads()
                    && unit.shows(
                        code.when(), changes.apply(sheet.situation(code.when().situation()))))
        : own;
  }

  private static List<String> ids(Sheet sheet, Predicate<Code> shown) {
    return sheet.codes().values().stream().filter(shown).map(Code::id).toList();
  }
}
