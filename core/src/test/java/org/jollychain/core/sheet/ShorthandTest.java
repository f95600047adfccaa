package org.jollychain.core.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.SheetValidator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.parallel.Isolated;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

@Isolated("it measures time")
class ShorthandTest {

  private static final String DRYER =
      """
      Store-room dryer, timer                         # the title
      supply 240 V split 60 Hz
      L1 > timer heat > [T1] cutoff 178C @rear > [C1] limit L245-35F > [C2] stat L152-18F > element 5200W > motor switch > L2
      L1 > timer motor > [M1] door > fuse 91C @rear > motor 290W > N
      rear = rear panel off, 6 min, power off
      """;

  private static Sheet sheet(String text) {
    Shorthand read = Shorthand.read(text);
    assertThat(read.problems()).noneMatch(p -> p.level() == Shorthand.Level.ERROR);
    return SheetValidator.read(read.yaml());
  }

  /** The one link of a chain. */
  private static Part link(String words) {
    return sheet("supply 230 V\nL > %s > [X] element 2000W > N".formatted(words))
        .parts()
        .values()
        .iterator()
        .next();
  }

  private static double ohms(String typed) {
    return Shorthand.read("supply 230 V\nL > resistor %s > N".formatted(typed))
        .sheet()
        .orElseThrow()
        .part("resistor")
        .load()
        .orElseThrow()
        .ohms();
  }

  private static List<Shorthand.Problem> problems(String text) {
    return Shorthand.read(text).problems();
  }

  @Test
  void a_dryer_in_five_lines() {
    Sheet dryer = sheet(DRYER);
    assertThat(dryer.title()).isEqualTo("Store-room dryer, timer");
    assertThat(dryer.family()).isEqualTo(Family.DRYER_ELECTRIC);
    assertThat(dryer.parts().values().stream().map(p -> p.kind().toString()))
        .containsExactly(
            "timer-contact",
            "thermal-cutoff",
            "limit",
            "cycling-thermostat",
            "heating-element",
            "centrifugal-switch",
            "timer-contact",
            "door-switch",
            "thermal-fuse",
            "motor");
    assertThat(dryer.part("motor").load().orElseThrow().ohms())
        .isCloseTo(120.0 * 120 * 0.6 / 290, within(1e-9));
    assertThat(dryer.part("limit").thermal().orElseThrow().actsAtCelsius())
        .isCloseTo((245 - 32) / 1.8, within(1e-9));
    assertThat(dryer.access().get("rear").power()).isEqualTo(Access.Power.OFF);
    assertThat(dryer.points()).containsKeys("L1", "L2", "N", "PE", "T1", "C1", "C2", "M1");
  }

