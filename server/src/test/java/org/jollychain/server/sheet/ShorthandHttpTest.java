package org.jollychain.server.sheet;

import static org.hamcrest.Matchers.contains;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.greaterThan;
import static org.hamcrest.Matchers.hasItem;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.notNullValue;
import static org.hamcrest.Matchers.startsWith;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.annotation.Transactional;

/** Sheets typed as shorthand, and jobs that go on by a later revision of one. */
@ServerTest
@Transactional
class ShorthandHttpTest {

  private static final String HEATER =
      """
      Diving-locker heater
      supply 230 V 50 Hz
      L > fuse 10A > [A] switch > [B] limit 90C 70C > [C] cutoff 120C > [D] element 2000W > N
      B > motor 40W > N
      """;

  @Autowired private MockMvc http;

  private ResultActions sketch(String text) throws Exception {
    return http.perform(
        post("/api/sheets/shorthand").contentType(MediaType.TEXT_PLAIN).content(text));
  }

  private ResultActions save(String text, boolean fresh) throws Exception {
    return http.perform(
        put("/api/sheets/diving-locker-heater/shorthand?fresh=" + fresh)
            .contentType(MediaType.TEXT_PLAIN)
            .content(text));
  }

  private ResultActions send(String path, String body) throws Exception {
    return http.perform(put(path).contentType(MediaType.APPLICATION_JSON).content(body));
  }

  @Test
  void a_shorthand_is_drawn_and_solved_and_says_what_it_assumes() throws Exception {
    sketch(HEATER)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.usable").value(true))
        .andExpect(jsonPath("$.yaml").value(startsWith("format: jolly-chain/sheet/1")))
        .andExpect(jsonPath("$.drawing.path").value("element"))
        .andExpect(jsonPath("$.paths", hasSize(2)))
        .andExpect(jsonPath("$.paths[0].steps[0].sound").value(greaterThan(225.0)))
        .andExpect(jsonPath("$.assumptions[*].say").value(hasItem("family: other")))
        .andExpect(jsonPath("$.problems", hasSize(0)));
  }

  @Test
  void what_is_wrong_has_line_column_and_level_and_the_rest_is_drawn_all_the_same()
      throws Exception {
    sketch(HEATER.replace("fuse 10A", "fsue 10A"))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.usable").value(false))
        .andExpect(jsonPath("$.drawing").value(notNullValue()))
        .andExpect(jsonPath("$.problems[0].line").value(3))
        .andExpect(jsonPath("$.problems[0].column").value(5))
        .andExpect(jsonPath("$.problems[0].level").value("error"))
        .andExpect(jsonPath("$.problems[0].message").value(containsString("fuse")));
    sketch("").andExpect(status().isOk()).andExpect(jsonPath("$.yaml").value(""));
    save(HEATER.replace("fuse 10A", "fsue 10A"), true)
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.problems[0].line").value(3));
  }

  @Test
  void what_was_typed_is_kept_with_the_revision_it_made() throws Exception {
    save(HEATER, true).andExpect(status().isOk()).andExpect(jsonPath("$.revision").value(1));
    http.perform(get("/api/sheets/diving-locker-heater/revisions/1/shorthand"))
        .andExpect(content().string(HEATER));
    http.perform(get("/api/sheets"))
        .andExpect(
            jsonPath("$[?(@.key == 'diving-locker-heater')].sketched").value(contains(true)));
    save(HEATER.replace("2000W", "1500W"), true).andExpect(status().isConflict());
    save(HEATER.replace("2000W", "1500W"), false).andExpect(jsonPath("$.revision").value(2));
  }

