package org.jollychain.core.partcheck;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The bench against tables and standards that others have published. */
class PublishedValuesTest {

  /** IEC 60751: 100.00 at 0 C, 138.51 at 100 C, 175.86 at 200 C, 18.52 at -200 C (from memory). */
  @ParameterizedTest
  @CsvSource({
    "Pt100, 0, 100.00",
    "Pt100, 100, 138.51",
    "Pt100, 200, 175.86",
    "Pt1000, 100, 1385.1",
    "Pt100, -200, 18.52",
    "Pt100, 850, 390.48"
  })
  void platinum_follows_iec_60751_both_ways(String type, double celsius, double ohms) {
    CheckResult answer =
        Bench.answer("platinum", "type=%s;ohms=%s;celsius=%s".formatted(type, ohms, celsius));
    assertThat(Bench.result(answer, "expected-ohms")).isCloseTo(ohms, within(ohms * 1e-4));
    assertThat(Bench.result(answer, "celsius")).isCloseTo(celsius, within(0.05));
    assertThat(answer.grade()).isEqualTo(CheckResult.Grade.GOOD);
  }

  /** IAPWS-IF97 (2007), tables 35 and 36: its verification values of region 4. */
  @ParameterizedTest
  @CsvSource({"300, 0.353658941e-2", "500, 0.263889776e1", "600, 0.123443146e2"})
  void saturation_has_the_verification_values_of_if97(double kelvin, double megapascals) {
    assertThat(Saturation.pascals(kelvin) / 1e6).isCloseTo(megapascals, within(megapascals * 1e-8));
  }

  @ParameterizedTest
  @CsvSource({"0.1, 0.372755919e3", "1, 0.453035632e3", "10, 0.584149488e3"})
  void and_back(double megapascals, double kelvin) {
    assertThat(Saturation.kelvin(megapascals * 1e6)).isCloseTo(kelvin, within(kelvin * 1e-8));
  }

  /** IAPWS-IF97: 100 kPa at 99.606 C, 1 MPa at 179.886 C. */
  @ParameterizedTest
  @CsvSource({
    "99.6, 100 kPa, nothing (absolute), 99.606",
    "179.9, 1 MPa, nothing (absolute), 179.886",
    "121, 103.7 kPa, air (gauge), 121.0"
  })
  void steam_on_the_table_is_good(String celsius, String pressure, String as, double saturation) {
    CheckResult answer =
        Bench.answer("steam", "celsius=%s;pressure=%s;as=%s".formatted(celsius, pressure, as));
    assertThat(answer.grade()).isEqualTo(CheckResult.Grade.GOOD);
    assertThat(Bench.result(answer, "saturation")).isCloseTo(saturation, within(0.15));
  }

  /** ISO 2533: 89 875 Pa at 1000 m, 79 495 Pa at 2000 m; 1.2250 kg/m3 at the sea and 15 C. */
  @ParameterizedTest
  @CsvSource({"0, 101325", "1000, 89875", "2000, 79495"})
  void the_air_thins_with_altitude_as_in_iso_2533(double metres, double pascals) {
    assertThat(Atmosphere.pascals(metres)).isCloseTo(pascals, within(10.0));
    assertThat(Atmosphere.density(101_325, 15)).isCloseTo(1.2250, within(2e-4));
  }

  /** ANSI C84.1 ranges A and B of utilization voltage, at the unit (from memory); IEC 60038. */
  @ParameterizedTest
  @CsvSource({
    "split-phase 120/240, 228, GOOD",
    "split-phase 120/240, 252, GOOD",
    "split-phase 120/240, 253, DOUBTFUL",
    "split-phase 120/240, 220, GOOD",
    "split-phase 120/240, 218, DOUBTFUL",
    "split-phase 120/240, 190, BAD",
    "split-phase 120/240, 256, BAD",
    "single-phase 120, 114, GOOD",
    "single-phase 120, 110, GOOD",
    "single-phase 120, 109, DOUBTFUL",
    "single-phase 120, 105, BAD",
    "single-phase 230, 207, GOOD",
    "single-phase 230, 253, GOOD",
    "single-phase 230, 206, BAD"
  })
  void the_supplys_bands_are_the_standards(String system, String volts, CheckResult.Grade grade) {
    assertThat(Bench.answer("supply", "system=%s;line=%s".formatted(system, volts)).grade())
        .isEqualTo(grade);
  }

  /** NEC chapter 9 table 8 at 75 C (ohm/kft, solid); IEC 60228 class 1 at 20 C (ohm/km). */
  @ParameterizedTest
  @CsvSource({
    "14 AWG, 75, 1000 ft, 3.07",
    "12 AWG, 75, 1000 ft, 1.93",
    "10 AWG, 75, 1000 ft, 1.21",
    "1.5 mm2, 20, 1 km, 12.1",
    "2.5 mm2, 20, 1 km, 7.41",
    "4 mm2, 20, 1 km, 4.61"
  })
  void conductors_have_the_ohms_of_their_tables(
      String size, String celsius, String length, double ohms) {
    CheckResult answer =
        Bench.answer(
            "wire",
            "size=%s;length=%s;amperes=1;volts=120;celsius=%s".formatted(size, length, celsius));
    // there and back
    assertThat(Bench.result(answer, "ohms")).isCloseTo(2 * ohms, within(2e-3 * ohms));
  }

