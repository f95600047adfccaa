package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jollychain.server.ServerTest;
import org.jollychain.server.policy.Permit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

/** A job's evidence as a table, out and in. */
@ServerTest
class EvidenceTableTest {

  private static final OffsetDateTime NOW =
      OffsetDateTime.of(2026, 2, 3, 4, 5, 6, 0, ZoneOffset.UTC);
  private static final NewJob JOB =
      new NewJob(
          "TST-9",
          "Test dryer",
          "",
          "",
          "dryer-timer-240",
          "no-heat",
          null,
          Permit.LIVE,
          "Imke",
          null);

  @Autowired private Jobs jobs;
  @Autowired private MockMvc http;

  private final UUID id = UUID.randomUUID();

  @BeforeEach
  void open() {
    jobs.open(id, JOB, NOW);
  }

  private MockHttpServletResponse send(AbstractMockHttpServletRequestBuilder<?> request)
      throws Exception {
    return http.perform(request).andReturn().getResponse();
  }

  private String exported() throws Exception {
    return send(get("/api/jobs/%s/evidence.csv".formatted(id))).getContentAsString();
  }

  private MockHttpServletResponse importTo(UUID job, String csv) throws Exception {
    return send(
        post("/api/jobs/%s/evidence.csv".formatted(job)).contentType("text/csv").content(csv));
  }

  private void addThree() {
    UUID slip = UUID.randomUUID();
    jobs.add(id, UUID.randomUUID(), Typed.volts(null, "L1-L2 238"), NOW);
    jobs.add(id, UUID.randomUUID(), Typed.seen("load-runs", "motor", "yes"), NOW.plusMinutes(1));
    jobs.add(id, slip, Typed.volts("high-limit", "0.1"), NOW.plusMinutes(2));
    jobs.strike(id, slip, "slipped", NOW.plusMinutes(3));
  }

  @Test
  void the_jobs_own_export_adds_nothing_to_it() throws Exception {
    addThree();
    String csv = exported();
    assertThat(csv.lines()).hasSize(4).first().asString().startsWith("id,function,red,black");
    assertThat(importTo(id, csv).getStatus()).isEqualTo(200);
    assertThat(jobs.view(id).evidence()).hasSize(3);
    // nor without its ids: what a line says and when is compared
    String bare =
        csv.lines().map(l -> l.substring(l.indexOf(',') + 1)).collect(Collectors.joining("\n"));
    assertThat(importTo(id, bare).getStatus()).isEqualTo(200);
    assertThat(jobs.view(id).evidence()).hasSize(3);
  }

  @Test
  void into_another_job_it_goes_once_and_says_the_same_there() throws Exception {
    addThree();
    UUID other = UUID.randomUUID();
    jobs.open(other, JOB, NOW);
    for (int i = 0; i < 2; i++) {
      assertThat(importTo(other, exported()).getStatus()).isEqualTo(200);
      assertThat(jobs.view(other).evidence()).hasSize(2);
    }
    assertThat(jobs.view(other).assessment().leading())
        .isEqualTo(jobs.view(id).assessment().leading());
  }

  @Test
  void lines_that_say_the_same_are_as_many_readings_and_no_more_the_second_time() throws Exception {
    String csv =
        """
        function,across,situation,value
        volts-ac,high-limit,heat-call,0.1
        volts-ac,high-limit,heat-call,0.1

        volts-ac,element,heat-call,238
        """;
    for (int i = 0; i < 2; i++) {
      assertThat(importTo(id, csv).getStatus()).isEqualTo(200);
      assertThat(jobs.view(id).evidence()).hasSize(3);
    }
  }

  @Test
  void a_line_with_the_id_of_other_evidence_is_refused() throws Exception {
    addThree();
    MockHttpServletResponse answer = importTo(id, exported().replace(",238", ",239"));
    assertThat(answer.getStatus()).isEqualTo(409);
    assertThat(answer.getContentAsString()).contains("line 2: there is other evidence");
    assertThat(jobs.view(id).evidence()).hasSize(3);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
      across,situation,value;high-limt,heat-call,0.1            | 2 | did you mean
      across,situation,value;high-limit,heat-call,0.1,9         | 2 | 5 cells under 4 headings
      across,situation,value;high-limit,heat-call,              | 2 | value must not be blank
      across,situation,value,reseated;high-limit,heat-call,1,true | 2 | is yes or no
      across,situation,value,at;high-limit,heat-call,1,+123456789-01-01T00:00:00Z | 2 | is no time
      across,situation,value,at;high-limit,heat-call,1,noon     | 2 | is no time
      across,situation,value,lifted-at;high-limit,heat-call,1,A A A A A A A A A A A A A A A A A A A A A | 2 | size must be between 0 and 20
      across,situation,value,id;high-limit,heat-call,1,7        | 2 | is no id
      across,situation,value;;high-limit,heat-call,0.1;,,;      | 4 | situation must not be blank
      across,situation,value;"high-limit","heat-call","0.1;"    | 2 | a line break
      """)
  void a_line_that_cannot_be_meant_is_named_as_in_the_file_and_nothing_is_kept(
      String csv, int line, String words) throws Exception {
    String table = "function," + csv.replace(";", "\nvolts-ac,").replace("volts-ac,\n", "\n");
    MockHttpServletResponse answer = importTo(id, table);
    assertThat(answer.getStatus()).as(table).isEqualTo(422);
    assertThat(answer.getContentAsString(StandardCharsets.UTF_8))
        .contains("line %d".formatted(line))
        .contains(words);
    assertThat(jobs.view(id).evidence()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "'a,b\n1,2\n', no heading here",
    "'value,value\n1,2\n', stands there twice",
    "'', the file is empty",
    "'\"open', no table"
  })
  void a_file_that_is_no_table_says_why(String csv, String words) throws Exception {
    MockHttpServletResponse answer = importTo(id, csv);
    assertThat(answer.getStatus()).isEqualTo(422);
    assertThat(answer.getContentAsString()).contains(words);
  }

  @Test
  void two_thousand_lines_are_stored_in_one_go_and_one_more_is_too_many() throws Exception {
    String csv =
        IntStream.range(0, 2000)
            .mapToObj(i -> "volts-ac,L1,L2,heat-call,%.1f".formatted(239.5 + 0.1 * (i % 10)))
            .collect(Collectors.joining("\n", "function,red,black,situation,value\n", "\n"));
    assertThat(importTo(id, csv).getStatus()).isEqualTo(200);
    assertThat(jobs.listed(id).readings()).isEqualTo(2000);
    MockHttpServletResponse more =
        importTo(id, "function,across,situation,value\nvolts-ac,high-limit,heat-call,0.1\n");
    assertThat(more.getStatus()).isEqualTo(422);
    assertThat(more.getContentAsString()).contains("2000 pieces of evidence at most");
  }
}
