package org.jollychain.core.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.jollychain.core.Sheets;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.sheet.Sheet;
import org.jollychain.core.unit.UnitFacts;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReplacementTest {

  private static final Sheet DRYER = Sheets.shipped("dryer-timer-240");

  @ParameterizedTest
  @CsvSource({
    "high-limit, L245-35F, same",
    "high-limit, L245-35, same",
    "high-limit, L250-40F, different",
    "high-limit, F245-35F, different",
    "high-limit, L118-19C, same",
    "thermal-cutoff, 178 C, same",
    "thermal-cutoff, 352F, same",
    "thermal-cutoff, 196 C, different",
    "thermal-fuse, 91C 16A 250V, same",
    "element, 5200 W 240 V, same",
    "element, 4500 W 240 V, different",
    "element, 11.1 ohm, same",
    "element, 11.1 k ohm, different",
    "element, 5.2 kW 240 V, same",
    "element, smudged, not-readable",
    "door-switch, 16 A 250 V, not-readable"
  })
  void is_compared_by_what_is_printed(String part, String printed, String verdict) {
    assertThat(Replacement.of(DRYER.part(part), Optional.empty(), printed).verdict())
        .hasToString(verdict);
  }

  @ParameterizedTest
  @CsvSource({
    "15 A, 15A 250V, same",
    "15 A, 20 A, different",
    "15 A, same, same",
    "15 A, smudged, not-readable",
    "KSD 12-4, ksd12-4, same",
    "KSD 12-4, KSD 13-4, not-readable",
    "not readable, Same as the old one, same",
    "not readable, 16 A by the maker's list, listed",
  })
  void is_compared_with_what_was_read_of_the_old_one(String old, String printed, String verdict) {
    Sheet microwave = Sheets.shipped("microwave-120");
    UnitFacts facts = UnitFacts.NONE.and(microwave, "line-fuse", old);
    assertThat(
            Replacement.of(microwave.part("line-fuse"), facts.of("line-fuse"), printed).verdict())
        .hasToString(verdict);
  }

  /** The list is of the model, the sheet an example; what was read of the old one outweighs it. */
  @Test
  void the_makers_list_stands_against_the_sheet_and_not_against_the_old_part() {
    VisitEntry listed =
        new VisitEntry(VisitEntry.Kind.RENEWED, "thermal-cutoff", "196 C by the maker\u2019s list");
    assertThatCode(() -> listed.check(DRYER, UnitFacts.NONE, Optional.empty(), List.of()))
        .doesNotThrowAnyException();
    UnitFacts old = UnitFacts.NONE.and(DRYER, "thermal-cutoff", "178 C");
    assertThatThrownBy(() -> listed.check(old.on(DRYER), old, Optional.empty(), List.of()))
        .hasMessageContaining("it acts at 196 °C, the old one at 178 °C");
  }

  @Test
  void a_protective_part_of_which_nothing_was_compared_is_not_settled() {
    assertThat(Replacement.of(DRYER.part("thermal-cutoff"), Optional.empty(), "").settled())
        .isFalse();
    assertThat(Replacement.of(DRYER.part("thermal-cutoff"), Optional.empty(), "=").settled())
        .isTrue();
    assertThat(Replacement.of(DRYER.part("element"), Optional.empty(), "").settled()).isTrue();
  }

  @Test
  void a_hand_reset_is_not_renewed_by_one_that_resets_itself() {
    Sheet autoclave = Sheets.shipped("autoclave-115");
    Replacement by = Replacement.of(autoclave.part("hand-limit"), Optional.empty(), "auto reset");
    assertThat(by.differences()).singleElement().asString().contains("by itself");
  }

  @Test
  void the_example_of_the_sheet_refuses_nothing_for_ever() {
    VisitEntry other = new VisitEntry(VisitEntry.Kind.RENEWED, "thermal-cutoff", "170 C");
    assertThatThrownBy(() -> other.check(DRYER, UnitFacts.NONE, Optional.empty(), List.of()))
        .hasMessageContaining("differs from the sheet's example")
        .hasMessageContaining("Read the old one first");
    UnitFacts old = UnitFacts.NONE.and(DRYER, "thermal-cutoff", "170 C");
    assertThatCode(() -> other.check(old.on(DRYER), old, Optional.empty(), List.of()))
        .doesNotThrowAnyException();
    VisitEntry hotter = new VisitEntry(VisitEntry.Kind.RENEWED, "thermal-cutoff", "178 C");
    assertThatThrownBy(() -> hotter.check(old.on(DRYER), old, Optional.empty(), List.of()))
        .hasMessageContaining("it acts at 178 °C, the old one at 170 °C");
  }

  /** A disc that would have to cool below nothing before it closes again. */
  @Test
  void a_marking_that_no_part_can_bear_is_refused_in_words() {
    assertThatThrownBy(() -> Replacement.of(DRYER.part("high-limit"), Optional.empty(), "L050-60F"))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("differential");
  }

  @Test
  void another_rating_of_what_protects_is_refused_and_of_a_load_is_only_said() {
    VisitEntry fuse = new VisitEntry(VisitEntry.Kind.RENEWED, "thermal-cutoff", "196 C");
    assertThatThrownBy(() -> fuse.check(DRYER, UnitFacts.NONE, Optional.empty(), List.of()))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("like for like")
        .hasMessageContaining("196 °C");
    VisitEntry element = new VisitEntry(VisitEntry.Kind.RENEWED, "element", "4500 W 240 V");
    element.check(DRYER, UnitFacts.NONE, Optional.empty(), List.of());
  }
}
