package org.jollychain.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jollychain.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The published API is the one in the code: with {@code -Dopenapi.update=true} it is written anew.
 */
@ServerTest
class OpenApiDocumentTest {

  private static final Path DOCUMENT = Path.of("../docs/openapi.json");

  @Autowired private MockMvc http;
  @Autowired private JsonMapper json;

  @Test
  void the_document_in_docs_is_that_of_the_code() throws Exception {
    String served =
        http.perform(get("/api/openapi"))
            .andReturn()
            .getResponse()
            .getContentAsString(StandardCharsets.UTF_8);
    JsonNode now = json.readTree(served);
    if (Boolean.getBoolean("openapi.update")) {
      Files.writeString(
          DOCUMENT, json.writerWithDefaultPrettyPrinter().writeValueAsString(now) + "\n");
    }
    assertThat(json.readTree(Files.readString(DOCUMENT)))
        .as("run the tests with -Dopenapi.update=true to write docs/openapi.json anew")
        .isEqualTo(now);
  }
}