  @Test
  void a_call_gives_what_the_load_needs_and_what_follows_from_it() {
    Sheet dryer = sheet(DRYER);
    Situation heat = dryer.situation("element-call");
    assertThat(heat.commands())
        .containsExactlyInAnyOrder(
            "door-shut", "timer-heat-on", "timer-motor-contact-on", "motor-runs");
    assertThat(dryer.situation("motor-call").commands())
        .as("the motor runs, so its switch is made")
        .contains("motor-runs")
        .doesNotContain("timer-heat-on");
    assertThat(dryer.situation("isolated").supplyOn()).isFalse();
    assertThat(dryer.situation("isolated").commands()).doesNotContain("motor-runs");
    Complaint cold = dryer.complaints().get("element-off");
    assertThat(cold.runs()).containsExactly("motor");
    assertThat(dryer.complaints().get("nothing").notRunning()).containsExactly("element", "motor");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      fuse 91C                   | thermal-fuse
      fuse 10A                   | line-fuse
      tco 140C                   | thermal-cutoff
      cut off 140 C              | thermal-cutoff
      cut-off 250F               | thermal-cutoff
      hi-limit L200-40F          | limit
      limit manual 90C           | manual-reset-limit
      stat 60C 50C               | cycling-thermostat
      door                       | door-switch
      lid switch                 | door-switch
      belt                       | belt-switch
      timer heat                 | timer-contact
      timer motor                | timer-contact
      heater relay when called   | relay-contact
      selector fan               | selector
      plug limit                 | connector
      limit plug                 | connector
      wire to the stat           | wire
      limit lead 90C             | limit
      motor switch when turning  | centrifugal-switch
      fuses 10A                  | line-fuse
      terminal block             | connector
      blue wire                  | wire
      """)
  void words_of_the_trade(String words, String kind) {
    assertThat(link(words).kind().toString()).isEqualTo(kind);
  }

  @Test
  void every_word_of_a_kind_means_that_kind_and_none_is_said_of_two() {
    Set<String> said = new HashSet<>();
    for (PartKind kind : PartKind.values()) {
      List<String> words = new ArrayList<>(kind.synonyms());
      words.add(kind.word());
      for (String word : words) {
        String plain = word.toLowerCase(Locale.ROOT).replaceAll("[\\s'-]", "");
        assertThat(said.add(plain)).as("\"%s\" is said of another kind too", word).isTrue();
        boolean uses = kind.role() != PartKind.Role.LINK;
        ShorthandWords.Rated rated =
            uses ? ShorthandWords.Rated.POWER : ShorthandWords.Rated.NOTHING;
        assertThat(ShorthandWords.find(List.of(word.split(" ")), rated).orElseThrow().kind())
            .as(word)
            .isEqualTo(kind);
      }
    }
  }

  @Test
  void ratings_stand_in_any_order() {
    assertThat(link("178C cutoff @rear").thermal()).isEqualTo(link("cutoff 178 °C").thermal());
    assertThat(link("limit 250F 210F").thermal()).isEqualTo(link("limit L250-40F").thermal());
    Part element = sheet("supply 230 V\nL > 2.2kW element 8% leaks > N").part("element");
    assertThat(element.load().orElseThrow().ohms()).isCloseTo(230.0 * 230 / 2200, within(1e-9));
    assertThat(element.behaviour().tolerance()).isCloseTo(0.08, within(1e-12));
    assertThat(
            sheet("supply 120 V\nL > motor 4A pf 0.5 > N")
                .part("motor")
                .load()
                .orElseThrow()
                .ohms())
        .as("volts over amperes")
        .isCloseTo(30, within(1e-6));
    assertThat(ohms("2 Mohm")).isEqualTo(2e6);
    assertThat(ohms("3.4k")).isEqualTo(3400);
    assertThat(ohms("20 mohm")).isEqualTo(0.02);
    SensorCurve ntc =
        sheet("supply 230 V\nL > element 1kW > N\n[S1] > 10k ntc beta 3435 > [S2]")
            .part("thermistor")
            .curve()
            .orElseThrow();
    assertThat(ntc.ohmsAt(25)).isCloseTo(10_000, within(1e-6));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      240 V split 60 Hz | split-phase  | 240  | L1 L2
      208 V wye         | wye-pair     | 208  | L1 L2
      120 V             | single-phase | 120  | L N
      230 V 50 Hz       | single-phase | 230  | L N
      24 V transformer  | transformer  | 24   | R C
      12 V dc           | dc           | 12   | + -
      700 mV pile       | dc           | 0.7  | + -
      """)
  void supplies(String words, String system, double volts, String ends) {
    String[] two = ends.split(" ");
    Sheet sheet = sheet("supply %s\n[%s] > element 10 ohm > [%s]".formatted(words, two[0], two[1]));
    assertThat(sheet.supply().system().toString()).isEqualTo(system);
    assertThat(sheet.supply().volts()).isEqualTo(volts);
  }

  @Test
  void a_chain_goes_on_line_by_line_with_arrows_or_dashes() {
    String line = "supply 230 V\nL > fuse 10A > [A] limit 90C > element 2kW > N";
    for (String other :
        List.of(
            "supply 230 V\nL\n  fuse 10A\n  [A] limit 90C\n  element 2kW\n  N",
            "supply 230 V\nL\n> fuse 10A\n> [A] limit 90C\n> element 2kW\n> N",
            "supply 230 V\nL →fuse 10A→ [A] limit 90C → element 2kW→N",
            "supply 230 volts\nL then fuse 10 amps then [A] limit 90 degrees C then element 2 kilowatts then N",
            "supply 230 V\nL - fuse 10A - [A] limit 90C - element 2kW - N")) {
      assertThat(sheet(other).parts()).isEqualTo(sheet(line).parts());
    }
  }

