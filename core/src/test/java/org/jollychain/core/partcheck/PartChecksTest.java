package org.jollychain.core.partcheck;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.jollychain.core.sheet.PartKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class PartChecksTest {

  static Stream<PartCheck> all() {
    return PartChecks.all().stream();
  }

  private static Map<String, String> examples(Card card) {
    Map<String, String> typed = new HashMap<>();
    card.inputs().forEach(i -> typed.put(i.name(), i.example()));
    return typed;
  }

  @Test
  void every_check_has_a_key_of_its_own_and_every_sensor_and_coil_has_a_check() {
    Set<String> keys = new HashSet<>();
    all().forEach(c -> assertThat(keys.add(c.card().key())).as(c.card().key()).isTrue());
    for (PartKind kind :
        List.of(
            PartKind.THERMAL_FUSE,
            PartKind.LIMIT,
            PartKind.HEATING_ELEMENT,
            PartKind.THERMISTOR,
            PartKind.PLATINUM_SENSOR,
            PartKind.VALVE_COIL,
            PartKind.IGNITER,
            PartKind.FLOOD_SWITCH,
            PartKind.SEQUENCER_STAGE,
            PartKind.DOOR_SWITCH)) {
      assertThat(PartChecks.of(kind)).as(kind.toString()).isNotEmpty();
    }
    assertThatThrownBy(() -> PartChecks.withKey("elemant"))
        .hasMessageContaining("did you mean \"element\"");
  }

  @Test
  void most_checks_are_drawn_and_every_log_is() {
    List<PartCheck> drawn =
        all()
            .filter(c -> c.answer(Inputs.of(c.card(), examples(c.card()))).picture().isPresent())
            .toList();
    assertThat(drawn).hasSizeGreaterThan(all().toList().size() / 2);
    assertThat(drawn.stream().map(c -> c.card().key()))
        .contains("disc-heat-up", "cycle-log", "burner-log", "sequencer", "timer");
  }

  @ParameterizedTest
  @MethodSource("all")
  void its_own_examples_are_answered_in_full(PartCheck check) {
    CheckResult answer = check.answer(Inputs.of(check.card(), examples(check.card())));
    assertThat(answer.verdict()).isNotBlank();
    assertThat(answer.because()).isNotEmpty();
    assertThat(answer.source()).isNotBlank();
    answer
        .picture()
        .ifPresent(
            p -> {
              assertThat(p.along()).isNotBlank();
              assertThat(p.points()).as("one's own").isNotEmpty();
              assertThat(p.points())
                  .allMatch(m -> Double.isFinite(m.x()) && Double.isFinite(m.y()));
              assertThat(p.bands()).allMatch(b -> b.from() <= b.to() && !b.title().isBlank());
            });
    assertThat(answer.meaning()).isNotBlank();
    assertThat(answer.next()).isNotBlank();
    answer.results().forEach(v -> assertThat(v.value()).as(v.name()).isFinite());
    assertThat(answer.toString()).doesNotContain("NaN").doesNotContain("Infinity");
  }

  /** Whatever is typed is answered or refused in words. */
  @ParameterizedTest
  @MethodSource("all")
  void nothing_that_is_typed_breaks_it(PartCheck check) {
    Random random = new Random(14);
    List<String> odd =
        List.of(
            "0",
            "-5",
            "1e9",
            "40 kV",
            "-300 C",
            "OL",
            "12.8k",
            "",
            "x",
            "NaN",
            "1e400",
            "0 0C on",
            "L9-9",
            "\n;\n",
            "99999999999");
    for (int i = 0; i < 400; i++) {
      Map<String, String> typed = examples(check.card());
      List<String> names = List.copyOf(typed.keySet());
      for (int k = 0; k < 1 + random.nextInt(2); k++) {
        typed.put(names.get(random.nextInt(names.size())), odd.get(random.nextInt(odd.size())));
      }
      try {
        CheckResult answer = check.answer(Inputs.of(check.card(), typed));
        answer.results().forEach(v -> assertThat(v.value()).as(typed + " " + v.name()).isFinite());
      } catch (InvalidInputsException e) {
        assertThat(e.problems()).isNotEmpty().allMatch(p -> !p.message().isBlank());
      }
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '!',
      textBlock =
          """
      element ! watts=4500 ! volts: is missing, like "240 V"
      element ! watts=4500 V;volts=240 ! watts: "4500 V" has the unit "V"
      element ! watts=4500;volts=40 kV ! volts: 40 kV cannot be
      element ! watts=-5;volts=240 ! watts: -5 W cannot be
      element ! watts=4500;volts=240;ohms=-3 ! ohms: a part has no negative ohms
      element ! watts=4500;volts=240;colour=red ! colour: is not asked for here
      thermistor ! nominal=10k;at=-300 C;beta=3950;ohms=1k;celsius=20 ! at: -300 C cannot be
      marking ! marking=Q ! marking: "Q" is no disc marking
      supply ! system=two-phase;line=240 ! system: "two-phase" is none of
      timer ! chart=60-10;log=0 open ! ends before it begins
      sequencer ! one-in=5;printed=1-20 ! printed: four ranges
      thermistor ! paper=10k;ohms=9k;celsius=25 ! paper: "10k" is no table of a sensor
      thermopile ! open=540 mV;closed=320 mV ! valve: is missing
      sequencer ! log=0 call ! log: has no stage in it yet
      sequencer ! log=9 two-in ! needs a line "call" before it
      disc-heat-up ! opens-at=121;log=0 21C shut ! log: line 1: "shut" is none of open, closed
      disc-heat-up ! opens-at=121;log=5 21C open| 2 30C open ! line 2: 2 is before the line above
      thermopile ! open=240 mV;closed=500 mV;valve=110 mV;ohms=2.5 ! cannot be more than what feeds it
      airflow ! watts=10 kW;in=40;out=20 ! no warmer than before
      """)
  void what_cannot_be_is_said_at_its_field(String key, String typed, String why) {
    assertThatThrownBy(() -> Bench.answer(key, typed))
        .isInstanceOf(InvalidInputsException.class)
        .hasMessageContaining(why);
  }

  @Test
  void every_field_that_is_wrong_is_said_at_once() {
    assertThatThrownBy(() -> Bench.answer("element", "watts=x;ohms=12"))
        .isInstanceOfSatisfying(
            InvalidInputsException.class,
            e ->
                assertThat(e.problems())
                    .extracting(InvalidInputsException.Problem::field)
                    .containsExactly("watts", "volts"));
  }

  /** Units are those of people: the same in F and C, in k and ohm, in feet and metres. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '!',
      textBlock =
          """
      platinum ! type=Pt100;ohms=138.5;celsius=212 F ! type=Pt100;ohms=138.5;celsius=100 ! error
      element ! watts=4.5 kW;volts=240;ohms=0.0128k ! watts=4500;volts=240;ohms=12.8 ! watts
      duct-length ! length=20 ft;square=1 ! length=6.096;square=1 ! left
      contact ! drop=158mV;amperes=10 ! drop=0,158;amperes=10 ! ohms
      steam ! celsius=250 F;pressure=15 psi;as=air (gauge) ! celsius=121.111;pressure=103.421 kPa;as=air (gauge) ! off
      """)
  void units_are_those_people_write(String key, String a, String b, String name) {
    assertThat(Bench.result(Bench.answer(key, a), name))
        .isCloseTo(Bench.result(Bench.answer(key, b), name), within(2e-3));
  }

  @Test
  void sensors_are_monotonic_and_go_round() {
    Random random = new Random(60751);
    double before = 0;
    for (int celsius = -190; celsius < 840; celsius += 7) {
      String typed = "type=Pt1000;ohms=1000;celsius=" + celsius;
      double ohms = Bench.result(Bench.answer("platinum", typed), "expected-ohms");
      assertThat(ohms).isGreaterThan(before);
      before = ohms;
      String back = "type=Pt1000;ohms=%.4f;celsius=%d".formatted(ohms, celsius);
      assertThat(Bench.result(Bench.answer("platinum", back), "celsius"))
          .isCloseTo(celsius, within(0.01));
    }
    for (int i = 0; i < 200; i++) {
      double kelvin = 280 + 300 * random.nextDouble();
      assertThat(Saturation.kelvin(Saturation.pascals(kelvin))).isCloseTo(kelvin, within(1e-6));
    }
  }
}
