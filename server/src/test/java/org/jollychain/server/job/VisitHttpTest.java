package org.jollychain.server.job;

import static java.time.format.DateTimeFormatter.BASIC_ISO_DATE;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.everyItem;
import static org.hamcrest.Matchers.greaterThan;
import static org.hamcrest.Matchers.hasItem;
import static org.hamcrest.Matchers.hasSize;
import static org.hamcrest.Matchers.is;
import static org.hamcrest.Matchers.not;
import static org.hamcrest.Matchers.startsWith;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarBuilder;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The visit's part of the API: guides, entries, signing off, the job sheet. */
@ServerTest
@Transactional
class VisitHttpTest {

  private static final String LAMP =
      """
      format: jolly-chain/guide/1
      key: lamp
      title: Lamps
      family: other
      causes: {worn: {title: Worn, weight: 1, put-right: [renew]}}
      checks:
        look: {title: Look, minutes: 1, outcomes: {good: Good, bad: Bad}, given: {worn: {bad: 1}, otherwise: {good: 1}}}
      actions: {renew: {title: Renewed, minutes: 1}}
      """;

  @Autowired private MockMvc http;

  private final String job = "/api/jobs/" + UUID.randomUUID();

  private ResultActions send(String path, String body) throws Exception {
    return http.perform(put(path).contentType(MediaType.APPLICATION_JSON).content(body));
  }

  private ResultActions tell(String kind, String subject, String value) throws Exception {
    return tell(UUID.randomUUID(), kind, subject, value);
  }

  private ResultActions tell(UUID id, String kind, String subject, String value) throws Exception {
    return send(
        job + "/entries/" + id,
        """
        {"kind": "%s", "subject": "%s", "value": "%s"}
        """
            .formatted(kind, subject, value));
  }

  /** As whoever looks at the job now would. */
  private ResultActions close(String as, int version) throws Exception {
    return close(as, version, changes());
  }

  private ResultActions close(String as, int version, int changes) throws Exception {
    return send(
        job + "/close",
        """
        {"as": "%s", "outcome": "Heats again.", "version": %d, "changes": %d}
        """
            .formatted(as, version, changes));
  }

  private int changes() throws Exception {
    String view = http.perform(get(job)).andReturn().getResponse().getContentAsString();
    return JsonMapper.shared().readTree(view).at("/job/changes").asInt();
  }

  @BeforeEach
  void a_dryer_whose_cut_off_has_failed_its_own_test() throws Exception {
    send(
            job,
            """
            {"tag": "VIS-1", "sheet": "dryer-timer-240", "complaint": "no-heat", "permit": "live"}
            """)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.job.guideKey").value("dryer-electric"));
    for (int i = 0; i < 2; i++) {
      send(
          job + "/evidence/" + UUID.randomUUID(),
          """
          {"function": "ohms", "across": "thermal-cutoff", "situation": "isolated", "value": "OL"}
          """);
    }
  }

  @Test
  void it_begins_on_arrival_until_that_is_passed_over() throws Exception {
    tell("passed", "arrive", "").andExpect(status().isOk());
    tell("passed", "supply", "")
        .andExpect(status().is4xxClientError())
        .andExpect(jsonPath("$.detail").value(containsString("no step")));
    tell("done", "clean-duct", "no")
        .andExpect(jsonPath("$.visit.actions[?(@.id == 'clean-duct')].answer").value("no"))
        .andExpect(jsonPath("$.visit.progress[?(@.step == 'put-right')].state").value("open"));
  }

