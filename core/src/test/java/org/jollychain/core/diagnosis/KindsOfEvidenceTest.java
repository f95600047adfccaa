package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Assessment.Flag;
import org.jollychain.core.diagnosis.Assessment.PartAssessment;
import org.jollychain.core.evidence.CodeShown;
import org.jollychain.core.evidence.Entry;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.fault.FaultMode;
import org.jollychain.core.inference.IntermittentModel;
import org.jollychain.core.network.Meters;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.api.Test;

/** Evidence that is more than a figure at two points: when, how warm, after what, which code. */
class KindsOfEvidenceTest {

  private static final Instant START = Instant.parse("2026-01-05T08:00:00Z");

  private int next = 1;

  private Reading read(
      Sheet sheet, String function, String part, String situation, Entry.How how, String value) {
    return new Entry(
            "r" + next++,
            function,
            Optional.empty(),
            Optional.empty(),
            Optional.of(part),
            Optional.empty(),
            situation,
            how,
            value)
        .on(sheet, Meters.USUAL);
  }

  private Reading drop(String part, int minute, String value) {
    Optional<Instant> at = Optional.of(START.plusSeconds(60L * minute));
    Entry.How how = new Entry.How(List.of(), Optional.empty(), Optional.empty(), false, at);
    return read(Sheets.heater(), "volts-ac", part, "call", how, value);
  }

  private Reading warm(Sheet sheet, String part, String celsius, String value) {
    Entry.How how =
        new Entry.How(List.of(), Optional.empty(), Optional.of(celsius), false, Optional.empty());
    return read(sheet, "ohms", part, "isolated", how, value);
  }

  private static Assessment assess(Sheet sheet, List<? extends Evidence> evidence) {
    return new Diagnosis(sheet).assess(evidence, Optional.empty());
  }

  private static PartAssessment part(Assessment a, String id) {
    return a.parts().stream().filter(p -> p.id().equals(id)).findFirst().orElseThrow();
  }

  private static double probability(PartAssessment part, FaultMode mode) {
    return part.modes().stream()
        .filter(m -> m.mode() == mode)
        .mapToDouble(Assessment.ModeProbability::probability)
        .sum();
  }

  @Test
  void a_limit_that_holds_the_supply_now_and_nothing_then_comes_and_goes() {
    List<Evidence> evidence =
        new ArrayList<>(
            List.of(
                drop("limit", 0, "238.2"),
                drop("limit", 1, "237.9"),
                drop("limit", 2, "0.1"),
                drop("element", 3, "237.6"),
                drop("limit", 4, "238.0")));
    Assessment a = assess(Sheets.heater(), evidence);
    assertThat(probability(part(a, "limit"), FaultMode.INTERMITTENT)).isGreaterThan(0.9);
    assertThat(a.leading().mode()).isEqualTo("intermittent");
    assertThat(a.flags()).noneMatch(f -> f.kind() == Flag.Kind.MISFIT);
    Collections.reverse(evidence);
    assertThat(assess(Sheets.heater(), evidence).leading()).isEqualTo(a.leading());
  }

  @Test
  void a_limit_that_is_always_open_is_simply_open() {
    Assessment a =
        assess(
            Sheets.heater(),
            List.of(drop("limit", 0, "238.2"), drop("limit", 1, "238"), drop("limit", 2, "238.1")));
    assertThat(probability(part(a, "limit"), FaultMode.INTERMITTENT)).isLessThan(0.05);
  }

  /** The forward algorithm against the sum over all eight ways three readings may have been. */
  @Test
  void the_chain_of_two_states_sums_over_all_ways() {
    double[] there = {0.7, 0.02, 0.5};
    double[] gone = {0.1, 0.9, 0.4};
    double endsThere = 0;
    double endsGone = 0;
    for (int way = 0; way < 8; way++) {
      double p = 0.5;
      for (int i = 0; i < 3; i++) {
        boolean isThere = (way >> i & 1) == 1;
        boolean wasThere = i > 0 && (way >> (i - 1) & 1) == 1;
        double vanishes = i == 2 ? 0.8 : 0.25;
        if (i > 0) {
          p *= wasThere ? (isThere ? 1 - vanishes : vanishes) : isThere ? 0.25 : 0.75;
        }
        p *= isThere ? there[i] : gone[i];
      }
      if ((way >> 2 & 1) == 1) {
        endsThere += p;
      } else {
        endsGone += p;
      }
    }
    IntermittentModel.Ends ends =
        IntermittentModel.weigh(
            List.of(0, 1, 2),
            List.of(Math.log(there[0]), Math.log(there[1]), Math.log(there[2])),
            List.of(Math.log(gone[0]), Math.log(gone[1]), Math.log(gone[2])),
            new boolean[] {false, false, true});
    assertThat(Math.exp(ends.there())).isCloseTo(endsThere, within(1e-12));
    assertThat(Math.exp(ends.gone())).isCloseTo(endsGone, within(1e-12));
  }

