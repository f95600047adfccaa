package org.jollychain.server.account;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.matchesPattern;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.cookie;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.util.List;
import java.util.UUID;
import org.jollychain.server.platform.Role;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.context.ActiveProfiles;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Signing in and out, as a page does it. Sessions are kept in transactions of their own. */
@SpringBootTest
@AutoConfigureMockMvc
@ActiveProfiles("test")
class SessionsTest {

  private static final String WORDS = "four brass tongs";

  @Autowired private MockMvc http;
  @Autowired private PeopleService people;
  @Autowired private JdbcTemplate sql;

  @BeforeEach
  void a_lead() {
    people.add(new NewPerson("hild", "Hild", Role.LEAD, WORDS));
  }

  @AfterEach
  void nobody_stays() {
    sql.update("delete from spring_session");
    sql.update("delete from person");
    sql.update("delete from api_token");
    sql.update("delete from unit where tag like 'SES-%'");
  }

  /** A browser with what it keeps. */
  private static final class Browser {
    private final String csrf = "a-token-of-its-own";
    private Cookie session = new Cookie("NONE", "");

    MockHttpServletRequestBuilder with(MockHttpServletRequestBuilder request) {
      return request
          .header("Sec-Fetch-Site", "same-origin")
          .cookie(session, new Cookie("XSRF-TOKEN", csrf));
    }
  }

  private ResultActions signIn(String login, String password) throws Exception {
    return http.perform(
        post("/api/session")
            .header("Sec-Fetch-Site", "same-origin")
            .contentType(MediaType.APPLICATION_JSON)
            .content("{\"login\": \"%s\", \"password\": \"%s\"}".formatted(login, password)));
  }

  private Browser signedIn(String login, String password) throws Exception {
    MvcResult in = signIn(login, password).andExpect(status().isOk()).andReturn();
    Browser browser = new Browser();
    browser.session = in.getResponse().getCookie("JOLLY");
    return browser;
  }

  @Test
  void who_knows_the_password_gets_a_session_that_no_script_and_no_other_site_can_use()
      throws Exception {
    signIn("hild", WORDS)
        .andExpect(jsonPath("$.me.role").value("lead"))
        .andExpect(cookie().httpOnly("JOLLY", true))
        .andExpect(cookie().sameSite("JOLLY", "Strict"));
    Browser browser = signedIn("hild", WORDS);
    http.perform(browser.with(get("/api/people")))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$[?(@.login == 'hild')].password").isEmpty());
    MockHttpServletRequestBuilder write =
        put("/api/units/SES-1")
            .contentType(MediaType.APPLICATION_JSON)
            .content("{\"title\": \"Kettle\"}");
    http.perform(browser.with(write)).andExpect(status().isForbidden());
    http.perform(browser.with(write).header("X-XSRF-TOKEN", browser.csrf))
        .andExpect(status().isOk());
    assertThat(
            sql.queryForObject(
                "select by from audit where subject = 'unit' and key = 'SES-1'", String.class))
        .isEqualTo("hild");
  }

  @Test
  void nobody_else_reads_or_writes() throws Exception {
    for (String path : new String[] {"/api/jobs", "/api/people", "/api/sheets", "/api/audit"}) {
      http.perform(get(path).header("Sec-Fetch-Site", "same-origin"))
          .andExpect(status().isUnauthorized());
    }
    http.perform(get("/api/jobs").header("Authorization", "Bearer jolly_no"))
        .andExpect(status().isUnauthorized());
  }

  @Test
  void a_login_is_locked_after_five_failures_even_to_who_knows_it_at_last() throws Exception {
    signIn("nobody", WORDS).andExpect(status().isUnauthorized());
    for (int i = 0; i < 5; i++) {
      signIn("hild", "wrong " + i)
          .andExpect(status().isUnauthorized())
          .andExpect(jsonPath("$.detail").value("Login or password is wrong."));
    }
    signIn("hild", WORDS)
        .andExpect(status().isTooManyRequests())
        .andExpect(jsonPath("$.detail").value(containsString("opens again in 30 s")));
    sql.update("update person set locked_until = now() - interval '1 s' where login = 'hild'");
    signIn("hild", "wrong").andExpect(status().isUnauthorized());
    signIn("hild", WORDS)
        .andExpect(jsonPath("$.detail").value(containsString("opens again in 60 s")));
    sql.update("update person set locked_until = now() - interval '1 s' where login = 'hild'");
    signIn("hild", WORDS).andExpect(status().isOk());
  }

