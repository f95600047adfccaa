package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.SheetValidator;
import org.jollychain.core.text.InvalidTextException;
import org.jollychain.core.text.TextProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SheetReaderTest {

  @Test
  void reads_the_shipped_dryer() {
    Sheet dryer = Sheets.dryer();
    assertThat(dryer.parts())
        .containsKeys("thermal-cutoff", "high-limit", "element", "thermal-fuse", "motor");
    assertThat(dryer.part("element").load().orElseThrow().ohms()).isEqualTo(240.0 * 240 / 5200);
    assertThat(dryer.part("thermal-cutoff").thermal().orElseThrow().reset())
        .isEqualTo(ThermalRating.Reset.NONE);
  }

  @Test
  void follows_the_chain_from_line_to_return_through_the_load() {
    Sheet dryer = Sheets.dryer();
    Chain heat =
        Chain.trace(dryer, dryer.paths().get("heat"), dryer.situation("heat-call")).orElseThrow();
    assertThat(heat.points())
        .containsExactly("PL1", "L1", "K1", "T1", "C1", "C2", "C3", "E2", "K2", "L2", "PL2");
    Chain motor =
        Chain.trace(dryer, dryer.paths().get("motor"), dryer.situation("heat-call")).orElseThrow();
    assertThat(motor.points())
        .containsExactly("PL1", "L1", "K1", "M1", "M2", "M3", "M4", "M5", "N", "PN");
  }

  /**
   * Each: what to write, what to write instead of it, the line and column of the complaint, and
   * words in it.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      limit: {kind: limit         | limit: {kind: limmit          | 23 | 17 | did you mean "limit"
      between: [A, B]             | between: [A, Q]               | 23 | 37 | there is no point "Q"
      between: [A, B]             | between: [A, A]               | 23 | 33 | name two different points
      marking: L200-40F           | marking: L40-150              | 23 | 50 | how far it must cool
      watts: 3600                 | watts: -3600                  | 24 | 61 | negative
      watts: 3600, at-volts: 240  | tolerance: 5 %                | 24 | 12 | needs its rating
      made-when: on               | made-when: on &               | 22 | 57 | a command is missing
      made-when: on               | made-when: of                 | 22 | 57 | there is no command "of"; did you mean "on"?
      commands: {on: Switched on} | comands: {on: Switched on}    | 12 | 1  | "comands" is not a key here; known keys: format, key
      load: element               | load: limit                   | 32 | 29 | a path runs through a load
      volts: 240                  | volts: 240 A                  | 7  | 10 | units:
      hertz: 60                   | notes: none                   | 8  | 3  | "notes" is not a key here
      bonded: neutral             | bonded: ground                | 11 | 11 | should be one of the terminals
      family: other               | family: oven                  | 4  | 9  | should be one of: dryer-electric
      """)
  void says_where_and_what_would_be_right(
      String right, String wrong, int line, int column, String words) {
    String text = Sheets.HEATER.replace(right, wrong);
    assertThat(text).isNotEqualTo(Sheets.HEATER);
    assertThat(problemsOf(text))
        .anySatisfy(
            p -> {
              assertThat(p.message()).contains(words);
              assertThat(p.line()).isEqualTo(line);
              assertThat(p.column()).isEqualTo(column);
            });
  }

  @Test
  void reports_all_problems_at_once() {
    String text =
        Sheets.HEATER
            .replace("between: [A, B]", "between: [A, Q]")
            .replace("watts: 3600", "watts: -1")
            .replace("load: fan}", "load: fann}");
    assertThat(problemsOf(text)).hasSize(3);
  }

  @Test
  void refuses_a_sheet_whose_load_is_never_fed_and_says_which() {
    String text =
        Sheets.HEATER.replace(
            "call: {title: Heat called, supply: on, commands: [on]}",
            "call: {title: Heat called, supply: on}");
    // the fan still gets its volts, backwards through the element
    assertThat(problemsOf(text))
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.message()).contains("in no situation does the supply reach \"element\"");
              assertThat(p.line()).isEqualTo(32);
            });
  }

  @Test
  void an_electrical_command_cannot_stand_with_the_supply_off() {
    String text =
        Sheets.HEATER.replace("{on: Switched on}", "{on: {title: Relay pulled in, by: control}}");
    assertThat(problemsOf(text))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("dead with the supply off"));
  }

  @ParameterizedTest
  @CsvSource({
    "call, run, there is no situation \"run\"",
    "call, call, \"call\" comes after itself",
    "idle, isolated, \"isolated\" has the supply off"
  })
  void a_situation_comes_after_another_in_which_something_runs(
      String situation, String after, String said) {
    String text =
        Sheets.HEATER.replaceFirst(
            "( %s: \\{title: .*)}".formatted(situation), "$1, after: " + after + "}");
    assertThat(problemsOf(text))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains(said));
  }

  @Test
  void a_command_that_a_load_drives_is_the_controls_and_names_a_load() {
    String text = Sheets.HEATER.replace("{on: Switched on}", "{on: {title: On, driven-by: limit}}");
    assertThat(problemsOf(text))
        .extracting(TextProblem::message)
        .anyMatch(m -> m.contains("add \"by: control\""))
        .anyMatch(m -> m.contains("only loads run or do not run"));
  }

  @Test
  void a_loop_is_measured_by_the_control_between_points_there_are() {
    String text = Sheets.HEATER.replace("{on: Switched on}", "{on: {title: On, needs: [[A, X9]]}}");
    assertThat(problemsOf(text))
        .extracting(TextProblem::message)
        .anyMatch(m -> m.contains("add \"by: control\""))
        .anyMatch(m -> m.contains("X9"));
  }

  @Test
  void a_secondary_needs_a_primary_with_a_flux() {
    String bare = "fan-wire: {kind: transformer-secondary, between: [A, F]}";
    String onMotor = bare.replace("}", ", primary: element, volts: 24, ohms: 1}");
    String wire = "fan-wire: {kind: wire, between: [A, F]}";
    assertThat(problemsOf(Sheets.HEATER.replace(wire, bare)).get(0).message())
        .contains("a secondary needs");
    assertThat(problemsOf(Sheets.HEATER.replace(wire, onMotor)).get(0).message())
        .contains("should be a transformer-primary");
  }

  @Test
  void accepts_json_as_the_yaml_it_is() {
    String json =
        "{\"format\": \"jolly-chain/sheet/1\", \"key\": \"x\", \"title\": \"X\", \"family\": \"other\"}";
    assertThat(problemsOf(json))
        .extracting(TextProblem::message)
        .contains("\"supply\" is missing", "\"points\" is missing");
  }

  @Test
  void no_text_can_grow_or_nest_without_end() {
    String bomb = "a: &a [x, x]\nb: &b [*a, *a]\nc: [*b, *b]\n";
    assertThat(problemsOf(bomb))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("aliases"));
    String deep = "a: " + "[".repeat(5_000) + "]".repeat(5_000);
    assertThat(problemsOf(deep))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("nested more than"));
    assertThat(problemsOf("x".repeat(300_000)))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("256 kB"));
    assertThat(problemsOf(""))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("empty"));
    assertThat(problemsOf("a: 1\na: 2"))
        .singleElement()
        .satisfies(p -> assertThat(p.message()).contains("stands here twice"));
  }

  @Test
  void a_text_of_one_line_stays_in_it() {
    String broken = Sheets.HEATER.replace("on: Switched on", "on: \"Switched\\n.control\"");
    assertThat(problemsOf(broken))
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.message()).contains("a line break; write it in one line");
              assertThat(p.line()).isEqualTo(12);
            });
    assertThat(problemsOf("\"a\\u0001\": 1").get(0).message()).contains("U+0001");
  }

  @ParameterizedTest
  @ValueSource(ints = {1022, 1023, 1024, 1025, 2048})
  void a_character_of_two_halves_may_stand_anywhere(int at) {
    String sheet = "#" + "x".repeat(at - 1) + "\ud83d\ude00\n" + Sheets.HEATER;
    assertThat(SheetValidator.read(sheet).parts()).isNotEmpty();
  }

  private static List<TextProblem> problemsOf(String text) {
    return catchThrowableOfType(InvalidTextException.class, () -> SheetValidator.read(text))
        .problems();
  }
}