  /** Common practice, no source: a reading that vanishes on re-seating was the terminal's. */
  @Test
  void a_drop_that_vanishes_when_the_terminal_is_put_on_again_was_the_terminals() {
    Sheet heater = Sheets.heater();
    Reading before = read(heater, "volts-ac", "limit", "call", Entry.How.PLAIN, "41.5");
    Entry.How again =
        new Entry.How(List.of(), Optional.empty(), Optional.empty(), true, Optional.empty());
    Reading after = read(heater, "volts-ac", "limit", "call", again, "0.1");
    Reading fed = read(heater, "volts-ac", "element", "call", again, "237.4");
    Reading onceMore = read(heater, "volts-ac", "limit", "call", Entry.How.PLAIN, "41.2");
    PartAssessment limit = part(assess(heater, List.of(after, before, fed, onceMore)), "limit");
    assertThat(probability(limit, FaultMode.INTERMITTENT)).isGreaterThan(0.8);
    assertThat(limit.because()).anyMatch(b -> b.contains("comes and goes"));
  }

  @Test
  void who_puts_terminals_on_again_says_whose() {
    Entry.How again =
        new Entry.How(List.of(), Optional.empty(), Optional.empty(), true, Optional.empty());
    Entry entry =
        new Entry(
            "r",
            "volts-ac",
            Optional.of("L1"),
            Optional.of("L2"),
            Optional.empty(),
            Optional.empty(),
            "call",
            again,
            "238");
    assertThatThrownBy(() -> entry.on(Sheets.heater(), Meters.USUAL))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("whose terminals");
  }

  /** The limit of the sheet is marked L200-40F: opens at 93.3 C, closes again at 71.1 C. */
  @Test
  void a_limit_warmed_past_its_rating_must_be_open() {
    Sheet heater = Sheets.heater();
    assertThat(part(assess(heater, List.of(warm(heater, "limit", "110 C", "0.2"))), "limit"))
        .satisfies(p -> assertThat(probability(p, FaultMode.STUCK)).isGreaterThan(0.5));
    Assessment opened = assess(heater, List.of(warm(heater, "limit", "230 F", "OL")));
    assertThat(probability(part(opened, "limit"), FaultMode.STUCK)).isLessThan(1e-3);
    Assessment between = assess(heater, List.of(warm(heater, "limit", "80 C", "OL")));
    assertThat(part(between, "limit").probability())
        .isEqualTo(part(assess(heater, List.of()), "limit").probability());
    assertThat(between.evidence().get(0).ifSound()).isEqualTo("either");
  }

  @Test
  void a_temperature_is_stated_only_of_what_feels_it() {
    assertThatThrownBy(() -> warm(Sheets.heater(), "element", "80 C", "16"))
        .hasMessageContaining("is neither");
    assertThatThrownBy(() -> warm(Sheets.heater(), "limit", "80 V", "0.1"))
        .isInstanceOf(EvidenceException.class);
  }

  /** NTC of 48.5 kohm at 25 C, beta 3980: 13.9 kohm at 57 C by the two-parameter model. */
  @Test
  void a_warmed_thermistor_is_judged_at_its_own_temperature() {
    Sheet dishwasher = Sheets.shipped("dishwasher-120");
    Assessment a = assess(dishwasher, List.of(warm(dishwasher, "water-sensor", "57 C", "13.9k")));
    assertThat(part(a, "water-sensor").verdict()).isEqualTo(Verdict.SOUND);
  }

  @Test
  void a_contact_between_its_two_temperatures_may_stand_either_way() {
    Sheet heater =
        SheetValidator.read(
            Sheets.HEATER.replace(
                "idle: {title: Off",
                "warm: {title: Warm, supply: on, commands: [on], celsius: {ambient: 80}}\n  idle: {title: Off"));
    Reading open = read(heater, "volts-ac", "limit", "warm", Entry.How.PLAIN, "238");
    PartAssessment limit = part(assess(heater, List.of(open)), "limit");
    assertThat(limit.probability()).isLessThan(0.5);
    assertThat(limit.because()).anyMatch(b -> b.contains("either state is sound"));
    Reading cold = read(heater, "volts-ac", "limit", "call", Entry.How.PLAIN, "238");
    assertThat(part(assess(heater, List.of(open, cold)), "limit").probability()).isGreaterThan(0.9);
  }

  @Test
  void a_code_makes_its_suspects_likelier_and_none_makes_them_less_so() {
    Sheet dishwasher = Sheets.shipped("dishwasher-120");
    Map<String, Double> sensor =
        Map.of(
            "W5", suspicion(dishwasher, "w5"),
            "none", suspicion(dishwasher, "none"),
            "W3", suspicion(dishwasher, "W3"));
    double before = part(assess(dishwasher, List.of()), "water-sensor").probability();
    assertThat(sensor.get("W5")).isGreaterThan(4 * before);
    assertThat(sensor.get("none")).isLessThan(before);
    assertThat(sensor.get("W3")).isLessThan(before);
  }

