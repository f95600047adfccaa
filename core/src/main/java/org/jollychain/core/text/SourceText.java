package org.jollychain.core.text;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jollychain.core.quantity.PlainText;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.CollectionEndEvent;
import org.snakeyaml.engine.v2.events.CollectionStartEvent;
import org.snakeyaml.engine.v2.events.DocumentStartEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;
import org.snakeyaml.engine.v2.nodes.Tag;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A YAML 1.2 text as a tree that still knows the line and column of everything in it. Anchors are
 * not part of the format, so no text can grow when it is read.
 */
public final class SourceText {

  public static final int LARGEST_BYTES = 256 * 1024;
  private static final int DEEPEST = 20;

  /** Texts that may have several lines. */
  private static final String NOTES = "/notes";

  private final String what;
  private final Map<String, Mark> keys = new HashMap<>();
  private final Map<String, Mark> values = new HashMap<>();
  private final JsonNode root;

  /**
   * @param what it is to be: {@code sheet}
   * @param format it has to begin with
   * @throws InvalidTextException when the text is too large, too deep or no YAML
   */
  public SourceText(String text, String what, String format) {
    this.what = what;
    if (text.getBytes(StandardCharsets.UTF_8).length > LARGEST_BYTES) {
      throw invalid(
          null,
          "a %s may be %d kB at most; leave out what does not belong to it"
              .formatted(what, LARGEST_BYTES / 1024));
    }
    // read in one piece: a character of two halves on the edge of a buffer breaks the parser
    LoadSettings settings =
        LoadSettings.builder().setLabel(what).setBufferSize(text.length() + 2).build();
    try {
      guard(new Parse(settings).parseString(text));
      Node node =
          new Compose(settings)
              .composeString(text)
              .orElseThrow(
                  () ->
                      invalid(
                          null, "the text is empty; start with \"format: %s\"".formatted(format)));
      root = read(node, "");
    } catch (MarkedYamlEngineException e) {
      throw invalid(e.getProblemMark().orElse(null), e.getProblem());
    } catch (YamlEngineException e) {
      throw invalid(null, "this is no YAML: " + e.getMessage());
    }
  }

  public JsonNode root() {
    return root;
  }

  /** A problem with the value at a JSON pointer. */
  public TextProblem at(String pointer, String message) {
    return problem(nearest(values, pointer), pointer, message);
  }

  /** A problem with the key that leads to a JSON pointer. */
  public TextProblem atKey(String pointer, String message) {
    Mark mark = keys.get(pointer);
    return problem(mark == null ? nearest(values, pointer) : mark, pointer, message);
  }

  private static Mark nearest(Map<String, Mark> marks, String pointer) {
    String p = pointer;
    while (!marks.containsKey(p) && !p.isEmpty()) {
      p = p.substring(0, p.lastIndexOf('/'));
    }
    return marks.get(p);
  }

  private static TextProblem problem(Mark mark, String pointer, String message) {
    String where = pointer.isEmpty() ? "" : unescape(pointer.substring(1).replace('/', '.'));
    return mark == null
        ? new TextProblem(1, 1, where, message)
        : new TextProblem(mark.getLine() + 1, mark.getColumn() + 1, where, message);
  }

  private static InvalidTextException invalid(Mark mark, String message) {
    return new InvalidTextException(List.of(problem(mark, "", message)));
  }

  /** Refuses, before anything is built from it, what could grow or nest without end. */
  private void guard(Iterable<Event> events) {
    int depth = 0;
    int documents = 0;
    for (Event event : events) {
      Mark mark = event.getStartMark().orElse(null);
      if (event instanceof AliasEvent) {
        throw invalid(mark, "aliases (*name) are not part of the format; write the value out");
      } else if (event instanceof CollectionStartEvent && ++depth > DEEPEST) {
        throw invalid(
            mark,
            "nested more than %d deep; a %s needs no more than five".formatted(DEEPEST, what));
      } else if (event instanceof CollectionEndEvent) {
        depth--;
      } else if (event instanceof DocumentStartEvent && ++documents > 1) {
        throw invalid(mark, "a second document starts here; keep one %s in a text".formatted(what));
      }
    }
  }

  private JsonNode read(Node node, String pointer) {
    node.getStartMark().ifPresent(mark -> values.put(pointer, mark));
    if (node instanceof MappingNode mapping) {
      ObjectNode object = JsonNodeFactory.instance.objectNode();
      for (NodeTuple tuple : mapping.getValue()) {
        if (!(tuple.getKeyNode() instanceof ScalarNode key)) {
          throw invalid(
              tuple.getKeyNode().getStartMark().orElse(null), "a key must be a plain word");
        }
        if (object.has(key.getValue())) {
          throw invalid(
              key.getStartMark().orElse(null),
              "\"%s\" stands here twice; give each its own name".formatted(key.getValue()));
        }
        check(key, false);
        String child = pointer + "/" + escape(key.getValue());
        key.getStartMark().ifPresent(mark -> keys.put(child, mark));
        object.set(key.getValue(), read(tuple.getValueNode(), child));
      }
      return object;
    }
    if (node instanceof SequenceNode sequence) {
      ArrayNode array = JsonNodeFactory.instance.arrayNode();
      List<Node> items = new ArrayList<>(sequence.getValue());
      for (int i = 0; i < items.size(); i++) {
        array.add(read(items.get(i), pointer + "/" + i));
      }
      return array;
    }
    ScalarNode scalar = (ScalarNode) node;
    check(scalar, pointer.endsWith(NOTES));
    if (scalar.getTag().equals(Tag.NULL)) {
      return JsonNodeFactory.instance.nullNode();
    }
    if (scalar.getTag().equals(Tag.BOOL)) {
      return JsonNodeFactory.instance.booleanNode(Boolean.parseBoolean(scalar.getValue()));
    }
    if (scalar.getTag().equals(Tag.INT) || scalar.getTag().equals(Tag.FLOAT)) {
      try {
        double value = Double.parseDouble(scalar.getValue());
        if (Double.isFinite(value)) {
          return JsonNodeFactory.instance.numberNode(value);
        }
      } catch (NumberFormatException e) {
        // .inf, .nan and the like: refused below, as text where a number should be
      }
    }
    return JsonNodeFactory.instance.stringNode(scalar.getValue());
  }

  private static void check(ScalarNode scalar, boolean lines) {
    String text = scalar.getValue();
    (lines ? PlainText.problemInLines(text) : PlainText.problemInLine(text))
        .ifPresent(
            problem -> {
              throw invalid(scalar.getStartMark().orElse(null), "this " + problem);
            });
  }

  /** Escapes a key for use in a JSON pointer (RFC 6901). */
  public static String escape(String key) {
    return key.replace("~", "~0").replace("/", "~1");
  }

  private static String unescape(String key) {
    return key.replace("~1", "/").replace("~0", "~");
  }
}
