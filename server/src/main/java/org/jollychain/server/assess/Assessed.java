package org.jollychain.server.assess;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.jollychain.core.diagnosis.Assessment;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Proposal;

/**
 * An assessed case: the assessment, and what to do next.
 *
 * @param next the proposal, then alternatives; empty at an end
 * @param state how far the work is
 * @param say that, in a sentence
 * @param confirmBy what would confirm what leads, as far as permit and reach allow it
 */
public record Assessed(
    @JsonUnwrapped Assessment assessment,
    List<Proposal> next,
    Plan.State state,
    String say,
    String confirmBy,
    Plan.Expected expected) {

  static Assessed of(Assessment assessment, Plan plan) {
    return new Assessed(
        assessment, plan.next(), plan.state(), plan.say(), plan.confirmBy(), plan.expected());
  }
}
