package org.jollychain.server.assess;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jollychain.core.sheet.SheetReader;
import org.jollychain.server.ServerTest;
import org.jollychain.server.sheet.SheetService;
import org.jollychain.server.sheet.SheetSummary;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The worked cases of docs/cases come out as they say. */
@ServerTest
class WorkedCasesTest {

  private static final Path FOLDER = Path.of("../docs/cases");

  @Autowired private MockMvc http;
  @Autowired private JsonMapper json;
  @Autowired private SheetService sheets;

  static List<Path> cases() throws IOException {
    try (Stream<Path> files = Files.list(FOLDER)) {
      return files.filter(f -> f.toString().endsWith(".yaml")).sorted().toList();
    }
  }

  private JsonNode assess(String body, MediaType type) throws Exception {
    MockHttpServletResponse response =
        http.perform(post("/api/assess").contentType(type).content(body)).andReturn().getResponse();
    String answer = response.getContentAsString(StandardCharsets.UTF_8);
    assertThat(response.getStatus()).as(answer).isEqualTo(200);
    return json.readTree(answer);
  }

  @ParameterizedTest
  @MethodSource("cases")
  void comes_out_as_it_says(Path file) throws Exception {
    String text = Files.readString(file);
    JsonNode expect = json.readTree(SheetReader.json(text)).path("expect");
    JsonNode answer = assess(text, MediaType.APPLICATION_YAML);
    JsonNode leading = answer.path("leading");
    assertThat(leading.path("part").asString()).isEqualTo(expect.path("part").asString());
    assertThat(leading.path("mode").asString()).isEqualTo(expect.path("mode").asString());
    assertThat(leading.path("probability").asDouble()).isGreaterThan(0.8);
    if (expect.has("confirmed")) {
      assertThat(leading.path("confirmed").asBoolean()).isTrue();
    }
    if (expect.has("supply")) {
      assertThat(answer.at("/supply/verdict").asString())
          .isEqualTo(expect.path("supply").asString());
    }
  }

  @Test
  void a_case_in_json_is_the_same_case() throws Exception {
    String text = Files.readString(FOLDER.resolve("range-bake-open.yaml"));
    assertThat(assess(SheetReader.json(text), MediaType.APPLICATION_JSON))
        .isEqualTo(assess(text, MediaType.APPLICATION_YAML));
  }

  @Test
  void every_family_has_a_case() throws Exception {
    Set<String> told = new TreeSet<>();
    for (Path file : cases()) {
      String key = json.readTree(SheetReader.json(Files.readString(file))).path("sheet").asString();
      told.add(sheets.newest(key).family());
    }
    assertThat(told)
        .containsAll(sheets.latest().stream().map(SheetSummary::family).distinct().toList());
  }
}
