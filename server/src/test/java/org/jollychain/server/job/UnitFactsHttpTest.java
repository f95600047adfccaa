package org.jollychain.server.job;

import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.UUID;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.annotation.Transactional;

/** What a unit's plate says, and what follows of it in a job. */
@ServerTest
@AutoConfigureMockMvc
@Transactional
class UnitFactsHttpTest {

  private static final UUID JOB = UUID.fromString("7b0c2e7c-2d5d-4f0e-9a55-0b6a7f5d3c11");

  @Autowired private MockMvc http;

  @BeforeEach
  void a_dishwasher_that_washes_cold() throws Exception {
    send(
            "/api/jobs/" + JOB,
            "{\"tag\": \"FCT-1\", \"sheet\": \"dishwasher-120\", \"complaint\": \"no-heat\", \"permit\": \"isolated\"}")
        .andExpect(status().isOk());
    plate("FCT-1", "DW-7");
  }

  private ResultActions send(String path, String body) throws Exception {
    return http.perform(put(path).contentType(MediaType.APPLICATION_JSON).content(body));
  }

  private void plate(String tag, String model) throws Exception {
    send("/api/units/" + tag, "{\"model\": \"%s\", \"version\": 1}".formatted(model))
        .andExpect(status().isOk());
  }

  private ResultActions says(String tag, UUID id, String part, String said, boolean confirmed)
      throws Exception {
    return send(
        "/api/units/" + tag + "/facts/" + id,
        "{\"sheet\": \"dishwasher-120\", \"part\": \"%s\", \"said\": \"%s\", \"confirmed\": %b}"
            .formatted(part, said, confirmed));
  }

  private ResultActions job() throws Exception {
    return http.perform(get("/api/jobs/" + JOB));
  }

  private ResultActions element(String ohms) throws Exception {
    return send(
        "/api/jobs/" + JOB + "/evidence/" + UUID.randomUUID(),
        "{\"function\": \"ohms\", \"across\": \"element\", \"situation\": \"isolated\", \"liftedAt\": [\"H2\"], \"value\": \"%s\"}"
            .formatted(ohms));
  }

  @Test
  void what_its_paper_says_is_what_it_is_judged_by() throws Exception {
    element("8.4")
        .andExpect(jsonPath("$.assessment.parts[?(@.id=='element')].verdict").value("unclear"));
    UUID id = UUID.randomUUID();
    says("FCT-1", id, "element", "8 to 30 ohm", false)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.facts[0].said").value("8 to 30 ohm"));
    // sent again, it is added once
    says("FCT-1", id, "element", "8 to 30 ohm", false)
        .andExpect(jsonPath("$.facts.length()").value(1));
    job()
        .andExpect(jsonPath("$.assessment.parts[?(@.id=='element')].verdict").value("sound"))
        .andExpect(jsonPath("$.print.facts[0].part").value("element"))
        .andExpect(jsonPath("$.job.changes").value(2));
    // a sign-off that rests on what was seen before is refused
    send(
            "/api/jobs/" + JOB + "/close",
            "{\"as\": \"declined\", \"outcome\": \"No.\", \"version\": 1, \"changes\": 1}")
        .andExpect(status().isConflict());
    send("/api/units/FCT-1/facts/" + id + "/strike", "{\"why\": \"Another model's paper\"}")
        .andExpect(jsonPath("$.facts[0].struckWhy").value("Another model's paper"));
    job().andExpect(jsonPath("$.assessment.parts[?(@.id=='element')].verdict").value("unclear"));
  }

  @Test
  void a_later_one_strikes_the_earlier_one_out() throws Exception {
    says("FCT-1", UUID.randomUUID(), "element", "800 W 120 V", false).andExpect(status().isOk());
    says("FCT-1", UUID.randomUUID(), "element", "1100 W 120 V", false)
        .andExpect(jsonPath("$.facts.length()").value(2))
        .andExpect(jsonPath("$.facts[?(@.struckAt)].said").value("800 W 120 V"));
  }

  @Test
  void what_is_unlikely_is_kept_only_when_it_is_confirmed() throws Exception {
    says("FCT-1", UUID.randomUUID(), "element", "2 ohm", false)
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.needs").value("confirmed"))
        .andExpect(jsonPath("$.detail").value(containsString("far from what such parts have")));
    job().andExpect(jsonPath("$.print.facts.length()").value(0));
    says("FCT-1", UUID.randomUUID(), "element", "2 ohm", true).andExpect(status().isOk());
    says("FCT-1", UUID.randomUUID(), "element", "blue", true)
        .andExpect(status().is4xxClientError())
        .andExpect(jsonPath("$.detail").value(containsString("says nothing of the element")));
  }

  @Test
  void other_units_of_the_model_are_offered_it_and_a_table_carries_it() throws Exception {
    says("FCT-1", UUID.randomUUID(), "element", "8 to 30 ohm", false).andExpect(status().isOk());
    send("/api/units/FCT-2", "{\"model\": \"DW-7\"}").andExpect(status().isOk());
    http.perform(get("/api/units/FCT-2/facts"))
        .andExpect(jsonPath("$.facts.length()").value(0))
        .andExpect(jsonPath("$.offered[0].said").value("8 to 30 ohm"))
        .andExpect(jsonPath("$.offered[0].tag").value("FCT-1"));
    http.perform(get("/api/units.csv"))
        .andExpect(content().string(containsString("dishwasher-120/element: 8 to 30 ohm")));
    http.perform(
            post("/api/units.csv")
                .contentType("text/csv")
                .content(
                    "tag,facts\nFCT-2,dishwasher-120/element: 20 ohm | dishwasher-120/heater-limit: 90 C\n"))
        .andExpect(status().isOk());
    http.perform(get("/api/units/FCT-2/facts"))
        .andExpect(jsonPath("$.facts.length()").value(2))
        .andExpect(jsonPath("$.offered.length()").value(0));
    http.perform(
            post("/api/units.csv").contentType("text/csv").content("tag,facts\nFCT-2,element 20\n"))
        .andExpect(status().is4xxClientError())
        .andExpect(jsonPath("$.detail").value(containsString("line 2")));
  }

  @Test
  void an_unknown_unit_or_part_is_said() throws Exception {
    says("FCT-404", UUID.randomUUID(), "element", "20 ohm", false).andExpect(status().isNotFound());
    says("FCT-1", UUID.randomUUID(), "elemant", "20 ohm", false)
        .andExpect(status().is4xxClientError())
        .andExpect(jsonPath("$.detail").value(containsString("element")));
  }
}
