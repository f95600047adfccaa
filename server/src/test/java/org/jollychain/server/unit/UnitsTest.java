package org.jollychain.server.unit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.transaction.annotation.Transactional;

@ServerTest
@AutoConfigureMockMvc
@Transactional
class UnitsTest {

  @Autowired private MockMvc http;
  @Autowired private UnitService units;
  @Autowired private UnitTable table;
  @Autowired private JdbcTemplate sql;

  private ResultActions keep(String tag, String body) throws Exception {
    return http.perform(
        put("/api/units/" + tag).contentType(MediaType.APPLICATION_JSON).content(body));
  }

  private ResultActions take(String csv) throws Exception {
    return http.perform(post("/api/units.csv").contentType("text/csv").content(csv));
  }

  @Test
  void two_who_change_one_unit_are_told_and_nothing_is_lost() throws Exception {
    keep("ush-1", "{\"title\": \"Kiln\"}").andExpect(jsonPath("$.version").value(1));
    // the same once more is no change
    keep("USH-1", "{\"title\": \"Kiln\"}").andExpect(jsonPath("$.version").value(1));
    keep("USH-1", "{\"title\": \"Kiln\", \"place\": \"Shed\", \"version\": 1}")
        .andExpect(jsonPath("$.version").value(2));
    keep("USH-1", "{\"title\": \"Kiln\", \"place\": \"Loft\", \"version\": 1}")
        .andExpect(status().isConflict())
        .andExpect(jsonPath("$.detail").value(containsString("place \"Shed\"")));
    assertThat(units.one("USH-1").place()).isEqualTo("Shed");
    keep("no tag", "{}").andExpect(status().isUnprocessableContent());
    http.perform(get("/api/units/USH-404")).andExpect(status().isNotFound());
  }

  @Test
  void a_table_goes_out_and_comes_in_again_with_formulas_made_harmless() throws Exception {
    keep("USH-1", "{\"title\": \"=1+2\", \"serial\": \"0042\"}").andExpect(status().isOk());
    String csv = table.csv();
    assertThat(csv).contains("USH-1,'=1+2,,0042,");
    take(csv).andExpect(status().isOk());
    assertThat(units.one("USH-1").title()).isEqualTo("=1+2");
    // a figure is one still, what only begins like one is none
    for (String title : List.of("-2+3|cmd", "+1&A1", "-1 == 1", "@now", "+4 to -2 kPa")) {
      keep("USH-3", "{\"title\": \"%s\"}".formatted(title)).andExpect(status().isOk());
      assertThat(table.csv()).contains("'" + title);
      sql.update("delete from unit where tag = 'USH-3'");
    }
    for (String figure : List.of("-12.5", "+3", "-40 C", "-1,5 mV")) {
      keep("USH-3", "{\"title\": \"%s\"}".formatted(figure)).andExpect(status().isOk());
      assertThat(table.csv()).doesNotContain("'" + figure);
      sql.update("delete from unit where tag = 'USH-3'");
    }
    take("tag,place\nush-1,Cellar\nush-2,\"Shed, left\"\n").andExpect(status().isOk());
    assertThat(units.one("USH-1").serial()).isEqualTo("0042");
    assertThat(units.one("USH-2").place()).isEqualTo("Shed, left");
  }

  @Test
  void a_table_with_wrong_rows_is_refused_whole_and_each_is_said() throws Exception {
    take("tag,title\nUSH-7,Kettle\nno tag,x\nush-7,Again\nUSH-8," + "x".repeat(121) + "\n")
        .andExpect(status().isUnprocessableContent())
        .andExpect(jsonPath("$.detail").value(containsString("line 3: \"no tag\" is no tag")))
        .andExpect(
            jsonPath("$.detail").value(containsString("line 4: USH-7 is in the table twice")))
        .andExpect(jsonPath("$.detail").value(containsString("line 5: title")));
    http.perform(get("/api/units/USH-7")).andExpect(status().isNotFound());
    take("tag;title\n").andExpect(jsonPath("$.detail").value(containsString("is no heading here")));
    http.perform(
            post("/api/units.csv")
                .contentType("text/csv")
                .content("tag,title\nUSH-7,K\u00fcche\n".getBytes("ISO-8859-1")))
        .andExpect(jsonPath("$.detail").value(containsString("UTF-8")));
  }
}
