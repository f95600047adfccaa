package org.jollychain.study.field;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.guide.Check;
import org.jollychain.core.guide.CheckMade;
import org.jollychain.core.guide.Guide;
import org.jollychain.core.guide.GuideFindings;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;

/**
 * What lies outside of a unit's circuit, and what a technician finds of it by the guide's checks.
 * One look in ten is taken for another, whatever the guide thinks of it.
 */
final class FieldGuide {

  private static final double MISTAKEN = 0.1;

  private final Guide guide;
  private final RandomGenerator random;
  private final List<CheckMade> made = new ArrayList<>();
  private final Set<String> putRight = new HashSet<>();
  private String cause = "";

  FieldGuide(Guide guide, RandomGenerator random) {
    this.guide = guide;
    this.random = random;
  }

  /** Draws what brings a complaint about with every part sound; nothing where none is known. */
  void suffer(Sheet sheet, String complaint) {
    List<Cause> causes =
        CauseModel.of(sheet, GuideFindings.by(guide), Optional.of(complaint), List.of())
            .map(m -> m.causes().stream().filter(m::outside).toList())
            .orElse(List.of());
    double at = random.nextDouble() * causes.stream().mapToDouble(Cause::weight).sum();
    for (Cause c : causes) {
      cause = c.id();
      at -= c.weight();
      if (at < 0) {
        return;
      }
    }
  }

  /** What is known before anything is read, with what was found by the guide. */
  Diagnosis.Beginning beginning(Optional<String> complaint, UnitFacts facts) {
    return new Diagnosis.Beginning(
        complaint,
        new GuideFindings(Optional.of(guide), List.copyOf(made), Set.of(), Set.copyOf(putRight)),
        facts);
  }

  /**
   * Puts right what a search ended on outside of the circuit, and tries the unit.
   *
   * @return whether what is complained of stays, so that the search goes on
   */
  boolean stays(Diagnosis.Opinion opinion, List<? extends Evidence> taken) {
    Diagnosis.Beginning began = opinion.beginning();
    Optional<CauseModel> model =
        CauseModel.of(opinion.unit().sheet(), began.findings(), began.complaint(), taken);
    if (opinion.beliefs().get(0).hypothesis().kind() != Hypothesis.Kind.SOUND || model.isEmpty()) {
      return false;
    }
    double[] p = model.get().probabilities(opinion.beliefs());
    for (int i = 0; i < p.length - 1; i++) {
      String found = model.get().causes().get(i).id();
      if (p[i] > CauseModel.SEEN && !found.equals(cause)) {
        return putRight.add(found);
      }
    }
    return false;
  }

  /** Makes a check. */
  void make(String id) {
    Check check = guide.checks().get(id);
    List<String> outcomes = List.copyOf(check.outcomes().keySet());
    made.add(
        new CheckMade(
            id,
            Drawn.chance(random, MISTAKEN)
                ? Drawn.one(random, outcomes)
                : outcomes.get(drawn(check.likelihood(cause)))));
  }

  private int drawn(double[] likelihood) {
    double at = random.nextDouble();
    for (int i = 0; i < likelihood.length; i++) {
      at -= likelihood[i];
      if (at < 0) {
        return i;
      }
    }
    return likelihood.length - 1;
  }
}
