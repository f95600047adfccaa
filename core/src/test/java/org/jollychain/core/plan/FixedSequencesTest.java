package org.jollychain.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.fault.BaseRates;
import org.jollychain.core.sequencing.Position;
import org.jollychain.core.sheet.Chain;
import org.jollychain.core.sheet.Part;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The fixed orders, walked to their end with nothing learnt on the way. */
class FixedSequencesTest {

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  private static List<Question> walk(Sheet sheet, Order order, boolean live) {
    Diagnosis diagnosis = new Diagnosis(sheet);
    CandidateTests questions = new CandidateTests(diagnosis.unit());
    FixedSequences sequences = new FixedSequences(diagnosis.unit(), questions);
    Policy policy = Policy.of(Method.MIXED, order, live);
    PlanningProblem problem =
        new PlanningProblem(
            sheet,
            questions,
            Map.of(),
            policy,
            diagnosis.beliefs(List.of(), Optional.empty()),
            false,
            List.of(),
            StateTables.Beside.NOTHING);
    Set<Question> may = new LinkedHashSet<>(questions.all());
    may.removeIf(q -> !live && q instanceof Question.Measure && live(sheet, q));
    List<Question> asked = new ArrayList<>();
    for (Optional<Question> next = Optional.empty(); ; ) {
      PlanningState state =
          new PlanningState(
              problem,
              new Position<>(
                  problem,
                  problem.believed(),
                  WorkState.ARRIVED,
                  List.copyOf(may),
                  Set.copyOf(asked)));
      next = sequences.next(order, state);
      if (next.isEmpty()) {
        return asked;
      }
      asked.add(next.get());
      may.remove(next.get());
    }
  }

  private static boolean live(Sheet sheet, Question q) {
    return sheet.situation(q.situation()).supplyOn();
  }

  private static List<Part> parts(Sheet sheet, List<Question> asked, boolean live) {
    List<Part> parts = new ArrayList<>();
    for (Question q : asked) {
      if (q instanceof Question.Measure m && live(sheet, q) == live) {
        m.at().part().map(sheet::part).ifPresent(parts::add);
      }
    }
    return parts;
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void each_ends_and_asks_nothing_twice(String key) {
    Sheet sheet = Sheets.shipped(key);
    for (Order order : List.of(Order.ALONG_THE_WIRE, Order.MOST_FREQUENT_FIRST)) {
      List<Question> asked = walk(sheet, order, true);
      assertThat(asked).isNotEmpty().doesNotHaveDuplicates();
    }
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void the_most_frequent_come_first(String key) {
    Sheet sheet = Sheets.shipped(key);
    List<Part> cold = parts(sheet, walk(sheet, Order.MOST_FREQUENT_FIRST, false), false);
    for (int i = 1; i < cold.size(); i++) {
      assertThat(BaseRates.weight(cold.get(i)))
          .as("%s after %s", cold.get(i).id(), cold.get(i - 1).id())
          .isLessThanOrEqualTo(BaseRates.weight(cold.get(i - 1)));
    }
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void along_the_wire_goes_down_the_first_chain_before_anything_else(String key) {
    Sheet sheet = Sheets.shipped(key);
    Chain first = new Diagnosis(sheet).unit().chains().keySet().iterator().next();
    List<Part> cold = parts(sheet, walk(sheet, Order.ALONG_THE_WIRE, false), false);
    List<Part> ofChain = first.parts().stream().filter(cold::contains).toList();
    assertThat(cold.subList(0, ofChain.size())).isEqualTo(ofChain);
  }

  @Test
  void a_unit_that_stores_charge_is_never_gone_through_live() {
    List<Sheet> charged =
        Sheets.shipped().stream()
            .map(Sheets::shipped)
            .filter(sheet -> sheet.supply().storedCharge())
            .toList();
    assertThat(charged)
        .isNotEmpty()
        .allSatisfy(
            sheet ->
                assertThat(parts(sheet, walk(sheet, Order.ALONG_THE_WIRE, true), true)).isEmpty());
  }
}
