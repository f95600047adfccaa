package org.jollychain.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.Culprit;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.guide.Cause;
import org.jollychain.core.inference.CauseModel;
import org.jollychain.core.inference.Posterior;
import org.jollychain.core.sequencing.OutcomeTable;
import org.jollychain.core.sheet.Complaint;
import org.jollychain.core.sheet.Sheet;

/**
 * What may be true, and what may come of every question then. The hypotheses of the sheet come
 * first, by their places; behind them a sound circuit once more for every cause outside of it that
 * the guide knows. What is measured is the same with each of these; what a check shows is not.
 */
final class StateTables {

  private static final double NEGLIGIBLE = 1e-5;

  private final Map<Question, OutcomeModel> ofCircuit;
  private final Optional<CauseModel> causes;
  private final List<State> states;

  /** The states behind those of the sheet, each by the place of its circuit. */
  private final int[] circuitOf;

  /** What may be asked beside the circuit: checks of the guide, plates. */
  private final Map<Question, OutcomeModel> beside = new LinkedHashMap<>();

  private final Map<Question, OutcomeModel> extended = new HashMap<>();

  /**
   * What may be asked beside the circuit.
   *
   * @param causes what the guide knows, where there is one
   * @param plates parts whose plate would settle what was read of them
   */
  record Beside(Optional<CauseModel> causes, List<String> plates) {

    static final Beside NOTHING = new Beside(Optional.empty(), List.of());
  }

  /**
   * What may be true.
   *
   * @param place in the tables of what may come of a test
   * @param cause outside of the circuit, where that is sound
   */
  record State(int place, Hypothesis hypothesis, Optional<Cause> cause, double probability) {

    Culprit culprit() {
      return cause
          .<Culprit>map(c -> new Culprit.OutsideCause(c.id(), c.title()))
          .orElseGet(hypothesis::culprit);
    }
  }

  /**
   * @param ofCircuit what may come of what is asked of the circuit
   * @param beliefs of the circuit, the most probable first
   */
  StateTables(
      Sheet sheet,
      Optional<Complaint> complaint,
      Map<Question, OutcomeModel> ofCircuit,
      List<Posterior.Entry> beliefs,
      Beside otherwise) {
    this.ofCircuit = ofCircuit;
    this.causes = otherwise.causes;
    int ofSheet =
        ofCircuit.values().stream()
            .findFirst()
            .map(m -> m.table().classOf().length)
            .orElse(beliefs.size());
    List<Integer> circuits = new ArrayList<>();
    this.states =
        beliefs.stream()
            .filter(b -> b.probability() > NEGLIGIBLE)
            .flatMap(b -> divided(b, ofSheet, circuits))
            .toList();
    this.circuitOf = circuits.stream().mapToInt(i -> i).toArray();
    int all = ofSheet + circuitOf.length;
    causes.ifPresent(c -> beside.putAll(new GuideTests(sheet, c, complaint).over(states, all)));
    beside.putAll(
        PlateTests.over(
            otherwise.plates, sheet.situations().keySet().iterator().next(), states, all));
  }

  /** What may be true, all that is not ruled out. */
  List<State> states() {
    return states;
  }

  /** What may be asked beside the circuit. */
  Set<Question> beside() {
    return beside.keySet();
  }

  /** Whether it is known what may come of a question. */
  boolean knows(Question question) {
    return beside.containsKey(question) || ofCircuit.containsKey(question);
  }

  /** Whether a check has shown a cause outright. */
  boolean shown(String cause) {
    return causes.filter(c -> c.shown(cause)).isPresent();
  }

  /** A sound circuit divided by the causes outside of it, each a state of its own. */
  private Stream<State> divided(Posterior.Entry entry, int ofSheet, List<Integer> circuits) {
    Hypothesis h = entry.hypothesis();
    State whole = new State(entry.index(), h, Optional.empty(), entry.probability());
    if (h.kind() != Hypothesis.Kind.SOUND || causes.filter(c -> c.explained(h)).isEmpty()) {
      return Stream.of(whole);
    }
    double[] shares = causes.get().shares(h);
    List<Cause> known = causes.get().causes();
    List<State> states = new ArrayList<>();
    for (int i = 0; i < known.size(); i++) {
      if (shares[i] > 0) {
        states.add(
            new State(
                ofSheet + circuits.size(),
                h,
                Optional.of(known.get(i)),
                shares[i] * entry.probability()));
        circuits.add(entry.index());
      }
    }
    states.add(
        new State(entry.index(), h, Optional.empty(), shares[known.size()] * entry.probability()));
    return states.stream();
  }

  /** What may come of a question. */
  OutcomeModel of(Question question) {
    OutcomeModel other = beside.get(question);
    return other != null
        ? other
        : circuitOf.length == 0
            ? ofCircuit.get(question)
            : extended.computeIfAbsent(question, q -> extended(ofCircuit.get(q)));
  }

  /** A cause outside of the circuit changes nothing that is measured in it. */
  private OutcomeModel extended(OutcomeModel model) {
    int[] ofSheet = model.table().classOf();
    int[] classOf = Arrays.copyOf(ofSheet, ofSheet.length + circuitOf.length);
    for (int i = 0; i < circuitOf.length; i++) {
      classOf[ofSheet.length + i] = ofSheet[circuitOf[i]];
    }
    return new OutcomeModel(
        new OutcomeTable(classOf, model.table().likelihood()),
        model.words(),
        model.values(),
        model.function());
  }
}
