package org.jollychain.core.text;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jollychain.core.quantity.Dimension;
import tools.jackson.databind.JsonNode;

/** A place in the text: its JSON pointer and what stands there, if anything. */
public final class SourceNode {
  private final SourceText text;
  private final List<TextProblem> problems;
  private final String pointer;
  private final JsonNode node;

  private SourceNode(SourceText text, List<TextProblem> problems, String pointer, JsonNode node) {
    this.text = text;
    this.problems = problems;
    this.pointer = pointer;
    this.node = node;
  }

  /**
   * The whole of a text.
   *
   * @param problems found are added to these
   */
  public static SourceNode root(SourceText text, List<TextProblem> problems) {
    return new SourceNode(text, problems, "", text.root());
  }

  /** The text that this is a place of. */
  public SourceNode root() {
    return root(text, problems);
  }

  public SourceNode child(String key) {
    return new SourceNode(text, problems, pointer + "/" + SourceText.escape(key), node.path(key));
  }

  public SourceNode at(String... keys) {
    SourceNode here = this;
    for (String key : keys) {
      here = here.child(key);
    }
    return here;
  }

  public List<SourceNode> items() {
    List<SourceNode> items = new ArrayList<>();
    for (int i = 0; i < node.size(); i++) {
      items.add(new SourceNode(text, problems, pointer + "/" + i, node.get(i)));
    }
    return items;
  }

  public <T> Map<String, T> each(BiFunction<String, SourceNode, T> reading) {
    Map<String, T> map = new LinkedHashMap<>();
    if (node.isObject()) {
      node.propertyNames().forEach(key -> map.put(key, reading.apply(key, child(key))));
    }
    return Collections.unmodifiableMap(map);
  }

  public boolean present() {
    return !node.isMissingNode() && !node.isNull();
  }

  public boolean isText() {
    return node.isString();
  }

  /** The text; a point may be called 12, so a whole number is its digits. */
  public String text() {
    return node.isNumber() && node.doubleValue() == Math.rint(node.doubleValue())
        ? String.valueOf((long) node.doubleValue())
        : node.asString("");
  }

  public String text(String otherwise) {
    return present() ? text() : otherwise;
  }

  public Optional<String> optionalText() {
    return present() ? Optional.of(text()) : Optional.empty();
  }

  public List<String> texts() {
    return items().stream().map(SourceNode::text).toList();
  }

  public boolean flag(boolean otherwise) {
    return node.asBoolean(otherwise);
  }

  public <T> T reading(Function<String, T> parser, T otherwise) {
    try {
      return parser.apply(text());
    } catch (IllegalArgumentException e) {
      wrong(e.getMessage());
      return otherwise;
    }
  }

  /** A quantity that may not be negative unless it is a temperature. */
  public double quantity(Dimension dimension, double otherwise) {
    if (!present()) {
      return otherwise;
    }
    double value = node.isNumber() ? node.doubleValue() : reading(dimension::parse, otherwise);
    if (value < 0 && dimension != Dimension.CELSIUS) {
      wrong("%s is negative; it must be 0 or more".formatted(node.asString()));
      return otherwise;
    }
    return value;
  }

  public double positive(Dimension dimension) {
    double value = quantity(dimension, 1);
    if (value <= 0) {
      wrong("must be above 0");
      return 1;
    }
    return value;
  }

  public void wrong(String message) {
    problems.add(text.at(pointer, message));
  }

  public void wrongKey(String message) {
    problems.add(text.atKey(pointer, message));
  }
}
