package org.jollychain.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jollychain.core.Sheets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Whom a complaint makes suspect before anything is read. */
class ComplaintsTest {

  private static final int AMONG = 4;

  static Stream<Map.Entry<String, JsonNode>> table() throws IOException {
    try (InputStream in = ComplaintsTest.class.getResourceAsStream("/field/complaints.yaml")) {
      return YAMLMapper.shared().readTree(in).properties().stream();
    }
  }

  private static List<String> order(Assessment a) {
    List<Map.Entry<String, Double>> all = new ArrayList<>();
    a.parts().forEach(p -> all.add(Map.entry(p.id(), p.probability())));
    all.add(Map.entry("supply", a.supply().probability()));
    all.sort(Comparator.comparing((Map.Entry<String, Double> e) -> e.getValue()).reversed());
    return all.stream().map(Map.Entry::getKey).toList();
  }

  @ParameterizedTest
  @MethodSource("table")
  void the_first_are_those_a_master_names_and_the_cleared_are_none_of_them(
      Map.Entry<String, JsonNode> row) {
    String[] key = row.getKey().split(" ");
    Assessment a = new Diagnosis(Sheets.shipped(key[0])).assess(List.of(), Optional.of(key[1]));
    List<String> order = order(a);
    List<String> first = new ArrayList<>();
    row.getValue().get("first").forEach(n -> first.add(n.asString()));
    List<String> cleared = new ArrayList<>();
    row.getValue().get("cleared").forEach(n -> cleared.add(n.asString()));
    assertThat(first).isNotEmpty();
    assertThat(order).containsAll(cleared);
    assertThat(order.subList(0, AMONG)).containsAll(first);
    assertThat(order.subList(0, AMONG)).doesNotContainAnyElementsOf(cleared);
  }
}
