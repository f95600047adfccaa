package org.jollychain.server.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What the release is made of stands in it (CycloneDX), each part under a license that lets a shop
 * use it: with {@code -Dlicenses.update=true} the list in docs is written anew.
 */
class LicensesTest {

  private static final Path LIST = Path.of("../docs/licenses.md");

  /** Those that ask no more than to be named, or to pass on changes of the part itself. */
  private static final String BEARABLE =
      "Apache-2.0|MIT|ISC|BSD-[23]-Clause|CC0-1.0|OFL-1.1|EPL-[12].0|MPL-[12].[01]|LGPL-2.1-(only|or-later)"
          + "|GPL-2.0-with-classpath-exception|MIT AND OFL-1.1|0BSD|Unlicense";

  private static Map<String, List<String>> parts(String sbom) throws IOException {
    try (InputStream in = LicensesTest.class.getResourceAsStream("/META-INF/sbom/" + sbom)) {
      assertThat(in).as(sbom).isNotNull();
      Map<String, List<String>> parts = new TreeMap<>();
      for (JsonNode part : JsonMapper.shared().readTree(in).get("components")) {
        if (!part.path("group").asString("").equals("org.jollychain")) {
          parts.put(
              "%s %s".formatted(part.get("name").asString(), part.get("version").asString()),
              // its list names a license that is none; the file that comes with it is this one
              part.get("name").asString().startsWith("spring-session-")
                  ? List.of("Apache-2.0")
                  : part.path("licenses").valueStream().map(LicensesTest::license).toList());
        }
      }
      return parts;
    }
  }

  private static String license(JsonNode stated) {
    return Stream.of(
            stated.at("/license/id"), stated.at("/license/name"), stated.path("expression"))
        .map(n -> n.asString(""))
        .filter(n -> !n.isEmpty())
        .findFirst()
        .orElse("");
  }

  @Test
  void every_part_of_the_release_is_listed_with_a_bearable_license() throws IOException {
    Map<String, List<String>> server = parts("application.cdx.json");
    Map<String, List<String>> web = parts("web.cdx.json");
    assertThat(server).hasSizeGreaterThan(100);
    assertThat(web).hasSizeGreaterThan(8);
    Stream.of(server, web)
        .forEach(
            parts ->
                parts.forEach(
                    (part, licenses) ->
                        assertThat(licenses).as(part).anyMatch(l -> l.matches(BEARABLE))));
    String list =
        """
        # What the release is made of

        From its lists in CycloneDX (`META-INF/sbom` of the release), and held against them by a test.

        ## Server

        %s

        ## Pages

        %s
        """
            .formatted(table(server), table(web));
    if (Boolean.getBoolean("licenses.update")) {
      Files.writeString(LIST, list);
    }
    assertThat(Files.readString(LIST))
        .as("run the tests with -Dlicenses.update=true to write docs/licenses.md anew")
        .isEqualTo(list);
  }

  private static String table(Map<String, List<String>> parts) {
    return parts.entrySet().stream()
        .map(e -> "- %s: %s".formatted(e.getKey(), String.join(" or ", e.getValue())))
        .collect(Collectors.joining("\n"));
  }
}
