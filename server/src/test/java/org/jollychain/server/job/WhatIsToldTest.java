package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.OffsetDateTime;
import java.util.UUID;
import org.jollychain.core.evidence.EvidenceException;
import org.jollychain.core.visit.Progress;
import org.jollychain.server.ServerTest;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.unit.NewFact;
import org.jollychain.server.unit.UnitFactLog;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.json.JsonMapper;

/** What the customer also sees, in which words, and what a unit's own codes mean. */
@ServerTest
class WhatIsToldTest {

  private static final OffsetDateTime NOW = OffsetDateTime.now();

  @Autowired private Jobs jobs;
  @Autowired private UnitFactLog facts;
  @Autowired private JsonMapper json;

  private final UUID id = UUID.randomUUID();

  private void open(String tag, String model, String sheet, String complaint, String words) {
    jobs.open(
        id,
        new NewJob(
            tag, "Test unit", model, "", sheet, complaint, words, Permit.ISOLATED, "Imke", null),
        NOW);
  }

  private JobView tell(String observation, String situation, String value) {
    EvidenceItem item =
        json.readValue(
            """
            {"observation": "%s", "situation": "%s", "value": "%s"}
            """
                .formatted(observation, situation, value),
            EvidenceItem.class);
    return jobs.add(id, UUID.randomUUID(), item, NOW);
  }

  @Test
  void a_second_complaint_stands_beside_the_first_wherever_the_job_is_shown() {
    open("TOLD-1", "", "range-coil-240", "no-bake", "cookies stay raw, and no grill");
    JobView view = tell("complaint", "broil-call", "no-broil");
    String both = "Coils heat, oven does not bake; Lamp lights, oven does not broil";
    assertThat(view.complaintTitle()).isEqualTo(both);
    assertThat(jobs.listed(id).complaintTitle()).isEqualTo(both);
    // telling it is no reading: the cautions are still to be read
    assertThat(view.visit().progress().get(0).state()).isEqualTo(Progress.State.HERE);
    assertThat(view.job().customerWords()).isEqualTo("cookies stay raw, and no grill");
    assertThat(JobSheet.of(view).story())
        .extracting(JobSheet.Line::text)
        .contains(both, "cookies stay raw, and no grill");
  }

  @Test
  void a_complaint_told_later_is_the_first_where_none_was_told() {
    open("TOLD-2", "", "range-coil-240", "", null);
    assertThat(jobs.view(id).complaintTitle()).isEmpty();
    JobView view = tell("complaint", "front-call", "no-front");
    assertThat(view.complaintTitle()).isEqualTo("Pilot lights, front coil stays cold");
    assertThat(view.assessment().leading().title()).contains("front");
    UUID first = view.evidence().get(0).id();
    assertThat(jobs.strike(id, first, "told of another range", NOW).complaintTitle()).isEmpty();
  }

  @Test
  void what_excludes_a_complaint_is_refused_and_nothing_is_kept() {
    open("TOLD-3", "", "range-coil-240", "no-rear", null);
    assertThatThrownBy(() -> tell("complaint", "front-call", "no-front"))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining(
            "exclude each other: the front coil runs in one and not in the other");
    assertThat(jobs.view(id).evidence()).isEmpty();
  }

  @Test
  void a_code_is_typed_as_displayed_once_its_meaning_is_kept_and_for_the_model_too() {
    open("CODE-1", "RC-9", "autoclave-115", "aborts", null);
    String known = jobs.view(id).assessment().leading().title();
    assertThat(known).isNotEmpty();
    assertThatThrownBy(() -> tell("code-shown", "heat-call", "F31"))
        .isInstanceOf(EvidenceException.class)
        .hasMessageContaining("no code \"F31\" on this sheet")
        .hasMessageContaining("say first what it means");
    Stamp imke = new Stamp(NOW, "imke", Role.TECHNICIAN);
    facts.add(
        "CODE-1", UUID.randomUUID(), new NewFact("autoclave-115", "code F31", "E2", null), imke);
    JobView view = tell("code-shown", "heat-call", "f31");
    assertThat(view.evidence().get(0).item().value()).isEqualTo("E2 shown as f31");
    assertThat(view.assessment().evidence().get(0).shown()).startsWith("f31, ");

    UUID twin = UUID.randomUUID();
    jobs.open(
        twin,
        new NewJob(
            "CODE-2", "", "RC-9", "", "autoclave-115", "aborts", null, Permit.ISOLATED, "", null),
        NOW);
    EvidenceItem item =
        json.readValue(
            "{\"observation\": \"code-shown\", \"situation\": \"heat-call\", \"value\": \"F31\"}",
            EvidenceItem.class);
    assertThat(jobs.add(twin, UUID.randomUUID(), item, NOW).evidence().get(0).item().value())
        .isEqualTo("E2 shown as F31");
  }

  @Test
  void what_no_code_of_the_sheet_says_is_kept_in_words_and_no_evidence() {
    open("CODE-3", "", "autoclave-115", "aborts", null);
    Stamp imke = new Stamp(NOW, "imke", Role.TECHNICIAN);
    facts.add(
        "CODE-3",
        UUID.randomUUID(),
        new NewFact("autoclave-115", "code H9", "printer has no paper", null),
        imke);
    assertThat(jobs.view(id).print().facts()).extracting("said").contains("printer has no paper");
    assertThatThrownBy(() -> tell("code-shown", "heat-call", "H9"))
        .isInstanceOf(EvidenceException.class);
    assertThatThrownBy(
            () ->
                facts.add(
                    "CODE-3",
                    UUID.randomUUID(),
                    new NewFact("autoclave-115", "code ", "E2", null),
                    imke))
        .isInstanceOfAny(EvidenceException.class, RefusedException.class);
  }
}
