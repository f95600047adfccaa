package org.jollychain.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Readings;
import org.jollychain.core.Sheets;
import org.jollychain.core.diagnosis.Diagnosis;
import org.jollychain.core.evidence.Evidence;
import org.jollychain.core.evidence.Reading;
import org.jollychain.core.network.UnitModel;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;

/** Ohms that were read, and what was drawn, of an igniter beside its coils. */
class OwnOhmsTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-gas-120");
  private static final UnitModel UNIT = new UnitModel(DRYER);
  private static final Diagnosis DIAGNOSIS = new Diagnosis(DRYER);
  private final Readings read = new Readings(DRYER);

  private Reading volts(String value) {
    return read.across("volts-ac", "igniter", "heat-call", value);
  }

  private Reading amperes(String value) {
    return read.across("amps-ac", "igniter", "heat-call", value);
  }

  private static double igniter(Evidence... evidence) {
    return KnownUnit.of(UNIT, UnitFacts.NONE, List.of(evidence)).values().get("igniter").ohms();
  }

  /** 277 ohm beside the coils read 153.5; its amperes are those of 277. */
  @Test
  void a_wire_that_was_told_off_and_is_on_is_seen_by_the_amperes() {
    Evidence[] all = {read.ohms("igniter", "153.5", "G2"), volts("155.3"), amperes("1.16")};
    assertThat(igniter(all)).isCloseTo(277, within(20.0));
    assertThat(
            DIAGNOSIS.opinion(List.of(all), Optional.of("no-flame")).assessment().parts().stream()
                .filter(p -> p.id().equals("igniter"))
                .findFirst()
                .orElseThrow()
                .probability())
        .isLessThan(0.5);
  }

  @Test
  void what_was_freed_stays_where_it_fits_its_amperes_or_none_flow() {
    assertThat(igniter(read.ohms("igniter", "153.5", "G2"))).isCloseTo(153.5, within(1.0));
    assertThat(igniter(read.ohms("igniter", "153.5", "G2"), volts("119"), amperes("1.64")))
        .isCloseTo(153.5, within(1.0));
    // a dead supply: a clamp's last digit is no current
    assertThat(igniter(read.ohms("igniter", "334", "G2"), volts("0.02"), amperes("0.02")))
        .isCloseTo(334, within(2.0));
  }

  @Test
  void of_two_that_differ_the_one_counts_that_fits_the_amperes() {
    assertThat(
            igniter(
                read.ohms("igniter", "150", "G2"),
                read.ohms("igniter", "78", "G2"),
                volts("119"),
                amperes("3.2")))
        .isCloseTo(78, within(1.0));
  }
}
