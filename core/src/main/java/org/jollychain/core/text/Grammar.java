package org.jollychain.core.text;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.StringJoiner;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The grammar of a format: its published JSON Schema, and what breaks it in plain words. */
public final class Grammar {

  private final JsonNode tree;
  private final Schema schema;

  /**
   * @param tree the JSON Schema
   */
  public Grammar(JsonNode tree) {
    this.tree = tree;
    this.schema =
        SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(tree);
  }

  /** The JSON Schema of a resource on the class path. */
  public static JsonNode resource(String name) {
    try (InputStream in = Grammar.class.getResourceAsStream(name)) {
      return JsonMapper.shared().readTree(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The JSON Schema as text. */
  public String text() {
    return tree.toPrettyString();
  }

  /** All that breaks it, each at its place. */
  public List<TextProblem> problems(SourceText text) {
    List<TextProblem> problems = new ArrayList<>();
    for (Error error : schema.validate(text.root())) {
      String pointer = pointer(error);
      JsonNode rule = tree.at(parentOf(error.getSchemaLocation().getFragment().toString()));
      String described = rule.path("description").asString("");
      switch (error.getKeyword()) {
        case "additionalProperties" ->
            problems.add(
                text.atKey(
                    pointer + "/" + SourceText.escape(error.getProperty()),
                    "\"%s\" is not a key here; %s".formatted(error.getProperty(), keys(rule))));
        case "required" ->
            problems.add(text.at(pointer, "\"%s\" is missing".formatted(error.getProperty())));
        case "propertyNames" ->
            problems.add(text.at(pointer, "a name here is not allowed: " + error.getMessage()));
        case "enum" -> problems.add(text.at(pointer, notOneOf(error, rule.path("enum"))));
        case "const" ->
            problems.add(text.at(pointer, "should be " + rule.path("const").asString()));
        case "type" ->
            problems.add(
                text.at(
                    pointer,
                    "should be "
                        + (described.isEmpty() ? typeWord(rule.path("type")) : described)));
        default ->
            problems.add(
                text.at(
                    pointer, described.isEmpty() ? error.getMessage() : "should be " + described));
      }
    }
    return problems;
  }

  private static String pointer(Error error) {
    StringBuilder pointer = new StringBuilder();
    for (int i = 0; i < error.getInstanceLocation().getNameCount(); i++) {
      pointer
          .append('/')
          .append(SourceText.escape(String.valueOf(error.getInstanceLocation().getElement(i))));
    }
    return pointer.toString();
  }

  private static String parentOf(String pointer) {
    int end = pointer.lastIndexOf('/');
    return end < 0 ? "" : pointer.substring(0, end);
  }

  private static String keys(JsonNode rule) {
    StringJoiner known = new StringJoiner(", ", "known keys: ", "");
    rule.path("properties").propertyNames().forEach(known::add);
    return known.toString();
  }

  /** The nearest of the allowed words where one is near, all of them where none is. */
  private static String notOneOf(Error error, JsonNode allowed) {
    List<String> words = new ArrayList<>();
    allowed.forEach(v -> words.add(v.asString()));
    String given = error.getInstanceNode().asString("");
    String near = Nearest.suggestion(given, words);
    return near.contains("did you mean")
        ? "\"%s\" is not known here%s".formatted(given, near)
        : "should be one of: " + String.join(", ", words);
  }

  private static String typeWord(JsonNode type) {
    return switch (type.asString("")) {
      case "object" -> "a mapping (key: value)";
      case "array" -> "a list, like [a, b]";
      case "string" -> "text";
      case "boolean" -> "true or false";
      default -> "a number";
    };
  }
}
