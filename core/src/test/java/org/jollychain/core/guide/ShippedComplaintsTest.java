package org.jollychain.core.guide;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jollychain.core.Guides;
import org.jollychain.core.Sheets;
import org.jollychain.core.sheet.Sheet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The shipped guides speak of what is on the shipped sheets. */
class ShippedComplaintsTest {

  /** All answers that tell which sheet fits, by question. */
  private static final Set<Map.Entry<String, String>> ANSWERS =
      Sheets.shipped().stream()
          .map(Sheets::shipped)
          .flatMap(s -> s.identify().entrySet().stream())
          .collect(Collectors.toSet());

  @ParameterizedTest
  @MethodSource("org.jollychain.core.Guides#keys")
  void a_cause_names_complaints_that_a_sheet_of_the_family_has(String key) {
    Guide guide = Guides.shipped(key);
    Set<String> known =
        Sheets.shipped().stream()
            .map(Sheets::shipped)
            .filter(s -> s.family() == guide.family())
            .map(Sheet::complaints)
            .flatMap(c -> c.keySet().stream())
            .collect(Collectors.toSet());
    for (Cause cause : guide.causes().values()) {
      assertThat(known).as(cause.id()).containsAll(cause.complaints());
      assertThat(ANSWERS).as(cause.id()).containsAll(cause.where().entrySet());
    }
    for (Check check : guide.checks().values()) {
      assertThat(known).as(check.id()).containsAll(check.applies().complaints());
      assertThat(ANSWERS).as(check.id()).containsAll(check.applies().where().entrySet());
    }
    for (Guide.Proof proof : guide.proofs().values()) {
      assertThat(known).as(proof.id()).containsAll(proof.applies().complaints());
      assertThat(ANSWERS).as(proof.id()).containsAll(proof.applies().where().entrySet());
    }
    for (Guide.SimpleThing simple : guide.simple().values()) {
      assertThat(known).as(simple.id()).containsAll(simple.applies().complaints());
      assertThat(ANSWERS).as(simple.id()).containsAll(simple.applies().where().entrySet());
    }
  }

  /** What lies mostly outside of the circuit has something outside that can be looked at. */
  @ParameterizedTest
  @MethodSource("org.jollychain.core.Sheets#shipped")
  void what_is_mostly_outside_has_causes_outside(String key) {
    Sheet sheet = Sheets.shipped(key);
    Guide guide = Guides.shipped(sheet.family().toString());
    assertThat(sheet.complaints().values())
        .filteredOn(c -> c.outside() >= 0.5)
        .allSatisfy(
            c ->
                assertThat(guide.causes().values())
                    .as(key + " " + c.id())
                    .anyMatch(
                        cause ->
                            cause.soundCircuit()
                                && cause.fits(sheet.identify())
                                && cause.complaints().contains(c.id())));
  }
}