  @Test
  void it_is_signed_off_as_repaired_once_everything_is_told() throws Exception {
    close("repaired", 1)
        .andExpect(status().isUnprocessableContent())
        .andExpect(
            jsonPath("$.detail")
                .value(
                    allOf(
                        containsString("why the link opened"),
                        containsString("what was put right"),
                        containsString("every proof"))));
    close("not-reproduced", 1)
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.detail").value(containsString("failed its own test")));
    // all of it is said long before anybody tries
    tell("opened", "rear-panel", "")
        .andExpect(jsonPath("$.visit.progress[?(@.step == 'get-in')].note").value("1 open"))
        .andExpect(jsonPath("$.missing.repaired", hasItem(containsString("close again"))))
        .andExpect(jsonPath("$.missing.repaired", hasItem(containsString("every proof"))))
        .andExpect(jsonPath("$.missing.service", hasItem(containsString("failed its own test"))));
    tell("check", "duct-look", "lint")
        .andExpect(jsonPath("$.visit.cause.state").value("found"))
        .andExpect(jsonPath("$.visit.cause.causes[0].id").value("lint-duct"));
    tell("done", "clean-duct", "")
        .andExpect(
            jsonPath("$.visit.progress[?(@.step == 'put-right')].note")
                .value("thermal cut-off not renewed"));
    tell("renewed", "thermal-cutoff", "178 C")
        .andExpect(jsonPath("$.visit.renewed[0].verdict").value("same"))
        .andExpect(
            jsonPath("$.missing.repaired", hasItem(containsString("whether the high limit was"))));
    tell("kept", "high-limit", "")
        .andExpect(status().is4xxClientError())
        .andExpect(jsonPath("$.detail").value(containsString("say why the high limit stays in")));
    tell("kept", "high-limit", "opens and closes at its marking")
        .andExpect(jsonPath("$.visit.sets[0].members[1].kept").value(containsString("opens")));
    for (String proof : new String[] {"warm", "air", "cycles", "door-stops", "to-case"}) {
      tell("proved", proof, "yes").andExpect(status().isOk());
    }
    tell("proved", "current", "yes")
        .andExpect(status().is4xxClientError())
        .andExpect(jsonPath("$.detail").value(containsString("type what was read")));
    tell("measured", "current/element", "21.3 A")
        .andExpect(jsonPath("$.visit.proofs[?(@.id == 'current')].answer").value("yes"))
        .andExpect(jsonPath("$.visit.proofs[?(@.id == 'current')].figures[0].unit").value("A"));
    close("repaired", 1).andExpect(jsonPath("$.detail").value(containsString("Rear panel off")));
    tell("closed", "rear-panel", "");
    close("repaired", 1)
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.job.closedAs").value("repaired"));
    tell("done", "wash-screen", "").andExpect(status().isConflict());
    http.perform(get(job + "/sheet.html"))
        .andExpect(content().string(containsString("Lint in the duct")))
        .andExpect(content().string(containsString("thermal cut-off (178 C)")))
        .andExpect(content().string(containsString("high limit: opens and closes")))
        .andExpect(content().string(not(containsString("Along the chain"))));
    http.perform(get(job + "/sheet.pdf")).andExpect(content().string(startsWith("%PDF")));
  }

