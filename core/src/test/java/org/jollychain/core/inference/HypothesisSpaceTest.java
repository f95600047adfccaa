package org.jollychain.core.inference;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.jollychain.core.fault.Fault;
import org.jollychain.core.fault.Hypotheses;
import org.jollychain.core.fault.Hypothesis;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class HypothesisSpaceTest {

  static Stream<String> sheets() {
    return Sheets.shipped().stream();
  }

  private static List<Fault> resting(Hypothesis h) {
    return h.faults().stream().filter(Fault.Resting.class::isInstance).toList();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void whatever_comes_and_goes_has_a_lasting_twin_and_a_sound_unit_to_be_like(String key) {
    Sheet sheet = Sheets.shipped(key);
    HypothesisSpace prior =
        new HypothesisSpace(new Hypotheses(new UnitModel(sheet)).all(Optional.empty()));
    List<Hypothesis> all = prior.all();
    assertThat(all.get(HypothesisSpace.SOUND).kind()).isEqualTo(Hypothesis.Kind.SOUND);
    int passing = 0;
    for (int i = 0; i < all.size(); i++) {
      Hypothesis h = all.get(i);
      assertThat(prior.comesAndGoes(i)).as("%s", h).isEqualTo(h.intermittent().isPresent());
      if (prior.comesAndGoes(i)) {
        passing++;
        Hypothesis there = all.get(prior.whilePresent(i));
        Hypothesis gone = all.get(prior.whileGone(i));
        assertThat(there.intermittent()).isEmpty();
        assertThat(gone.kind()).isEqualTo(Hypothesis.Kind.SOUND);
        assertThat(resting(there)).isEqualTo(resting(h));
        assertThat(resting(gone)).isEqualTo(resting(h));
        for (Situation s : sheet.situations().values()) {
          assertThat(there.changesIn(s)).isEqualTo(h.changesIn(s));
        }
      }
    }
    assertThat(passing).isPositive();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void priors_add_up_to_one_with_and_without_any_complaint(String key) {
    Sheet sheet = Sheets.shipped(key);
    Hypotheses hypotheses = new Hypotheses(new UnitModel(sheet));
    Stream.concat(
            Stream.of(Optional.<String>empty()),
            sheet.complaints().keySet().stream().map(Optional::of))
        .forEach(
            told -> {
              List<Hypothesis> all = hypotheses.all(told.map(sheet.complaints()::get));
              double sum = all.stream().mapToDouble(Hypothesis::prior).sum();
              assertThat(sum).isBetween(1 - 1e-9, 1 + 1e-9);
              assertThat(all).allMatch(h -> h.prior() > 0);
            });
  }
}
