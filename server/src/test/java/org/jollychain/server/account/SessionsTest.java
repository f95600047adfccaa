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

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import com.jayway.jsonpath.JsonPath;
import jakarta.servlet.http.Cookie;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.jollychain.server.platform.Role;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
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
    sql.update("delete from sign_in_try");
    sql.update("delete from person");
    sql.update("update shop set second_factor = false");
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
    sql.update("update sign_in_try set locked_until = now() - interval '1 s' where login = 'hild'");
    signIn("hild", "wrong").andExpect(status().isUnauthorized());
    signIn("hild", WORDS)
        .andExpect(jsonPath("$.detail").value(containsString("opens again in 60 s")));
    sql.update("update sign_in_try set locked_until = now() - interval '1 s' where login = 'hild'");
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

  private ResultActions signInFrom(String address, String login, String password, String code)
      throws Exception {
    return http.perform(
        post("/api/session")
            .with(
                r -> {
                  r.setRemoteAddr(address);
                  return r;
                })
            .header("Sec-Fetch-Site", "same-origin")
            .contentType(MediaType.APPLICATION_JSON)
            .content(
                "{\"login\": \"%s\", \"password\": \"%s\", \"code\": \"%s\"}"
                    .formatted(login, password, code)));
  }

  private Browser browserOf(ResultActions in) throws Exception {
    Browser browser = new Browser();
    browser.session = in.andExpect(status().isOk()).andReturn().getResponse().getCookie("JOLLY");
    return browser;
  }

  private ResultActions asLead(Browser lead, MockHttpServletRequestBuilder write, String body)
      throws Exception {
    return http.perform(
        lead.with(write)
            .header("X-XSRF-TOKEN", lead.csrf)
            .contentType(MediaType.APPLICATION_JSON)
            .content(body));
  }

  @ParameterizedTest
  @ValueSource(strings = {"hild", "nobody"})
  void many_guesses_at_once_are_no_more_than_five_in_turn(String login) throws Exception {
    ExecutorService guessers = Executors.newFixedThreadPool(16);
    try {
      List<Future<Integer>> answers = new ArrayList<>();
      for (int i = 0; i < 60; i++) {
        String address = "198.51.100." + i;
        answers.add(
            guessers.submit(
                () ->
                    signInFrom(address, login, "wrong", "").andReturn().getResponse().getStatus()));
      }
      Map<Integer, Integer> counted = new TreeMap<>();
      for (Future<Integer> answer : answers) {
        counted.merge(answer.get(), 1, Integer::sum);
      }
      assertThat(counted).isEqualTo(Map.of(401, 5, 429, 55));
    } finally {
      guessers.shutdownNow();
    }
  }

  @Test
  void ones_own_password_is_guessed_no_faster_by_changing_it() throws Exception {
    Browser open = browserOf(signInFrom("198.51.100.70", "hild", WORDS, ""));
    String change = "{\"present\": \"%s\", \"wanted\": \"five brass tongs\"}";
    for (int i = 0; i < 5; i++) {
      asLead(open, put("/api/session/password"), change.formatted("wrong " + i))
          .andExpect(status().isUnprocessableContent());
    }
    asLead(open, put("/api/session/password"), change.formatted(WORDS))
        .andExpect(status().isTooManyRequests());
  }

  /** Who signs in while a lead shuts them out is out, whichever of the two is done first. */
  @ParameterizedTest
  @ValueSource(strings = {"retired", "role", "password"})
  void a_sign_in_under_way_does_not_outlast_what_ends_it(String by) throws Exception {
    Browser lead = browserOf(signInFrom("198.51.100.71", "hild", WORDS, ""));
    ExecutorService door = Executors.newSingleThreadExecutor();
    try {
      for (int i = 0; i < 5; i++) {
        String login = "runa" + i;
        people.add(new NewPerson(login, "Runa", Role.TECHNICIAN, WORDS));
        Future<MvcResult> in =
            door.submit(() -> signInFrom("198.51.100.72", login, WORDS, "").andReturn());
        // the hash takes about this long: sometimes before, sometimes after
        TimeUnit.MILLISECONDS.sleep(20L * i);
        String path = "/api/people/" + login;
        (by.equals("password")
                ? asLead(lead, put(path + "/password"), "{\"password\": \"six brass tongs\"}")
                : asLead(
                    lead,
                    put(path),
                    "{\"name\": \"Runa\", \"role\": \"%s\", \"retired\": %s, \"version\": 1}"
                        .formatted(
                            by.equals("role") ? "viewer" : "technician", by.equals("retired"))))
            .andExpect(status().isOk());
        Cookie session = in.get().getResponse().getCookie("JOLLY");
        if (session != null) {
          Browser browser = new Browser();
          browser.session = session;
          int status =
              http.perform(browser.with(get("/api/jobs"))).andReturn().getResponse().getStatus();
          boolean newRole = by.equals("role") && status == 200;
          if (newRole) {
            // it began after the change: as what they are now
            http.perform(browser.with(get("/api/session")))
                .andExpect(jsonPath("$.me.role").value("viewer"));
          } else {
            assertThat(status).as("round %d", i).isEqualTo(401);
          }
        }
      }
    } finally {
      door.shutdownNow();
    }
  }

  @Test
  void a_session_kept_after_its_persons_were_ended_is_over_at_its_first_request() throws Exception {
    Browser browser = browserOf(signInFrom("198.51.100.73", "hild", WORDS, ""));
    sql.update("update person set epoch = epoch + 1 where login = 'hild'");
    http.perform(browser.with(get("/api/jobs"))).andExpect(status().isUnauthorized());
    http.perform(browser.with(get("/api/session"))).andExpect(jsonPath("$.me").doesNotExist());
  }

  @Test
  void a_token_may_no_more_than_its_person_and_ends_with_them() throws Exception {
    people.add(new NewPerson("ivar", "Ivar", Role.LEAD, WORDS));
    Browser ivar = browserOf(signInFrom("198.51.100.74", "ivar", WORDS, ""));
    String token =
        asLead(
                ivar,
                put("/api/tokens/" + UUID.randomUUID()),
                "{\"title\": \"lists\", \"role\": \"lead\", \"days\": 30}")
            .andReturn()
            .getResponse()
            .getContentAsString()
            .replaceAll(".*\"(jolly_[^\"]+)\".*", "$1");
    String bearer = "Bearer " + token;
    http.perform(get("/api/tokens").header("Authorization", bearer)).andExpect(status().isOk());
    Browser lead = browserOf(signInFrom("198.51.100.75", "hild", WORDS, ""));
    String ivarAs = "{\"name\": \"Ivar\", \"role\": \"viewer\", \"retired\": %s, \"version\": %d}";
    asLead(lead, put("/api/people/ivar"), ivarAs.formatted(false, 1)).andExpect(status().isOk());
    http.perform(get("/api/tokens").header("Authorization", bearer))
        .andExpect(status().isForbidden());
    http.perform(get("/api/jobs").header("Authorization", bearer)).andExpect(status().isOk());
    asLead(lead, put("/api/people/ivar"), ivarAs.formatted(true, 2)).andExpect(status().isOk());
    http.perform(get("/api/jobs").header("Authorization", bearer))
        .andExpect(status().isUnauthorized());
    // taken back, they make a new one
    asLead(lead, put("/api/people/ivar"), ivarAs.formatted(false, 3)).andExpect(status().isOk());
    http.perform(get("/api/jobs").header("Authorization", bearer))
        .andExpect(status().isUnauthorized());
  }

  @Test
  void the_first_person_is_a_lead_whatever_was_sent() {
    sql.update("delete from person");
    people.first(new NewPerson("hild", "Hild", Role.VIEWER, WORDS));
    assertThat(people.all()).extracting(Person::role).containsExactly(Role.LEAD);
  }

  @Test
  void ones_sessions_are_listed_and_ended_one_by_one() throws Exception {
    Browser phone = browserOf(signInFrom("198.51.100.76", "hild", WORDS, ""));
    Browser desk = browserOf(signInFrom("198.51.100.77", "hild", WORDS, ""));
    String all =
        http.perform(desk.with(get("/api/session/all")))
            .andExpect(jsonPath("$.length()").value(2))
            .andExpect(jsonPath("$[?(@.here == true)].address").value("198.51.100.77"))
            .andReturn()
            .getResponse()
            .getContentAsString();
    assertThat(all).doesNotContain(desk.session.getValue());
    String other = JsonPath.<List<String>>read(all, "$[?(@.here == false)].id").get(0);
    asLead(desk, delete("/api/session/all/" + other), "")
        .andExpect(jsonPath("$.length()").value(1));
    http.perform(phone.with(get("/api/jobs"))).andExpect(status().isUnauthorized());
    http.perform(desk.with(get("/api/jobs"))).andExpect(status().isOk());
  }

  @Test
  void a_second_factor_is_asked_for_once_it_was_proved() throws Exception {
    Browser hild = browserOf(signInFrom("198.51.100.78", "hild", WORDS, ""));
    String secret =
        JsonPath.read(
            asLead(hild, post("/api/session/factor"), "")
                .andExpect(jsonPath("$.uri").value(containsString("otpauth://totp/")))
                .andReturn()
                .getResponse()
                .getContentAsString(),
            "$.secret");
    // begun, not proved: the password is enough still
    browserOf(signInFrom("198.51.100.79", "hild", WORDS, ""));
    asLead(hild, put("/api/session/factor"), "{\"code\": \"000000\"}")
        .andExpect(status().isUnprocessableContent());
    List<String> recovery =
        JsonPath.read(
            asLead(
                    hild,
                    put("/api/session/factor"),
                    "{\"code\": \"%s\"}".formatted(code(secret, 0)))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString(),
            "$.codes");
    assertThat(recovery).hasSize(8).doesNotHaveDuplicates();
    signInFrom("198.51.100.80", "hild", WORDS, "")
        .andExpect(status().isUnauthorized())
        .andExpect(jsonPath("$.needs").value("code"));
    // a code is good once, and was used when it proved the secret
    signInFrom("198.51.100.80", "hild", WORDS, code(secret, 0))
        .andExpect(status().isUnauthorized());
    browserOf(signInFrom("198.51.100.80", "hild", WORDS, code(secret, 1)));
    browserOf(signInFrom("198.51.100.80", "hild", WORDS, recovery.get(3).toUpperCase(Locale.ROOT)));
    signInFrom("198.51.100.80", "hild", WORDS, recovery.get(3))
        .andExpect(status().isUnauthorized());
    asLead(hild, put("/api/session/factor/off"), "{\"present\": \"%s\"}".formatted(WORDS))
        .andExpect(status().isOk());
    browserOf(signInFrom("198.51.100.81", "hild", WORDS, ""));
    assertThat(sql.queryForList("select what::text from audit where key = 'hild'", String.class))
        .noneMatch(what -> what.contains(secret));
  }

  @Test
  void a_shop_that_asks_for_a_second_factor_answers_nothing_before_it_is_set_up() throws Exception {
    people.add(new NewPerson("runa", "Runa", Role.TECHNICIAN, WORDS));
    Browser hild = browserOf(signInFrom("198.51.100.82", "hild", WORDS, ""));
    Browser runa = browserOf(signInFrom("198.51.100.83", "runa", WORDS, ""));
    asLead(hild, put("/api/second-factor"), "{\"secondFactor\": true}").andExpect(status().isOk());
    http.perform(runa.with(get("/api/jobs"))).andExpect(status().isForbidden());
    http.perform(runa.with(get("/api/session"))).andExpect(jsonPath("$.secondFactor").value("due"));
    String secret =
        JsonPath.read(
            asLead(runa, post("/api/session/factor"), "")
                .andReturn()
                .getResponse()
                .getContentAsString(),
            "$.secret");
    asLead(runa, put("/api/session/factor"), "{\"code\": \"%s\"}".formatted(code(secret, 0)))
        .andExpect(status().isOk());
    http.perform(runa.with(get("/api/jobs"))).andExpect(status().isOk());
    asLead(runa, put("/api/session/factor/off"), "{\"present\": \"%s\"}".formatted(WORDS))
        .andExpect(status().isConflict());
  }

  private static String code(String secret, int stepsOn) throws Exception {
    return new TimeBasedOneTimePasswordGenerator()
        .generateOneTimePasswordString(
            new SecretKeySpec(new Base32().decode(secret), "HmacSHA1"),
            Instant.now().plusSeconds(30L * stepsOn));
  }

  @Test
  void reading_goes_on_while_the_database_cannot_note_when_a_session_was_used() throws Exception {
    Browser browser = browserOf(signInFrom("198.51.100.84", "hild", WORDS, ""));
    try (Connection owner = owner();
        Statement make = owner.createStatement()) {
      make.execute(
          "create function disk_full() returns trigger language plpgsql as"
              + " $$ begin raise exception 'no space left' using errcode = '53100'; end $$");
      make.execute(
          "create trigger full_disk before insert or update on spring_session"
              + " for each row execute function disk_full()");
      try {
        http.perform(browser.with(get("/api/jobs"))).andExpect(status().isOk());
        http.perform(browser.with(get("/api/session"))).andExpect(status().isOk());
      } finally {
        make.execute("drop function disk_full() cascade");
      }
    }
  }

  private static Connection owner() throws SQLException {
    return DriverManager.getConnection(
        System.getenv("JOLLY_TEST_DB") + "/jolly_test",
        System.getenv("JOLLY_DB_OWNER"),
        System.getenv("JOLLY_DB_OWNER_PASSWORD"));
  }
}
