package org.jollychain.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.Question;
import org.jollychain.core.network.Change;
import org.jollychain.core.network.FaultSweep;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.Probe;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.plan.CandidateTests;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.sheet.Situation;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Readings of all faults at once are those of each fault solved by itself. */
class FaultSweepTest {

  static List<String> sheets() {
    return Sheets.shipped();
  }

  @ParameterizedTest
  @MethodSource("sheets")
  void is_what_a_meter_reads_of_each(String key) {
    Sheet sheet = Sheets.shipped(key);
    UnitModel unit = new UnitModel(sheet);
    List<Hypothesis> hypotheses = new Hypotheses(unit).all(Optional.empty());
    int compared = 0;
    for (Situation situation : sheet.situations().values()) {
      List<List<Change>> faults =
          hypotheses.stream().map(h -> h.changesIn(situation)).distinct().toList();
      FaultSweep sweep = new FaultSweep(unit, situation.id(), faults);
      for (Question q : new CandidateTests(unit).all()) {
        if (q instanceof Question.Measure m && m.situation().equals(situation.id())) {
          Probe probe = m.at();
          FaultSweep.Readings readings = sweep.at(probe, Meter.GENERAL);
          for (int i = 0; i < faults.size(); i += 7) {
            double alone =
                Meter.GENERAL.read(
                    unit.in(situation.id(), probe.conditions(sheet, faults.get(i))), probe);
            assertThat(readings.shown(probe.function(), i))
                .as("%s %s", probe, faults.get(i))
                .isCloseTo(alone, within(3e-5 * Math.max(1, Math.abs(alone))));
            compared++;
          }
        }
      }
    }
    assertThat(compared).isGreaterThan(1000);
  }
}
