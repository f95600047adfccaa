package org.jollychain.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.greaterThan;
import static org.hamcrest.Matchers.hasItem;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import tools.jackson.databind.json.JsonMapper;

@ServerTest
class HttpContractTest {

  @Autowired private MockMvc http;
  @Autowired private JsonMapper json;

  private ResultActions assess(String body) throws Exception {
    return http.perform(post("/api/assess").contentType(MediaType.APPLICATION_JSON).content(body));
  }

  @Test
  void a_case_on_a_sheet_of_the_library_is_assessed() throws Exception {
    assess(
            """
            {"sheet": "dryer-timer-240", "method": "mixed", "livePermit": true, "complaint": "no-heat",
             "evidence": [
              {"id": "r1", "function": "volts-ac", "red": "L1", "black": "L2", "situation": "heat-call", "value": "238.6 V"},
              {"id": "r2", "function": "volts-ac", "across": "high-limit", "situation": "heat-call", "value": "238.1 V"},
              {"id": "r3", "function": "ohms", "across": "element", "situation": "isolated", "liftedAt": ["E2"], "value": "11.2"},
              {"id": "o1", "observation": "load-runs", "part": "motor", "situation": "heat-call", "value": "yes"}]}
            """)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.leading.part").value("high-limit"))
        .andExpect(jsonPath("$.leading.mode").value("open"))
        .andExpect(jsonPath("$.leading.probability").value(greaterThan(0.98)))
        .andExpect(jsonPath("$.parts[?(@.id == 'high-limit')].verdict").value("open"))
        .andExpect(jsonPath("$.parts[?(@.id == 'element')].verdict").value("sound"))
        .andExpect(jsonPath("$.supply.verdict").value("sound"))
        .andExpect(jsonPath("$.paths[0].treads[0].point").value("PL1"));
  }

