package org.jollychain.core.diagnosis;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jollychain.core.diagnosis.Assessment.Leading;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;

/**
 * What is left where most of a circuit was tested and passes: its control, its command, its
 * harness.
 */
final class Elimination {

  /** From so many tested parts on it is said. */
  private static final int TESTED = 3;

  /** So many of what is left are named. */
  private static final int NAMED = 4;

  private Elimination() {}

  /**
   * The parts, with what is left said of the one that leads.
   *
   * @param told complaints, whose loads stand still
   */
  static List<PartAssessment> said(
      UnitModel unit, List<Complaint> told, List<PartAssessment> parts, Leading leading) {
    Map<String, PartAssessment> by =
        parts.stream().collect(Collectors.toMap(PartAssessment::id, Function.identity()));
    List<PartAssessment> circuit =
        unit.chains().keySet().stream()
            .filter(c -> told.stream().anyMatch(t -> t.notRunning().contains(c.path().load())))
            .flatMap(c -> c.parts().stream())
            .map(Part::id)
            .distinct()
            .map(by::get)
            .toList();
    long passed =
        circuit.stream().filter(p -> p.verdict().passed() && !p.reading().isEmpty()).count();
    List<PartAssessment> left =
        circuit.stream()
            .filter(PartAssessment::unread)
            .sorted(Comparator.comparingDouble(PartAssessment::probability).reversed())
            .limit(NAMED)
            .toList();
    Optional<PartAssessment> leads =
        left.stream().filter(p -> p.id().equals(leading.part())).findFirst();
    if (passed < TESTED || leads.isEmpty()) {
      return parts;
    }
    String said =
        "%d parts of its circuit were tested and pass. Not tested yet: %s."
            .formatted(
                passed, left.stream().map(PartAssessment::title).collect(Collectors.joining(", ")));
    return parts.stream().map(p -> p == leads.get() ? p.also(said) : p).toList();
  }
}
