package org.jollychain.server.assess;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.List;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.sheet.Sheet;

/**
 * What judges and plans for one sheet, with all it has learnt of it. What it says before the first
 * reading it says of every job with the same beginning and policy, and so remembers it.
 */
public final class SheetEngine {

  private static final int MOST_BEGINNINGS = 40;

  private record Start(Diagnosis.Beginning beginning, Policy policy) {}

  private final Diagnosis diagnosis;
  private final Planner planner;
  private final Cache<Diagnosis.Beginning, Diagnosis.Opinion> firstOpinions =
      Caffeine.newBuilder().maximumSize(MOST_BEGINNINGS).build();
  private final Cache<Start, Plan> firstPlans =
      Caffeine.newBuilder().maximumSize(MOST_BEGINNINGS).build();

  SheetEngine(Diagnosis diagnosis) {
    this.diagnosis = diagnosis;
    this.planner = new Planner(diagnosis);
  }

  public Diagnosis.Opinion opinion(List<Evidence> evidence, Diagnosis.Beginning beginning) {
    return evidence.isEmpty()
        ? firstOpinions.get(beginning, b -> diagnosis.opinion(evidence, b))
        : diagnosis.opinion(evidence, beginning);
  }

  /**
   * @param opinion of this evidence
   */
  public Plan plan(Diagnosis.Opinion opinion, List<Evidence> evidence, Policy policy) {
    Diagnosis.Beginning beginning = opinion.beginning();
    return evidence.isEmpty()
        ? firstPlans.get(
            new Start(beginning, policy), start -> planner.plan(opinion, evidence, policy))
        : planner.plan(opinion, evidence, policy);
  }

  public Planner planner() {
    return planner;
  }

  /** How much it will keep: the square of the parts. */
  int weight() {
    int parts = sheet().parts().size();
    return parts * parts;
  }

  public UnitModel unit() {
    return diagnosis.unit();
  }

  public Sheet sheet() {
    return diagnosis.sheet();
  }
}