  private static double suspicion(Sheet sheet, String code) {
    Evidence shown = CodeShown.on(sheet, "c", "heat-call", code, Optional.empty());
    return part(assess(sheet, List.of(shown)), "water-sensor").probability();
  }

  @Test
  void a_code_the_sheet_does_not_list_is_refused() {
    Sheet dishwasher = Sheets.shipped("dishwasher-120");
    assertThatThrownBy(() -> CodeShown.on(dishwasher, "c", "heat-call", "W6", Optional.empty()))
        .hasMessageContaining("no code \"W6\"");
  }

  /** On the furnace a limit may rest open beside every fault, which makes two of each. */
  @Test
  void a_drop_that_was_not_re_seated_is_not_taken_for_one_that_comes_and_goes() {
    Sheet furnace = Sheets.shipped("furnace-24v");
    Reading ohms = read(furnace, "ohms", "rollout-right", "isolated", Entry.How.PLAIN, "114.3");
    Reading again = read(furnace, "ohms", "rollout-right", "isolated", Entry.How.PLAIN, "115.3");
    PartAssessment switched = part(assess(furnace, List.of(ohms, again)), "rollout-right");
    assertThat(probability(switched, FaultMode.DROPPING)).isGreaterThan(0.95);
    assertThat(probability(switched, FaultMode.INTERMITTENT)).isLessThan(0.001);
  }

  /** A source of nearly five times the ohms: all volts sag with the current, that is all. */
  @Test
  void a_supply_far_softer_than_usual_is_no_fault() {
    Sheet dryer = Sheets.dryer();
    Readings read = new Readings(dryer);
    List<Evidence> sags = new ArrayList<>();
    for (String typed : List.of("L1-L2 232.8", "L1-N 116.5", "L2-N 116.3")) {
      sags.add(read.live(typed));
    }
    for (String typed : List.of("L1-L2 240.6", "L1-N 120.4", "L2-N 120.2")) {
      sags.add(read.entry("volts-ac", Optional.empty(), "idle", List.of(), typed));
    }
    for (String part : List.of("timer-heat-contact", "high-limit", "cycling-thermostat")) {
      sags.add(read.drop(part, "0.35"));
    }
    sags.add(read.drop("element", "231.3"));
    sags.add(read.across("amps-ac", "element", "heat-call", "20.3"));
    sags.add(read.ohms("element", "11.4", "C3"));
    Assessment a = assess(dryer, sags);
    assertThat(a.leading().part()).isEqualTo("unit");
    assertThat(a.misfits()).isFalse();
  }

  /** Nothing on the sheet reads so; yet a staircase is drawn, and of numbers. */
  @Test
  void readings_that_contradict_each_other_leave_no_number_undefined() {
    Sheet dryer = Sheets.dryer();
    Readings read = new Readings(dryer);
    Random random = new Random(1);
    List<Evidence> nonsense = new ArrayList<>();
    for (int i = 0; i < 200; i++) {
      String part = List.copyOf(dryer.parts().keySet()).get(random.nextInt(dryer.parts().size()));
      nonsense.add(read.drop(part, String.format(Locale.ROOT, "%.1f", 240 * random.nextDouble())));
    }
    Assessment a = assess(dryer, nonsense);
    assertThat(a.leading().part()).isEqualTo("not-on-sheet");
    assertThat(a.misfits()).isTrue();
    a.paths().stream()
        .flatMap(p -> p.treads().stream())
        .forEach(
            t -> {
              assertThat(t.estimated()).isFinite();
              assertThat(t.low()).isLessThanOrEqualTo(t.high());
            });
  }

  @Test
  void a_part_shows_what_was_read_last_whatever_was_read_before() {
    PartAssessment limit =
        part(
            assess(Sheets.heater(), List.of(drop("limit", 9, "0.1"), drop("limit", 2, "238.0"))),
            "limit");
    assertThat(limit.reading()).startsWith("0.1");
  }

  @Test
  void a_drop_that_went_with_its_terminals_put_on_again_is_called_dropping_and_not_open() {
    Sheet dryer = Sheets.dryer();
    Readings read = new Readings(dryer);
    Assessment a =
        assess(
            dryer,
            List.of(
                read.live("L1-L2 238"),
                read.drop("cycling-thermostat", "31.2"),
                read.drop("cycling-thermostat", "31.1"),
                read.reseated("cycling-thermostat", "0.1")));
    assertThat(part(a, "cycling-thermostat").verdict()).isEqualTo(Verdict.DROPPING);
    assertThat(a.leading().mode()).isEqualTo("intermittent");
  }
}
