package org.jollychain.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.jollychain.core.Sheets;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Readings as technicians type them, whatever was proposed: each is filed as it is meant or asked
 * about (common practice, no source). Beside the field stands what the first columns say.
 */
class TypedLinesTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");
  private static final Sheet PILE = Sheets.shipped("millivolt-heater");

  private static Entry entry(String function, String across, String state, String typed) {
    return new Entry(
        "r1",
        function,
        Optional.empty(),
        Optional.empty(),
        Optional.of(across),
        Optional.empty(),
        state,
        Entry.How.PLAIN,
        typed);
  }

  private static String filed(Reading reading) {
    String place =
        reading.probe().part().orElse(reading.probe().red() + "-" + reading.probe().black());
    return "%s %s %s".formatted(reading.probe().function(), place, shown(reading.shown()));
  }

  private static String shown(Shown shown) {
    if (shown instanceof Shown.Figure f) {
      return "%s".formatted(Math.round(f.value() * 1e4) / 1e4);
    }
    return shown instanceof Shown.Buzzer b ? (b.sounds() ? "beep" : "silent") : "OL";
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      # a bare figure takes what stands beside the field
      volts-ac   | high-limit | heat-call    | 239.1                    | volts-ac high-limit 239.1
      volts-ac   | high-limit | heat-call    | 239.1 V                  | volts-ac high-limit 239.1
      volts-ac   | high-limit | heat-call    | 239,1                    | volts-ac high-limit 239.1
      volts-ac   | high-limit | heat-call    | 240 volts                | volts-ac high-limit 240.0
      volts-ac   | high-limit | heat-call    | 240vac                   | volts-ac high-limit 240.0
      volts-ac   | high-limit | heat-call    | 158mV                    | volts-ac high-limit 0.158
      volts-ac   | high-limit | heat-call    | OL                       | volts-ac high-limit OL
      volts-ac   | high-limit | heat-call    | 0                        | volts-ac high-limit 0.0
      ohms       | element    | isolated     | 12.8                     | ohms element 12.8
      ohms       | element    | isolated     | 12.8 ohm                 | ohms element 12.8
      ohms       | element    | isolated     | 12.8 ohms                | ohms element 12.8
      ohms       | element    | isolated     | 12.8Ω                    | ohms element 12.8
      ohms       | motor      | isolated     | 2.4k                     | ohms motor 2400.0
      ohms       | element    | isolated     | L1-L2 12.9               | ohms L1-L2 12.9
      ohms       | element    | isolated     | L1-L2 237.5 ohm          | ohms L1-L2 237.5
      ohms       | element    | isolated     | open                     | ohms element OL
      ohms       | element    | isolated     | infinity                 | ohms element OL
      ohms       | element    | isolated     | Infinite                 | ohms element OL
      ohms       | element    | isolated     | .2                       | ohms element 0.2
      continuity | high-limit | isolated     | beep                     | continuity high-limit beep
      continuity | high-limit | isolated     | no beep                  | continuity high-limit silent
      continuity | high-limit | isolated     | no                       | continuity high-limit silent
      # the unit or the word says the function, and the state beside the field bears it
      volts-ac   | element    | heat-call    | 18.6 A                   | amps-ac element 18.6
      volts-ac   | element    | heat-call    | 18.6 amps                | amps-ac element 18.6
      amps-ac    | element    | heat-call    | 238 V                    | volts-ac element 238.0
      ohms       | high-limit | isolated     | beep                     | continuity high-limit beep
      ohms       | high-limit | isolated     | beeps                    | continuity high-limit beep
      ohms       | high-limit | isolated     | no continuity            | continuity high-limit silent
      continuity | high-limit | isolated     | 0.2 ohm                  | continuity high-limit 0.2
      continuity | high-limit | isolated     | infinity                 | continuity high-limit OL
      # in any place, as it is said
      volts-ac   | high-limit | heat-call    | L1-L2 238.6              | volts-ac L1-L2 238.6
      volts-ac   | high-limit | heat-call    | l1-l2 238.6 V            | volts-ac L1-L2 238.6
      volts-ac   | high-limit | heat-call    | C2-L2 240                | volts-ac C2-L2 240.0
      volts-ac   | high-limit | heat-call    | C2 to L2 240             | volts-ac C2-L2 240.0
      volts-ac   | high-limit | heat-call    | C2 L2 240                | volts-ac C2-L2 240.0
      volts-ac   | high-limit | heat-call    | C2/L2: 240               | volts-ac C2-L2 240.0
      volts-ac   | high-limit | heat-call    | across C2 to L2 240 V    | volts-ac C2-L2 240.0
      volts-ac   | high-limit | heat-call    | element 238              | volts-ac element 238.0
      volts-ac   | high-limit | heat-call    | across the element 238   | volts-ac element 238.0
      volts-ac   | high-limit | heat-call    | Thermal cut-off 0.1      | volts-ac thermal-cutoff 0.1
      volts-ac   | high-limit | heat-call    | cycling 0.1 V            | volts-ac cycling-thermostat 0.1
      volts-ac   | high-limit | heat-call    | element: 18.7 A          | amps-ac element 18.7
      ohms       | high-limit | isolated     | element 12.8 ohm         | ohms element 12.8
      ohms       | high-limit | isolated     | thermal fuse open        | ohms thermal-fuse OL
      ohms       | high-limit | isolated     | door switch no beep      | continuity door-switch silent
      ohms       | element    | isolated     | C1-C2 0.1                | ohms high-limit 0.1
      ohms       | element    | isolated     | belt switch OL           | ohms belt-switch OL
      """)
  void a_line_is_filed_as_it_is_meant(
      String function, String across, String state, String typed, String filed) {
    assertThat(filed(entry(function, across, state, typed).on(DRYER, Meters.USUAL)))
        .isEqualTo(filed);
  }

  @ParameterizedTest
  @CsvSource({"163 mV, 0.163", "TP-TH 251 mV, 0.251", "TP-TH 0.25 V, 0.25"})
  void volts_of_a_pile_are_of_direct_current(String typed, double volts) {
    Reading reading = entry("ohms", "spill-switch", "heat-call", typed).on(PILE, Meters.USUAL);
    assertThat(reading.probe().function()).isEqualTo(MeterFunction.VOLTS_DC);
    assertThat(((Shown.Figure) reading.shown()).value()).isEqualTo(volts);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      # nothing is filed under a state that does not bear it
      volts-ac | high-limit | heat-call | 14 ohm           | choose the state it was read in
      volts-ac | high-limit | heat-call | beep             | choose the state it was read in
      volts-ac | high-limit | heat-call | infinity         | choose the state it was read in
      ohms     | high-limit | isolated  | 120 V            | choose the state it was read in
      ohms     | high-limit | isolated  | element 18 A     | choose the state it was read in
      # nothing under a place that may be another
      volts-ac | high-limit | heat-call | thermostat L 3   | there is no part or point
      volts-ac | high-limit | heat-call | timer 0.1        | say which
      volts-ac | high-limit | heat-call | switch 0.1       | say which
      volts-ac | high-limit | heat-call | L1 238           | one point; where was the other probe
      volts-ac | high-limit | heat-call | elemnt 238       | there is no part or point
      volts-ac | high-limit | heat-call | L1-Q7 238        | are not two points of this sheet
      # nothing that a meter does not show
      ohms     | high-limit | isolated  | short            | type what the meter shows
      ohms     | high-limit | isolated  | element shorted  | type what the meter shows
      ohms     | high-limit | isolated  | flutters         | a reading of its own
      ohms     | high-limit | isolated  | good             | type what the meter shows
      ohms     | high-limit | isolated  | 12.8 parsecs     | is not in a unit of ohms
      ohms     | high-limit | isolated  | L1-L2 237.5      | type 237.5 V or 237.5 ohm
      ohms     | high-limit | isolated  | L1 N 118         | type 118 V or 118 ohm
      ohms     | high-limit | isolated  | C1-L2 241        | type 241 V or 241 ohm
      """)
  void or_it_is_asked_about(
      String function, String across, String state, String typed, String asked) {
    assertThatThrownBy(() -> entry(function, across, state, typed).on(DRYER, Meters.USUAL))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining(asked);
  }
}
