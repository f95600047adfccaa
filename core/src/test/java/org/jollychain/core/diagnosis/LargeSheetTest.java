package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.Planner;
import org.jollychain.core.plan.Policy;
import org.junit.jupiter.api.Test;

/** The format's bounds are kept by the engine: a chain of limits and an element. */
class LargeSheetTest {

  private static UnitModel chain(int parts, String limit) {
    StringBuilder points =
        new StringBuilder("points:\n  L: {title: Line}\n  N: {title: Neutral}\n");
    StringBuilder links = new StringBuilder("parts:\n");
    String at = "L";
    for (int i = 1; i < parts; i++) {
      points.append("  P%d: {title: Point %d}%n".formatted(i, i));
      links.append("  limit-%d: {kind: limit, between: [%s, P%d]%s}%n".formatted(i, at, i, limit));
      at = "P" + i;
    }
    return SheetValidator.unit(
        """
        format: jolly-chain/sheet/1
        key: large
        title: Large
        family: other
        supply: {system: single-phase, volts: 230, hertz: 50, terminals: {line1: L, neutral: N}}
        situations:
          call: {title: On, supply: on, celsius: {ambient: 20}}
          warm: {title: Just run, supply: off, celsius: {ambient: 25}}
          off: {title: Isolated, supply: off, celsius: {ambient: 18}}
        """
            + points
            + links
            + "  element: {kind: heating-element, between: [%s, N], watts: 2000, at-volts: 230}%n"
                .formatted(at)
            + "paths: {heat: {title: Heat, load: element}}\n");
  }

  private static int hypotheses(int parts, String limit) {
    return new Hypotheses(chain(parts, limit)).all(Optional.empty()).size();
  }

  private static Evidence read(UnitModel unit, String function, String part, String value) {
    return new Entry(
            part,
            function,
            part.isEmpty() ? Optional.of("L") : Optional.empty(),
            part.isEmpty() ? Optional.of("N") : Optional.empty(),
            part.isEmpty() ? Optional.empty() : Optional.of(part),
            Optional.empty(),
            function.equals("ohms") ? "off" : "call",
            Entry.How.PLAIN,
            value)
        .on(unit.sheet(), Meters.USUAL);
  }

  @Test
  void hypotheses_grow_with_the_parts() {
    int step = hypotheses(120, "") - hypotheses(80, "");
    assertThat(hypotheses(200, "") - hypotheses(160, "")).isBetween(step * 9 / 10, step * 11 / 10);
  }

  @Test
  void contacts_between_their_temperatures_do_not_double_them_each() {
    // opens at 86 F, closes again at 72 F: at 25 C it may stand either way
    String between = ", marking: L86-14F";
    assertThat(hypotheses(30, between)).isLessThan(2 * hypotheses(30, ""));
  }

  @Test
  void the_largest_is_assessed_and_planned_and_the_open_limit_found() {
    UnitModel unit = chain(200, "");
    Diagnosis diagnosis = new Diagnosis(unit);
    List<Evidence> evidence =
        List.of(
            read(unit, "volts-ac", "", "230.4"),
            read(unit, "volts-ac", "limit-70", "230.1"),
            read(unit, "ohms", "limit-71", "0.1"));
    Diagnosis.Opinion opinion = diagnosis.opinion(evidence, Optional.empty());
    assertThat(opinion.assessment().leading().part()).isEqualTo("limit-70");
    assertThat(
            new Planner(diagnosis)
                .plan(opinion, evidence, Policy.usual(true))
                .next()
                .get(0)
                .across())
        .contains("limit-70");
  }

  @Test
  void whoever_gives_it_up_ends_it_and_the_next_begins_anew() {
    Diagnosis diagnosis = new Diagnosis(chain(40, ""));
    Planner planner = new Planner(diagnosis);
    Diagnosis.Opinion opinion = diagnosis.opinion(List.of(), Optional.empty());
    Thread.currentThread().interrupt();
    try {
      assertThatThrownBy(() -> planner.plan(opinion, List.of(), Policy.usual(true)))
          .isInstanceOf(CancellationException.class);
    } finally {
      Thread.interrupted();
    }
    assertThat(planner.plan(opinion, List.of(), Policy.usual(true)).next()).isNotEmpty();
  }
}
