package org.jollychain.core.visit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.quantity.PlainText;
import org.jollychain.core.sheet.Complaint;

/**
 * How a visit would end as it stands, and what would be said of it.
 *
 * @param ends something failed or was put right; else somebody complained, or nobody did
 * @param words what was found and done; of whom one thinks where no test failed; what was tried
 */
record Summary(Outcome ends, String words) {

  /** Who is believed less is not named as a suspect. */
  private static final double SUSPECTED = 0.02;

  private static final int MOST_SUSPECTED = 3;

  static Summary of(
      Visit visit, Assessment assessment, List<Cause> found, List<Complaint> complaints) {
    List<String> said = new ArrayList<>();
    if (assessment.leading().confirmed()) {
      said.add(assessment.leading().title());
    }
    found.forEach(c -> said.add(c.title()));
    visit.simple().stream()
        .filter(s -> s.answer().equals(VisitEntry.NO))
        .forEach(s -> said.add(s.title() + ": put right"));
    visit.actions().stream()
        .filter(a -> a.answer().equals(VisitEntry.YES))
        .forEach(a -> said.add(a.title()));
    visit.renewed().forEach(r -> said.add(r.title() + " renewed"));
    Outcome ends =
        !said.isEmpty()
            ? Outcome.REPAIRED
            : complaints.isEmpty() ? Outcome.SERVICE : Outcome.NOT_REPRODUCED;
    if (ends == Outcome.NOT_REPRODUCED) {
      said.add("No test failed" + suspected(assessment));
      said.add("When it comes back, note what it was doing, for how long, and what it showed");
    } else if (ends == Outcome.SERVICE) {
      visit.proofs().stream().filter(p -> !p.answer().isEmpty()).forEach(p -> said.add(p.tried()));
    }
    return new Summary(
        ends, said.stream().map(s -> PlainText.sentence(s) + ".").collect(Collectors.joining(" ")));
  }

  private static String suspected(Assessment assessment) {
    String names =
        assessment.parts().stream()
            .filter(p -> p.probability() > SUSPECTED)
            .sorted(Comparator.comparingDouble(p -> -p.probability()))
            .limit(MOST_SUSPECTED)
            .map(Assessment.PartAssessment::title)
            .collect(Collectors.joining(", "));
    return names.isEmpty() ? "" : "; suspected: " + names;
  }
}
