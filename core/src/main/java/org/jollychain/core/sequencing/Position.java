package org.jollychain.core.sequencing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The search at one moment.
 *
 * @param believed which state is true
 * @param place where the work stands
 * @param open tests that may be made and have not been
 * @param made those that have been
 */
public record Position<T, P>(
    SequencingProblem<T, P> problem, Distribution believed, P place, List<T> open, Set<T> made) {

  /** After a test with some outcome. */
  public Position<T, P> after(T test, int outcome) {
    Set<T> now = new HashSet<>(made);
    now.add(test);
    List<T> left = new ArrayList<>(open);
    left.remove(test);
    return new Position<>(
        problem,
        believed.given(problem.outcomes(test), outcome),
        problem.step(place, test).after(),
        left,
        now);
  }

  /** The group with which the search ends here, if it does. */
  public Optional<Integer> end() {
    return end(believed.byGroup());
  }

  /** The same where the groups are so probable. */
  Optional<Integer> end(double[] byGroup) {
    for (int g = 0; g < byGroup.length; g++) {
      if (byGroup[g] >= problem.endsAt(g)) {
        return Optional.of(g);
      }
    }
    return Optional.empty();
  }

  /** A group's own test, if it has one that was not made. */
  public Optional<T> confirming(int group) {
    return problem.confirming(group, made);
  }

  /** Those of some tests that have not been made. */
  List<T> left(List<T> among) {
    return among.stream().filter(t -> !made.contains(t)).toList();
  }
}