  /** Each: a text, then line, column, level and words of what is said of it. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      L > elment 2kW > N                           | 2 | 5  | error    | did you mean "element"
      L > stat L152-180F > element 2kW > N         | 2 | 10 | error    | differential of 180
      L > limit > element 2kW > N                  | 2 | 5  | note     | no temperature yet
      L > relay K3 > element 2kW > N               | 2 | 5  | question | no relay coil that drives it
      L > relay K3 by coil K9 > element 2kW > N    | 2 | 22 | error    | no load is called "K9"
      L > element > N                              | 2 | 5  | question | how many watts
      L > element 2kW > L2                         | 2 | 19 | error    | this supply has no L2
      L > element 2kW                              | 2 | 5  | question | where does this chain end
      L > fuse 10A > door                          | 2 | 16 | error    | no load is on this chain yet
      L > > element 2kW > N                        | 2 | 1  | error    | between two separators
      fuse 10A > element 2kW > N                   | 2 | 1  | error    | a chain starts at a point
      L > fuse 10A > N                             | 1 | 1  | error    | no load
      L > element 2kW > N ; M1 > motor 20W > [M2]  | 3 | 6  | error    | does not reach both ends
      L > limit 90C with fuse > element 2kW > N    | 2 | 20 | error    | no link is called "fuse"
      L > element 2kW when a && b > N              | 2 | 24 | error    | a condition is written like
      """)
  void what_is_wrong_is_said_where_it_stands(
      String chain, int line, int column, String level, String words) {
    String text = "supply 230 V\n" + chain.replace(" ; ", "\n");
    assertThat(problems(text))
        .as(text)
        .anyMatch(
            p ->
                p.line() == line
                    && p.column() == column
                    && p.level().toString().equals(level)
                    && p.message().contains(words));
  }

  /** Leg 2 lost, the element lights the lamp a little: no single part stops both. */
  @Test
  void a_complaint_that_no_single_part_brings_about_is_not_assumed() {
    Sheet plate =
        sheet(
            """
            Hot plate with a pilot lamp on one leg
            supply 240 V split
            L1 > switch leg 1 > [A] element 1500W > [B] switch leg 2 > L2
            A > pilot lamp 1W > N
            """);
    assertThat(plate.complaints().keySet()).containsExactly("element-off", "pilot-lamp-off");
  }

  @Test
  void a_chain_of_its_own_hangs_on_the_control_transformer() {
    Sheet handler =
        sheet(
            """
            Air handler
            supply 240 V split
            L1 > [B1] contactor by coil K1 > [A] limit 60C > [B] strip 5kW > L2
            B1 > control transformer 10W > L2
            R > fuse 3A > [R1] tstat when called > [W] coil K1 100 ohm > C
            """);
    assertThat(handler.part("secondary").from()).isEqualTo("R");
    assertThat(handler.complaints()).containsKey("strip-off");
  }

  @Test
  void points_bear_the_names_that_were_typed() {
    Sheet valve =
        sheet("supply 24 V transformer\nR > spill 97C > [1] end switch > gas valve 9W > C");
    assertThat(valve.supply().terminals())
        .containsEntry("line1", "R")
        .containsEntry("neutral", "C");
    Sheet kettle = sheet("supply 230 V\nL > [1] switch > [2] element 2kW > N\n2 > lamp 1W > N");
    assertThat(kettle.part("switch").from()).isEqualTo("L");
    assertThat(kettle.part("lamp").from()).isEqualTo("2");
  }

  @Test
  void what_was_assumed_can_be_said_outright_and_is_then_no_assumption() {
    Shorthand first = Shorthand.read("supply 230 V\nL > door > element > N");
    Shorthand.Assumption watts =
        first.assumptions().stream().filter(a -> a.say().endsWith("W")).findFirst().orElseThrow();
    assertThat(watts.line()).isEqualTo(2);
    assertThat(watts.column())
        .as("behind the element")
        .isEqualTo("L > door > element".length() + 1);
    Shorthand then =
        Shorthand.read("supply 230 V\nL > door > element %s > N".formatted(watts.say()));
    assertThat(then.assumptions()).noneMatch(a -> a.say().equals(watts.say()));
    assertThat(then.sheet().orElseThrow().part("element").load())
        .isEqualTo(first.sheet().orElseThrow().part("element").load());
    for (Shorthand.Assumption a : first.assumptions()) {
      if (a.line() == 0) {
        String said = "supply 230 V\nL > door > element > N\n" + a.say();
        assertThat(Shorthand.read(said).sheet().map(Sheet::parts)).as(a.say()).isPresent();
      }
    }
  }

  @Test
  void what_is_typed_so_far_can_be_drawn_link_by_link() {
    String whole = "supply 230 V\nL > fuse 10A > [A] door > limit 90C > element 2kW > N";
    for (int end = whole.indexOf("10A") + 3; end <= whole.length(); end++) {
      String text = whole.substring(0, end);
      // an open bracket is none yet, and a first letter may be a terminal's name
      if (!text.matches("(?s).*(\\[A?| [le])$")) {
        assertThat(Shorthand.read(text).sheet()).as(text).isPresent();
      }
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"at -", "at L", "at - N", "at"})
  void terminals_that_are_missing_are_said_to_be(String at) {
    Shorthand read = Shorthand.read("supply 230 V " + at + "\nL > element 2kW");
    assertThat(read.problems()).isNotEmpty();
    assertThat(read.usable()).isEqualTo(at.equals("at"));
  }

