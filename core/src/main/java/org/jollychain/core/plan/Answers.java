package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.sequencing.Distribution;

/**
 * The answers to a question that are worth telling: outcomes that are called the same, or that come
 * to the same, are one answer.
 */
final class Answers {

  private static final double LIKELY = 0.03;

  private Answers() {}

  /**
   * An answer.
   *
   * @param outcome the likeliest of its outcomes
   * @param names of the culprits it would come to
   * @param meaning where they lie and who they are
   */
  record Answer(String shown, String names, String meaning, double chance, int outcome) {}

  static List<Answer> of(PlanningState state, Question question) {
    Suspects suspects = new Suspects(state.problem());
    OutcomeModel outcomes = state.problem().outcomeModel(question);
    Distribution.Split split = state.split(question);
    double[] byClass = state.believed().byClass(outcomes.table());
    Map<String, List<Integer>> byWord = new LinkedHashMap<>();
    for (int j = 0; j < split.chance().length; j++) {
      Optional<String> shown = outcomes.shown(j, byClass, state.sheet().supply());
      if (shown.isPresent()) {
        byWord.computeIfAbsent(shown.get(), w -> new ArrayList<>()).add(j);
      }
    }
    Map<String, Answer> byMeaning = new LinkedHashMap<>();
    byWord.entrySet().stream()
        .map(e -> answer(e.getKey(), e.getValue(), split, suspects))
        .sorted(Comparator.comparingDouble(Answer::chance).reversed())
        .forEach(
            a ->
                byMeaning.merge(
                    question instanceof Question.Measure ? a.names : a.shown,
                    a,
                    (x, y) ->
                        new Answer(x.shown, x.names, x.meaning, x.chance + y.chance, x.outcome)));
    return byMeaning.values().stream()
        .filter(a -> a.chance > LIKELY)
        .sorted(Comparator.comparingDouble(Answer::chance).reversed())
        .toList();
  }

  private static Answer answer(
      String shown, List<Integer> outcomes, Distribution.Split split, Suspects suspects) {
    double chance = 0;
    double[] byGroup = new double[split.byGroup()[0].length];
    int likeliest = outcomes.get(0);
    for (int j : outcomes) {
      chance += split.chance()[j];
      likeliest = split.chance()[j] > split.chance()[likeliest] ? j : likeliest;
      for (int g = 0; g < byGroup.length; g++) {
        byGroup[g] += split.chance()[j] * split.byGroup()[j][g];
      }
    }
    for (int g = 0; g < byGroup.length && chance > 0; g++) {
      byGroup[g] /= chance;
    }
    return new Answer(shown, suspects.names(byGroup), suspects.placed(byGroup), chance, likeliest);
  }
}
