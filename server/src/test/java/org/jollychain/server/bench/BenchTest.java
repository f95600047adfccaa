package org.jollychain.server.bench;

import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasItem;
import static org.hamcrest.Matchers.hasSize;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.UUID;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.annotation.Transactional;

@ServerTest
@AutoConfigureMockMvc
@Transactional
class BenchTest {

  @Autowired private MockMvc http;

  private ResultActions check(String key, String body) throws Exception {
    return http.perform(
        post("/api/checks/" + key).contentType(MediaType.APPLICATION_JSON).content(body));
  }

  @Test
  void every_check_is_listed_with_what_it_asks_for() throws Exception {
    http.perform(get("/api/checks"))
        .andExpect(jsonPath("$[0].key").value("element"))
        .andExpect(jsonPath("$[0].kinds").value(hasItem("heating-element")))
        .andExpect(jsonPath("$[0].inputs[0].name").value("watts"))
        .andExpect(jsonPath("$[0].inputs[0].unit").value("W"));
  }

  @Test
  void a_check_is_answered_with_its_arithmetic_and_source() throws Exception {
    check("element", "{\"watts\": \"4500\", \"volts\": \"240 V\", \"ohms\": \"12.8\"}")
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.verdict").value("Sound"))
        .andExpect(jsonPath("$.grade").value("good"))
        .andExpect(jsonPath("$.results[?(@.name == 'expected-ohms')].value").value(12.8))
        .andExpect(jsonPath("$.results[0].unit").isNotEmpty())
        .andExpect(jsonPath("$.because[0]").isNotEmpty())
        .andExpect(jsonPath("$.band").isNotEmpty())
        .andExpect(jsonPath("$.source").isNotEmpty());
  }

  @Test
  void figures_may_be_numbers_and_stand_under_inputs() throws Exception {
    check("element", "{\"inputs\": {\"watts\": 4500, \"volts\": 240}}")
        .andExpect(jsonPath("$.results[?(@.name == 'expected-ohms')].value").value(12.8));
  }

  @Test
  void what_is_left_open_is_nothing_typed_also_where_it_is_kept() throws Exception {
    http.perform(
            put("/api/bench-results/" + UUID.randomUUID())
                .contentType(MediaType.APPLICATION_JSON)
                .content(
                    "{\"check\": \"element\", \"inputs\": {\"watts\": \"4500\", \"volts\": \"240\", \"ohms\": null}}"))
        .andExpect(status().isOk());
  }

  @Test
  void a_log_has_lines_also_where_it_is_kept() throws Exception {
    String log = "{\"log\": \"0 glow\\n20 flame\\n600 off\"}";
    check("burner-log", log)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.verdict").value("Every trial good"))
        .andExpect(jsonPath("$.picture.bands[1].title").value("flame"));
    http.perform(
            put("/api/bench-results/" + UUID.randomUUID())
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"check\": \"burner-log\", \"inputs\": %s}".formatted(log)))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$[0].verdict").value("Every trial good"));
    check("burner-log", "{\"log\": \"0 glow\\u0007\"}")
        .andExpect(status().isUnprocessableContent());
  }

  @Test
  void what_is_kept_is_kept_once_with_its_verdict() throws Exception {
    String id = "/api/bench-results/" + UUID.randomUUID();
    String body =
        "{\"check\": \"element\", \"note\": \"spare, shelf 3\", \"inputs\": {\"watts\": \"4500\", \"volts\": \"240\", \"ohms\": \"OL\"}}";
    for (int i = 0; i < 2; i++) {
      http.perform(put(id).contentType(MediaType.APPLICATION_JSON).content(body))
          .andExpect(jsonPath("$[0].verdict").value("Open"))
          .andExpect(jsonPath("$[0].note").value("spare, shelf 3"))
          .andExpect(jsonPath("$[0].typed").value(containsString("ohms=OL")));
    }
    http.perform(
            put(id).contentType(MediaType.APPLICATION_JSON).content(body.replace("4500", "3500")))
        .andExpect(status().isConflict());
    http.perform(put(id + "0").contentType(MediaType.APPLICATION_JSON).content(body))
        .andExpect(status().isBadRequest());
    http.perform(get("/api/bench-results"))
        .andExpect(jsonPath("$[?(@.note == 'spare, shelf 3')]").value(hasSize(1)));
  }

  @Test
  void what_cannot_be_is_said_at_every_field() throws Exception {
    check("element", "{\"watts\": \"-3\", \"volts\": \"40 kV\"}")
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.problems").value(hasSize(2)))
        .andExpect(jsonPath("$.problems[0].field").value("watts"))
        .andExpect(jsonPath("$.problems[1].message").value(containsString("cannot be")));
    check("elemant", "{}")
        .andExpect(status().isNotFound())
        .andExpect(jsonPath("$.detail").value(containsString("did you mean")));
    check("element", "[]").andExpect(status().isBadRequest());
  }
}
