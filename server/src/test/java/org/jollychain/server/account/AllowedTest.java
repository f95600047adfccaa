package org.jollychain.server.account;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.io.IOException;
import java.io.InputStream;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.jollychain.server.ServerTest;
import org.jollychain.server.job.JobService;
import org.jollychain.server.job.NewJob;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.policy.Permit;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Who may do what, for every endpoint there is: the table is {@code account/allowed.txt}. */
@ServerTest
@Transactional
class AllowedTest {

  private static final Set<Integer> REFUSED = Set.of(401, 403);
  private static final Set<String> FOR_ALL = Set.of("/error", "/api/ready", "/api/openapi");

  @Autowired private MockMvc http;
  @Autowired private PeopleService people;
  @Autowired private JobService jobs;

  @Autowired
  @Qualifier("requestMappingHandlerMapping")
  private RequestMappingHandlerMapping mappings;

  /**
   * A row of the table.
   *
   * @param whose job it is about, own or other; a dash where it is about none
   * @param least the least role that may; {@code nobody} where nobody has to sign in, {@code never}
   *     where it is for another mode
   */
  private record Row(String whose, HttpMethod method, String path, String least, String body) {

    static Row of(String line) {
      String[] cells = line.split(" +", 5);
      return new Row(
          cells[0],
          HttpMethod.valueOf(cells[1]),
          cells[2],
          cells[3],
          cells.length < 5 ? "" : cells[4]);
    }

    boolean allows(@Nullable Role role) {
      return least.equals("nobody")
          || !least.equals("never")
              && role != null
              && role.atLeast(Role.valueOf(least.toUpperCase(Locale.ROOT)));
    }
  }

  private static List<Row> table() throws IOException {
    try (InputStream in = AllowedTest.class.getResourceAsStream("/account/allowed.txt")) {
      return new String(in.readAllBytes(), UTF_8)
          .lines()
          .filter(l -> !l.isBlank() && !l.startsWith("#"))
          .map(Row::of)
          .toList();
    }
  }

  private static String login(Role role) {
    return "the-" + role;
  }

  @BeforeEach
  void one_of_each() {
    for (Role role : Role.values()) {
      people.addWithoutPassword(Person.of(login(role), "The " + role, role));
    }
    people.addWithoutPassword(Person.of("somebody", "Somebody", Role.VIEWER));
  }

  @Test
  void every_endpoint_stands_in_the_table() throws IOException {
    Set<String> there = new TreeSet<>();
    mappings
        .getHandlerMethods()
        .keySet()
        .forEach(
            info ->
                info.getMethodsCondition()
                    .getMethods()
                    .forEach(
                        method ->
                            info.getPathPatternsCondition().getPatternValues().stream()
                                .filter(p -> !FOR_ALL.contains(p) && !p.startsWith("/api/openapi"))
                                .forEach(p -> there.add(method + " " + p))));
    Set<String> written = new TreeSet<>();
    table().forEach(r -> written.add(r.method() + " " + r.path()));
    assertThat(written).isEqualTo(there);
  }

  @Test
  void each_may_what_the_table_says() throws Exception {
    List<String> wrong = new ArrayList<>();
    for (Row row : table()) {
      List<@Nullable Role> roles = new ArrayList<>();
      roles.add(null);
      // who may only read may read all there is, so the others may too
      Stream.of(Role.values())
          .filter(r -> r == Role.VIEWER || !row.allows(Role.VIEWER))
          .forEach(roles::add);
      for (Role role : roles) {
        int status = status(row, role);
        if (REFUSED.contains(status) == row.allows(role) || status >= 500) {
          wrong.add("%s as %s: %d".formatted(row, role == null ? "nobody" : role, status));
        }
      }
    }
    assertThat(wrong).isEmpty();
  }

  private int status(Row row, @Nullable Role role) throws Exception {
    MockHttpServletRequestBuilder request =
        request(row.method(), row.path(), variables(row, role))
            // as a page asks
            .header("Sec-Fetch-Site", "same-origin");
    if (!row.body().isEmpty()) {
      boolean json = row.body().startsWith("{");
      request
          .content(row.body())
          .contentType(
              json
                  ? MediaType.APPLICATION_JSON
                  : row.path().endsWith(".csv")
                      ? MediaType.parseMediaType("text/csv")
                      : row.path().contains("shorthand")
                          ? MediaType.TEXT_PLAIN
                          : MediaType.APPLICATION_YAML);
    }
    if (role != null) {
      request.with(authentication(role.of(login(role))));
    } else {
      request.with(
          org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors
              .anonymous());
    }
    return http.perform(request).andReturn().getResponse().getStatus();
  }

  /** What stands in braces, made up; jobs are really there. */
  private Object[] variables(Row row, @Nullable Role role) {
    Map<String, String> known =
        Map.of(
            "key", row.path().startsWith("/api/checks") ? "element" : "dryer-timer-240",
            "revision", "1",
            "tag", "ALLOW-1",
            "part", "element",
            "login", "somebody");
    return Arrays.stream(row.path().split("/"))
        .filter(s -> s.startsWith("{"))
        .map(s -> s.substring(1, s.indexOf('}')))
        .map(
            name ->
                name.equals("id") && !row.whose().equals("-")
                    ? job(row.whose().equals("own") && role != null ? login(role) : "somebody")
                    : row.path().startsWith("/api/meters")
                        ? "allow-meter"
                        : known.getOrDefault(name, UUID.randomUUID().toString()))
        .toArray();
  }

  private String job(String owner) {
    UUID id = UUID.randomUUID();
    jobs.open(
        id,
        new NewJob(
            "ALLOW-1",
            null,
            null,
            null,
            "dryer-timer-240",
            "no-heat",
            null,
            Permit.ISOLATED,
            null,
            null),
        new Stamp(OffsetDateTime.now(), owner, Role.LEAD));
    return id.toString();
  }
}
