package org.jollychain.server.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class AuditLineTest {

  private static String told(String what) {
    return new AuditLine(
            7,
            OffsetDateTime.now(),
            "imke",
            "job",
            "key",
            "evidence added",
            new JsonMapper().readTree(what))
        .told();
  }

  @Test
  void a_change_is_told_by_what_its_fields_became_without_ids_and_times() {
    assertThat(
            told(
                """
                {"id": "x", "taken_at": "2026-02-03", "number": 4, "struck_why": "",
                 "body": {"red": "L1", "value": "0.1", "how": null}}
                """))
        .isEqualTo("number: 4 · struck why: none · body: red L1, value 0.1");
    assertThat(told("{\"text\": \"" + "a".repeat(200) + "\"}")).hasSize("text: ".length() + 92);
  }
}
