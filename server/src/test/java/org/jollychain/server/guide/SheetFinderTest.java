package org.jollychain.server.guide;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;

@ServerTest
@AutoConfigureMockMvc
class SheetFinderTest {

  @Autowired private MockMvc http;

  private ResultActions find(String body) throws Exception {
    return http.perform(
        post("/api/sheets/find").contentType(MediaType.APPLICATION_JSON).content(body));
  }

  @Test
  void the_library_is_asked_through() throws Exception {
    find("{\"answers\": {}}").andExpect(jsonPath("$.next.id").value("family"));
    find("{\"answers\": {\"family\": \"millivolt-heater\"}}")
        .andExpect(jsonPath("$.sheets[0].key").value("millivolt-heater"))
        .andExpect(jsonPath("$.next").doesNotExist());
    find("{}").andExpect(status().isBadRequest());
  }
}