  @Test
  void two_loads_in_series_are_asked_for_their_volts() {
    String irons = "supply 120 V\nL > element lower 450W > element upper 450W > N";
    assertThat(problems(irons)).anyMatch(p -> p.message().contains("lies in series with"));
    assertThat(problems("supply 230 V\nL > element 2kW > [A] fuse 10A > N\nA > fan 40W > N"))
        .as("one beside the way to the terminal is not in series")
        .noneMatch(p -> p.message().contains("element lies in series"));
    assertThat(problems(irons.replace("450W", "450W 60V")))
        .noneMatch(p -> p.message().contains("in series"));
  }

  @ParameterizedTest
  @MethodSource("org.jollychain.core.sheet.Sketches#keys")
  void every_sketched_unit_is_valid_in_twelve_lines(String key) {
    String text = Sketches.text(key);
    assertThat(text.lines().count()).isLessThanOrEqualTo(12);
    Sheet sheet = sheet(text);
    assertThat(sheet.paths()).isNotEmpty();
    assertThat(sheet.complaints()).isNotEmpty();
    assertThat(sheet(Shorthand.of(sheet)).parts().keySet()).isEqualTo(sheet.parts().keySet());
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void every_shipped_sheet_is_written_and_read_back_whole(String key) {
    Sheet sheet = Sheets.shipped(key);
    Sheet back = sheet(Shorthand.of(sheet));
    assertThat(back.supply()).isEqualTo(sheet.supply());
    assertThat(back.commands()).isEqualTo(sheet.commands());
    assertThat(back.access()).isEqualTo(sheet.access());
    assertThat(back.points()).isEqualTo(sheet.points());
    assertThat(back.situations()).isEqualTo(sheet.situations());
    assertThat(back.paths()).isEqualTo(sheet.paths());
    assertThat(back.complaints()).isEqualTo(sheet.complaints());
    assertThat(back.parts().keySet()).isEqualTo(sheet.parts().keySet());
  }

  static List<String> shipped() {
    return Sheets.shipped();
  }

  /**
   * Seeded: whatever is typed, it is answered, and what is wrong has its place. All 20 000 take
   * three minutes: {@code -Dshorthand.mutations=20000}. How soon is measured by {@code ./jolly
   * bench}.
   */
  @Test
  @Timeout(value = 1, unit = TimeUnit.HOURS)
  void mutations_neither_crash_nor_hang() {
    List<String> seeds = new ArrayList<>(Sketches.keys().stream().map(Sketches::text).toList());
    seeds.add(DRYER);
    Sheets.shipped().forEach(k -> seeds.add(Shorthand.of(Sheets.shipped(k))));
    SplittableRandom random = new SplittableRandom(20261127);
    for (int i = 0; i < MUTATIONS; i++) {
      String text = Mutation.of(seeds.get(random.nextInt(seeds.size())), random);
      Shorthand read = Shorthand.read(text);
      int lines = text.split("\r\n|\r|\n", -1).length;
      assertThat(read.problems())
          .allMatch(p -> p.line() >= 1 && p.line() <= lines && p.column() >= 1);
      assertThat(read.sheet().isPresent() || !read.problems().isEmpty()).as(text).isTrue();
    }
  }

  private static final int MUTATIONS = Integer.getInteger("shorthand.mutations", 400);

  /** A text with something cut, doubled, swapped or thrown in. */
  private static final class Mutation {
    private static final List<String> BITS =
        List.of(
            ">",
            "> >",
            "[",
            "]",
            "[X",
            "\n",
            "\n  ",
            " - ",
            "#",
            "\"",
            "=",
            ",",
            "@",
            "when ",
            "by ",
            "of ",
            "& ",
            "!",
            "(",
            ")",
            "L1",
            "N",
            "supply ",
            "178C",
            "-1e9W",
            "0W",
            "0 ohm",
            "99999999999999999999W",
            "L999-999F",
            "table 0C=1",
            "é",
            "\u0000",
            "\uD83D",
            "\u202E",
            "situation ",
            "path ",
            "command x = y, driven by x",
            "family: ",
            "key: ",
            "x = ");

    static String of(String text, SplittableRandom random) {
      StringBuilder s = new StringBuilder(text);
      int times = 1 + random.nextInt(4);
      for (int i = 0; i < times; i++) {
        int at = random.nextInt(s.length() + 1);
        int to = Math.min(s.length(), at + 1 + random.nextInt(20));
        switch (random.nextInt(5)) {
          case 0 -> s.delete(at, to);
          case 1 -> s.insert(at, BITS.get(random.nextInt(BITS.size())));
          case 2 -> s.insert(random.nextInt(s.length() + 1), s.substring(at, to));
          case 3 ->
              s.replace(at, Math.min(s.length(), at + 1), BITS.get(random.nextInt(BITS.size())));
          default -> s.insert(at, (char) (32 + random.nextInt(95)));
        }
      }
      return s.toString();
    }
  }
}
