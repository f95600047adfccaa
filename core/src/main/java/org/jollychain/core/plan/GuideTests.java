package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.DoubleStream;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Check;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;

/** The checks of the guide as tests of the one search: what may come of each in every state. */
final class GuideTests {

  private final Sheet sheet;
  private final CauseModel causes;
  private final Optional<Complaint> complaint;

  GuideTests(Sheet sheet, CauseModel causes, Optional<Complaint> complaint) {
    this.sheet = sheet;
    this.causes = causes;
    this.complaint = complaint;
  }

  /**
   * @param states what may be true, each with its place in the tables
   * @param places how many places there are
   */
  Map<Question, OutcomeModel> over(List<StateTables.State> states, int places) {
    Map<Question, OutcomeModel> models = new LinkedHashMap<>();
    for (Check check : causes.checks()) {
      models.put(question(check), model(check, states, places));
    }
    return models;
  }

  Question question(Check check) {
    Set<String> access = new LinkedHashSet<>();
    check.near().stream()
        .flatMap(kind -> sheet.parts().values().stream().filter(p -> p.kind() == kind).limit(1))
        .map(Part::id)
        .forEach(part -> WorkState.reach(sheet, part, access));
    return new Question.GuideCheck(check, situation(check), access);
  }

  /** Without power, or in the state that is complained of. */
  private String situation(Check check) {
    boolean on = check.power() == Check.Power.ON;
    return complaint
        .map(Complaint::situation)
        .filter(s -> on && sheet.situation(s).supplyOn())
        .or(
            () ->
                sheet.situations().values().stream()
                    .filter(s -> s.supplyOn() == on)
                    .map(Situation::id)
                    .findFirst())
        .orElseGet(() -> sheet.situations().keySet().iterator().next());
  }

  private OutcomeModel model(Check check, List<StateTables.State> states, int places) {
    List<double[]> likelihood = new ArrayList<>(List.of(check.otherwise()));
    Map<List<Double>, Integer> classes = new HashMap<>();
    classes.put(listed(check.otherwise()), 0);
    int[] classOf = new int[places];
    for (StateTables.State state : states) {
      double[] outcomes = outcomes(check, state);
      classOf[state.place()] =
          classes.computeIfAbsent(
              listed(outcomes),
              k -> {
                likelihood.add(outcomes);
                return likelihood.size() - 1;
              });
    }
    return new OutcomeModel(
        new OutcomeTable(classOf, likelihood.toArray(double[][]::new)),
        List.copyOf(check.outcomes().values()),
        new double[0],
        Optional.empty());
  }

  /** A sound circuit with no cause of the guide behind it is as any other. */
  private double[] outcomes(Check check, StateTables.State state) {
    return state
        .cause()
        .map(c -> check.likelihood(c.id()))
        .orElseGet(
            () ->
                state.hypothesis().kind() == Hypothesis.Kind.SOUND
                    ? check.otherwise()
                    : causes.outcomes(check, state.hypothesis()));
  }

  private static List<Double> listed(double[] outcomes) {
    return DoubleStream.of(outcomes).boxed().toList();
  }
}
