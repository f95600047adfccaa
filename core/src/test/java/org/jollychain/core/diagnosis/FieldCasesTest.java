package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jollychain.core.evidence.Evidence;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a master concludes from true-to-life readings; common practice, no source. */
class FieldCasesTest {

  private static final int LIKE = 5;

  private static final Map<String, Diagnosis> DIAGNOSES = new ConcurrentHashMap<>();

  static Stream<FieldCase> cases() {
    return Stream.of(
            "supply", "string", "own-test", "joints", "traps", "more", "variants", "this-unit")
        .flatMap(file -> FieldCase.of(file + ".yaml").stream());
  }

  private static Diagnosis diagnosis(FieldCase told) {
    return DIAGNOSES.computeIfAbsent(told.sheet().key(), k -> new Diagnosis(told.sheet()));
  }

  static Assessment assess(FieldCase told) {
    return diagnosis(told).opinion(told.evidence(), told.beginning()).assessment();
  }

  @ParameterizedTest
  @MethodSource("cases")
  void is_said_as_a_master_would(FieldCase told) {
    assertThat(told.differences(assess(told))).isEmpty();
  }

  /** A master's word does not hang on the last digit. */
  @ParameterizedTest
  @MethodSource("cases")
  void is_said_on_like_units_too(FieldCase told) {
    Diagnosis diagnosis = diagnosis(told);
    List<Map<String, String>> all = new ArrayList<>();
    for (int seed = 1; seed <= LIKE; seed++) {
      List<Evidence> like = told.varied(new Random(seed));
      all.add(told.differences(diagnosis.opinion(like, told.beginning()).assessment()));
    }
    assertThat(all).hasSize(LIKE).allSatisfy(wrong -> assertThat(wrong).isEmpty());
  }
}
