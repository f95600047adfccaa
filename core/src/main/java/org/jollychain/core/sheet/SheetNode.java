package org.jollychain.core.sheet;

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
final class SheetNode {
  private final SheetText text;
  private final List<SheetProblem> problems;
  private final String pointer;
  private final JsonNode node;

  private SheetNode(SheetText text, List<SheetProblem> problems, String pointer, JsonNode node) {
    this.text = text;
    this.problems = problems;
    this.pointer = pointer;
    this.node = node;
  }

  /**
   * The whole of a sheet.
   *
   * @param problems found are added to these
   */
  static SheetNode root(SheetText text, List<SheetProblem> problems) {
    return new SheetNode(text, problems, "", text.root());
  }

  /** The sheet that this is a place of. */
  SheetNode root() {
    return root(text, problems);
  }

  SheetNode child(String key) {
    return new SheetNode(text, problems, pointer + "/" + SheetText.escape(key), node.path(key));
  }

  SheetNode at(String... keys) {
    SheetNode here = this;
    for (String key : keys) {
      here = here.child(key);
    }
    return here;
  }

  List<SheetNode> items() {
    List<SheetNode> items = new ArrayList<>();
    for (int i = 0; i < node.size(); i++) {
      items.add(new SheetNode(text, problems, pointer + "/" + i, node.get(i)));
    }
    return items;
  }

  <T> Map<String, T> each(BiFunction<String, SheetNode, T> reading) {
    Map<String, T> map = new LinkedHashMap<>();
    if (node.isObject()) {
      node.propertyNames().forEach(key -> map.put(key, reading.apply(key, child(key))));
    }
    return Collections.unmodifiableMap(map);
  }

  boolean present() {
    return !node.isMissingNode() && !node.isNull();
  }

  boolean isText() {
    return node.isString();
  }

  /** The text; a point may be called 12, so a whole number is its digits. */
  String text() {
    return node.isNumber() && node.doubleValue() == Math.rint(node.doubleValue())
        ? String.valueOf((long) node.doubleValue())
        : node.asString("");
  }

  String text(String otherwise) {
    return present() ? text() : otherwise;
  }

  Optional<String> optionalText() {
    return present() ? Optional.of(text()) : Optional.empty();
  }

  List<String> texts() {
    return items().stream().map(SheetNode::text).toList();
  }

  boolean flag(boolean otherwise) {
    return node.asBoolean(otherwise);
  }

  <T> T reading(Function<String, T> parser, T otherwise) {
    try {
      return parser.apply(text());
    } catch (IllegalArgumentException e) {
      wrong(e.getMessage());
      return otherwise;
    }
  }

  /** A quantity that may not be negative unless it is a temperature. */
  double quantity(Dimension dimension, double otherwise) {
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

  double positive(Dimension dimension) {
    double value = quantity(dimension, 1);
    if (value <= 0) {
      wrong("must be above 0");
      return 1;
    }
    return value;
  }

  void wrong(String message) {
    problems.add(text.at(pointer, message));
  }

  void wrongKey(String message) {
    problems.add(text.atKey(pointer, message));
  }
}