  @Test
  void any_sheet_can_be_read_as_shorthand_and_every_word_is_listed() throws Exception {
    http.perform(get("/api/sheets/kiln-none/revisions/1/shorthand"))
        .andExpect(status().isNotFound());
    String text =
        http.perform(get("/api/sheets/dryer-timer-240/revisions/1/shorthand"))
            .andReturn()
            .getResponse()
            .getContentAsString();
    sketch(text).andExpect(jsonPath("$.usable").value(true));
    http.perform(get("/api/sheets/shorthand"))
        .andExpect(jsonPath("$[?(@.kind == 'limit')].synonyms[*]").value(hasItem("high limit")));
  }

  @Test
  void the_full_text_is_previewed_alike() throws Exception {
    String yaml =
        http.perform(get("/api/sheets/millivolt-heater/revisions/1/yaml"))
            .andReturn()
            .getResponse()
            .getContentAsString();
    http.perform(post("/api/sheets/preview").contentType("application/yaml").content(yaml))
        .andExpect(jsonPath("$.usable").value(true))
        .andExpect(jsonPath("$.drawing.path").value("valve"));
    http.perform(
            post("/api/sheets/preview")
                .contentType("application/yaml")
                .content(yaml.replace("kind: valve,", "kind: valv,")))
        .andExpect(jsonPath("$.usable").value(false))
        .andExpect(jsonPath("$.problems[0].message").value(containsString("valve")));
  }

  @Test
  void a_job_goes_on_by_a_later_revision_and_keeps_what_fits() throws Exception {
    save(HEATER, true);
    String job = "/api/jobs/" + UUID.randomUUID();
    send(
            job,
            """
            {"tag": "DIVE-1", "unitTitle": "Locker heater", "sheet": "diving-locker-heater",
             "complaint": "element-off", "permit": "isolated"}
            """)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.newestRevision").value(1));
    read(job, "A", "B", "0.3").andExpect(status().isOk());
    read(job, "C", "D", "0.3").andExpect(status().isOk());
    // D has gone, and the limit got a wire behind it
    save(HEATER.replace("[D] ", "[D2] ").replace("[C] cut", "[C] wire > [W] cut"), false)
        .andExpect(jsonPath("$.revision").value(2));
    http.perform(get(job)).andExpect(jsonPath("$.newestRevision").value(2));
    http.perform(get(job + "/sheet/2"))
        .andExpect(jsonPath("$", hasSize(1)))
        .andExpect(jsonPath("$[0].why").value(containsString("\"D\"")));
    send(job + "/sheet", "{\"revision\": 2, \"version\": 1, \"changes\": 2}")
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.job.sheetRevision").value(2))
        .andExpect(jsonPath("$.job.complaint").value("element-off"))
        .andExpect(jsonPath("$.evidence[0].struckAt").doesNotExist())
        .andExpect(
            jsonPath("$.evidence[1].struckWhy").value(startsWith("does not fit revision 2")));
    send(job + "/sheet", "{\"revision\": 2, \"version\": 1, \"changes\": 2}")
        .andExpect(status().isOk());
    send(job + "/sheet", "{\"revision\": 1, \"version\": 1, \"changes\": 2}")
        .andExpect(status().isConflict());
    send(job + "/sheet", "{\"revision\": 9, \"version\": 2, \"changes\": 3}")
        .andExpect(status().isNotFound());
  }

  private ResultActions read(String job, String red, String black, String value) throws Exception {
    return send(
        job + "/evidence/" + UUID.randomUUID(),
        """
        {"function": "ohms", "red": "%s", "black": "%s", "situation": "isolated", "value": "%s"}
        """
            .formatted(red, black, value));
  }

  /** How soon is measured by {@code ./jolly bench}. */
  @Test
  void forty_links_are_answered() throws Exception {
    String middle =
        IntStream.range(0, 19)
            .mapToObj(i -> " > wire run %d > limit %d 90C 70C".formatted(i, i))
            .collect(Collectors.joining());
    sketch(
            "Long chain\nsupply 240 V split 60 Hz\nL1%s > element 2kW > L2\nL1 > door > motor 200W > N\n"
                .formatted(middle))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.usable").value(true));
  }
}
