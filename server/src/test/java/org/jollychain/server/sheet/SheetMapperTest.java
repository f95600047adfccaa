package org.jollychain.server.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import org.jollychain.server.ServerTest;
import org.jollychain.server.platform.Stamp;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.transaction.annotation.Transactional;

@ServerTest
@Transactional
class SheetMapperTest {

  private static final OffsetDateTime THEN =
      OffsetDateTime.of(2026, 1, 2, 3, 4, 5, 0, ZoneOffset.UTC);

  @Autowired private SheetMapper sheets;

  private void insert(String key, int revision, String title) {
    sheets.insert(
        key,
        revision,
        title,
        "other",
        "text " + revision,
        null,
        "{\"a\": 1}",
        "hash",
        Stamp.at(THEN));
  }

  @Test
  void the_newest_revision_is_the_one_with_the_highest_number() {
    insert("test-sheet", 2, "Second");
    insert("test-sheet", 1, "First");
    assertThat(sheets.newest("test-sheet"))
        .hasValueSatisfying(s -> assertThat(s.title()).isEqualTo("Second"));
    assertThat(sheets.find("test-sheet", 1))
        .contains(new SheetRevision("test-sheet", 1, "First", "other", "text 1", null, THEN, ""));
    assertThat(sheets.latest())
        .filteredOn(s -> s.key().equals("test-sheet"))
        .singleElement()
        .satisfies(s -> assertThat(s.revision()).isEqualTo(2));
  }

  @Test
  void a_revision_can_not_be_written_twice() {
    insert("test-sheet", 1, "First");
    assertThatThrownBy(() -> insert("test-sheet", 1, "Again"))
        .isInstanceOf(DataIntegrityViolationException.class);
  }

  @Test
  void a_key_that_is_none_is_refused_by_the_database_too() {
    assertThatThrownBy(() -> insert("No Key", 1, "X"))
        .isInstanceOf(DataIntegrityViolationException.class);
  }
}
