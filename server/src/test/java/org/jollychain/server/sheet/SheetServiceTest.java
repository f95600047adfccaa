package org.jollychain.server.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.InstanceOfAssertFactories.list;

import org.jollychain.core.text.InvalidTextException;
import org.jollychain.server.ServerTest;
import org.jollychain.server.platform.RefusedException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.annotation.Transactional;

@ServerTest
@Transactional
class SheetServiceTest {

  private static final String DRYER = "dryer-timer-240";

  @Autowired private SheetService sheets;

  @Test
  void a_text_from_an_older_revision_is_held_up_with_who_changed_which_lines_meanwhile() {
    String text = sheets.newest(DRYER).text();
    int base = sheets.newest(DRYER).revision();
    sheets.save(DRYER, text.replace("watts: 5200", "watts: 5000"), base);
    String mine = text.replace("watts: 5200", "watts: 4800");
    assertThatThrownBy(() -> sheets.save(DRYER, mine, base))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("tester saved revision %d meanwhile".formatted(base + 1))
        .extracting(e -> ((RefusedException) e).changes(), list(String.class))
        .filteredOn(line -> line.startsWith("-") || line.startsWith("+"))
        .satisfiesExactly(
            was -> assertThat(was).contains("watts: 5200"),
            is -> assertThat(is).contains("watts: 5000"));
    assertThat(sheets.save(DRYER, mine, null).revision()).isEqualTo(base + 2);
  }

  @Test
  void a_changed_text_is_a_new_revision_and_the_old_one_stays() {
    String text = sheets.newest(DRYER).text();
    SheetRevision changed = sheets.save(DRYER, text.replace("watts: 5200", "watts: 5000"), null);
    assertThat(changed.revision()).isEqualTo(2);
    assertThat(sheets.revision(DRYER, 1).text()).isEqualTo(text);
  }

  @Test
  void the_same_text_makes_no_revision() {
    assertThat(sheets.save(DRYER, sheets.newest(DRYER).text(), null).revision()).isEqualTo(1);
  }

  @Test
  void nothing_of_an_invalid_sheet_is_kept() {
    String broken = sheets.newest(DRYER).text().replace("between: [C1, C2]", "between: [C1, C9]");
    assertThatThrownBy(() -> sheets.save(DRYER, broken, null))
        .isInstanceOf(InvalidTextException.class);
    assertThat(sheets.newest(DRYER).revision()).isEqualTo(1);
  }

  @Test
  void a_sheet_is_kept_only_under_the_name_it_gives_itself() {
    assertThatThrownBy(() -> sheets.save("another-name", sheets.newest(DRYER).text(), null))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("calls itself");
  }
}
