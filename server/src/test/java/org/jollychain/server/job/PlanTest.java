package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jollychain.core.plan.Forecast;
import org.jollychain.core.plan.Method;
import org.jollychain.core.plan.Order;
import org.jollychain.core.plan.Plan;
import org.jollychain.core.plan.Proposal;
import org.jollychain.server.ServerTest;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.policy.Permit;
import org.jollychain.server.policy.PolicyItem;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;

/** A job's plan. */
@ServerTest
class PlanTest {

  private static final OffsetDateTime NOW =
      OffsetDateTime.of(2026, 2, 3, 4, 5, 6, 0, ZoneOffset.UTC);

  @Autowired private Jobs jobs;
  @Autowired private MockMvc http;

  private final UUID id = UUID.randomUUID();

  private JobView open(Permit permit) {
    return jobs.open(
        id,
        new NewJob(
            "TST-9",
            "Test dryer",
            "",
            "",
            "dryer-timer-240",
            "no-heat",
            null,
            permit,
            "Imke",
            null),
        NOW);
  }

  private MockHttpServletResponse send(AbstractMockHttpServletRequestBuilder<?> request)
      throws Exception {
    return http.perform(request).andReturn().getResponse();
  }

  private static PolicyItem policy(Order order, List<String> unreachable, List<String> skipped) {
    return new PolicyItem(null, order, null, null, unreachable, skipped, null);
  }

  @Test
  void what_is_out_of_reach_or_skipped_is_not_proposed_again() {
    JobView view = open(Permit.LIVE);
    Proposal first = view.plan().next().get(0);
    view =
        jobs.plan(id, Permit.LIVE, policy(null, null, List.of(first.id())), view.job().version());
    assertThat(view.plan().next()).isNotEmpty().noneMatch(p -> p.id().equals(first.id()));
    view =
        jobs.plan(id, Permit.LIVE, policy(null, List.of("L1", "L2"), null), view.job().version());
    assertThat(view.plan().next())
        .isNotEmpty()
        .noneMatch(p -> p.red().filter(List.of("L1", "L2")::contains).isPresent());
  }

  @Test
  void a_permit_that_is_withdrawn_leaves_only_isolated_steps_and_all_evidence() {
    JobView view = open(Permit.LIVE);
    jobs.add(id, UUID.randomUUID(), Typed.volts(null, "L1-L2 238"), NOW);
    view = jobs.plan(id, Permit.ISOLATED, PolicyItem.USUAL, view.job().version());
    assertThat(view.evidence()).hasSize(1);
    assertThat(view.plan().next())
        .isNotEmpty()
        .noneMatch(p -> p.function().filter(f -> f.startsWith("volts")).isPresent());
  }

  @Test
  void with_no_point_in_reach_it_says_so() {
    JobView view = open(Permit.LIVE);
    List<String> all =
        List.of("L1", "L2", "N", "PE", "K1", "K2", "T1", "C1", "C2", "C3", "E2", "M1", "M2");
    view =
        jobs.plan(id, Permit.LIVE, policy(Order.ALONG_THE_WIRE, all, null), view.job().version());
    assertThat(view.plan().say()).isNotBlank();
    assertThat(view.plan().next()).noneMatch(p -> p.red().filter(all::contains).isPresent());
  }

  @Test
  void a_plan_made_by_two_at_once_is_not_overwritten() {
    JobView view = open(Permit.LIVE);
    jobs.plan(id, Permit.LIVE, PolicyItem.USUAL, view.job().version());
    int stale = view.job().version();
    assertThatThrownBy(() -> jobs.plan(id, Permit.ISOLATED, PolicyItem.USUAL, stale))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("changed meanwhile");
  }

  @Test
  void the_forecast_sets_the_orders_side_by_side_and_the_route_card_ends_in_suspects()
      throws Exception {
    open(Permit.LIVE);
    List<Forecast> forecast = jobs.forecast(id);
    assertThat(forecast).extracting(Forecast::order).containsExactly(Order.values());
    assertThat(forecast.get(0).minutes()).isLessThan(forecast.get(2).minutes());
    String text = send(get("/api/jobs/%s/route.txt?depth=4".formatted(id))).getContentAsString();
    assertThat(text).startsWith("TST-9").contains("It is the ");
    String svg = send(get("/api/jobs/%s/route.svg".formatted(id))).getContentAsString();
    assertThat(svg).startsWith("<svg").contains("TST-9").endsWith("</svg>\n");
    byte[] pdf = send(get("/api/jobs/%s/route.pdf".formatted(id))).getContentAsByteArray();
    try (PDDocument paper = Loader.loadPDF(pdf)) {
      String printed = new PDFTextStripper().getText(paper);
      assertThat(printed).contains("TST-9, route card", "It is the ", "1 of ", "prove dead");
    }
  }

  @Test
  void the_shops_policy_is_what_a_new_job_starts_with() throws Exception {
    String kept =
        "{\"policy\": {\"method\": \"isolated-ohms\", \"exposureMinutes\": 0}, \"version\": %d}";
    int version = 1;
    MockHttpServletResponse answer = keep(kept.formatted(version));
    assertThat(answer.getStatus()).isEqualTo(200);
    JobView view = open(Permit.LIVE);
    assertThat(view.policy().method()).isEqualTo(Method.ISOLATED_OHMS);
    assertThat(view.plan().state()).isEqualTo(Plan.State.ASK);
    assertThat(keep(kept.formatted(version)).getStatus()).as("sent again").isEqualTo(200);
    assertThat(keep("{\"policy\": {}, \"version\": 1}").getStatus()).isEqualTo(409);
    assertThat(keep("{\"policy\": {\"exposureMinutes\": -1}, \"version\": 2}").getStatus())
        .isEqualTo(400);
    keep("{\"policy\": {}, \"version\": 2}");
  }

  private MockHttpServletResponse keep(String policy) throws Exception {
    return send(put("/api/policy").contentType(MediaType.APPLICATION_JSON).content(policy));
  }
}