  /** AWG 14 is 2.08 mm2; IEC 60228 states the most a conductor may have, so that it lies above. */
  @ParameterizedTest
  @CsvSource({"14 AWG, 2.08", "12 AWG, 3.31", "10 AWG, 5.26"})
  void the_american_and_the_metric_table_are_of_one_copper(String size, double squareMillimetres) {
    double byArea = 12.1 * 1.5 / squareMillimetres / 1000;
    assertThat(WireCheck.ohmsPerMetre(size, 20)).isCloseTo(byArea, within(0.06 * byArea));
  }

  /** IRC M1502: 35 ft, less 5 ft for each 90 and 2.5 ft for each 45 degree mitred elbow. */
  @ParameterizedTest
  @CsvSource({"0, 0, 35", "2, 0, 25", "1, 2, 25", "4, 2, 10"})
  void ducts_are_as_long_as_irc_m1502_allows(String square, String half, double feet) {
    CheckResult answer =
        Bench.answer("duct-length", "length=%s ft;square=%s;half=%s".formatted(feet, square, half));
    assertThat(answer.grade()).isEqualTo(CheckResult.Grade.GOOD);
    assertThat(Bench.result(answer, "allowed")).isCloseTo(feet * 0.3048, within(1e-9));
    CheckResult longer =
        Bench.answer(
            "duct-length", "length=%s ft;square=%s;half=%s".formatted(feet + 0.1, square, half));
    assertThat(longer.grade()).isEqualTo(CheckResult.Grade.BAD);
  }

  /**
   * Steinhart-Hart with the coefficients of a 10 k thermistor as they are widely published
   * (1.129148e-3, 2.34125e-4, 8.76741e-8): 32 650 ohm at 0 C, 10 000 at 25 C, 3 601 at 50 C.
   */
  @ParameterizedTest
  @CsvSource({"0, 32650", "25, 10000", "50, 3601"})
  void a_thermistor_follows_steinhart_and_hart_both_ways(double celsius, double ohms) {
    CheckResult answer =
        Bench.answer(
            "thermistor",
            "nominal=10k;at=25;beta=3950;ohms=%s;celsius=%s;steinhart=1.129148e-3 2.34125e-4 8.76741e-8"
                .formatted(ohms, celsius));
    assertThat(Bench.result(answer, "expected-ohms")).isCloseTo(ohms, within(ohms * 0.004));
    assertThat(Bench.result(answer, "celsius")).isCloseTo(celsius, within(0.15));
  }

  /** IEC 60691: at its rated functioning temperature or up to 10 K below it. */
  @ParameterizedTest
  @CsvSource({"91 C, 81, 91", "196 F, 81.1, 91.1", "152 C, 142, 152"})
  void a_thermal_link_opens_up_to_ten_kelvin_early(String rated, double from, double to) {
    CheckResult answer = Bench.answer("one-shot", "rated=%s;reads=OL".formatted(rated));
    assertThat(Bench.result(answer, "opens-from")).isCloseTo(from, within(0.05));
    assertThat(Bench.result(answer, "opens-to")).isCloseTo(to, within(0.05));
  }

  /** JCGM 100, 4.3.7: what may lie anywhere in +-a has the standard uncertainty a / sqrt 3. */
  @ParameterizedTest
  @CsvSource({
    "AC volts, 100.0, 1.0, 0, 0.5780",
    "AC volts, 100.0, 0, 3, 0.1756",
    "DC volts, 20.00, 0.5, 2, 0.0590"
  })
  void a_readings_parts_add_as_squares(
      String function, String reading, String percent, String digits, double standard) {
    CheckResult answer =
        Bench.answer(
            "meter",
            "function=%s;reading=%s;percent=%s;digits=%s"
                .formatted(function, reading, percent, digits));
    assertThat(Bench.result(answer, "standard-uncertainty"))
        .isCloseTo(standard, within(0.002 * standard));
  }

  /** By definition: 1 dH = 10 mg CaO a litre, 1 fH = 10 mg CaCO3 a litre, 1 gpg = 17.118 mg/l. */
  @ParameterizedTest
  @CsvSource({"10 dH, 178.5, 17.85, 10.43", "20 fH, 200, 20, 11.68", "10 gpg, 171.2, 17.12, 10"})
  void hardness_is_the_same_in_every_unit(String typed, double ppm, double fh, double gpg) {
    CheckResult answer = Bench.answer("water", "hardness=" + typed);
    assertThat(Bench.result(answer, "ppm")).isCloseTo(ppm, within(0.004 * ppm));
    assertThat(Bench.result(answer, "fH")).isCloseTo(fh, within(0.004 * fh));
    assertThat(Bench.result(answer, "gpg")).isCloseTo(gpg, within(0.004 * gpg));
  }

  /** ASHRAE's rule at the sea and 21 C: cfm = 3.16 W / (1.8 dT F to K) = 3.16 W / dT[F]. */
  @ParameterizedTest
  @CsvSource({"10 kW, 40, 790", "5 kW, 20, 790", "15 kW, 60, 790"})
  void air_by_its_rise_is_the_sensible_heat_equation(String watts, double riseF, double cfm) {
    CheckResult answer =
        Bench.answer("airflow", "watts=%s;in=70 F;out=%s F".formatted(watts, 70 + riseF));
    assertThat(Bench.result(answer, "cfm")).isCloseTo(cfm, within(0.01 * cfm));
  }
}
