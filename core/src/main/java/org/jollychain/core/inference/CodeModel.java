package org.jollychain.core.inference;

import java.util.List;
import java.util.function.Predicate;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Code;
import org.jollychain.core.sheet.Sheet;

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
    // a control that finds a part of its own bad says so, not what comes of it
    List<String> due = due(code -> code.suspects().stream().anyMatch(p -> h.modeOf(p).isPresent()));
    if (due.isEmpty()) {
      due =
          due(
              code ->
                  code.watchesLoads()
                      && unit.shows(
                          code.when(), h.changesIn(sheet.situation(code.when().situation()))));
    }
    int all = sheet.codes().size() + 1;
    if (due.isEmpty()) {
      return shown.code().isEmpty() ? 1 - CODE_WRONG : CODE_WRONG / (all - 1);
    }
    return shown.code().filter(due::contains).isPresent()
        ? (1 - CODE_WRONG) / due.size()
        : CODE_WRONG / (all - due.size());
  }

  private List<String> due(Predicate<Code> shown) {
    return sheet.codes().values().stream().filter(shown).map(Code::id).toList();
  }
}
