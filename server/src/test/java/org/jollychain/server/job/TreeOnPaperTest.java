package org.jollychain.server.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.jollychain.core.plan.DecisionTree;
import org.jollychain.server.paper.Templates;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;

class TreeOnPaperTest {

  private static final DecisionTree LIMIT = leaf("It is the limit");
  private static final DecisionTree ELEMENT = leaf("It is the element");
  private static final DecisionTree CONFIRM =
      new DecisionTree(
          "Ohms across the limit",
          List.of("Isolate, lock off, prove dead", "Rear panel off"),
          9.5,
          true,
          List.of(new DecisionTree.Branch("OL", 0.4, LIMIT)));
  private static final DecisionTree CARD =
      new DecisionTree(
          "AC volts from <B> to L2",
          List.of(),
          0.6,
          false,
          List.of(
              new DecisionTree.Branch("about 0 V", 0.45, CONFIRM),
              new DecisionTree.Branch("238 V & more", 0.35, ELEMENT)));

  private static DecisionTree leaf(String title) {
    return new DecisionTree(title, List.of(), 0, false, List.of());
  }

  private static String svg(String heading, DecisionTree card) {
    return new Templates()
        .filled("route-card.svg", Map.of("heading", heading, "drawing", RouteDrawing.of(card)));
  }

  private static Document parsed(String xml) throws Exception {
    return DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(new InputSource(new StringReader(xml)));
  }

  private static List<String> texts(Document svg) {
    NodeList nodes = svg.getElementsByTagName("text");
    List<String> texts = new ArrayList<>();
    for (int i = 0; i < nodes.getLength(); i++) {
      texts.add(nodes.item(i).getTextContent());
    }
    return texts;
  }

  @Test
  void a_drawing_is_well_formed_and_says_all_of_the_card_in_its_order() throws Exception {
    List<String> texts = texts(parsed(svg("HUT-4 <north>", CARD)));
    assertThat(texts)
        .containsExactly(
            "HUT-4 <north>",
            "AC volts from <B> to L2 (0.6 min)",
            "about 0 V  45 %",
            "Isolate, lock off, prove dead › Rear panel off",
            "Confirm: Ohms across the limit (9.5 min)",
            "OL  40 %",
            "It is the limit",
            "238 V & more  35 %",
            "It is the element");
  }

  @Test
  void what_follows_an_answer_stands_further_in_and_no_line_beyond_the_paper() throws Exception {
    Document svg = parsed(svg("HUT-4", CARD));
    double width = Double.parseDouble(svg.getDocumentElement().getAttribute("width"));
    double height = Double.parseDouble(svg.getDocumentElement().getAttribute("height"));
    NodeList nodes = svg.getElementsByTagName("text");
    double last = 0;
    for (int i = 1; i < nodes.getLength(); i++) {
      Element text = (Element) nodes.item(i);
      double y = Double.parseDouble(text.getAttribute("y"));
      assertThat(y).isGreaterThan(last).isLessThan(height);
      assertThat(Double.parseDouble(text.getAttribute("x"))).isBetween(0.0, width);
      last = y;
    }
    double asked = Double.parseDouble(((Element) nodes.item(1)).getAttribute("x"));
    double then = Double.parseDouble(((Element) nodes.item(4)).getAttribute("x"));
    assertThat(then).isGreaterThan(asked);
  }

  @Test
  void a_long_line_is_broken_between_words_and_none_is_lost() throws Exception {
    String many = "the limit, the cut-off or the thermostat, ".repeat(8).strip();
    List<String> texts = texts(parsed(svg("HUT-4", leaf(many))));
    assertThat(texts.size()).isGreaterThan(3);
    assertThat(String.join(" ", texts.subList(1, texts.size()))).isEqualTo(many);
    assertThat(texts).allMatch(t -> t.length() <= 92);
  }
}