  @Test
  void a_case_may_bring_its_sheet_as_text_or_as_an_object() throws Exception {
    String yaml =
        """
        format: jolly-chain/sheet/1
        key: plate
        title: Hot plate
        family: other
        supply: {system: single-phase, volts: 230, hertz: 50, terminals: {line1: L, neutral: N}}
        points: {L: {title: Line}, N: {title: Neutral}, A: {title: Limit out}}
        parts:
          limit: {kind: limit, between: [L, A]}
          plate: {kind: heating-element, between: [A, N], watts: 1500, at-volts: 230}
        situations: {call: {title: On, supply: on}}
        paths: {heat: {title: Heat, load: plate}}
        """;
    String evidence =
        "[{\"function\": \"volts-ac\", \"across\": \"limit\", \"situation\": \"call\", \"value\": \"229\"}]";
    assess("{\"sheet\": %s, \"evidence\": %s}".formatted(json.writeValueAsString(yaml), evidence))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.leading.part").value("limit"));
    String object =
        """
        {"format": "jolly-chain/sheet/1", "key": "plate", "title": "Hot plate", "family": "other",
         "supply": {"system": "single-phase", "volts": 230, "hertz": 50, "terminals": {"line1": "L", "neutral": "N"}},
         "points": {"L": {"title": "Line"}, "N": {"title": "Neutral"}, "A": {"title": "Limit out"}},
         "parts": {"limit": {"kind": "limit", "between": ["L", "A"]},
                   "plate": {"kind": "heating-element", "between": ["A", "N"], "watts": 1500, "at-volts": 230}},
         "situations": {"call": {"title": "On", "supply": "on"}}, "paths": {"heat": {"title": "Heat", "load": "plate"}}}
        """;
    assess("{\"sheet\": %s, \"evidence\": %s}".formatted(object, evidence))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.leading.part").value("limit"));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      {"sheet": "dryer-time-240"}                   | 404 | did you mean "dryer-timer-240"
      {"evidence": []}                              | 400 | sheet must be the key
      {"sheet": null}                               | 422 | Say which sheet
      {"sheet": "\\u0000"}                           | 422 | The key of a sheet
      {"sheet": "dryer-timer-240", "evidense": []}  | 400 | "evidense" is not a key here
      {"sheet": "dryer-timer-240",                  | 400 | no JSON at line 1
      {"sheet": "dryer-timer-240", "complaint": "smells"} | 422 | there is no complaint
      {"sheet": "format: jolly-chain/sheet/1"}      | 422 | is missing
      {"sheet": "dryer-timer-240", "evidence": [{"function": "volts-ac", "red": "L1", "black": "Q7", "situation": "heat-call", "value": "3"}]}  | 422 | there is no point "Q7"
      {"sheet": "dryer-timer-240", "evidence": [{"function": "volts-ac", "across": "motor", "situation": "heat-call", "value": "NaN"}]}  | 422 | is no reading
      {"sheet": "dryer-timer-240", "evidence": [{"function": "volts-ac", "across": "motor", "situation": "heat-call", "value": ""}]}  | 400 | evidence[0]
      {"sheet": "dryer-timer-240", "evidence": [{"observation": "load-runs", "part": "high-limit", "situation": "heat-call", "value": "yes"}]}  | 422 | is no load of this sheet
      """)
  void a_case_that_cannot_be_meant_is_answered_with_what_would_be_right(
      String body, int status, String words) throws Exception {
    assess(body)
        .andExpect(status().is(status))
        .andExpect(content().contentType(MediaType.APPLICATION_PROBLEM_JSON))
        .andExpect(jsonPath("$.detail").value(containsString(words)));
  }

  @Test
  void a_malformed_sheet_is_answered_with_line_and_column() throws Exception {
    http.perform(
            put("/api/sheets/x")
                .contentType("application/yaml")
                .content("format: jolly-chain/sheet/1\nkey: x\ntitle: [1\n"))
        .andExpect(status().is(422))
        .andExpect(jsonPath("$.problems[0].line").value(4))
        .andExpect(jsonPath("$.problems[0].column").value(1));
  }

  /** All files of a build bear one date: only what is in them tells an older page. */
  @ParameterizedTest
  @ValueSource(strings = {"/index.html", "/sw.js", "/theme.js"})
  void a_page_kept_from_an_older_build_is_sent_anew(String page) throws Exception {
    String tag =
        http.perform(get(page))
            .andExpect(status().isOk())
            .andExpect(header().string("Cache-Control", "no-cache"))
            .andExpect(header().doesNotExist("Last-Modified"))
            .andReturn()
            .getResponse()
            .getHeader("ETag");
    http.perform(get(page).header("If-None-Match", tag)).andExpect(status().isNotModified());
    http.perform(get(page).header("If-None-Match", "\"older\"")).andExpect(status().isOk());
    http.perform(get(page).header("If-Modified-Since", "Fri, 01 Jan 2027 00:00:00 GMT"))
        .andExpect(status().isOk());
  }

  @Test
  void a_body_over_its_bound_is_refused() throws Exception {
    assess("{\"sheet\": \"" + "x".repeat(WholeBody.LARGEST_BYTES) + "\"}")
        .andExpect(status().is(413))
        .andExpect(jsonPath("$.detail").value(containsString("1024 kB")));
  }

  @Test
  void a_form_is_bounded_like_any_other_body() throws Exception {
    http.perform(
            post("/api/assess")
                .contentType(MediaType.APPLICATION_FORM_URLENCODED)
                .content("a=" + "x".repeat(WholeBody.LARGEST_BYTES)))
        .andExpect(status().is(413));
    http.perform(
            post("/api/assess").contentType(MediaType.APPLICATION_FORM_URLENCODED).content("a=b"))
        .andExpect(status().isUnsupportedMediaType());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      {"sheet": "dryer-timer-240", "evidence": [null]}    | evidence[0]
      {"sheet": "dryer-timer-240", "meters": [null]}      | meters[0]
      {"sheet": "dryer-timer-240", "title": "a\\u0000b"}  | "title" holds U+0000
      {"sheet": "dryer-timer-240", "title": "a\\nb"}      | "title" holds U+000A at place 2, a line break
      {"sheet": "dryer-timer-240", "title": "a\\ud800"}   | "title" holds U+D800
      {"sheet": "dryer-timer-240", "title": "\\u202eab"}  | turns the direction of writing
      {"sheet": "dryer-timer-240", "method": 1}           | "method" has the wrong form: it should be one of live-drops
      {"sheet": "dryer-timer-240", "livePermit": "maybe"} | should be true or false
      {"sheet": "dryer-timer-240", "evidence": {}}        | "evidence" has the wrong form: it should be a list
      {"sheet": "dryer-timer-240", "evidence": [{"situation": "heat-call", "value": "\\u00a0\\u2003"}]} | value must not be blank
      {"sheet": "dryer-timer-240", "evidence": [{"situation": "heat-call", "value": "1", "at": 1e300}]} | "evidence[0].at" is no time
      {"sheet": "dryer-timer-240", "evidence": [{"situation": "heat-call", "value": "1", "at": "+999999999-01-01T00:00:00Z"}]} | is no time
      []                                                  | the body should be an object
      """)
  void what_no_reader_should_meet_is_refused_and_named(String body, String words) throws Exception {
    assess(body)
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString(words)));
  }

  @Test
  void an_answer_names_no_class_and_sends_nothing_large_back() throws Exception {
    String long_ = "y".repeat(100_000);
    for (String body :
        List.of(
            "{\"%s\": 1}".formatted(long_),
            "{\"sheet\": \"x\", \"method\": \"%s\"}".formatted(long_),
            "{\"sheet\": \"%s\"}".formatted(long_),
            "%s".formatted(long_),
            "[".repeat(5000),
            "{\"sheet\": \"dryer-timer-240\", \"complaint\": \"%s\"}".formatted("z".repeat(80)))) {
      String answer = assess(body).andReturn().getResponse().getContentAsString();
      assertThat(answer).hasSizeLessThan(1500).doesNotContain("java", "jackson", "Stream");
    }
  }

  @Test
  void a_case_in_yaml_is_held_to_the_same_rules() throws Exception {
    for (int at = 1020; at < 1030; at++) {
      String head = "sheet: dryer-timer-240\ntitle: ";
      String yaml = head + "x".repeat(at - head.length()) + "\ud83d\ude00\n";
      http.perform(post("/api/assess").contentType(MediaType.APPLICATION_YAML).content(yaml))
          .andExpect(status().isBadRequest())
          .andExpect(jsonPath("$.detail").value(containsString("title size must be")));
    }
    http.perform(
            post("/api/assess")
                .contentType(MediaType.APPLICATION_YAML)
                .content("sheet: dryer-timer-240\ntitle: \"a\\u0001b\"\n"))
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString("U+0001")));
  }

  @Test
  void asked_for_by_itself_the_error_page_is_nothing() throws Exception {
    http.perform(get("/error")).andExpect(status().isNotFound());
  }

  @Test
  void a_job_can_be_opened_only_on_a_sheet_that_is_there_and_a_tag_that_is_one() throws Exception {
    String job = "{\"tag\": \"%s\", \"sheet\": \"%s\", \"permit\": \"%s\"}";
    open(job.formatted("TST-9", "nothing", "live")).andExpect(status().isNotFound());
    open(job.formatted("!!", "dryer-timer-240", "live"))
        .andExpect(status().is(422))
        .andExpect(jsonPath("$.detail").value(containsString("like LAU-2")));
    open(job.formatted("TST-9", "dryer-timer-240", "maybe"))
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString("isolated, live")));
  }

  private ResultActions open(String body) throws Exception {
    return http.perform(
        put("/api/jobs/" + UUID.randomUUID())
            .contentType(MediaType.APPLICATION_JSON)
            .content(body));
  }

  @Test
  void what_is_not_there_is_not_found() throws Exception {
    http.perform(get("/api/jobs/" + UUID.randomUUID()))
        .andExpect(status().isNotFound())
        .andExpect(jsonPath("$.detail").value(containsString("There is no job")));
    http.perform(get("/api/jobs/seven")).andExpect(status().isBadRequest());
    http.perform(get("/api/nothing")).andExpect(status().isNotFound());
  }

  @Test
  void answers_carry_strict_headers() throws Exception {
    http.perform(get("/api/sheets"))
        .andExpect(header().string("Content-Security-Policy", containsString("script-src 'self'")))
        .andExpect(header().string("X-Content-Type-Options", "nosniff"))
        .andExpect(header().string("X-Frame-Options", "DENY"))
        .andExpect(header().string("Cache-Control", "no-store"))
        .andExpect(header().string("Cross-Origin-Resource-Policy", "same-origin"))
        .andExpect(header().string("Cross-Origin-Opener-Policy", "same-origin"))
        .andExpect(header().string("Permissions-Policy", containsString("camera=()")));
  }

  @Test
  void another_site_and_a_rebound_name_are_turned_away() throws Exception {
    http.perform(
            post("/api/assess")
                .header("Origin", "http://elsewhere.example")
                .contentType(MediaType.APPLICATION_JSON)
                .content("{}"))
        .andExpect(status().isForbidden());
    for (String site : List.of("cross-site", "same-site")) {
      http.perform(get("/api/sheets").header("Sec-Fetch-Site", site))
          .andExpect(status().isForbidden());
    }
    http.perform(get("/api/sheets").header("Sec-Fetch-Site", "same-origin"))
        .andExpect(status().isOk());
    http.perform(
            get("/api/sheets")
                .with(
                    r -> {
                      r.setServerName("rebound.example");
                      return r;
                    }))
        .andExpect(status().isForbidden());
  }

  /** A browser leaves out the port that its scheme has anyway (RFC 6454, 6.1). */
  @ParameterizedTest
  @CsvSource({
    "https, 443, https://shop.example, shop.example, true",
    "http, 80, http://shop.example, shop.example, true",
    "https, 8443, https://shop.example:8443, shop.example:8443, true",
    // a proxy that passes on the host asked, and says by which scheme
    "https, 443, https://shop.example:8443, shop.example:8443, true",
    "https, 443, http://shop.example, shop.example, false",
    "https, 443, https://shop.example:8443, shop.example, false",
    "https, 443, https://other.example, shop.example, false",
    "https, 443, null, shop.example, false",
    "https, 443, https://[, shop.example, false"
  })
  void a_page_of_its_own_is_known_by_its_origin(
      String scheme, int port, String origin, String host, boolean own) throws Exception {
    MockHttpServletRequest request = new MockHttpServletRequest("POST", "/api/session");
    request.setScheme(scheme);
    request.setServerName("shop.example");
    request.setServerPort(port);
    request.addHeader("Origin", origin);
    request.addHeader("Host", host);
    MockHttpServletResponse response = new MockHttpServletResponse();
    new OwnPagesOnly(Set.of("shop.example")).doFilter(request, response, new MockFilterChain());
    assertThat(response.getStatus()).isEqualTo(own ? 200 : 403);
  }

  @Test
  void a_mark_before_the_text_is_not_of_it_and_a_key_stands_once() throws Exception {
    String sheet = "{\"sheet\": \"dryer-timer-240\", \"evidence\": []}";
    assess("\ufeff" + sheet).andExpect(status().isOk());
    http.perform(
            post("/api/sheets/validate")
                .contentType(MediaType.APPLICATION_YAML)
                .content("\ufeffformat: jolly-chain/sheet/1\n"))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.problems[*].message").value(not(hasItem(containsString("format")))));
    assess("{\"sheet\": \"dryer-timer-240\", \"sheet\": \"furnace-24v\"}")
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString("sheet")));
    http.perform(
            post("/api/assess")
                .contentType(MediaType.APPLICATION_YAML)
                .content("sheet: dryer-timer-240\nsheet: furnace-24v\n"))
        .andExpect(status().isBadRequest());
  }

  @Test
  void a_cookie_that_is_no_session_is_none() throws Exception {
    String odd = Base64.getEncoder().encodeToString("a\u0000b".getBytes(StandardCharsets.UTF_8));
    http.perform(get("/api/session").cookie(new Cookie("JOLLY", odd))).andExpect(status().isOk());
  }

  @Test
  void a_job_is_exported_as_a_case_that_comes_out_the_same_anywhere() throws Exception {
    String id = "/api/jobs/" + UUID.randomUUID();
    http.perform(
            put(id)
                .contentType(MediaType.APPLICATION_JSON)
                .content(
                    "{\"tag\": \"LAU-9\", \"sheet\": \"dryer-timer-240\", \"complaint\": \"no-heat\", \"permit\": \"live\"}"))
        .andExpect(status().isOk());
    http.perform(
            put(id + "/evidence/" + UUID.randomUUID())
                .contentType(MediaType.APPLICATION_JSON)
                .content(
                    "{\"function\": \"volts-ac\", \"across\": \"high-limit\", \"situation\": \"heat-call\", \"value\": \"239.1\", \"meter\": \"bench\"}"))
        .andExpect(status().isOk());
    String yaml =
        http.perform(get(id + "/case").accept(MediaType.APPLICATION_YAML))
            .andExpect(status().isOk())
            .andReturn()
            .getResponse()
            .getContentAsString();
    http.perform(post("/api/assess").contentType(MediaType.APPLICATION_YAML).content(yaml))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.leading.part").value("high-limit"));
  }

  @Test
  void evidence_that_cannot_be_meant_names_what_would_be_right() throws Exception {
    String item =
        "{\"sheet\": \"dryer-timer-240\", \"evidence\": [{\"situation\": \"heat-call\", %s}]}";
    assess(
            item.formatted(
                "\"observation\": \"inspection\", \"part\": \"high-limit\", \"value\": \"odd\""))
        .andExpect(status().isUnprocessableContent())
        .andExpect(content().string(containsString("is no finding; there are")));
    assess(
            item.formatted(
                "\"function\": \"volts-ac\", \"across\": \"element\", \"value\": \"1\", \"meter\": \"benhc\""))
        .andExpect(status().isUnprocessableContent())
        .andExpect(content().string(containsString("did you mean")));
  }
}