  @Test
  void signing_out_everywhere_and_a_new_password_end_every_session() throws Exception {
    Browser phone = signedIn("hild", WORDS);
    Browser desk = signedIn("hild", WORDS);
    http.perform(desk.with(delete("/api/session/everywhere")).header("X-XSRF-TOKEN", desk.csrf))
        .andExpect(status().isOk());
    http.perform(phone.with(get("/api/jobs"))).andExpect(status().isUnauthorized());
    Browser again = signedIn("hild", WORDS);
    String change = "{\"present\": \"%s\", \"wanted\": \"%s\"}";
    for (String easy : List.of("hild hild hild", "Password1234", "qwertyuiop12", "aaaaaaaaaaaa")) {
      http.perform(
              again
                  .with(put("/api/session/password"))
                  .header("X-XSRF-TOKEN", again.csrf)
                  .contentType(MediaType.APPLICATION_JSON)
                  .content(change.formatted(WORDS, easy)))
          .andExpect(status().isUnprocessableContent())
          .andExpect(jsonPath("$.detail").value(containsString("too easy")));
    }
    http.perform(
            again
                .with(put("/api/session/password"))
                .header("X-XSRF-TOKEN", again.csrf)
                .contentType(MediaType.APPLICATION_JSON)
                .content(change.formatted(WORDS, "five brass tongs")))
        .andExpect(status().isOk());
    http.perform(again.with(get("/api/jobs"))).andExpect(status().isUnauthorized());
    signIn("hild", WORDS).andExpect(status().isUnauthorized());
    signIn("hild", "five brass tongs").andExpect(status().isOk());
  }

  @Test
  void a_session_ends_after_a_shift() throws Exception {
    Browser browser = signedIn("hild", WORDS);
    sql.update("update spring_session set creation_time = creation_time - 13 * 3600 * 1000");
    http.perform(browser.with(get("/api/jobs"))).andExpect(status().isUnauthorized());
  }

  @Test
  void a_token_lets_a_script_in_until_it_is_revoked() throws Exception {
    Browser lead = signedIn("hild", WORDS);
    String path = "/api/tokens/" + UUID.randomUUID();
    String made =
        http.perform(
                lead.with(put(path))
                    .header("X-XSRF-TOKEN", lead.csrf)
                    .contentType(MediaType.APPLICATION_JSON)
                    .content("{\"title\": \"nightly list\", \"role\": \"viewer\", \"days\": 30}"))
            .andExpect(status().isOk())
            .andReturn()
            .getResponse()
            .getContentAsString();
    String token = made.replaceAll(".*\"(jolly_[^\"]+)\".*", "$1");
    http.perform(get("/api/jobs").header("Authorization", "Bearer " + token))
        .andExpect(status().isOk());
    http.perform(
            put("/api/units/SES-2")
                .header("Authorization", "Bearer " + token)
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"title\": \"Kettle\"}"))
        .andExpect(status().isForbidden())
        .andExpect(jsonPath("$.detail").value(containsString("signed in as a viewer")));
    assertThat(sql.queryForList("select hash from api_token", String.class))
        .noneMatch(hash -> hash.contains(token.substring(6)));
    http.perform(lead.with(delete(path)).header("X-XSRF-TOKEN", lead.csrf))
        .andExpect(jsonPath("$[0].revoked").value(true));
    http.perform(get("/api/jobs").header("Authorization", "Bearer " + token))
        .andExpect(status().isUnauthorized());
  }

  @Test
  void what_the_server_measures_is_for_who_is_signed_in_and_every_answer_has_an_id()
      throws Exception {
    http.perform(get("/api/manage/prometheus").header("Sec-Fetch-Site", "same-origin"))
        .andExpect(status().isUnauthorized());
    Browser lead = signedIn("hild", WORDS);
    http.perform(lead.with(get("/api/manage/prometheus")))
        .andExpect(status().isOk())
        .andExpect(header().string("X-Request-Id", matchesPattern("[0-9a-f]{8}")))
        .andExpect(content().string(containsString("hikaricp_connections_active")));
    http.perform(lead.with(get("/api/manage/health")))
        .andExpect(jsonPath("$.components.db.status").value("UP"));
    http.perform(lead.with(get("/api/manage/env"))).andExpect(status().isNotFound());
  }

  @Test
  void one_lead_always_stays() throws Exception {
    Browser lead = signedIn("hild", WORDS);
    http.perform(
            lead.with(put("/api/people/hild"))
                .header("X-XSRF-TOKEN", lead.csrf)
                .contentType(MediaType.APPLICATION_JSON)
                .content(
                    "{\"name\": \"Hild\", \"role\": \"viewer\", \"retired\": false, \"version\": 1}"))
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.detail").value(containsString("One lead at least")));
  }
}
