package org.jollychain.server.sheet;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasItem;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.not;
import static org.hamcrest.Matchers.startsWith;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.annotation.Transactional;

/** The contract of the sheets' part of the API. */
@ServerTest
@Transactional
class SheetHttpTest {

  private static final String RANGE = "/api/sheets/range-240/revisions/1";

  @Autowired private MockMvc http;

  private ResultActions solve(String body) throws Exception {
    return http.perform(post("/api/solve").contentType(MediaType.APPLICATION_JSON).content(body));
  }

  @Test
  void a_supposed_fault_is_solved_beside_the_sound_unit() throws Exception {
    solve(
            """
            {"sheet": "dryer-timer-240", "situation": "heat-call",
             "faults": [{"part": "high-limit", "mode": "open"}],
             "probes": [{"function": "volts-ac", "across": "high-limit"},
                        {"function": "amps-ac", "through": "element"}]}
            """)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.readings[0].now").value("239.9 V"))
        .andExpect(jsonPath("$.readings[0].sound").value(startsWith("0.3")))
        .andExpect(jsonPath("$.readings[1].now").value("0.00 A"))
        .andExpect(jsonPath("$.parts[?(@.part == 'motor')].powerShare").value(hasItem(not(0.0))))
        .andExpect(jsonPath("$.paths[0].steps[0].point").value("PL1"));
  }

  @Test
  void a_low_supply_another_meter_and_a_lifted_wire_are_taken_into_account() throws Exception {
    solve(
            """
            {"sheet": "dryer-timer-240", "situation": "heat-call", "supplyVolts": 208,
             "lifted": ["element"], "meter": "bench",
             "probes": [{"function": "volts-ac", "red": "L1", "black": "L2"},
                        {"function": "amps-ac", "through": "element"}]}
            """)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.readings[0].now").value(containsString("207.9")))
        .andExpect(jsonPath("$.readings[1].now").value("0.000 A"));
  }

  @Test
  void a_dead_short_is_named() throws Exception {
    solve(
            """
            {"sheet": "microwave-120", "situation": "standby",
             "faults": [{"part": "monitor-switch", "mode": "stuck"}]}
            """)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.notes").value(hasItem(containsString("A dead short"))))
        .andExpect(jsonPath("$.notes").value(hasItem(containsString("Stored charge"))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      "situation": "heat-call", "probes": [{"function": "ohms", "across": "element"}] | never ohms on a live circuit
      "situation": "heat-cal" | did you mean \\"heat-call\\"
      "situation": "heat-call", "faults": [{"part": "high-limi", "mode": "open"}] | did you mean \\"high-limit\\"
      "situation": "heat-call", "faults": [{"part": "high-limit", "mode": "melted"}] | is no way to fail
      "situation": "heat-call", "meter": "benc" | did you mean \\"bench\\"
      """)
  void what_cannot_be_solved_is_refused_with_what_would_be_right(String request, String words)
      throws Exception {
    solve("{\"sheet\": \"dryer-timer-240\", %s}".formatted(request))
        .andExpect(status().isUnprocessableContent())
        .andExpect(content().string(containsString(words)));
  }

  @Test
  void a_figure_out_of_bounds_is_refused() throws Exception {
    solve("{\"sheet\": \"dryer-timer-240\", \"situation\": \"heat-call\", \"supplyVolts\": 1e9}")
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString("supplyVolts")));
  }

  @Test
  void a_text_is_validated_without_being_kept() throws Exception {
    http.perform(
            post("/api/sheets/validate")
                .contentType("application/yaml")
                .content("key: a\nkey: b\n"))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.problems", hasSize(1)))
        .andExpect(jsonPath("$.problems[0].line").value(2))
        .andExpect(jsonPath("$.problems[0].message").value(containsString("stands here twice")));
  }

  @Test
  void a_body_of_ten_megabytes_is_refused() throws Exception {
    http.perform(
            post("/api/sheets/validate")
                .contentType("application/yaml")
                .content("x".repeat(10 * 1024 * 1024)))
        .andExpect(status().is(413));
  }

  @Test
  void a_revision_is_exported_as_it_was_written_as_json_and_as_a_netlist() throws Exception {
    http.perform(get(RANGE + "/yaml"))
        .andExpect(status().isOk())
        .andExpect(content().string(startsWith("format: jolly-chain/sheet/1")));
    http.perform(get(RANGE + "/json"))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.parts.bake-element.watts").value(2700));
    http.perform(get(RANGE + "/spice").param("situation", "bake-call"))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("* bake-element")));
    http.perform(get(RANGE + "/drawings"))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$[0].path").value("bake"))
        .andExpect(jsonPath("$[0].parts", hasSize(48)));
  }

  @Test
  void a_withdrawn_sheet_is_out_of_the_library_and_can_be_put_back() throws Exception {
    http.perform(delete("/api/sheets/range-240")).andExpect(status().isNoContent());
    http.perform(get("/api/sheets"))
        .andExpect(jsonPath("$[*].key").value(not(hasItem("range-240"))));
    http.perform(get(RANGE)).andExpect(status().isOk());
    // sent again, as by somebody who has it still, it stays out
    String text = http.perform(get(RANGE + "/yaml")).andReturn().getResponse().getContentAsString();
    for (String sent : List.of(text, text + "# another\n")) {
      http.perform(put("/api/sheets/range-240").contentType("application/yaml").content(sent))
          .andExpect(status().isConflict())
          .andExpect(jsonPath("$.detail").value(containsString("was withdrawn")));
    }
    http.perform(put("/api/sheets/range-240/restore")).andExpect(status().isOk());
    http.perform(get("/api/sheets")).andExpect(jsonPath("$[*].key").value(hasItem("range-240")));
    http.perform(delete("/api/sheets/no-such")).andExpect(status().isNotFound());
  }

  @Test
  void revisions_are_listed_with_the_newest_first() throws Exception {
    String text = http.perform(get(RANGE + "/yaml")).andReturn().getResponse().getContentAsString();
    http.perform(
            put("/api/sheets/range-240")
                .contentType("application/yaml")
                .content(text.replace("watts: 2700", "watts: 2600")))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.revision").value(2));
    http.perform(get("/api/sheets/range-240/revisions"))
        .andExpect(jsonPath("$[0].revision").value(2))
        .andExpect(jsonPath("$[1].revision").value(1));
  }
}
