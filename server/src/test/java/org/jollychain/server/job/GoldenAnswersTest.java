package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.jollychain.server.ServerTest;
import org.jollychain.server.assess.EvidenceItem;
import org.jollychain.server.policy.Permit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What is answered for every shipped sheet and every worked case, whole, held through any change
 * that is not meant to alter it. Where one is meant to, {@code -Dgolden.update=true} writes it anew
 * and the commit says why.
 */
@ServerTest
// lines that no meter tells apart are one, and which of them is kept depends on what was asked
// before
@DirtiesContext(classMode = DirtiesContext.ClassMode.BEFORE_CLASS)
class GoldenAnswersTest {

  private static final Path FOLDER = Path.of("src/test/resources/golden");
  private static final Path CASES = Path.of("../docs/cases");
  private static final Set<Integer> LOOKED_AT_AFTER = Set.of(0, 3, 10);
  private static final OffsetDateTime OPENED = OffsetDateTime.parse("2026-03-02T09:00:00Z");

  /**
   * Lines that no meter tells apart are one object, so an answer depends a little on what the
   * engine was asked before; by this share at most.
   */
  private static final double WITHIN = 1e-3;

  private static final Pattern FIGURE = Pattern.compile("\\d+(?:\\.\\d+)?");

  @Autowired private Jobs jobs;
  @Autowired private MockMvc http;
  @Autowired private JsonMapper json;

  static List<Path> entries() throws IOException {
    return files(FOLDER.resolve("entries"));
  }

  static List<Path> cases() throws IOException {
    return files(CASES);
  }

  private static List<Path> files(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      List<Path> found = files.sorted().toList();
      assertThat(found).hasSizeGreaterThan(10);
      return found;
    }
  }

  @ParameterizedTest
  @MethodSource("entries")
  void a_job_is_viewed_as_before(Path file) throws IOException {
    JsonNode told = json.readTree(Files.readString(file));
    String sheet = told.path("sheet").asString();
    UUID id = UUID.nameUUIDFromBytes(("golden " + sheet).getBytes(StandardCharsets.UTF_8));
    JobView view =
        jobs.open(
            id,
            new NewJob(
                sheet.toUpperCase(Locale.ROOT),
                null,
                null,
                null,
                sheet,
                told.path("complaint").asString(),
                null,
                Permit.LIVE,
                null,
                null),
            OPENED);
    int number = 0;
    check(sheet + "-0", json.valueToTree(view));
    for (JsonNode entry : told.path("evidence")) {
      number++;
      view =
          jobs.add(
              id,
              new UUID(number, id.getLeastSignificantBits()),
              json.treeToValue(entry, EvidenceItem.class),
              OPENED.plusMinutes(number));
      if (LOOKED_AT_AFTER.contains(number)) {
        check(sheet + "-" + number, json.valueToTree(view));
      }
    }
    assertThat(number).isEqualTo(10);
  }

  @ParameterizedTest
  @MethodSource("cases")
  void a_case_is_assessed_as_before(Path file) throws Exception {
    String answer =
        http.perform(
                post("/api/assess")
                    .contentType(MediaType.APPLICATION_YAML)
                    .content(Files.readString(file)))
            .andReturn()
            .getResponse()
            .getContentAsString(StandardCharsets.UTF_8);
    check("case-" + file.getFileName().toString().replace(".yaml", ""), json.readTree(answer));
  }

  private void check(String name, JsonNode now) throws IOException {
    Path file = FOLDER.resolve("answers").resolve(name + ".json.gz");
    if (Boolean.getBoolean("golden.update")) {
      Files.createDirectories(file.getParent());
      try (OutputStream out = new GZIPOutputStream(Files.newOutputStream(file))) {
        out.write(json.writeValueAsBytes(now));
      }
    }
    try (InputStream in = new GZIPInputStream(Files.newInputStream(file))) {
      List<String> differences = new ArrayList<>();
      compare(name, json.readTree(in.readAllBytes()), now, differences);
      assertThat(differences).isEmpty();
    }
  }

  private static void compare(String at, JsonNode was, JsonNode is, List<String> differences) {
    if (was.isNumber() && is.isNumber()) {
      double before = was.asDouble();
      double difference = Math.abs(before - is.asDouble());
      if (!(difference <= WITHIN * Math.max(1, Math.abs(before)))) {
        differences.add("%s: was %s, is %s".formatted(at, was, is));
      }
    } else if (was.isArray() && is.isArray() && was.size() == is.size()) {
      for (int i = 0; i < was.size(); i++) {
        compare(at + "[" + i + "]", was.get(i), is.get(i), differences);
      }
    } else if (was.isObject() && is.isObject()) {
      Set<String> names = new HashSet<>(was.propertyNames());
      names.addAll(is.propertyNames());
      // drawn at random
      names.remove("unitId");
      names.forEach(n -> compare(at + "." + n, was.path(n), is.path(n), differences));
    } else if (!was.equals(is) && !(was.isString() && is.isString() && alike(was, is))) {
      differences.add("%s: was %s, is %s".formatted(at, was, is));
    }
  }

  /** The same words, and figures that differ by no more than their last digit may. */
  private static boolean alike(JsonNode was, JsonNode is) {
    String before = was.asString();
    String now = is.asString();
    if (!FIGURE.matcher(before).replaceAll("#").equals(FIGURE.matcher(now).replaceAll("#"))) {
      return false;
    }
    List<String> a = FIGURE.matcher(before).results().map(MatchResult::group).toList();
    List<String> b = FIGURE.matcher(now).results().map(MatchResult::group).toList();
    for (int i = 0; i < a.size(); i++) {
      BigDecimal x = new BigDecimal(a.get(i));
      BigDecimal difference = x.subtract(new BigDecimal(b.get(i))).abs();
      boolean last = difference.compareTo(BigDecimal.ONE.movePointLeft(x.scale())) <= 0;
      if (!last && difference.doubleValue() > WITHIN * x.doubleValue()) {
        return false;
      }
    }
    return true;
  }
}