  @Test
  void what_is_signed_off_is_what_was_looked_at() throws Exception {
    int seen = changes();
    send(
            job + "/evidence/" + UUID.randomUUID(),
            """
            {"function": "ohms", "across": "high-limit", "situation": "isolated", "value": "0.2"}
            """)
        .andExpect(status().isOk());
    close("made-safe", 1, seen)
        .andExpect(status().isConflict())
        .andExpect(jsonPath("$.detail").value(containsString("changed meanwhile")))
        .andExpect(jsonPath("$.detail").value(containsString("high-limit")));
    send(job + "/close", "{\"as\": \"made-safe\", \"outcome\": \"Off.\", \"version\": 1}")
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString("as it was seen")));
    close("made-safe", 1, seen + 1).andExpect(status().isOk());
    // sent again, as after an answer that was lost
    close("made-safe", 1, seen + 1).andExpect(status().isOk());
  }

  @Test
  void a_decision_told_on_the_way_rests_on_what_was_seen_too() throws Exception {
    String renewed =
        "{\"kind\": \"renewed\", \"subject\": \"thermal-cutoff\", \"value\": \"178 C\", \"changes\": %d}";
    String entry = job + "/entries/" + UUID.randomUUID();
    send(entry, renewed.formatted(changes() - 1))
        .andExpect(status().isConflict())
        .andExpect(jsonPath("$.detail").value(containsString("changed meanwhile")));
    int seen = changes();
    send(entry, renewed.formatted(seen)).andExpect(status().isOk());
    send(entry, renewed.formatted(seen)).andExpect(status().isOk());
    send(job + "/entries/" + UUID.randomUUID(), "{\"subject\": \"high-limit\", \"value\": \"\"}")
        .andExpect(status().isBadRequest())
        .andExpect(jsonPath("$.detail").value(containsString("kind")));
  }

  @Test
  void a_reading_struck_out_under_a_renewed_part_is_asked_for_at_sign_off() throws Exception {
    tell("check", "duct-look", "lint");
    tell("done", "clean-duct", "");
    tell("renewed", "thermal-cutoff", "178 C");
    String view = http.perform(get(job)).andReturn().getResponse().getContentAsString();
    for (JsonNode e : JsonMapper.shared().readTree(view).get("evidence")) {
      send(
          job + "/evidence/" + e.get("id").asString() + "/strike",
          "{\"why\": \"the wrong terminals\"}");
    }
    close("repaired", 1)
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.detail").value(containsString("its reading was struck out")));
  }

  @Test
  void the_job_sheet_as_a_page_is_styled_by_the_file_beside_it() throws Exception {
    for (String point : List.of("L1", "K1")) {
      send(
              job + "/evidence/" + UUID.randomUUID(),
              "{\"function\": \"volts-ac\", \"red\": \"%s\", \"black\": \"L2\", \"situation\": \"heat-call\", \"value\": \"239.4\"}"
                  .formatted(point))
          .andExpect(status().isOk());
    }
    http.perform(get(job + "/sheet.html"))
        // without it browsers draw as those of old did
        .andExpect(content().string(startsWith("<!DOCTYPE html>")))
        .andExpect(content().string(containsString("href=\"sheet.css\"")))
        .andExpect(content().string(not(containsString("style=\""))))
        .andExpect(content().string(not(containsString("<style"))));
    http.perform(get(job + "/sheet.css"))
        .andExpect(content().contentType("text/css;charset=UTF-8"))
        .andExpect(content().string(containsString("#s0b0{left:")));
  }

  @Test
  void the_list_says_at_which_step_a_job_is_and_what_comes_next() throws Exception {
    String here = "$[?(@.job.unitTag == 'VIS-1')]";
    http.perform(get("/api/jobs"))
        .andExpect(jsonPath(here + ".step").value("Cause"))
        .andExpect(jsonPath(here + ".next").value(hasItem(startsWith("Duct behind"))));
    tell("check", "duct-look", "lint");
    http.perform(get("/api/jobs"))
        .andExpect(jsonPath(here + ".step").value("Put right"))
        .andExpect(jsonPath(here + ".next").value(hasItem(startsWith("Duct, hood"))));
  }

  @Test
  void whoever_comes_back_has_it_in_the_calendar() throws Exception {
    tell("check", "duct-look", "lint");
    String calendar =
        http.perform(get(job + "/appointments.ics"))
            .andExpect(content().contentType("text/calendar;charset=UTF-8"))
            .andReturn()
            .getResponse()
            .getContentAsString();
    assertThat(calendar)
        .startsWith("BEGIN:VCALENDAR\r\n")
        .contains("VERSION:2.0\r\n", "SUMMARY:VIS-1\\, Duct cleaned end to end\r\n")
        .contains(
            "DTSTART;VALUE=DATE:"
                + LocalDate.now(ZoneOffset.UTC).plusYears(1).format(BASIC_ISO_DATE))
        .endsWith("END:VCALENDAR\r\n");
    // RFC 5545, 3.1: a line is no longer than 75 octets
    assertThat(calendar.lines()).allMatch(l -> l.getBytes(StandardCharsets.UTF_8).length <= 75);
    assertThat(new CalendarBuilder().build(new StringReader(calendar)).getComponents("VEVENT"))
        .hasSize(2);
  }

  @Test
  void an_entry_is_added_once_and_struck_with_a_reason() throws Exception {
    UUID id = UUID.randomUUID();
    tell(id, "check", "duct-look", "clear");
    tell(id, "check", "duct-look", "clear").andExpect(jsonPath("$.entries").value(hasSize(1)));
    tell(id, "check", "duct-look", "lint").andExpect(status().isConflict());
    send(job + "/entries/" + id + "/strike", "{\"why\": \"\"}").andExpect(status().isBadRequest());
    send(job + "/entries/" + id + "/strike", "{\"why\": \"wrong hood\"}")
        .andExpect(jsonPath("$.entries[0].struckWhy").value("wrong hood"))
        .andExpect(jsonPath("$.visit.cause.next[*].id").value(hasItem("duct-look")));
  }

  @Test
  void what_is_not_in_guide_or_sheet_is_refused_at_its_field() throws Exception {
    tell("check", "hood-airr", "weak")
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.field").value("subject"))
        .andExpect(jsonPath("$.detail").value(containsString("did you mean \"hood-air\"")));
    tell("renewed", "thermal-cutoff", "196 C")
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.detail").value(containsString("like for like")));
    tell("guessed", "lint-duct", "").andExpect(status().is4xxClientError());
    tell("cause", "none", " ").andExpect(jsonPath("$.detail").value(containsString("say why")));
  }

  @Test
  void what_failed_on_the_bench_is_condemned_and_its_ratings_come_with_it() throws Exception {
    http.perform(get(job + "/bench/high-limit"))
        .andExpect(jsonPath("$[?(@.card.key == 'disc-heat-up')].given['opens-at']").isNotEmpty());
    http.perform(get(job + "/bench/heigh-limit")).andExpect(status().isNotFound());
    String told = "disc-heat-up: opens-at=121 C; log=0 21C closed | 20 98C open";
    tell("benched", "high-limit", told)
        .andExpect(
            jsonPath("$.assessment.parts[?(@.id == 'high-limit')].probability")
                .value(everyItem(greaterThan(0.5))));
    tell("benched", "high-limit", "disc-heat-up: opens-at=x")
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.detail").value(containsString("opens-at")));
  }

  @Test
  void a_run_that_was_watched_proves_or_says_what_it_means() throws Exception {
    tell("watched", "drying", "on 0; off 300; on 420")
        .andExpect(jsonPath("$.visit.timelines[0].fits").value(true))
        .andExpect(
            jsonPath("$.visit.proofs[?(@.id == 'cycles')].answer").value(everyItem(is("yes"))));
    tell("watched", "drying", "on 0; limit 100; off 101")
        .andExpect(jsonPath("$.visit.timelines[1].meanings[0]").value(containsString("limit")));
    tell("watched", "drying", "on 5; off 2").andExpect(status().isUnprocessableContent());
  }

  @Test
  void what_is_told_to_be_open_costs_the_plan_nothing_more() throws Exception {
    String other = "/api/jobs/" + UUID.randomUUID();
    send(
        other,
        """
        {"tag": "VIS-2", "sheet": "dryer-timer-240", "complaint": "no-heat", "permit": "isolated"}
        """);
    http.perform(get(other)).andExpect(jsonPath("$.plan.next[0].opening").value(13.0));
    for (String access : new String[] {"pulled", "rear-panel", "console"}) {
      send(
          other + "/entries/" + UUID.randomUUID(),
          """
          {"kind": "opened", "subject": "%s"}
          """
              .formatted(access));
    }
    http.perform(get(other)).andExpect(jsonPath("$.plan.next[0].opening").value(0.0));
  }

  @Test
  void a_job_keeps_the_guide_it_was_opened_with() throws Exception {
    String text =
        http.perform(get("/api/guides/dryer-electric"))
            .andReturn()
            .getResponse()
            .getContentAsString();
    http.perform(
            put("/api/guides/dryer-electric")
                .contentType("application/yaml")
                .content(
                    LAMP.replace("key: lamp", "key: dryer-electric")
                        .replace("family: other", "family: dryer-electric")))
        .andExpect(jsonPath("$.revision").value(2));
    tell("check", "duct-look", "lint").andExpect(status().isOk());
    http.perform(get("/api/guides/dryer-electric/revisions"))
        .andExpect(jsonPath("$").value(hasSize(2)));
    assertThat(text).contains("hood-air");
  }

  @Test
  void a_guide_is_checked_saved_and_refused_with_line_and_column() throws Exception {
    http.perform(get("/api/guides")).andExpect(jsonPath("$").value(hasSize(11)));
    http.perform(get("/api/guides/lampp")).andExpect(status().isNotFound());
    http.perform(put("/api/guides/lamp").contentType("application/yaml").content(LAMP))
        .andExpect(status().isOk())
        .andExpect(jsonPath("$.revision").value(1));
    String wrong = LAMP.replace("[renew]", "[renwe]");
    http.perform(post("/api/guides/validate").contentType("application/yaml").content(wrong))
        .andExpect(jsonPath("$.problems[0].line").value(5))
        .andExpect(
            jsonPath("$.problems[0].message").value(containsString("did you mean \"renew\"")));
    http.perform(put("/api/guides/lamp").contentType("application/yaml").content(wrong))
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.problems[0].column").value(53));
    http.perform(get("/api/guides/lamp")).andExpect(jsonPath("$.revision").value(1));
    http.perform(put("/api/guides/torch").contentType("application/yaml").content(LAMP))
        .andExpect(jsonPath("$.detail").value(containsString("calls itself \"lamp\"")));
  }
}
