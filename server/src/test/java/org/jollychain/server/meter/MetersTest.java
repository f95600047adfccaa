package org.jollychain.server.meter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jollychain.core.network.Meter;
import org.jollychain.core.network.MeterFunction;
import org.jollychain.core.network.Meters;
import org.jollychain.server.ServerTest;
import org.jollychain.server.platform.RefusedException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.json.JsonMapper;

@ServerTest
class MetersTest {

  private static final ShopMeter FINE =
      new ShopMeter(
          "attic-fine", "Attic meter", 60_000, 0.003, 0.001, 0.002, 1e7, 4e5, 30, 0.05, 6e7, "");

  @Autowired private MeterService meters;
  @Autowired private MockMvc http;
  @Autowired private JdbcTemplate sql;
  @Autowired private JsonMapper json;

  private static OwnedMeter find(Iterable<OwnedMeter> all, String id) {
    for (OwnedMeter m : all) {
      if (m.id().equals(id)) {
        return m;
      }
    }
    throw new AssertionError("no " + id);
  }

  @Test
  void a_new_shop_owns_the_usual_meters_with_their_figures() {
    for (Meter usual : Meters.USUAL.all()) {
      assertThat(meters.all().byId(usual.id())).contains(usual);
    }
    assertThat(meters.all().usual()).isEqualTo(Meter.GENERAL);
  }

  @Test
  void a_meter_is_added_changed_and_taken_out_of_use() {
    meters.keep(FINE, null);
    OwnedMeter added = find(meters.keep(FINE, null), FINE.id());
    assertThat(added.figures()).isEqualTo(FINE);
    ShopMeter coarser =
        new ShopMeter(
            "attic-fine", "Attic meter", 6000, 0.02, 0.001, 0.002, 1e7, 4e5, 30, 0.05, 6e7, "");
    assertThatThrownBy(() -> meters.keep(coarser, null))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("another meter");
    meters.keep(coarser, added.version());
    assertThatThrownBy(() -> meters.keep(FINE, added.version()))
        .isInstanceOf(RefusedException.class)
        .hasMessageContaining("changed meanwhile");
    Meter known = meters.all().byId("attic-fine").orElseThrow();
    assertThat(known.accuracy(MeterFunction.VOLTS_AC).share()).isCloseTo(0.02, within(1e-9));
    assertThat(find(meters.retire("attic-fine", true), "attic-fine").retired()).isTrue();
    assertThat(meters.all().byId("attic-fine")).isPresent();
    assertThat(find(meters.retire("attic-fine", false), "attic-fine").retired()).isFalse();
  }

  @Test
  void meters_sent_at_once_do_not_pass_their_bound() throws Exception {
    int there = meters.owned().size();
    sql.update(
        "insert into meter select 'filler-' || n, 'Filler', 6000, .01, .01, .01, 1e7, 3e5, 30, .1, 4e7, now(), now()"
            + " from generate_series(1, ?) n",
        199 - there);
    ExecutorService writers = Executors.newFixedThreadPool(6);
    try {
      List<Callable<Boolean>> puts = new ArrayList<>();
      for (int i = 0; i < 6; i++) {
        String id = "last-" + i;
        puts.add(() -> added(id));
      }
      int taken = 0;
      for (Future<Boolean> put : writers.invokeAll(puts)) {
        taken += put.get() ? 1 : 0;
      }
      assertThat(taken).isEqualTo(1);
      assertThat(meters.owned()).hasSize(200);
    } finally {
      writers.shutdown();
      sql.update("delete from meter where id like 'filler-%' or id like 'last-%'");
    }
  }

  private boolean added(String id) {
    try {
      meters.keep(
          new ShopMeter(id, "Last", 6000, 0.01, 0.01, 0.01, 1e7, 4e5, 30, 0.05, 6e7, ""), null);
      return true;
    } catch (RefusedException e) {
      return false;
    }
  }

  @Test
  void figures_no_meter_has_are_refused_by_name() throws Exception {
    String wrong = json.writeValueAsString(FINE).replace("attic-fine", "odd").replace("0.003", "3");
    MockHttpServletResponse answer =
        http.perform(put("/api/meters/odd").contentType(MediaType.APPLICATION_JSON).content(wrong))
            .andReturn()
            .getResponse();
    assertThat(answer.getStatus()).isEqualTo(400);
    assertThat(answer.getContentAsString(StandardCharsets.UTF_8)).contains("voltsAcShare");
    assertThat(meters.all().byId("odd")).isEmpty();
  }
}
